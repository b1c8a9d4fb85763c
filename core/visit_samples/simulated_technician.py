"""A technician who follows *next* on a unit of the twin with a fault put in, until something is accused: for tests and benches.

The unit under test is never the unit predicted: motors, feeder, coils and supply are drawn off the plate's guess, the meter has its
own error, taps are late. A model of ours [M].
"""

import random
from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from typing import Literal

from outer_test.diagnosis import CONTROL, Diagnosis, NextTest, diagnose
from outer_test.diagnosis.things_tested import TESTED, Test
from outer_test.nameplate import Defrost, Plate
from outer_test.procedure import plan_of
from outer_test.rules.defrost import QUESTIONS
from outer_test.twin import FaultKey, Unit, fault_of, make_unit, shown, watch_defrost
from outer_test.visit import POINTS, Conditions, DefrostEvent, PowerEvent, Reading, Seen, Visit, powered_up_at
from visit_samples.simulated_answers import COLD_F, LEADS_OHM, OUTDOOR_F, TOP_OHM, WARM_F, Answers

BEGINS = datetime(2027, 1, 14, 9, 0, tzinfo=UTC)
MOST_STEPS, MOST_TIMES = 90, 3
TURNS, _COARSE_A = 10, 4.0
CHANGE_MIN = 3.0
_SPREAD = {"v": 0.01, "a": 0.02, "uf": 0.02, "ohm": 0.01, "vdc": 0.01}
_SEEN_AS = {
    "look.capacitor.case": Test.CASE,
    "look.contactor.faces": Test.FACES,
    "look.contactor.insects": Test.INSECTS,
    "look.wiring": Test.WIRING,
    "look.coil.face": Test.COIL_FACE,
}
# Words that are a fault themselves: a sound part is not drawn so.
_A_FAULT_ITSELF = ("bulged", "leaking", "burnt", "welded", "found", "rubbed", "loose", "dirty")


@dataclass(frozen=True, slots=True)
class Ended:
    """How a simulated visit ended: what was accused, whether it was found sound, how many tests, and the minutes they took.

    mended: what was asked for mended it, without a part.
    """

    visit: Visit
    found: Diagnosis
    tests: int
    minutes: float
    mended: bool = False

    @property
    def sound(self) -> bool:
        """Whether it ended as nothing wrong."""
        return not self.found.accused and self.found.suspects[0].fault == "nothing wrong" and self.found.suspects[0].probability >= 0.9


def another_unit(plate: Plate, chance: random.Random) -> Unit:
    """A unit of this plate as it may stand in a yard: its figures off the plate's guess by 10 to 30 %."""
    unit = make_unit(plate)

    def off(share: float) -> float:
        return chance.uniform(1 - share, 1 + share)

    values = {name: value * (off(0.03) if name.startswith("uf.") else 1.0) for name, value in unit.values.items()}
    values |= {
        "supply.volts": unit.values["supply.volts"] * chance.uniform(0.96, 1.03),
        "supply.ohm": off(0.3),
        "contactor.coil.ohm": 11 * off(0.25),
    }
    values |= {f"breaker.{leg}–disconnect.L{leg}": 0.03 * off(0.3) for leg in (1, 2)}
    values |= {"transformer.volts": chance.uniform(26.0, 28.5), "compressor.load": chance.uniform(0.78, 1.08), "fan.load": off(0.08)}
    drive, air = unit.compressor, unit.fan
    if drive is not None:
        drive = replace(
            drive,
            motor=drive.motor.times(off(0.08)),
            cold_r1=drive.cold_r1 * off(0.2),
            cold_r1a=drive.cold_r1a * off(0.2),
            load_at_rest=drive.load_at_rest * off(0.12),
        )
    if air is not None:
        air = replace(air, motor=air.motor.times(off(0.06)), cold_r1=air.cold_r1 * off(0.2), cold_r1a=air.cold_r1a * off(0.2))
    return replace(unit, compressor=drive, fan=air, values=values)


