"""A reading counts only as it was taken: the rule `taken` (handbook section 1)."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from decimal import Decimal

from outer_test.judgement import Finding, Rule, Verdict, judged, unjudged
from outer_test.measurement import Measured, say
from outer_test.rules.make_safe.absence import TESTER
from outer_test.rules.windings.ground import GROUNDED_OHM
from outer_test.visit import (
    ASKS_NO_POWER,
    POINTS,
    Feed,
    Inputs,
    Lifted,
    Measures,
    Point,
    PowerState,
    Reading,
    Taken,
    Thing,
    Visit,
    interrupted_by,
    off_at,
    power_at,
)

TAKEN = Rule("taken", "A reading counts as it was taken", "common practice, no source", "T")

DEAD_BELOW_V = Decimal(30)
_UNPOWERED = ("ohm", "uf", "mohm")
# What finds the power state asks for none: the proof itself, and what stands upstream of everything that is out.


@dataclass(frozen=True, slots=True)
class SetAside:
    """A reading or a thing seen that the record contradicts: what speaks against it, and whether the record itself is wrong.

    record_wrong: it shows the unit live, and neither a power-up nor a new proof is on record since. reading: None for a thing seen.
    stays: a reading that is a stop stays one, and is evidence against no part. by: the line of the list that explains it.
    """

    point: str
    why: str
    reading: Reading | None = None
    record_wrong: bool = False
    stays: bool = False
    by: Lifted | None = None


def set_aside(inputs: Inputs, proved_at: datetime | None) -> tuple[SetAside, ...]:
    """Every standing reading that the record contradicts at its own time. proved_at: when the unit was proved dead.

    Power not recorded contradicts nothing. Source: [T] common practice, no source.

    >>> from outer_test.visit import Lifted, inputs_of
    >>> off = Visit(readings=(Reading("amps.compressor.run_a", "0.0"),), lifted=(Lifted("Compressor plug off"),))
    >>> set_aside(inputs_of(off), None)[0].why
    'Compressor plug off was on the list, so this reading does not count.'
    """
    visit = inputs.visit
    measured = [found for taken in inputs.kinds if (found := _contradicted(visit, taken, proved_at)) is not None]
    seen = [found for name in visit.seen if (found := _seen_contradicted(visit, name, proved_at)) is not None]
    return (*measured, *seen)


def _contradicted(visit: Visit, taken: Taken, proved_at: datetime | None) -> SetAside | None:
    reading, point = taken.reading, POINTS[taken.reading.point]
    if point.measures in ASKS_NO_POWER:
        return None
    state = _state(visit, reading, proved_at)
    if point.power == "dead" and point.unit in _UNPOWERED:
        return _while_live(point, taken, state) or _through_jumper(visit, point, reading)
    if point.power != "live":
        return None
    number = taken.measured.number
    volts = abs(number) if number is not None and point.unit == "v" else None
    line = interrupted_by(visit, point.fed_by, reading.at)
    dead = state in ("dead-claimed", "dead-proved") and bool(point.fed_by & Feed.LINE)
    if line is not None and not _is_moot(visit, point, line.means):
        dead_line = bool(point.fed_by & Feed.LINE) and line.means in (Thing.DISCONNECT, Thing.FUSES)
        if volts is not None and volts >= DEAD_BELOW_V and dead_line:
            why = f"{say(volts)} V where {line.words} is on record: the record is wrong."
            return SetAside(point.name, why, reading, not _settled_since(visit, reading, state, proved_at))
        if volts is None or volts < DEAD_BELOW_V:
            return SetAside(point.name, f"{line.words} was on the list, so this reading does not count.", reading, by=line)
    if dead:
        if volts is not None and volts >= DEAD_BELOW_V:
            why = f"{say(volts)} V where the unit is recorded dead: the record is wrong, it is live."
            return SetAside(point.name, why, reading, not _settled_since(visit, reading, state, proved_at))
        return SetAside(point.name, "Recorded while the unit was dead, but this is live work: it does not count.", reading)
    return _other_state(visit, point, reading, volts)


def _settled_since(visit: Visit, reading: Reading, state: PowerState | None, proved_at: datetime | None) -> bool:
    """Whether a power-up is on record, then or since, or absence was proved anew from the start: nobody goes by the old record any more."""
    since = (event.at is None or reading.at is None or event.at >= reading.at for event in visit.power if event.state == "live")
    began = visit.saw_at(TESTER[0])
    proved_anew = proved_at is not None and began is not None and reading.at is not None and reading.at < began
    return state == "live" or proved_anew or any(since)


def _is_moot(visit: Visit, point: Point, thing: Thing | None) -> bool:
    """The fuse in the test for volts across it is pulled by its own ohm reading, not by this one."""
    return thing in (Thing.FUSE_1, Thing.FUSE_2) and point.name == "line.l1_l2.v"


def _while_live(point: Point, taken: Taken, state: PowerState | None) -> SetAside | None:
    if state != "live":
        return None
    why = "Taken while the unit was live: ohms and microfarads on a live circuit do not count."
    return SetAside(point.name, why, taken.reading, stays=_is_ground(point, taken.measured))


def _is_ground(point: Point, measured: Measured) -> bool:
    """Whether the reading would be a stop: a path to ground."""
    if point.unit == "mohm":
        return measured.number is not None and measured.number * 10**6 < GROUNDED_OHM
    to_ground = point.measures is Measures.GROUND
    return to_ground and (measured.value.kind == "closed" or (measured.number is not None and measured.number < GROUNDED_OHM))


def _through_jumper(visit: Visit, point: Point, reading: Reading) -> SetAside | None:
    if point.name != "defrost.switch.ohm":
        return None
    jumper = next((line for line in off_at(visit, reading.at) if line.means is Thing.SWITCH_JUMPER), None)
    if jumper is None or jumper.at is None or reading.at is None or jumper.at > reading.at:
        return None
    return SetAside(point.name, f"{jumper.words}: its own jumper is what was measured.", reading)


def _other_state(visit: Visit, point: Point, reading: Reading, volts: Decimal | None) -> SetAside | None:
    """A drop with the armature out is none."""
    if point.measures is not Measures.DROP or volts is None or volts < Decimal("0.5"):
        return None
    contactor = point.name.split(".", 1)[0]
    if visit.saw(f"{contactor}.armature") != "out":
        return None
    return SetAside(point.name, "The armature was out: the contactor is open, so this is no drop.", reading)


def _state(visit: Visit, reading: Reading, proved_at: datetime | None) -> PowerState | None:
    """As recorded with the reading itself, else as the record says for its time."""
    if reading.power not in (None, "unknown"):
        return reading.power
    return power_at(visit, reading.at, proved_at)


def _seen_contradicted(visit: Visit, name: str, proved_at: datetime | None) -> SetAside | None:
    point, at = POINTS[name], visit.saw_at(name)
    if point.power != "live" or not point.fed_by:
        return None
    line = interrupted_by(visit, point.fed_by, at)
    if line is not None:
        return SetAside(name, f"{line.words} is on the list, so this reading does not count.", by=line)
    if point.fed_by & Feed.LINE and power_at(visit, at, proved_at) in ("dead-claimed", "dead-proved"):
        return SetAside(name, "Recorded while the unit was dead, so it does not count.")
    return None


def taken_findings(aside: tuple[SetAside, ...]) -> Iterator[Finding]:
    """What is said of readings that were set aside, and the stop where one shows that the unit is not dead.

    >>> list(taken_findings((SetAside("line.l1_l2.v", "240 V where the unit is recorded dead.", None, True),)))[-1].verdict.value
    'stop'
    """
    for one in aside:
        if one.stays:
            continue
        reading = one.reading
        shown = reading.value if reading is not None else ""
        yield unjudged(one.point, TAKEN, one.why, shown=shown, unit=POINTS[one.point].sign, next="Take it again as it must be taken.")
    wrong = next((one for one in aside if one.record_wrong), None)
    if wrong is not None:
        yield judged(
            "safe.dead", TAKEN, Verdict.STOP, f"Not dead: {wrong.why}",
            next="Hands out. Record that it is live, or find the next disconnect up and prove absence again.",
        )  # fmt: skip
