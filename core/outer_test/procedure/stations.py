"""The round: which readings this unit asks for, station by station in working order, and how each is taken."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from hashlib import blake2b
from math import ceil

from outer_test.judgement import HouseRules, Verdict
from outer_test.measurement import say
from outer_test.nameplate import Plate
from outer_test.procedure import defrost as plan_defrost
from outer_test.procedure import electrical as steps_of
from outer_test.procedure import fan_motor as plan_fan
from outer_test.procedure import second_contactor as plan_second
from outer_test.procedure.steps import LOOK, NEW_PART, SAFE, SECTION, START, STATION_TITLE, Step
from outer_test.rules.capacitors import section_rating
from outer_test.rules.make_safe import most_stored, stored_energy
from outer_test.visit import POINTS, FittedCapacitor, PowerState, Section, Visit, capacitor_sections, discharge_points, has_start_capacitor

LEAST_BLEED_S = 10


@dataclass(frozen=True, slots=True)
class Station:
    """A stop of the round: its steps in order."""

    name: str
    title: str
    steps: tuple[Step, ...]


@dataclass(frozen=True, slots=True)
class Plan:
    """A unit's round, and the steps it cannot do without. Two plans of one `name` are the same plan."""

    name: str
    stations: tuple[Station, ...]
    needed: tuple[tuple[Station, Step], ...]


def plan_of(visit: Visit, verdicts: Mapping[str, Verdict]) -> Plan:
    """The round of this unit. A section judged bad asks for its new part as well.

    verdicts: by point, from the assessment; empty to leave such follow-ups out.

    >>> [station.name for station in plan_of(Visit(), {}).stations][:4]
    ['plate', 'safe', 'look', 'capacitors']
    >>> plan_of(Visit(), {}).name == plan_of(Visit(complaint="maintenance"), {}).name
    True
    """
    read = {reading.point for reading in visit.readings}
    new_parts = tuple(
        section
        for section in capacitor_sections(visit)
        if verdicts.get(f"cap.{section}.uf") is Verdict.BAD or NEW_PART[section].point in read
    )
    unlabelled = any(point.startswith("winding.t") for point in read)
    about_fan = visit.complaint == "fan-stopped" or any(point.startswith("fan_winding.") for point in read)
    return _planned(visit.plate, visit.fitted, visit.rules, new_parts, unlabelled, about_fan)


def stations(visit: Visit, verdicts: Mapping[str, Verdict]) -> tuple[Station, ...]:
    """The stations of this unit's round, in working order; see `plan_of`."""
    return plan_of(visit, verdicts).stations


# A visit is planned at every key that keeps a reading, and few of them change its plan.
@lru_cache(maxsize=256)
def _planned(
    plate: Plate, fitted: tuple[FittedCapacitor, ...], rules: HouseRules, new_parts: tuple[Section, ...], unlabelled: bool, about_fan: bool
) -> Plan:  # fmt: skip
    visit = Visit(plate=plate, fitted=fitted, rules=rules)
    steps = (
        (), _safe(visit), _look(visit), _capacitors(visit, new_parts), _contactors(visit), _windings(visit, unlabelled, about_fan),
        _power(visit), _run(visit), _defrost(visit), steps_of.BUTTON,
    )  # fmt: skip
    planned = tuple(
        Station(name, title, own)
        for (name, title), own in zip(STATION_TITLE.items(), steps, strict=True)
        if own or name != "defrost"  # a unit without a defrost control has no such station
    )
    needed = tuple((station, step) for station in planned for step in station.steps if step.needed)
    return Plan(blake2b(repr(planned).encode(), digest_size=8).hexdigest(), planned, needed)


def caught(power: PowerState) -> dict[str, str]:
    """What is said to who is about to take a reading now, by the power its step asks for; nothing where the power is right.

    >>> caught("dead-proved")
    {'live': 'Live work, and the unit is proved dead. Power up and say so first.'}
    """
    if power == "dead-proved":
        return {"live": "Live work, and the unit is proved dead. Power up and say so first."}
    state = {"live": "is live", "dead-claimed": "is only said to be dead"}.get(power, "may be live")
    return {"dead": f"Dead work, and the unit {state}. Prove it dead first."}


SINGLE_POLE = "A single-pole contactor leaves one leg of compressor and fan live while it is open."
BOARD_POWER = {
    "both-off": "House rule: outdoor and indoor power off before the board or its wires are touched.",
    "plug-pulled": "House rule: outdoor power off, and the board's low-voltage plug pulled first.",
}
MODULES = "Motor modules hold charge too: wait the maker's time, prove under 30 V d.c. at the d.c. bus."


def _safe(visit: Visit) -> tuple[Step, ...]:
    """Voltages, tester and the pairs to prove discharged; each bleed with its own clock, where the plate tells how long."""
    pairs = set(discharge_points(visit))
    steps = [step for step in SAFE if POINTS[step.point].unit != "vdc" or step.point in pairs]
    held = most_stored(visit)
    clock = max(ceil(held.bleed_s * 2), LEAST_BLEED_S) if held is not None else LEAST_BLEED_S
    electronic = visit.plate.compressor.kind == "inverter" or visit.plate.fan.kind == "electronic"
    told: list[Step] = []
    for step in steps:
        if POINTS[step.point].unit == "vdc":
            told.append(replace(step, timer="Bleeding", timer_s=float(clock)))
        elif step.point == "safe.load.v" and visit.plate.contactor.poles == 1:
            told.append(replace(step, caution=f"{SINGLE_POLE} {step.caution}"))
        elif step.point == "safe.tester_after" and electronic:
            told.append(replace(step, caution=MODULES))
        elif step.point == "safe.control.v":
            told.append(replace(step, caution=BOARD_POWER[visit.rules.board_power]))
        else:
            told.append(step)
    return tuple(told)


