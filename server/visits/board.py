"""The wire map of a defrost board that is swapped."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Any
from uuid import UUID

from ledger.writer import Made, Writer
from outer_test.ledger import Kind, Wire
from outer_test.measurement import FieldProblem
from outer_test.rules.defrost import line_names
from outer_test.visit import BoardWire
from visits.load import Loaded
from visits.write import of_kind, write_on_visit

MOST = 60


def map_wire(writer: Writer, visit_id: UUID, made: Made, line: Wire) -> Loaded:
    """Write a line of the wire map: a new wire, also on a terminal that has one, or a correction; old lines stay on record.

    A wire that was taken off keeps its name: a correction of its colour is refused then, for the list would lose it.
    Raises NoSuchVisit, FieldProblem.
    """
    line = replace(line, **{name: getattr(line, name).strip() for name in ("terminal", "colour", "goes_to", "new_terminal")})

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        _check(known, line)
        yield "", line, 0

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.WIRE))


def _check(loaded: Loaded, line: Wire) -> None:
    wires = loaded.visit.board_wires
    if not line.terminal and not line.gone:
        raise FieldProblem("terminal", "say which terminal the wire is on")
    if not line.of:
        if line.gone or len(wires) >= MOST:
            raise FieldProblem("terminal", "This wire is not on the map." if line.gone else f"Use at most {MOST} wires.")
        return
    place = next((place for place, one in enumerate(wires) if one.id == line.of), None)
    if place is None:
        raise FieldProblem("of", "This wire is not on the map.")
    mended = replace(wires[place], terminal=line.terminal, colour=line.colour)
    after = (*wires[:place], *(() if line.gone else (mended,)), *wires[place + 1 :])
    # A wire taken off is on the list by its name; a change to a like one would number it anew.
    kept = _named(after).items()
    if {name for _, name in _named(wires).items() - kept} & {one.words for one in loaded.visit.lifted}:
        raise FieldProblem("terminal", f"{line_names(wires)[place]} is off already, so its name cannot change.")


def _named(wires: Sequence[BoardWire]) -> dict[str | None, str]:
    """What each wire, by its id, is called on the not-put-back list."""
    return dict(zip((wire.id for wire in wires), line_names(wires), strict=True))
