"""What each point should read on this unit if it is sound, from the twin: shown faintly beside the limits, and judging nothing."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from math import isfinite

from outer_test.diagnosis.predict import Table
from outer_test.judgement import Finding, Tape, place_on
from outer_test.nameplate import Plate
from outer_test.visit import POINTS

# What a prediction leans on: without these on the plate it would be a guess of ours, and is not shown.
_LEANS_ON: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("amps.compressor", ("compressor.rla", "compressor.lra")), ("amps.total", ("compressor.rla", "compressor.lra", "fan.fla")),
    ("contactor.pole", ("compressor.rla",)), ("cap.herm.load", ("compressor.rla", "compressor.lra", "run_capacitor.herm_uf")),
    ("cap.herm", ("run_capacitor.herm_uf",)), ("cap.fan.load", ("fan.fla", "run_capacitor.fan_uf")), ("cap.fan", ("run_capacitor.fan_uf",)),
    ("winding.", ("compressor.lra",)), ("fan_winding", ("fan.fla",)), ("amps.fan", ("fan.fla",)), ("line.", ("volts",)),
    ("contactor.l", ("volts",)), ("cap.start", ("start_capacitor.low_uf", "start_capacitor.high_uf")),
)  # fmt: skip
_GUESSED = "contactor2.pole"  # what the high stage draws is a guess of ours
_DIGITS, _FEW_DIGITS = 3, 2  # figures shown: a prediction is no closer than that
_MOST_SHOWN = 1e6  # an insulation of gigohms is OL on any meter


@dataclass(frozen=True, slots=True)
class Expected:
    """What a sound unit of this plate would read, in the point's unit; its words, and its place on the tape that stands there."""

    value: float
    words: str
    at: float | None


def expected_here(plate: Plate, table: Table, findings: Iterable[Finding]) -> Mapping[str, Expected]:
    """What every point would read on a sound unit of this plate. findings: whose tapes it is marked on. Source: the twin [M].

    >>> from outer_test.diagnosis.predict import table_of
    >>> from outer_test.nameplate import RunCapacitor
    >>> plate = Plate(run_capacitor=RunCapacitor(herm_uf=45, fan_uf=5))
    >>> expected_here(plate, table_of(plate), ())["cap.herm.uf"].words
    'about 45 µF'
    """
    tapes: dict[str, Tape] = {}
    for finding in findings:
        if finding.tape is not None:
            tapes.setdefault(finding.point, finding.tape)  # the worst of a point comes first, and is drawn first
    shown: dict[str, Expected] = {}
    for name, value in table.sound.items():
        point = POINTS.get(name)
        if point is None or isinstance(value, str) or not isfinite(value) or value > _MOST_SHOWN or not _told(plate, name):
            continue
        tape = tapes.get(name)
        shown[name] = Expected(
            value, f"about {value:.{_DIGITS if value >= 1 else _FEW_DIGITS}g} {point.sign}", None if tape is None else place_on(tape, value)
        )
    return shown


def _told(plate: Plate, name: str) -> bool:
    if name.startswith(_GUESSED):
        return False
    needs = next((fields for start, fields in _LEANS_ON if name.startswith(start)), ())
    return all(_field(plate, field) for field in needs)


def _field(plate: Plate, dotted: str) -> object:
    found: object = plate
    for name in dotted.split("."):
        found = getattr(found, name, None)
    return found
