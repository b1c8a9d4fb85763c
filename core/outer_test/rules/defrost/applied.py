"""Which defrost rules apply to a visit: switch or sensors, valve coil, and the watched run."""

from collections.abc import Iterator, Mapping
from dataclasses import replace
from datetime import datetime, timedelta
from typing import Literal

from outer_test.judgement import Finding, Verdict, does_not_apply, unjudged
from outer_test.measurement import Measured, measured, parse_value, say
from outer_test.nameplate import Defrost, SystemKind, is_generic
from outer_test.rules.contactor import control_volts
from outer_test.rules.defrost.aux_call import aux_call
from outer_test.rules.defrost.board_swap import swap_findings
from outer_test.rules.defrost.coil_switch import SWITCH_STATE, AtSwitch, is_closed, switch_state
from outer_test.rules.defrost.run import Run
from outer_test.rules.defrost.run_context import RunContext, System
from outer_test.rules.defrost.sensor import SENSOR_OHM, SensorCurve, divider_ohm, sensor_ohm, sensors_agree
from outer_test.rules.defrost.sequence import sequence
from outer_test.rules.defrost.valve_coil import AT_THERMOSTAT, FEEDS_V, IN_DEFROST, IN_HEATING, VALVE_COIL, valve_coil, valve_volts
from outer_test.rules.power_up import CONTROL_TRACE
from outer_test.visit import Feed, Inputs, Seen, Thing, Visit, interrupted, off_at, power_at, powered_up_at

_YES = {"yes": True, "no": False, "right": True, "unsure": False, None: None}
# Which lane of a run is silent while a feed is interrupted.
_LANE_OF = {Feed.FAN: "fan", Feed.VALVE: "valve", Feed.AUX: "aux"}
NO_CALL_V = 5


def curve_of(defrost: Defrost) -> SensorCurve:
    """This unit's sensor curve: its own table or constants where recorded and confirmed, else the default.

    >>> curve_of(Defrost()).own
    False
    """
    recorded = bool(defrost.sensor_table) or defrost.sensor_r25_ohm is not None or defrost.sensor_b_k is not None
    default = SensorCurve()
    table = tuple((point.f, point.ohm) for point in defrost.sensor_table)
    r25, b = defrost.sensor_r25_ohm or default.r25_ohm, defrost.sensor_b_k or default.b_k
    return SensorCurve(r25, b, table, recorded and not is_generic(defrost))


def defrost_findings(inputs: Inputs, control: Mapping[str, Finding], proved_at: datetime | None = None) -> Iterator[Finding]:
    """Everything judged of the defrost. control: the control-voltage findings by point. proved_at: when the unit was proved dead."""
    found: dict[str, Finding] = {}
    for finding in _readings(inputs):
        found[finding.point] = finding
        yield finding
    visit = inputs.visit
    if visit.defrost_run:
        context = run_context(inputs, found, control, proved_at)
        yield from sequence(visit.defrost_run, visit.plate.defrost, context, visit.plate.fan.switched_by_board)
    yield from swap_findings(visit)


def _readings(inputs: Inputs) -> Iterator[Finding]:
    visit, defrost = inputs.visit, inputs.visit.plate.defrost
    if (switch := inputs.get("defrost.switch.ohm")) is not None:
        yield _switch(inputs, switch)
    curve = curve_of(defrost)
    for part in ("coil", "ambient"):
        yield from _sensor(inputs, part, curve)
    coil, ambient = inputs.number("defrost.coil_sensor.ohm"), inputs.number("defrost.ambient_sensor.ohm")
    if coil is not None and ambient is not None:
        agree = sensors_agree(coil, ambient, curve, _YES[visit.saw("defrost.rested")])
        if agree is not None:
            yield agree
    if (volts := inputs.get("defrost.control.v")) is not None:
        yield control_volts("defrost.control.v", CONTROL_TRACE, volts, visit.rules)
    if (volts := inputs.get("defrost.aux_call.v")) is not None:
        yield aux_call(volts, visit.plate.aux_heat.fitted)
    if (solenoid := inputs.get("defrost.valve_coil.ohm")) is not None:
        yield valve_coil(solenoid, visit.rules, inverter=visit.plate.compressor.kind == "inverter")
    yield from _volts_at_the_valve(inputs)


