"""The round: which readings this unit asks for, station by station in working order."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import ceil

from outer_test.judgement import Verdict
from outer_test.measurement import say
from outer_test.procedure.groups import Group, points_in, taken_with
from outer_test.procedure.steps import Step, step_at
from outer_test.rules.capacitors import section_rating
from outer_test.rules.make_safe import most_stored, stored_energy
from outer_test.visit import (
    POINTS,
    STATION_TITLE,
    Measures,
    PowerState,
    Section,
    Visit,
    capacitor_sections,
    discharge_points,
    group_of,
    has_start_capacitor,
    measures,
    poles_of,
)

LEAST_BLEED_S = 10
# Points in working order, by what a unit has.
_SAFE = (*points_in(Group.DEAD, Group.DISCHARGED), "safe.control.v")
_LOOK = "look.capacitor.case look.contactor.faces look.contactor.insects look.wiring look.coil.face look.sensor.seat look.board.lights"
_BOARD_LIGHTS = "look.board.colour look.board.flashes"
_UNLABELLED = "winding.t1_t2.ohm winding.t2_t3.ohm winding.t1_t3.ohm"
_WINDING_MORE = "winding.leads.ohm winding.shell.f winding.off_h winding.insulation.mohm"
_FAN_PAIRS = "fan_winding.c_r.ohm fan_winding.c_s.ohm fan_winding.r_s.ohm fan_winding.c_ground.ohm"
# Asked for where the fan is what is looked into: three good pairs say enough on any other visit.
_FAN_MORE = (
    "fan_winding.r_ground.ohm fan_winding.s_ground.ohm fan_winding.t1_t2.ohm fan_winding.t2_t3.ohm fan_winding.t1_t3.ohm fan_winding.at "
    "fan_winding.leads.ohm fan_winding.shell.f fan_winding.off_h fan_winding.insulation.mohm"
)
_LINE = (
    "line.breaker line.reset line.disconnect.v line.fuse1.ohm line.fuse2.ohm line.fuse1.v line.fuse2.v line.l1_l2.v line.l1_ground.v "
    "line.l2_ground.v"
)
_THREE_PHASE = "line.l2_l3.v line.l1_l3.v"
_CONTROL = (
    "control.r_c.v control.fuse.ohm control.stat_r_c.v control.stat_y.v control.display control.stat_g.v "
    "control.blower control.float control.pressure"
)
_BOARD = "control.y_in.v control.delay control.y_out.v fan.board.v"
_CONTACTOR_LIVE = "contactor.coil.v contactor.line.v contactor.load.v contactor.armature fan.feed.v"
_THIRD_POLE = "contactor.pole3.drop_v contactor.pole3.a"
_HEATER = "heater.ohm heater.ground.ohm"
_POLES = "contactor.pole1.drop_v contactor.pole1.a contactor.pole2.drop_v contactor.pole2.a"
_POLE_HEAT = "contactor.pole1.f contactor.pole2.f"
_START = "start.equalised amps.compressor.peak_a start.result amps.compressor.start_s line.starting.v amps.kit.a start.freed"
_RUN = "fan.state amps.compressor.run_a amps.fan.run_a amps.total.run_a"
_RECORD = (
    "record.suction.psi record.liquid.psi record.superheat.dif record.subcooling.dif record.air_in.f record.air_out.f cap.blower.uf "
    "record.cleaning record.warranty record.acid"
)
_SWITCH = "defrost.coil.f defrost.switch.ohm defrost.ice defrost.just_ran"
_SENSORS = (
    "defrost.coil.f defrost.ambient.f defrost.coil_sensor.ohm defrost.ambient_sensor.ohm defrost.rested defrost.coil_sensor.vdc "
    "defrost.ambient_sensor.vdc"
)
# What every board has, whichever control it is, and what a forced defrost shows.
_ANY_BOARD = "defrost.valve_coil.ohm defrost.valve_heating.v control.stat_valve.v defrost.control.v"
_FORCED = "defrost.call defrost.pins defrost.valve_coil.v defrost.aux_call.v"
_VALVE_PROOF = "defrost.valve_proof"


@dataclass(frozen=True, slots=True)
class Station:
    """A stop of the round: its steps in order."""

    name: str
    title: str
    steps: tuple[Step, ...]


@dataclass(frozen=True, slots=True)
class Plan:
    """A unit's round, and the steps it cannot do without."""

    stations: tuple[Station, ...]
    needed: tuple[tuple[Station, Step], ...]


