"""Which defrost rules apply to a visit: switch or sensors, valve coil, and the watched run."""

from collections.abc import Iterator
from dataclasses import replace

from outer_test.judgement import Finding, Verdict, unjudged
from outer_test.measurement import Measured, measured, parse_value, say
from outer_test.nameplate import Defrost
from outer_test.rules.contactor import control_volts
from outer_test.rules.defrost.aux_call import aux_call
from outer_test.rules.defrost.board_swap import swap_findings
from outer_test.rules.defrost.coil_switch import AtSwitch, is_closed, switch_state
from outer_test.rules.defrost.run_context import Watch
from outer_test.rules.defrost.sensor import SensorCurve, divider_ohm, sensor_ohm, sensors_agree
from outer_test.rules.defrost.sequence import sequence
from outer_test.rules.defrost.valve_coil import valve_coil
from outer_test.visit import Inputs, Visit, open_lines

_YES = {"yes": True, "no": False, "right": True, "unsure": False, None: None}
# Which lane of a run a lifted wire silences.
LANE_OF = {
    "Fan motor leads off": "fan",
    "FAN wire off": "fan",
    "Fan wire lifted": "fan",
    "Valve wire lifted": "valve",
    "Aux wire lifted": "aux",
}


def curve_of(defrost: Defrost) -> SensorCurve:
    """This unit's sensor curve: its own table or constants where recorded, else the default.

    >>> curve_of(Defrost()).own
    False
    """
    own = bool(defrost.sensor_table) or defrost.sensor_r25_ohm is not None or defrost.sensor_b_k is not None
    default = SensorCurve()
    table = tuple((one.f, one.ohm) for one in defrost.sensor_table)
    return SensorCurve(defrost.sensor_r25_ohm or default.r25_ohm, defrost.sensor_b_k or default.b_k, table, own)


def defrost_findings(inputs: Inputs, control: dict[str, Finding]) -> Iterator[Finding]:
    """Everything judged of the defrost. control: the control-voltage findings by point."""
    found: dict[str, Finding] = {}
    for one in _readings(inputs):
        found[one.point] = one
        yield one
    yield from _run(inputs, found, control)


def _readings(inputs: Inputs) -> Iterator[Finding]:
    visit, defrost = inputs.visit, inputs.visit.plate.defrost
    if (switch := inputs.get("defrost.switch.ohm")) is not None:
        if defrost.control == "demand":
            yield unjudged(
                "defrost.switch.ohm", "switch-state", "A demand board has sensors, no coil switch.", shown=switch.value.text, unit="Ω"
            )
        else:
            at = AtSwitch(inputs.number("defrost.coil.f"), _YES[visit.saw("defrost.ice")], _YES[visit.saw("defrost.just_ran")])
            yield switch_state(switch, defrost.closes_f, defrost.opens_f, at)
    curve = curve_of(defrost)
    for part in ("coil", "ambient"):
        yield from _sensor(inputs, part, curve)
    coil, ambient = inputs.number("defrost.coil_sensor.ohm"), inputs.number("defrost.ambient_sensor.ohm")
    if coil is not None and ambient is not None:
        agree = sensors_agree(coil, ambient, curve, _YES[visit.saw("defrost.rested")])
        if agree is not None:
            yield agree
    for point in ("defrost.control.v", "defrost.aux_call.v"):
        if (volts := inputs.get(point)) is not None:
            yield control_volts(point, "control-trace", volts, visit.rules) if point.endswith("control.v") else aux_call(volts)
    if (solenoid := inputs.get("defrost.valve_coil.ohm")) is not None:
        yield valve_coil(solenoid, visit.rules)


def _sensor(inputs: Inputs, part: str, curve: SensorCurve) -> Iterator[Finding]:
    point, defrost = f"defrost.{part}_sensor.ohm", inputs.visit.plate.defrost
    beside = inputs.number(f"defrost.{part}.f")
    if (reading := inputs.get(point)) is not None:
        if defrost.control == "time-temperature":
            yield unjudged(
                point, "sensor-ohm", "A time-and-temperature board has a coil switch, no sensors.", shown=reading.value.text, unit="Ω"
            )
        else:
            yield _as_seated(sensor_ohm(reading, beside, curve, point), inputs.visit)
    if (volts := inputs.number(f"defrost.{part}_sensor.vdc")) is None or volts.number is None:
        return
    pull, name = defrost.sensor_pull_ohm, f"defrost.{part}_sensor.vdc"
    ohm = divider_ohm(float(volts.number), pull if pull is not None else 10_000.0)
    if ohm is None:
        yield unjudged(
            name, "sensor-ohm", "At the board's rail: open, shorted, or not this divider.", shown=volts.value.text, unit="V d.c."
        )
    elif pull is None:
        reads = curve.fahrenheit(ohm)
        hint = (
            f"With a 10 kΩ board resistor this would be {say(round(reads, 1))} °F: a hint only." if reads is not None else "No temperature."
        )
        why = f"{hint} The board's own resistor is not recorded."
        yield unjudged(name, "sensor-ohm", why, ("defrost.sensor_pull_ohm",), shown=volts.value.text, unit="V d.c.")
    else:
        yield sensor_ohm(_as_ohms(ohm), beside, curve, name)