def _volts_at_the_valve(inputs: Inputs) -> Iterator[Finding]:
    visit = inputs.visit
    heating = tuple((point, inputs.number(point)) for point in (IN_HEATING, AT_THERMOSTAT))
    for point, read_then in ((IN_DEFROST, _valve_in_run(inputs)), *heating):
        volts = inputs.get(point)
        if volts is None or visit.plate.compressor.kind == "inverter":
            continue
        if visit.plate.valve is None:
            yield unjudged(point, VALVE_COIL, "O or B is not on the plate.", ("plate.valve",), shown=volts.value.text, unit="V")
        elif read_then is None:
            why = "It was not read in a defrost." if point == IN_DEFROST else "No number to judge."
            yield unjudged(point, VALVE_COIL, why, shown=volts.value.text, unit="V", next="Read it while it defrosts.")
        else:
            yield valve_volts(point, read_then, visit.plate.valve, point == IN_DEFROST)


def _switch(inputs: Inputs, reading: Measured) -> Finding:
    visit, defrost, point = inputs.visit, inputs.visit.plate.defrost, "defrost.switch.ohm"
    if defrost.control == "demand":
        return does_not_apply(point, SWITCH_STATE, "A demand board has sensors, no coil switch.", reading, "Ω")
    if is_generic(defrost):
        why = "Its set points are a generic profile's, a hint only: confirm where it closes and opens from its mark."
        return unjudged(point, SWITCH_STATE, why, ("defrost.closes_f", "defrost.opens_f"), shown=reading.value.text, unit="Ω")
    beside = inputs.number("defrost.coil.f")
    outdoor = visit.conditions.outdoor_f
    if defrost.switch_in_air:  # by design it feels the air
        air = inputs.number("defrost.ambient.f")
        beside = air if air is not None else None if outdoor is None else measured(parse_value(f"{outdoor:.0f}"), unit="f")
    just_ran = _YES[visit.saw("defrost.just_ran")]
    at = AtSwitch(beside, _YES[visit.saw("defrost.ice")], just_ran, outdoor, defrost.switch_in_air)
    return switch_state(reading, defrost.closes_f, defrost.opens_f, at)


def _sensor(inputs: Inputs, part: str, curve: SensorCurve) -> Iterator[Finding]:
    point, defrost = f"defrost.{part}_sensor.ohm", inputs.visit.plate.defrost
    beside = inputs.number(f"defrost.{part}.f")
    if (reading := inputs.get(point)) is not None:
        if defrost.control == "time-temperature":
            why = "A time-and-temperature board has a coil switch, no sensors."
            yield does_not_apply(point, SENSOR_OHM, why, reading, "Ω")
        else:
            yield _as_seated(sensor_ohm(reading, beside, curve, point, inputs.readings[point].unit_said), inputs.visit)
    if (volts := inputs.number(f"defrost.{part}_sensor.vdc")) is None or volts.number is None:
        return
    pull, name = defrost.sensor_pull_ohm, f"defrost.{part}_sensor.vdc"
    ohm = divider_ohm(float(volts.number), pull if pull is not None else 10_000.0)
    if ohm is None:
        yield unjudged(name, SENSOR_OHM, "At the board's rail: open, shorted, or not this divider.", shown=volts.value.text, unit="V d.c.")
    elif pull is None or is_generic(defrost):
        reads = curve.fahrenheit(ohm)
        hint = (
            f"With a 10 kΩ board resistor this would be {say(round(reads, 1))} °F: a hint only." if reads is not None else "No temperature."
        )
        why = f"{hint} The board's own resistor is not recorded."
        yield unjudged(name, SENSOR_OHM, why, ("defrost.sensor_pull_ohm",), shown=volts.value.text, unit="V d.c.")
    else:
        yield sensor_ohm(measured(parse_value(f"{ohm:.0f}")), beside, curve, name, unit_said=True)


def _as_seated(found: Finding, visit: Visit) -> Finding:
    """A coil sensor out of its well reads air: its seat explains the error as well."""
    out = found.point == "defrost.coil_sensor.ohm" and visit.saw("look.sensor.seat") == "slipped"
    if not (out and found.verdict is Verdict.BAD and found.value is not None):
        return found
    return replace(found, verdict=Verdict.UNSURE, next="It is out of its well: seat it, tie it, wait, read again.")


_IN_W: dict[SystemKind, str] = {"zone-panel": "a zone panel", "outdoor-thermostat": "an outdoor thermostat"}