def _look(visit: Visit) -> tuple[Step, ...]:
    by_switch = visit.plate.defrost.control == "time-temperature"
    board = visit.plate.defrost.control is not None
    steps = tuple(
        step
        for step in LOOK
        if not (by_switch and step.point == "look.sensor.seat") and (board or step.point not in ("look.board.colour", "look.board.flashes"))
    )
    return (*steps, *plan_second.SECOND_FACES) if _is_two_stage(visit) else steps


def _is_two_stage(visit: Visit) -> bool:
    return visit.plate.compressor.stages == 2


def _contactors(visit: Visit) -> tuple[Step, ...]:
    return (*steps_of.CONTACTOR, *plan_second.SECOND_COIL) if _is_two_stage(visit) else steps_of.CONTACTOR


def _capacitors(visit: Visit, new_parts: tuple[Section, ...]) -> tuple[Step, ...]:
    own = [replace(SECTION[section], caution=_charge(visit, section)) for section in capacitor_sections(visit)]
    start = (START,) if has_start_capacitor(visit) else ()
    return (*own, *start, *(NEW_PART[section] for section in new_parts))


def _windings(visit: Visit, unlabelled: bool, about_fan: bool) -> tuple[Step, ...]:
    """Grounds first, whatever else: they override the rest. Terminals that are not marked are measured as 1, 2, 3."""
    needed = not unlabelled and visit.plate.compressor.kind != "inverter"
    pairs = steps_of.PAIRS if needed else tuple(replace(step, needed=False) for step in steps_of.PAIRS)
    own = (*steps_of.LEADS, steps_of.WINDING_AT, *steps_of.GROUNDS, *pairs, *steps_of.UNLABELLED, *steps_of.WINDING_MORE)
    return (*own, *_fan_windings(visit, about_fan))


def _fan_windings(visit: Visit, about_fan: bool) -> tuple[Step, ...]:
    if visit.plate.fan.kind == "electronic":
        return ()
    return plan_fan.EVERY_FAN_STEP if about_fan else plan_fan.FAN_PAIRS


def _power(visit: Visit) -> tuple[Step, ...]:
    plate = visit.plate
    board = steps_of.BOARD if plate.defrost.control is not None else ()
    poles = steps_of.POLES[:2] if plate.contactor.poles == 1 else steps_of.POLES
    if plate.compressor.kind == "inverter":
        poles = ()
    heat = steps_of.POLE_HEAT if len(poles) > 2 else ()
    three = steps_of.THREE_PHASE if plate.phase == 3 else ()
    live: tuple[Step, ...] = steps_of.CONTACTOR_LIVE
    if plate.contactor.poles == 1:
        live = tuple(replace(step, caution=SINGLE_POLE) if step.point == "contactor.load.v" else step for step in live)
    own = (*steps_of.LINE, *three, *steps_of.CONTROL, *board, *steps_of.COIL_VOLTS, *live, *poles, *heat)
    return (*own, *_second_power(len(poles), bool(heat))) if _is_two_stage(visit) else own


def _second_power(poles: int, heat: bool) -> tuple[Step, ...]:
    """The second contactor's live readings, for as many poles as the first has."""
    return (*plan_second.SECOND_LIVE, *plan_second.SECOND_POLES[:poles], *(plan_second.SECOND_HEAT if heat else ()))


def _run(visit: Visit) -> tuple[Step, ...]:
    plate = visit.plate
    stage = steps_of.STAGE if plate.compressor.stages == 2 else ()
    start = steps_of.START if plate.compressor.kind != "inverter" else ()
    load = tuple(step for section in capacitor_sections(visit) for step in steps_of.LOAD[section])
    elements = steps_of.ELEMENTS[: len(plate.aux_heat.elements)]
    heaters = (steps_of.HEATER_VOLTS, *elements) if elements else ()
    return (*start, *stage, *steps_of.RUN, *load, *heaters, *steps_of.RECORD)


def _defrost(visit: Visit) -> tuple[Step, ...]:
    control = visit.plate.defrost.control
    if control is None:
        return ()
    return (*(plan_defrost.SWITCH if control == "time-temperature" else plan_defrost.SENSORS), *plan_defrost.VALVE)


def _charge(visit: Visit, section: Section) -> str:
    rating = section_rating(section, visit.plate, visit.fitted)
    asked = visit.plate.run_capacitor
    if rating is None or asked is None or asked.vac is None:
        return "It can hold a charge that throws your hand. Bleed it and prove it on d.c. volts first."
    held = stored_energy(rating.uf, asked.vac)
    most = f"{say(held.joules, 2)} J at {say(round(held.peak_v))} V"
    return f"Charged, this section holds up to {most}. Bleed it and prove it on d.c. volts first."