@dataclass(slots=True)
class Technician:
    """A technician beside one unit. `wrong` is the share of readings that are simply wrong, `missing` of those that are not taken.

    control_recorded: whether the unit's plate on record names its defrost control; else it is looked at where it is asked for.
    """

    unit: Unit
    fault: FaultKey | None
    chance: random.Random
    wrong: float = 0.0
    missing: float = 0.0
    control_recorded: bool = True

    def answers(self) -> Answers:
        """What this unit shows, with the looks of its fault drawn once."""
        looks: dict[str, str] = {}
        of_fault = fault_of(self.fault).looks if self.fault is not None else {}
        for point, test in _SEEN_AS.items():
            sound = {word: chance for word, chance in TESTED[test].sound.items() if word not in _A_FAULT_ITSELF}
            spread = of_fault.get(point, sound)
            looks[point] = self.chance.choices(list(spread), list(spread.values()))[0]
        if self.fault is FaultKey.BLOWER_DEAD:
            looks["control.blower"] = "still"
        gain = {unit: 1 + self.chance.uniform(-share, share) * 0.7 for unit, share in _SPREAD.items()}
        return Answers(self.unit, dict(shown(self.unit)), looks, gain, self.chance, self.wrong)


def complaint_of(unit: Unit, fault: FaultKey | None) -> str:
    """What the customer says of a unit that behaves so."""
    reads = shown(unit)
    if fault is None:
        return "maintenance"
    if reads["line.breaker"] == "tripped" or reads["start.result"] == "tripped":
        return "trips-breaker"
    if reads["start.result"] == "hummed":
        return "hums-no-start"
    still = reads["fan.state"] == "still"
    if reads["start.result"] in ("nothing", "chatters"):
        return "nothing-at-all" if still else "compressor-stopped"
    if reads["fan.state"] != "runs":
        return "fan-stopped"
    return _COMPLAINT_OF.get(fault, "high-bill")


_ICED = "iced-over"
_COMPLAINT_OF: dict[FaultKey, str] = {
    FaultKey.NEVER_STARTS: "never-defrosts", FaultKey.OPEN_SENSOR: "never-defrosts", FaultKey.AMBIENT_OPEN: "never-defrosts",
    FaultKey.STUCK_OPEN_SWITCH: _ICED, FaultKey.SLIPPED: _ICED, FaultKey.SWITCH_LOOSE: _ICED, FaultKey.SHORTED_SENSOR: _ICED,
    FaultKey.SWITCH_OFF_MARKS: _ICED, FaultKey.TIMER_WRONG: _ICED, FaultKey.FAN_RELAY_STUCK: "noisy-defrost",
    **dict.fromkeys((FaultKey.DRIFTED, FaultKey.STUCK_CLOSED_SWITCH, FaultKey.AMBIENT_DRIFTED, FaultKey.NEVER_ENDS), "defrosts-too-often"),
    **dict.fromkeys((
        FaultKey.NO_W, FaultKey.VALVE_COIL_OPEN, FaultKey.VALVE_COIL_SHORTED, FaultKey.VALVE_STUCK, FaultKey.VALVE_HALF_WAY,
        FaultKey.VALVE_RELAY_OPEN, FaultKey.VALVE_RELAY_STUCK, FaultKey.STAT_REVERSED,
        FaultKey.VALVE_WIRE, FaultKey.ELEMENT_OPEN, FaultKey.BLOWER_DEAD,
        FaultKey.LOW_CHARGE, FaultKey.NOT_PUMPING,
    ), "blows-cold"),
}  # fmt: skip