def plan_of(visit: Visit, verdicts: Mapping[str, Verdict]) -> Plan:
    """The round of this unit. A section judged bad asks for its new part as well.

    verdicts: by point, from the assessment; empty to leave such follow-ups out.

    >>> [station.name for station in plan_of(Visit(), {}).stations][:4]
    ['plate', 'safe', 'look', 'capacitors']
    """
    steps = (
        (), _safe(visit), _steps(*_look(visit)), _capacitors(visit, verdicts), _steps(*_contactor(visit)), _windings(visit),
        _power(visit), _steps(*_run(visit)), _steps(*_defrost(visit)), _steps(*points_in(Group.BUTTON_UP, Group.CLOSE)),
    )  # fmt: skip
    planned = tuple(Station(name, title, own) for (name, title), own in zip(STATION_TITLE.items(), steps, strict=True))
    return Plan(planned, tuple((station, step) for station in planned for step in station.steps if step.needed))


def stations(visit: Visit, verdicts: Mapping[str, Verdict]) -> tuple[Station, ...]:
    """The stations of this unit's round, in working order, each step with the run it belongs to; see `plan_of`."""
    plan = plan_of(visit, verdicts)
    needed = [step.point for _, step in plan.needed]
    return tuple(
        replace(station, steps=tuple(replace(step, run=taken_with(step.point, needed)) for step in station.steps))
        for station in plan.stations
    )


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


def _steps(*names: str) -> tuple[Step, ...]:
    return tuple(step_at(name) for group in names for name in group.split())


def _second(names: str) -> str:
    """The same points at the second contactor."""
    return names.replace("contactor", "contactor2")


def _safe(visit: Visit) -> tuple[Step, ...]:
    """Voltages, tester and the pairs to prove discharged; each bleed with its own clock, where the plate tells how long."""
    pairs = set(discharge_points(visit))
    held = most_stored(visit)
    clock = max(ceil(held.bleed_s * 2), LEAST_BLEED_S) if held is not None else LEAST_BLEED_S
    electronic = visit.plate.compressor.kind == "inverter" or visit.plate.fan.kind == "electronic"
    steps: list[Step] = []
    for step in _steps(*_SAFE):
        if "l3" in step.point and visit.plate.phase != 3:
            continue
        if POINTS[step.point].unit == "vdc":
            steps += [replace(step, timer="Bleeding", timer_s=float(clock))] if step.point in pairs else []
        elif step.point == "safe.load.v" and visit.plate.contactor.poles == 1:
            steps.append(replace(step, caution=f"{SINGLE_POLE} {step.caution}"))
        elif step.point == "safe.tester_after" and electronic:
            steps.append(replace(step, caution=MODULES))
        elif step.point == "safe.control.v":
            steps.append(replace(step, caution=BOARD_POWER[visit.rules.board_power]))
        else:
            steps.append(step)
    return tuple(steps)


def _look(visit: Visit) -> tuple[str, ...]:
    # A coil switch has no well, and which of the two an unrecorded control reads is not known.
    looked = _LOOK if visit.plate.defrost.control == "demand" else _LOOK.replace("look.sensor.seat", "")
    return looked, _BOARD_LIGHTS, "look.contactor2.faces" if _is_two_stage(visit) else ""


def _is_two_stage(visit: Visit) -> bool:
    return visit.plate.compressor.stages == 2


def _contactor(visit: Visit) -> tuple[str, ...]:
    return "contactor.coil.ohm", "contactor2.coil.ohm" if _is_two_stage(visit) else ""


