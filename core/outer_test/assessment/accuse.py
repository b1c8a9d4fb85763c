"""Accusing a part, apart from the verdict on a reading (handbook section 1)."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

from outer_test.judgement import Finding, Verdict
from outer_test.visit import Visit, open_lines

# What a lifted line makes worthless as evidence: the points whose circuit runs through that wire.
SPOILED_BY: dict[str, tuple[str, ...]] = {
    "HERM wires off": ("cap.herm.load", "amps.compressor", "start."),
    "FAN wire off": ("cap.fan.load", "amps.fan"),
    "Start capacitor wires off": ("amps.compressor", "start."),
    "Contactor coil leads off": ("contactor.coil.v", "contactor.armature"),
    "Second contactor coil leads off": ("contactor2.coil.v", "contactor2.armature"),
    "Compressor plug off": ("amps.compressor", "start.", "contactor.pole", "contactor2.pole"),
    "Fuses pulled": ("line.", "contactor.line", "contactor.load"),
    "Disconnect pulled": ("line.l1", "line.l2", "contactor.line", "contactor.load", "amps.", "start."),
    "Indoor breaker off": ("control.", "contactor.coil.v"),
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Accused:
    """A part that a rule blames, and by which readings."""

    part: str
    points: tuple[str, ...]
    rules: tuple[str, ...]
    why: str


def accused_parts(findings: Iterable[Finding], visit: Visit) -> tuple[Accused, ...]:
    """The parts accused: only by a rule that says so, never from a reading whose wire is lifted.

    Source: handbook section 1.

    >>> accused_parts((), Visit())
    ()
    """
    found: dict[str, list[Finding]] = {}
    for one in findings:
        if one.accuses and one.verdict in (Verdict.BAD, Verdict.STOP) and not _spoiled(one.point, visit):
            found.setdefault(one.accuses, []).append(one)
    return tuple(
        Accused(part, tuple(one.point for one in why), tuple(dict.fromkeys(one.rule for one in why)), why[0].why)
        for part, why in found.items()
    )


def _spoiled(point: str, visit: Visit) -> bool:
    return any(point.startswith(prefix) for prefix in _spoiled_prefixes(visit))


def _spoiled_prefixes(visit: Visit) -> Iterator[str]:
    for line in open_lines(visit):
        yield from SPOILED_BY.get(line.what, ())
