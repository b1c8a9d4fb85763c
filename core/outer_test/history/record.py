"""A unit's record: what each visit read, and each point's readings over the visits with their drift."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import date, datetime

from outer_test.assessment import Assessment, as_found, as_left, assess, read_in_hand
from outer_test.history.trend import Trend, trend
from outer_test.judgement import Finding, Part, Tape, Verdict, first_at_each_point, tape_of
from outer_test.rules.windings import at_25c
from outer_test.visit import POINTS, Reading, Repair, Taken, Visit, group_of, inputs_of, sign_at, title_of

PAIRS = ("winding.c_r.ohm", "winding.c_s.ohm", "winding.r_s.ohm")
# A part by the points that read it: a new one starts a new line.
PART_OF = {
    "cap.herm.": "run capacitor, HERM", "cap.fan.": "run capacitor, FAN", "cap.start.": "start capacitor", "contactor.": "contactor",
    "contactor2.": "second contactor", "winding.": "compressor", "amps.compressor.": "compressor", "lead.": "compressor",
    "fan_winding.": "fan motor", "amps.fan.": "fan motor", "defrost.switch.": "coil switch", "defrost.coil_sensor.": "coil sensor",
    "defrost.ambient_sensor.": "ambient sensor", "defrost.valve_coil.": "reversing valve coil",
}  # fmt: skip
# What the screens offer as put in.
PARTS = tuple(dict.fromkeys((
    *PART_OF.values(), *(part.value for part in (
        Part.DEFROST_BOARD, Part.REVERSING_VALVE, Part.FUSE, Part.CONTROL_FUSE, Part.THERMOSTAT, Part.START_DEVICE, Part.POTENTIAL_RELAY,
        Part.PRESSURE_SWITCH, Part.TRANSFORMER, Part.COMPRESSOR_LEAD, Part.AUX_ELEMENT, Part.WIRE,
    ))
)))  # fmt: skip


def names_of(repair: Repair) -> tuple[str, ...]:
    """What a part put in is called in the unit's record: both sections of a dual by themselves.

    >>> names_of(Repair(Part.RUN_CAPACITOR, section="both")), names_of(Repair(Part.CONTACTOR))
    (('run capacitor, HERM', 'run capacitor, FAN'), ('contactor',))
    """
    sections = {"herm": "run capacitor, HERM", "fan": "run capacitor, FAN"}
    if repair.part is Part.RUN_CAPACITOR:
        return tuple(name for section, name in sections.items() if repair.section in (section, "both"))
    return ("reversing valve coil",) if repair.part is Part.VALVE_COIL else (repair.part.value,)


@dataclass(frozen=True, slots=True)
class Told:
    """What one visit read at one point, with its limits as they stood. `number` is what is followed over the years, corrected
    where the rule says; `corrected` says how. `tags` tells kinds of one point apart. `at` is when it was read, on a visit that put
    a part in: what was read before belongs to the old part."""

    point: str
    value: str
    verdict: Verdict | None = None
    number: float | None = None
    low: float | None = None
    high: float | None = None
    watch_low: float | None = None
    watch_high: float | None = None
    nominal: float | None = None
    band: tuple[float, ...] | None = None
    unit: str = ""
    corrected: str = ""
    tags: str = ""
    why: str = ""
    at: datetime | None = None


@dataclass(frozen=True, slots=True)
class ReadThen:
    """One reading of a point's history: its day, its visit, and what was told of it. `line` counts the parts it was read on,
    `tape` is where it stands on its strip."""

    at: datetime
    visit: str
    told: Told
    line: int = 0
    tape: Tape | None = None


@dataclass(frozen=True, slots=True)
class PointHistory:
    """A point's readings, newest last, and the drift of the part that is in now. `urgency` ranks it in a unit's file, 0 first."""

    point: str
    title: str
    unit: str
    readings: tuple[ReadThen, ...]
    trend: Trend
    urgency: int = 3


@dataclass(frozen=True, slots=True)
class PartChanged:
    """A part put in, by its name in `PARTS`, and when."""

    part: str
    at: datetime


def told_of(visit: Visit, judged: Assessment | None = None) -> tuple[Told, ...]:
    """What a visit's standing readings said, point by point: what its record keeps for the years.

    judged: the visit as left, judged; worked out where it is not given. Where a part was put in, what the old one read comes
    first, judged as found, and a new capacitor's reading in the hand is its section's.

    >>> from outer_test.visit import Reading
    >>> told_of(Visit(readings=(Reading("cap.herm.uf", "50.4"),)))[0].value
    '50.4'
    """
    left = as_left(visit)
    timed = left is not visit
    now = _standing(left, judged or assess(visit), timed)
    if not timed:
        return now
    before = as_found(visit)
    in_hand = {f"cap.new_{group_of(point.removeprefix('cap.'))}.uf": point for point in read_in_hand(visit)}
    still = {told.point for told in now} - set(in_hand.values())
    old = [told for told in _standing(before, assess(before), timed) if told.point not in still]
    new = [replace(told, point=in_hand.get(told.point, told.point)) for told in now if told.point not in in_hand.values()]
    return (*old, *new)


def _standing(visit: Visit, judged: Assessment, timed: bool) -> tuple[Told, ...]:
    found = first_at_each_point(judged.findings)
    told = [
        replace(
            _told(visit, taken, found.get(taken.reading.point)),
            at=taken.reading.at if timed else None,
        )
        for taken in inputs_of(visit).kinds
    ]
    seen = [Told(name, visit.saw(name) or "", one.verdict, why=one.why) for name, one in found.items() if name in visit.seen]
    return (*told, *seen)


def _tags(reading: Reading) -> str:
    return ", ".join(filter(None, (reading.by, reading.fitted)))


def _told(visit: Visit, taken: Taken, found: Finding | None) -> Told:
    point, value, number, tags = taken.reading.point, taken.reading.value, taken.measured.number, _tags(taken.reading)
    plain, sign = None if number is None else float(number), sign_at(point, taken.reading.turns)
    corrected, how = _corrected(visit, point, plain)
    if found is None:
        return Told(point, value, None, corrected, unit=sign, corrected=how, tags=tags)
    base = Told(point, value, found.verdict, corrected, unit=sign, corrected=how, tags=tags, why=found.why)
    if how or found.unit not in ("", POINTS[point].sign):  # its limits are for another number than the one that is followed
        return base
    return replace(
        base, low=found.low, high=found.high, watch_low=found.watch_low, watch_high=found.watch_high, nominal=found.nominal, band=found.band
    )


def _corrected(visit: Visit, point: str, number: float | None) -> tuple[float | None, str]:
    """What is followed over the years: a winding at 25 °C where the shell's temperature is known, an aux element's amps and a
    start peak at rated volts where the volts were read; everything else as it was read."""
    if number is None:
        return number, ""
    inputs = inputs_of(visit)
    if point in PAIRS:
        shell, ohm = inputs.number("winding.shell.f"), inputs.number(point)
        if shell is not None and shell.number is not None and ohm is not None:
            at_25 = at_25c(ohm, float(shell.number), visit.plate.compressor.winding).number
            return (None if at_25 is None else round(float(at_25), 4)), "at 25 °C"
    rated, volts = _rated_and_read(visit, point)
    read = inputs.number(volts) if volts else None
    if rated is not None and read is not None and read.number:
        return round(number * rated / float(read.number), 3), "at rated volts"
    return number, ""


def _rated_and_read(visit: Visit, point: str) -> tuple[float | None, str]:
    """The volts a reading's current is tied to: rated, and the point where they were read. None where it is tied to none."""
    if point == "amps.compressor.peak_a":
        return max(visit.plate.volts, default=None), "line.starting.v"
    for place, element in enumerate(visit.plate.aux_heat.elements, 1):
        if point == f"amps.element{place}.a":
            return element.volts, "aux.line.v"
    return None, ""


