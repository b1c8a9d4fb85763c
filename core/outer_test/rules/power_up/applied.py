"""Which power-up rules apply to a visit: line volts and where they are lost, fuses, control volts and where they are lost."""

from collections.abc import Iterator

from outer_test.judgement import Finding
from outer_test.rules.power_up.control_trace import WAY as CONTROL_WAY
from outer_test.rules.power_up.control_trace import Safeties, control_trace
from outer_test.rules.power_up.line_trace import WAY as LINE_WAY
from outer_test.rules.power_up.line_trace import breaker, fuse, line_trace
from outer_test.rules.power_up.line_volts import leg_volts, line_volts, start_sag
from outer_test.rules.power_up.unbalance import voltage_unbalance
from outer_test.visit import Inputs

_YES_NO = {"over": True, "waiting": False, "closed": True, "open": False}


def power_findings(inputs: Inputs) -> Iterator[Finding]:
    """Line and control voltage, as far as they were read."""
    visit = inputs.visit
    across, legs = inputs.get("line.l1_l2.v"), (inputs.get("line.l1_ground.v"), inputs.get("line.l2_ground.v"))
    line = {place.point: found for place in LINE_WAY if (found := inputs.get(place.point)) is not None}
    if across is not None:
        traced = {one.point: one for one in line_trace(line, visit.saw("contactor.armature"))}
        volts = line_volts(across, visit.plate, legs, visit.rules)
        yield traced.pop("line.l1_l2.v", volts) if not all(legs) else volts
        yield from traced.values()
        for leg, point in zip(legs, ("line.l1_ground.v", "line.l2_ground.v"), strict=True):
            if leg is not None and visit.plate.phase != 3:
                yield leg_volts(leg, across, point)
    else:
        yield from line_trace(line, visit.saw("contactor.armature"))
    three = [inputs.number(point) for point in ("line.l1_l2.v", "line.l2_l3.v", "line.l1_l3.v")]
    whole = [one for one in three if one is not None]
    if len(whole) == 3:
        yield voltage_unbalance(whole)
    yield from _fuses(inputs)
    if (state := visit.saw("line.breaker")) is not None:
        yield breaker(state, inputs.get("amps.total.run_a"), visit.plate.protection_a)
    if (starting := inputs.get("line.starting.v")) is not None:
        yield start_sag(starting, across, visit.plate)
    yield from _control(inputs)


def _fuses(inputs: Inputs) -> Iterator[Finding]:
    for name in ("line.fuse1", "line.fuse2", "control.fuse"):
        if (ohm := inputs.get(f"{name}.ohm")) is not None:
            found = fuse(f"{name}.ohm", ohm=ohm)
            if found is not None:
                yield found
        if name.startswith("line") and (volts := inputs.get(f"{name}.v")) is not None:
            found = fuse(f"{name}.v", volts=volts)
            if found is not None:
                yield found


def _control(inputs: Inputs) -> Iterator[Finding]:
    visit = inputs.visit
    volts = {place.point: found for place in CONTROL_WAY if (found := inputs.get(place.point)) is not None}
    said = {name: visit.saw(f"control.{name}") for name in ("delay", "pressure", "float")}
    known = {name: None if word is None else _YES_NO[word] for name, word in said.items()}
    safeties = Safeties(known["delay"], known["pressure"], known["float"])
    yield from control_trace(volts, safeties, visit.plate.defrost.control is not None, visit.rules)
