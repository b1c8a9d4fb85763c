"""Which contactor rules apply to a visit: coil, armature, closed poles, the fitted part."""

from collections.abc import Iterator
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Finding, Verdict, does_not_apply, judged, unjudged
from outer_test.measurement import say
from outer_test.rules.contactor.coil import COIL_OHM, COIL_VOLTS, USUAL_COIL_V, WATCH_LOW_V, coil_ohm, control_cuts, control_volts
from outer_test.rules.contactor.poles import POLE_DROP, compare_poles, pole_drop, pole_heat_seen, pole_through, volts_agree
from outer_test.rules.contactor.replacement import contactor_fit
from outer_test.visit import Inputs, poles_of

INVERTER = "An inverter drives this compressor: the contactor carries no start."
NO_CALL_V = Decimal(5)


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
    yield from _second_volts(inputs)


def _coil_v(inputs: Inputs) -> float:
    rated = inputs.visit.plate.contactor.coil_v
    return USUAL_COIL_V if rated is None else rated


def _second_volts(inputs: Inputs) -> Iterator[Finding]:
    """Volts at the second contactor's coil: asked for by high stage only."""
    point = "contactor2.coil.v"
    volts = inputs.get(point)
    if volts is None:
        return
    stage = inputs.visit.saw("amps.stage")
    if volts.number is not None and volts.number < NO_CALL_V and stage != "high":
        if stage == "low":
            yield judged(
                point, COIL_VOLTS, Verdict.GOOD, f"{say(volts.number)} V: no call for high stage, as it should be.", volts, unit="V"
            )
        else:
            yield unjudged(
                point, COIL_VOLTS, f"{say(volts.number)} V: was there a call for high stage?", ("amps.stage",),
                shown=volts.value.text, unit="V"
            )  # fmt: skip
        return
    yield control_volts(point, COIL_VOLTS, volts, inputs.visit.rules, _coil_v(inputs))


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
    """What a contactor says that stays out with a call, for each the unit has. found: findings by point."""
    for contactor in CONTACTORS:
        stuck = _armature(inputs, found, contactor)
        if stuck is not None:
            yield stuck


def _armature(inputs: Inputs, found: dict[str, Finding], contactor: _Contactor) -> Finding | None:
    """A contactor that stays out with enough voltage on a sound coil is mechanically stuck; None where that is not known.

    Source: handbook section 6, rule `coil-volts` [T].
    """
    point, coil_point = f"{contactor.name}.armature", f"{contactor.name}.coil.ohm"
    if inputs.visit.saw(point) == "chatters":
        return judged(
            point, COIL_VOLTS, Verdict.BAD, "It chatters: weak control voltage, insects or dirt.", shown="chatters",
            needs=(f"{contactor.name}.coil.v",), next="Read the volts at its coil while it chatters.",
        )  # fmt: skip
    if inputs.visit.saw(point) != "out" or (contactor.high_stage and inputs.visit.saw("amps.stage") == "low"):
        return None
    volts, coil = inputs.number(f"{contactor.name}.coil.v"), found.get(coil_point)
    least = control_cuts(_coil_v(inputs)).low or Decimal(0)
    if volts is None or volts.number is None or volts.number < least:
        return None
    shown = f"{say(volts.number)} V"
    if volts.number < WATCH_LOW_V * least / control_cuts().low:  # type: ignore[operator]
        return judged(
            point, COIL_VOLTS, Verdict.UNSURE, f"It stays out, but {shown} is barely what closes it.", shown="out",
            next="Find why the control voltage is low first: transformer, a long wire, a bad joint.",
        )  # fmt: skip
    if coil is None or coil.verdict is not Verdict.GOOD:
        return unjudged(
            point, COIL_OHM, f"It stays out with {shown} there: the coil's resistance tells coil or mechanics.", (coil_point,), shown="out",
            next="Power off, leads off, measure the coil.",
        )  # fmt: skip
    return judged(
        point, COIL_VOLTS, Verdict.BAD, f"{shown} on a sound coil and no pull-in: mechanically stuck.", shown="out",
        next="Power off; look for insects and dirt, else replace it. Do not push it in by hand.",
    )  # fmt: skip