def follow(technician: Technician, complaint: str) -> Ended:
    """Follow *next* until a part is to be fitted, nothing is wrong, or nothing more is asked."""
    at_work = _begun(technician, complaint)
    found = diagnose(at_work.visit)
    skipped: set[str] = set()
    for _ in range(MOST_STEPS):
        following = found.next
        if following is None or Ended(at_work.visit, found, 0, 0.0).sound:
            break
        if found.accused and (following.repairs is not None or following.point in skipped):
            break
        asked = next((one for one in (following.point, *found.path) if one not in skipped), None)
        if asked is None:
            break
        if asked == CONTROL:
            at_work.look_at_the_control(following.minutes)
            found = diagnose(at_work.visit)
            continue
        if asked == "winding.at" and _read(at_work.visit, asked):
            if not at_work.to_the_terminals():
                break
            found = diagnose(at_work.visit)
            continue
        if at_work.mended_by(following):
            return Ended(at_work.visit, found, at_work.tests, at_work.minutes, mended=True)
        if at_work.times(asked) > MOST_TIMES:
            break
        if (
            technician.missing
            and technician.chance.random() < technician.missing
            and not asked.startswith(("safe.", "winding.at", "defrost.call"))
        ):
            skipped.add(asked)
            continue
        if not at_work.do(asked):
            skipped.add(asked)
            continue
        found = diagnose(at_work.visit)
    return Ended(at_work.visit, found, at_work.tests, at_work.minutes)


def fixed_order(technician: Technician, complaint: str) -> Ended:
    """The same technician walking the order of the round instead (handbook section 1), until the conclusion is as clear."""
    at_work = _begun(technician, complaint)
    for _ in _walk(at_work):
        found = diagnose(at_work.visit)
        if found.accused:
            return Ended(at_work.visit, found, at_work.tests, at_work.minutes)
    return Ended(at_work.visit, diagnose(at_work.visit), at_work.tests, at_work.minutes)


def whole_round(technician: Technician) -> Visit:
    """Every reading of this unit's round that the technician has an answer for, in working order, at the terminals."""
    at_work = _begun(technician)
    for _ in _walk(at_work):
        pass
    return at_work.visit


def _begun(technician: Technician, complaint: str | None = None) -> "_AtWork":
    """The visit as it is opened: the plate as read, and the day's air."""
    plate, day = _entered(technician.unit.plate), Conditions(outdoor_f=OUTDOOR_F)
    if not technician.control_recorded:
        plate = replace(plate, defrost=Defrost())
    return _AtWork(technician, technician.answers(), Visit(plate=plate, complaint=complaint, conditions=day))  # type: ignore[arg-type]


def _walk(at_work: "_AtWork") -> Iterator[None]:
    """The round in working order, at the terminals: one reading after the other."""
    at_work.answers.at_plug = False
    for station in plan_of(at_work.visit, {}).stations:
        for step in station.steps:
            if not _read(at_work.visit, step.point) and at_work.do(step.point):
                yield