def _capacitors(visit: Visit, verdicts: Mapping[str, Verdict]) -> tuple[Step, ...]:
    read = {reading.point for reading in visit.readings}
    sections = capacitor_sections(visit)
    own = [replace(step_at(f"cap.{section}.uf"), caution=_charge(visit, section)) for section in sections]
    start = _steps("cap.start.uf relay.coil.ohm relay.contact.ohm") if has_start_capacitor(visit) else ()
    new = [
        step_at(f"cap.new_{section}.uf")
        for section in sections
        if verdicts.get(f"cap.{section}.uf") is Verdict.BAD or f"cap.new_{section}.uf" in read
    ]
    case = _steps("cap.case_ground.ohm") if sections else ()
    return (*own, *case, *start, *new)


def _windings(visit: Visit) -> tuple[Step, ...]:
    """Grounds first, whatever else: they override the rest. Terminals that are not marked are measured as 1, 2, 3."""
    read = {reading.point for reading in visit.readings}
    unlabelled = any(measures(point) is Measures.UNLABELLED and group_of(point) == "winding" for point in read)
    pairs = _steps(*points_in(Group.PAIRS))
    if unlabelled or visit.plate.compressor.kind == "inverter":
        pairs = tuple(replace(step, needed=False) for step in pairs)
    own = (*_steps(*points_in(Group.LEADS, Group.GROUNDS)), *pairs, *_steps(_UNLABELLED, _WINDING_MORE))
    if visit.plate.fan.kind == "electronic":  # its line wire to ground; it has no pairs that tell
        return (*own, replace(step_at("fan_winding.c_ground.ohm"), needed=False))
    about_fan = visit.complaint == "fan-stopped" or any(group_of(point) == "fan_winding" for point in read)
    return (*own, *_steps(_FAN_PAIRS, _FAN_MORE if about_fan else ""))


def _power(visit: Visit) -> tuple[Step, ...]:
    plate = visit.plate
    single = plate.contactor.poles == 1
    poles, heat = ("", "") if plate.compressor.kind == "inverter" else (_POLES, _POLE_HEAT)
    if single and poles:
        poles, heat = "contactor.pole1.drop_v contactor.pole1.a", ""
    steps = _steps(
        _LINE, _THREE_PHASE if plate.phase == 3 else "", _CONTROL, _BOARD,
        _CONTACTOR_LIVE, poles, _THIRD_POLE if poles and poles_of(visit) == 3 else "", heat, _HEATER,
        _second(f"contactor.coil.v contactor.armature {poles} {heat}") if _is_two_stage(visit) else "",
    )  # fmt: skip
    return tuple(replace(step, caution=SINGLE_POLE) if single and step.point == "contactor.load.v" else step for step in steps)


def _run(visit: Visit) -> tuple[str, ...]:
    plate = visit.plate
    load = " ".join(f"cap.{section}.load_a cap.{section}.load_v" for section in capacitor_sections(visit))
    elements = " ".join(f"amps.element{index}.a" for index in range(1, len(plate.aux_heat.elements[:4]) + 1))
    return (
        _START if plate.compressor.kind != "inverter" else "start.result",  # it starts slowly: no peak, no time
        "amps.stage" if _is_two_stage(visit) else "",
        _RUN,
        load,
        f"aux.line.v {elements} aux.idle.a" if elements else "",
        _RECORD,
    )


def _defrost(visit: Visit) -> tuple[str, ...]:
    control = visit.plate.defrost.control
    if control is None:  # how it is forced, and what it reads, is not known yet
        return _ANY_BOARD, _VALVE_PROOF
    return _SWITCH if control == "time-temperature" else _SENSORS, _ANY_BOARD, _FORCED, _VALVE_PROOF


def _charge(visit: Visit, section: Section) -> str:
    rating = section_rating(section, visit.plate, visit.fitted)
    asked = visit.plate.run_capacitor
    if rating is None or asked is None or asked.vac is None:
        return "It can hold a charge that throws your hand. Bleed it and prove it on d.c. volts first."
    held = stored_energy(rating.uf, asked.vac)
    most = f"{say(held.joules, 2)} J at {say(round(held.peak_v))} V"
    return f"Charged, this section holds up to {most}. Bleed it and prove it on d.c. volts first."
