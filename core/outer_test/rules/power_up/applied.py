"""Which power-up rules apply to a visit: line volts and where they are lost, fuses, control volts and where they are lost."""

from collections.abc import Iterator
from decimal import Decimal

from outer_test.judgement import Finding, unjudged
from outer_test.rules.contactor import USUAL_COIL_V, control_volts
from outer_test.rules.power_up.control_trace import CONTROL_TRACE, Safeties, control_trace
from outer_test.rules.power_up.control_trace import WAY as CONTROL_WAY
from outer_test.rules.power_up.fuse import MOST_OHM, breaker, closed_once, dead_checks, fuse_ohm, fuse_volts
from outer_test.rules.power_up.line_trace import DEAD_V, FAN_WAY, Seen, fan_trace, line_trace
from outer_test.rules.power_up.line_trace import WAY as LINE_WAY
from outer_test.rules.power_up.line_volts import ACROSS, LEG_1, LEG_2, LINE_VOLTS, line_findings, line_volts
from outer_test.rules.power_up.through import READ_THROUGH, through
from outer_test.rules.power_up.unbalance import UNBALANCE, voltage_unbalance
from outer_test.visit import Inputs, group_of

_YES_NO = {"over": True, "waiting": False, "closed": True, "open": False}
_G = "control.stat_g.v"
_THREE = (ACROSS, "line.l2_l3.v", "line.l1_l3.v")


def power_findings(inputs: Inputs) -> Iterator[Finding]:
    """Line and control voltage, as far as they were read."""
    yield from _line(inputs)
    yield from _fuses(inputs)
    for point in READ_THROUGH:
        if (ohm := inputs.get(point)) is not None:
            yield through(point, ohm)
    visit = inputs.visit
    if (state := visit.saw("line.breaker")) is not None:
        missing = tuple(name for name in dead_checks(visit) if inputs.get(name) is None and visit.saw(name) is None)
        closed = visit.saw("line.reset")
        yield breaker(state, missing, held=closed == "holds")
        if closed is not None:
            yield closed_once(closed, missing)
    yield from _control(inputs)


def _line(inputs: Inputs) -> Iterator[Finding]:
    visit, plate = inputs.visit, inputs.visit.plate
    line = {place.point: found for place in LINE_WAY if (found := inputs.get(place.point)) is not None}
    fan = {place.point: found for place in FAN_WAY if (found := inputs.get(place.point)) is not None}
    yield from fan_trace(fan)
    traced = {found.point: found for found in line_trace(line, _seen_on_the_way(inputs))}
    across, legs = inputs.get(ACROSS), (inputs.get(LEG_1), inputs.get(LEG_2))
    if across is not None:
        judged_legs = {found.point: found for found in line_findings(across, plate, legs, visit.rules)}
        dead = across.number is not None and abs(across.number) < DEAD_V
        upstream_alive = (up := inputs.number("line.disconnect.v")) is not None and (up.number or 0) >= DEAD_V
        lost = traced.pop(ACROSS, None)
        if dead and lost is not None and (upstream_alive or not all(legs)):
            judged_legs[ACROSS] = lost
        yield from judged_legs.values()
    else:
        for point, leg in ((LEG_1, legs[0]), (LEG_2, legs[1])):
            if leg is not None:
                yield unjudged(point, LINE_VOLTS, "Needs L1 to L2 beside it.", (ACROSS,), shown=leg.value.text, unit="V")
    yield from traced.values()
    for point in _THREE[1:]:
        if (reading := inputs.get(point)) is not None:
            yield line_volts(reading, plate, visit.rules, point)
    three = [reading for point in _THREE if (reading := inputs.number(point)) is not None]
    if len(three) == len(_THREE):
        yield voltage_unbalance(three)
    elif len(three) == 2 and plate.phase == 3:
        missing = tuple(point for point in _THREE if inputs.number(point) is None)
        yield unjudged(ACROSS, UNBALANCE, "Unbalance is of all three line-to-line volts.", missing, unit="%")


def _seen_on_the_way(inputs: Inputs) -> Seen:
    blown: list[str] = []
    through: list[str] = []
    for number in (1, 2):
        ohm, volts = inputs.get(f"line.fuse{number}.ohm"), inputs.number(f"line.fuse{number}.v")
        if ohm is not None:
            sound = ohm.value.kind == "closed" or (ohm.number is not None and ohm.number <= MOST_OHM)
            (through if sound else blown).append(f"fuse {number}")
        elif volts is not None and abs(volts.number or Decimal(0)) >= DEAD_V:
            blown.append(f"fuse {number}")
    return Seen(inputs.visit.saw("contactor.armature"), tuple(blown), tuple(through))


def _fuses(inputs: Inputs) -> Iterator[Finding]:
    amps = [inputs.number(f"amps.{name}.run_a") for name in ("total", "compressor", "fan")]
    loaded = any(amp is not None and (amp.number or 0) > 0 for amp in amps)
    for name in ("line.fuse1", "line.fuse2", "control.fuse"):
        if (ohm := inputs.get(f"{name}.ohm")) is not None:
            yield fuse_ohm(f"{name}.ohm", ohm)
        if group_of(name) == "line" and (volts := inputs.get(f"{name}.v")) is not None:
            yield fuse_volts(f"{name}.v", volts, loaded)


def _control(inputs: Inputs) -> Iterator[Finding]:
    visit = inputs.visit
    volts = {place.point: found for place in CONTROL_WAY if (found := inputs.get(place.point)) is not None}
    words = {name: visit.saw(f"control.{name}") for name in ("delay", "pressure", "float")}
    known = {name: None if word is None else _YES_NO[word] for name, word in words.items()}
    safeties = Safeties(known["delay"], known["pressure"], known["float"])
    coil_v = visit.plate.contactor.coil_v or USUAL_COIL_V
    if (blower := inputs.get(_G)) is not None:
        yield control_volts(_G, CONTROL_TRACE, blower, visit.rules, coil_v)
    yield from control_trace(volts, safeties, visit.rules, coil_v)