def _system(visit: Visit) -> System:
    plate, stage = visit.plate, visit.seen.get("amps.stage")
    forced, ended = visit.defrost_forced_at, None
    if forced is not None:
        ended = forced + timedelta(seconds=visit.defrost_watched_s or max((event.s for event in visit.defrost_run), default=0.0))
    at = stage.at if isinstance(stage, Seen) else None
    in_run = at is not None and forced is not None and ended is not None and forced <= at <= ended
    return System(
        inverter=plate.compressor.kind == "inverter",
        dual_fuel="dual-fuel" in plate.system or plate.aux_heat.kind == "gas",
        w_through=" and ".join(words for kind, words in _IN_W.items() if kind in plate.system),
        low_stage=plate.compressor.stages == 2 and in_run and visit.saw("amps.stage") == "low",
    )


def run_context(inputs: Inputs, found: Mapping[str, Finding], control: Mapping[str, Finding], proved_at: datetime | None) -> RunContext:
    """What this visit knows that bears on judging its run.

    >>> from outer_test.visit import inputs_of
    >>> run_context(inputs_of(Visit()), {}, {}, None).aux_fitted is None
    True
    """
    visit, defrost, forced = inputs.visit, inputs.visit.plate.defrost, inputs.visit.defrost_forced_at
    off = interrupted(visit)
    on = {line.means for line in off_at(visit, forced)}
    switch = inputs.get("defrost.switch.ohm")
    r_c = found.get("defrost.control.v") or control.get("control.r_c.v")  # at the board itself before anywhere upstream
    coil = found.get("defrost.valve_coil.ohm")
    up = powered_up_at(visit, forced)
    amps, y_in = inputs.number("amps.compressor.run_a"), inputs.number("control.y_in.v")
    return RunContext(
        aux_fitted=visit.plate.aux_heat.fitted,
        jumpered=Thing.SWITCH_JUMPER in on or _maybe_jumpered(visit, forced),
        test_jumper=Thing.TEST_JUMPER in on,
        lifted_lanes=frozenset(name for feed, name in _LANE_OF.items() if feed & off),
        watched_s=visit.defrost_watched_s or 0.0,
        answers=dict(visit.defrost_seen.items()),
        dead=power_at(visit, forced, proved_at) in ("dead-claimed", "dead-proved"),
        since_power_up_s=None if forced is None or up is None else (forced - up).total_seconds(),
        locked_out=_locked_out(inputs),
        timed_out_before=visit.timed_out_before,
        system=_system(visit),
        gave_up=defrost.lockout_after is not None and visit.timed_out_before >= defrost.lockout_after,
        iced=visit.saw("look.coil.face") == "iced" or visit.saw("defrost.ice") == "yes",
        heating_call=_YES[visit.saw("defrost.call")],
        right_pins=_YES[visit.saw("defrost.pins")],
        switch_closed=True if defrost.control == "demand" else None if switch is None else is_closed(switch),
        control_volts=None if r_c is None else r_c.verdict in (Verdict.GOOD, Verdict.WATCH),
        call_at_board=None if y_in is None or y_in.number is None else y_in.number >= NO_CALL_V,
        sensors_read=_sensors_read(inputs, found, off),
        valve_fed=valve_fed(inputs),
        valve_coil_sound=None if coil is None else coil.verdict in (Verdict.GOOD, Verdict.WATCH),
        compressor_runs=False
        if visit.saw("start.result") in ("hummed", "tripped", "nothing")
        else None
        if amps is None
        else bool(amps.number),
        aux_volts=aux_call_fed(inputs),
        by_time=by_time_causes(visit, found),
    )


def _maybe_jumpered(visit: Visit, forced: datetime | None) -> bool:
    """A jumper that is off again, and nothing tells whether it was on while the board defrosted: it may have been."""
    return any(line.means is Thing.SWITCH_JUMPER and (forced is None or line.at is None) for line in visit.lifted)


def _in_run(inputs: Inputs, point: str, run: Run) -> Measured | None:
    """A reading taken while it defrosted; an older or a later one is not that state's reading. Without times it is taken as said."""
    reading, forced = inputs.number(point), inputs.visit.defrost_forced_at
    if reading is None:
        return None
    at = inputs.readings[point].at
    if at is None or forced is None:
        return reading
    last = forced + timedelta(seconds=run.at.get("ended", run.watched))
    return reading if forced <= at <= last else None


def aux_call_fed(inputs: Inputs) -> bool | None:
    """Whether W had its 24 V in defrost; None where nobody read it then.

    >>> from outer_test.visit import inputs_of
    >>> aux_call_fed(inputs_of(Visit())) is None
    True
    """
    visit = inputs.visit
    volts = _in_run(inputs, "defrost.aux_call.v", Run(visit.defrost_run, visit.defrost_watched_s or 0.0)) if visit.defrost_run else None
    return None if volts is None else (volts.number or 0) >= FEEDS_V