def part_of(point: str) -> str:
    """The part a point is read on; empty where it belongs to none in particular.

    >>> part_of("cap.herm.load_a"), part_of("line.l1_l2.v")
    ('run capacitor, HERM', '')
    """
    return next((part for prefix, part in PART_OF.items() if point.startswith(prefix)), "")


def histories(visits: Iterable[tuple[datetime, str, Sequence[Told]]], changed: Sequence[PartChanged] = ()) -> tuple[PointHistory, ...]:
    """Every point ever read on a unit, with its readings in time and the drift of the part that is in now.

    visits: when, which, and what was told. A part changed between two visits starts a new line.

    >>> histories([])
    ()
    """
    by_point: dict[tuple[str, str], list[ReadThen]] = {}
    read = [(one.at or at, visit, one) for at, visit, told in visits for one in told]
    for at, visit, one in sorted(read, key=lambda taken: taken[0]):
        line = sum(1 for change in changed if change.part == part_of(one.point) and change.at <= at)
        by_point.setdefault((one.point, one.tags), []).append(ReadThen(at, visit, one, line, _tape(one)))
    order = {name: place for place, name in enumerate(POINTS)}
    return tuple(
        PointHistory(
            point,
            title_of(point) + (f", {tags}" if tags else ""),
            POINTS[point].sign,
            tuple(readings),
            (drift := _drift(readings)),
            _urgency(readings, drift),
        )
        for (point, tags), readings in sorted(by_point.items(), key=lambda one: (order.get(one[0][0], 0), one[0][1]))
    )


def _tape(told: Told) -> Tape | None:
    return tape_of(told.number, told.band, told.low, told.watch_low, told.watch_high, told.high, told.nominal)


def _urgency(readings: list[ReadThen], drift: Trend) -> int:
    """What is wrong first, then what drifts or is watched, then what was read more than once."""
    verdict = readings[-1].told.verdict
    if verdict in (Verdict.STOP, Verdict.BAD):
        return 0
    if drift.crosses is not None or verdict in (Verdict.UNSURE, Verdict.WATCH):
        return 1
    return 2 if len(readings) > 1 else 3


def _drift(readings: list[ReadThen]) -> Trend:
    newest = readings[-1]
    now = [reading for reading in readings if reading.line == newest.line and reading.told.corrected == newest.told.corrected]
    numbers: list[tuple[date, float]] = [(one.at.date(), one.told.number) for one in now if one.told.number is not None]
    return trend(numbers, newest.told.low, newest.told.high, newest.told.unit)
