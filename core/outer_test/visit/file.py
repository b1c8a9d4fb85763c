"""The visit file: a Visit as JSON, read strictly and written plainly (docs/visit.schema.json).

Version 2 names what is off by the key of the thing. Version 1 had only sentences for it ("FAN wire off"); `thing_of` is the
one table that reads them, and a file of either version is read into the same Visit.
"""

import json
from dataclasses import replace
from typing import Final

from outer_test.plain_data import ReadProblem, parse, read_as, sparse
from outer_test.visit.thing import thing_of
from outer_test.visit.visit import Lifted, Visit

VERSION: Final = 2


def read_visit(text: str | bytes) -> Visit:
    """Read a visit file's text. Raises ReadProblem with one clear line.

    >>> read_visit('{"format": "outer-test-visit", "version": 1, "lifted": [{"what": "FAN wire off"}]}').lifted[0].thing
    <Thing.FAN_WIRE: 'fan-capacitor-wire'>
    """
    raw = parse(text)
    visit = read_as(Visit, raw)
    for name in ("format", "version"):
        if name not in raw:
            raise ReadProblem([(name, 'missing; a visit file begins {"format": "outer-test-visit", "version": 2, ...}')])
    return current(visit)


def current(visit: Visit) -> Visit:
    """The visit as today's version has it."""
    return replace(visit, version=VERSION, lifted=tuple(_named(line) for line in visit.lifted))


def _named(line: Lifted) -> Lifted:
    return line if line.thing is not None else replace(line, thing=thing_of(line.what))


def write_visit(visit: Visit) -> bytes:
    """The visit as a file, with what is absent left out.

    >>> read_visit(write_visit(Visit())) == current(Visit())
    True
    """
    heading = {"format": visit.format, "version": VERSION}
    return json.dumps(heading | sparse(current(visit)), ensure_ascii=False, indent=1).encode()