def valve_fed(inputs: Inputs) -> bool | None:
    """Whether the solenoid is as it should be in defrost: 24 V for an O valve, none for a B valve. None where nobody read it then.

    >>> from outer_test.visit import inputs_of
    >>> valve_fed(inputs_of(Visit())) is None
    True
    """
    return _as_it_should_be(_valve_in_run(inputs), inputs.visit.plate.valve, in_defrost=True)


def valve_fed_heating(inputs: Inputs, point: str = "defrost.valve_heating.v") -> bool | None:
    """Whether the solenoid's volts are as they should be in heating: none for an O valve, 24 V for a B valve. None where not read.

    point: at its coil, or `control.stat_valve.v`, at the thermostat.

    >>> from outer_test.visit import inputs_of
    >>> valve_fed_heating(inputs_of(Visit())) is None
    True
    """
    return _as_it_should_be(inputs.number(point), inputs.visit.plate.valve, in_defrost=False)


def _valve_in_run(inputs: Inputs) -> Measured | None:
    visit = inputs.visit
    run = Run(visit.defrost_run, visit.defrost_watched_s or 0.0)
    return _in_run(inputs, "defrost.valve_coil.v", run) if visit.defrost_run else None


def _as_it_should_be(volts: Measured | None, valve: Literal["O", "B"] | None, in_defrost: bool) -> bool | None:
    if volts is None or volts.number is None or valve is None:
        return None
    return (volts.number >= FEEDS_V) is ((valve == "O") is in_defrost)


def _sensors_read(inputs: Inputs, found: Mapping[str, Finding], off: Feed) -> bool | None:
    if inputs.visit.plate.defrost.control != "demand":
        return None
    if off & (Feed.COIL_SENSOR | Feed.AMBIENT_SENSOR):
        return False
    judged_ones = [found[name] for name in ("defrost.coil_sensor.ohm", "defrost.ambient_sensor.ohm") if name in found]
    return None if not judged_ones else all(one.verdict is not Verdict.BAD for one in judged_ones)


def _locked_out(inputs: Inputs) -> bool:
    """Whether the board's own lights say it gave up: a fault line of its legend that a lock-out belongs to."""
    defrost, flashes = inputs.visit.plate.defrost, inputs.number("look.board.flashes")
    if flashes is None or flashes.number is None or defrost.lockout_after is None:
        return False
    colour = inputs.visit.saw("look.board.colour")
    lines = [line for line in defrost.lights if line.flashes == float(flashes.number) and colour in (None, line.colour)]
    return any(line.fault for line in lines)


BY_TIME = {
    "time-temperature": ("coil switch stuck closed", "low charge", "wind on the coil"),
    "demand": ("sensor out of its well", "coil sensor drifted", "low charge", "wind on the coil"),
}


def by_time_causes(visit: Visit, found: Mapping[str, Finding]) -> tuple[str, ...]:
    """What could end a defrost by time in this unit, less what its other readings rule out. found: findings by point.

    A fan that was seen to run on explains it: the coil never warms. Source: handbook section 9; a reading that finds one names it alone.

    >>> from outer_test.nameplate import Plate
    >>> by_time_causes(Visit(plate=Plate(defrost=Defrost(control="demand")), seen={"look.sensor.seat": "slipped"}), {})
    ('sensor out of its well',)
    """
    if visit.defrost_seen.get("fan-off") == "no":
        return ("board fan relay",)
    causes = BY_TIME[visit.plate.defrost.control or "time-temperature"]
    seat = visit.saw("look.sensor.seat")
    tests = {
        "coil switch stuck closed": _standing(found.get("defrost.switch.ohm")),
        "coil sensor drifted": None if seat == "slipped" else _standing(found.get("defrost.coil_sensor.ohm")),
        "sensor out of its well": None if seat is None else seat == "slipped",
    }
    named = tuple(cause for cause in causes if tests.get(cause) is True)
    return named or tuple(cause for cause in causes if tests.get(cause) is not False)


def _standing(found: Finding | None) -> bool | None:
    """True where a reading condemns the part, False where it clears it. A switch found good while closed and cold is not cleared."""
    if found is None:
        return None
    if found.verdict is Verdict.BAD:
        return True
    if found.rule == SWITCH_STATE.name:
        return False if found.verdict is Verdict.GOOD and found.shown in ("OL", "open") else None
    return False if found.verdict is Verdict.GOOD else None