@dataclass(slots=True)
class _AtWork:
    """The visit as it grows, the minutes it took, and the unit's power."""

    technician: Technician
    answers: Answers
    visit: Visit
    tests: int = 0
    minutes: float = 0.0
    live: bool = True

    def do(self, point: str) -> bool:
        """Take one reading, or watch a defrost; False where this technician has no answer."""
        if point == "defrost.call":
            self._watch()
            return True
        entered = self.answers.at(point)
        if entered is None:
            return False
        self._turn(POINTS[point].power, point.startswith("safe."))
        for leads in ("winding.leads.ohm", "fan_winding.leads.ohm"):
            if POINTS[point].unit == "ohm" and POINTS[point].power == "dead" and not _read(self.visit, leads):
                self.visit = _enter(self.visit, leads, f"{LEADS_OHM:.2f}", _at(self.minutes))  # touched together first
        self.minutes += 0.5 if point.startswith("safe.") else _minutes(point)
        forced = self.visit.defrost_forced_at
        at = (
            forced + timedelta(seconds=5 + self.times(point))
            if forced is not None and point in ("defrost.valve_coil.v", "defrost.aux_call.v")
            else _at(self.minutes)
        )
        self.visit = _enter(self.visit, point, entered, at)
        self.answers.closed_once = self.answers.closed_once or point == "line.reset"
        self.tests += 1
        return True

    def look_at_the_control(self, minutes: float) -> None:
        """Put on the plate which defrost control this unit has."""
        self.minutes += minutes
        self.visit = replace(self.visit, plate=_entered(self.technician.unit.plate))

    def mended_by(self, asked: NextTest) -> bool:
        """Whether this unit runs once that is done: a breaker closed whose cause is gone, an overload left to cool."""
        of = FaultKey.OVERLOAD_OPEN if asked.point.startswith("winding.") else FaultKey.BREAKER_TRIPPED
        return asked.mends and self.technician.fault is of

    def times(self, point: str) -> int:
        """How often a point was read; proving again after power-up is no repetition."""
        if point.startswith("safe."):
            return 0
        return (
            sum(1 for reading in self.visit.readings if reading.point == point)
            + (POINTS[point].kind == "seen" and point in self.visit.seen) * 9
        )

    def to_the_terminals(self) -> bool:
        """Take the compressor's grounds and pairs again at its terminals; False where that was done."""
        if not self.answers.at_plug or self.visit.saw("winding.at") is None:
            return False
        self.answers.at_plug = False
        again = [reading.point for reading in self.visit.readings if reading.point.startswith("winding.")]
        for point in ("winding.at", *dict.fromkeys(again)):
            self.do(point)
        return True

    def _turn(self, power: str, proving: bool) -> None:
        """Switch off for dead work and on for live: both take their minutes."""
        wants_live = power == "live"
        if (power == "any" and not proving) or wants_live == self.live:
            return
        self.live = wants_live
        self.minutes += CHANGE_MIN
        self.visit = replace(self.visit, power=(*self.visit.power, PowerEvent("live" if wants_live else "dead-claimed", _at(self.minutes))))

    def _watch(self) -> None:
        """A forced defrost, stamped a little late; what did not come is answered *no*."""
        self._turn("live", False)
        self._wait_out_the_hold()
        unit, chance = self.technician.unit, self.technician.chance
        events, watched = watch_defrost(unit)
        late = tuple(one if one.event == "forced" else DefrostEvent(one.s + chance.uniform(0, 2.5), one.event) for one in events)
        happened = {one.event for one in events}
        self.visit = replace(
            self.visit, seen={**self.visit.seen, "defrost.call": "yes", "defrost.pins": "right"}, defrost_run=late,
            defrost_watched_s=watched + 5, defrost_forced_at=_at(self.minutes),
            defrost_seen={event: "no" for event in QUESTIONS if event not in happened},
        )  # fmt: skip
        self.minutes += watched / 60
        self.answers.coil_f = WARM_F if "valve-shift" in happened else COLD_F
        self.tests += 1

    def _wait_out_the_hold(self) -> None:
        """A board that just got its power waits before it does anything; the bench counts it down."""
        up = powered_up_at(self.visit)
        if up is not None:
            held = self.visit.plate.defrost.anti_short_cycle_s / 60 - (_at(self.minutes) - up).total_seconds() / 60
            self.minutes += max(held, 0.0)


def _entered(plate: Plate) -> Plate:
    """The plate as it is read into a visit; its own defrost figures are confirmed."""
    return replace(plate, defrost=replace(plate.defrost, confirmed=True))


def _minutes(point: str) -> float:
    return next((how.minutes / max(len(how.points), 1) for how in TESTED.values() if point in how.points), 1.0)


def _at(minutes: float) -> datetime:
    return BEGINS + timedelta(minutes=minutes)


def _read(visit: Visit, point: str) -> bool:
    return point in visit.seen or any(reading.point == point for reading in visit.readings)


def _enter(visit: Visit, point: str, entered: str, at: datetime) -> Visit:
    if POINTS[point].kind == "seen":
        return replace(visit, seen={**visit.seen, point: Seen(entered, at)})
    top = TOP_OHM if entered == "OL" and POINTS[point].unit == "ohm" else 200.0 if entered == "OL" else None
    turns = TURNS if point.endswith("load_a") and float(entered) < _COARSE_A else 1
    if turns > 1:
        entered = f"{float(entered) * turns:.1f}"  # a small motor's amps are too coarse for one turn
    by: Literal["inrush"] | None = "inrush" if point.endswith("peak_a") else None
    return replace(visit, readings=(*visit.readings, Reading(point, entered, at=at, top=top, unit_said=True, by=by, turns=turns)))
