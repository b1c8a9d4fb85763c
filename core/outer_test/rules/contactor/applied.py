"""Which contactor rules apply to a visit: coil, armature, closed poles, the fitted part."""

from collections.abc import Iterator
from dataclasses import dataclass

from outer_test.judgement import Finding, does_not_apply
from outer_test.rules.contactor.armature import armature
from outer_test.rules.contactor.coil import USUAL_COIL_V, coil_ohm, second_coil_volts
from outer_test.rules.contactor.poles import POLE_DROP, compare_poles, pole_drop, pole_heat_seen, pole_through, volts_agree
from outer_test.rules.contactor.replacement import contactor_fit
from outer_test.visit import Inputs, poles_of

INVERTER = "An inverter drives this compressor: the contactor carries no start."


@dataclass(frozen=True, slots=True)
class _Contactor:
    """One of the unit's contactors: how its points begin, and the stage it runs."""

    name: str
    high_stage: bool = False


CONTACTORS = (_Contactor("contactor"), _Contactor("contactor2", high_stage=True))


def contactor_findings(inputs: Inputs) -> Iterator[Finding]:
    """Coil, armature, poles and fit, as far as they were read; a two-stage unit has two contactors."""
    visit = inputs.visit
    for contactor in CONTACTORS:
        if (coil := inputs.get(f"{contactor.name}.coil.ohm")) is not None:
            yield coil_ohm(coil, visit.rules, f"{contactor.name}.coil.ohm", _coil_v(inputs))
        if contactor.name == "contactor" and visit.contactor_fitted is not None:
            yield contactor_fit(visit.contactor_fitted, visit.plate)
        yield from _pole_findings(inputs, contactor)
        hot = inputs.number(f"{contactor.name}.pole1.f"), inputs.number(f"{contactor.name}.pole2.f")
        if hot[0] is not None and hot[1] is not None:
            yield from pole_heat_seen(hot[0], hot[1], contactor.name)
    if (volts := inputs.get("contactor2.coil.v")) is not None:
        yield second_coil_volts(volts, visit.saw("amps.stage"), visit.rules, _coil_v(inputs))


def _coil_v(inputs: Inputs) -> float:
    rated = inputs.visit.plate.contactor.coil_v
    return USUAL_COIL_V if rated is None else rated


def _pole_findings(inputs: Inputs, contactor: _Contactor) -> Iterator[Finding]:
    visit = inputs.visit
    plate, rules = visit.plate, visit.rules
    points = tuple(f"{contactor.name}.pole{pole}.drop_v" for pole in range(1, 4))
    drops = {point: found for point in points if (found := inputs.get(point)) is not None}
    if plate.compressor.kind == "inverter":
        for point, drop in drops.items():
            yield does_not_apply(point, POLE_DROP, INVERTER, drop, "V")
        return
    rla, fla = plate.compressor.rla, plate.fan.fla
    # What runs through the second contactor is a part of the compressor that the plate does not name.
    known = not contactor.high_stage and rla is not None and fla is not None
    full_load = (rla or 0) + (fla or 0) * plate.fan.count if known else None
    armature = visit.saw(f"{contactor.name}.armature")
    insects = visit.saw("look.contactor.insects") == "found"
    closed: dict[str, Finding] = {}
    for point, drop in drops.items():
        through = pole_through(drop, armature, point, insects)
        if through is not None:
            yield through
        else:
            closed[point] = pole_drop(drop, inputs.number(point.replace(".drop_v", ".a")), full_load, rules, point)
    yield from compare_poles(closed, {point: drops[point] for point in closed}).values()
    line, load = inputs.number(f"{contactor.name}.line.v"), inputs.number(f"{contactor.name}.load.v")
    whole = len(drops) >= min(poles_of(visit), 2) and plate.phase != 3
    if line is not None and load is not None and whole and armature == "in":
        apart = volts_agree(line, load, [drop for drop in drops.values() if drop.number is not None])
        if apart is not None:
            yield apart


def armature_findings(inputs: Inputs, found: dict[str, Finding]) -> Iterator[Finding]:
    """What a contactor says that stays out with a call or chatters, for each the unit has. found: findings by point."""
    visit = inputs.visit
    for contactor in CONTACTORS:
        state = visit.saw(f"{contactor.name}.armature")
        if state is None or (state == "out" and contactor.high_stage and visit.saw("amps.stage") == "low"):
            continue
        volts, coil = inputs.number(f"{contactor.name}.coil.v"), found.get(f"{contactor.name}.coil.ohm")
        if (stuck := armature(state, volts, coil, _coil_v(inputs), contactor.name)) is not None:
            yield stuck