def _as_seated(found: Finding, visit: Visit) -> Finding:
    """A coil sensor out of its well reads air: its seat explains the error as well, so the sensor is not accused."""
    out = found.point == "defrost.coil_sensor.ohm" and visit.saw("look.sensor.seat") == "slipped"
    if not (out and found.verdict is Verdict.BAD and found.value is not None):
        return found
    return replace(found, verdict=Verdict.UNSURE, accuses="", next="It is out of its well: seat it, tie it, wait, read again.")


def _as_ohms(ohm: float) -> Measured:
    return measured(parse_value(f"{ohm:.0f}"))


def _run(inputs: Inputs, found: dict[str, Finding], control: dict[str, Finding]) -> Iterator[Finding]:
    visit = inputs.visit
    if visit.defrost_run:
        yield from sequence(visit.defrost_run, visit.plate.defrost, watch_of(inputs, found, control))
    yield from swap_findings(visit)


def watch_of(inputs: Inputs, found: dict[str, Finding], control: dict[str, Finding]) -> Watch:
    """What this visit knows that bears on judging its run."""
    visit = inputs.visit
    off = {line.what for line in open_lines(visit)}
    switch, valve = inputs.get("defrost.switch.ohm"), inputs.number("defrost.valve_coil.v")
    r_c = found.get("defrost.control.v") or control.get("control.r_c.v")  # at the board itself before anywhere upstream
    coil = found.get("defrost.valve_coil.ohm")
    demand = visit.plate.defrost.control == "demand"
    return Watch(
        aux_fitted=visit.plate.aux_heat.kind in ("electric", "gas"),
        jumpered="Switch jumper on" in off or _was_jumpered(visit),
        lifted_lanes=frozenset(lane for what, lane in LANE_OF.items() if what in off),
        watched_s=visit.defrost_watched_s or 0.0,
        heating_call=_YES[visit.saw("defrost.call")],
        right_pins=_YES[visit.saw("defrost.pins")],
        switch_closed=True if demand else None if switch is None else is_closed(switch),
        control_volts=None if r_c is None else r_c.verdict in (Verdict.GOOD, Verdict.WATCH),
        coil_volts_at_valve=_has_24(valve),
        aux_volts=_has_24(inputs.number("defrost.aux_call.v")),
        by_time=by_time_causes(visit, found),
        valve_coil_sound=None if coil is None else coil.verdict in (Verdict.GOOD, Verdict.WATCH),
    )


def _has_24(reading: Measured | None) -> bool | None:
    return None if reading is None or reading.number is None else reading.number >= 20


BY_TIME = {
    "time-temperature": ("coil switch stuck closed", "low charge", "wind on the coil"),
    "demand": ("sensor out of its well", "coil sensor drifted", "low charge", "wind on the coil"),
}


def by_time_causes(visit: Visit, found: dict[str, Finding]) -> tuple[str, ...]:
    """What could end a defrost by time in this unit, less what its other readings rule out. found: findings by point.

    Source: handbook section 9; a reading that finds one of them names it alone.

    >>> from outer_test.nameplate import Plate
    >>> by_time_causes(Visit(plate=Plate(defrost=Defrost(control="demand")), seen={"look.sensor.seat": "slipped"}), {})
    ('sensor out of its well',)
    """
    causes = BY_TIME[visit.plate.defrost.control or "time-temperature"]
    seat = visit.saw("look.sensor.seat")
    tests = {
        "coil switch stuck closed": _standing(found.get("defrost.switch.ohm")),
        "coil sensor drifted": None if seat == "slipped" else _standing(found.get("defrost.coil_sensor.ohm")),
        "sensor out of its well": None if seat is None else seat == "slipped",
    }
    named = tuple(one for one in causes if tests.get(one) is True)
    return named or tuple(one for one in causes if tests.get(one) is not False)


def _standing(found: Finding | None) -> bool | None:
    """True where a reading condemns the part, False where it clears it. A switch found good while closed and cold is not cleared."""
    if found is None:
        return None
    if found.verdict is Verdict.BAD:
        return True
    if found.rule == "switch-state":
        return False if found.verdict is Verdict.GOOD and found.why.startswith("Open") else None
    return False if found.verdict is Verdict.GOOD else None


def _was_jumpered(visit: Visit) -> bool:
    """A switch jumper that was on the list and came off only after the run still explains an end by time."""
    return any(line.what == "Switch jumper on" for line in visit.lifted)
