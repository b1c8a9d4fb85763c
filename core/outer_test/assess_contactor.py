"""Which contactor rules apply to a visit: coil, armature, closed poles, the fitted part."""

from collections.abc import Iterator

from outer_test.contactor_coil import coil_ohm
from outer_test.contactor_fit import contactor_fit
from outer_test.contactor_poles import compare_poles, pole_drop, pole_heat_seen, pole_through
from outer_test.finding import Finding, judged, unjudged
from outer_test.inputs import Inputs
from outer_test.value import say
from outer_test.verdict import Verdict

POLES = ("contactor.pole1.drop_v", "contactor.pole2.drop_v")
INVERTER = "An inverter drives this compressor: the contactor carries no start, and this rule does not apply."


def contactor_findings(inputs: Inputs) -> Iterator[Finding]:
    """Coil, armature, poles and fit, as far as they were read."""
    visit, rules = inputs.visit, inputs.visit.rules
    coil = inputs.get("contactor.coil.ohm")
    if coil is not None:
        volts = visit.plate.contactor.coil_v
        if volts is not None and volts != 24:
            why = f"The bands are for 24 V coils; this one is for {say(volts)} V."
            yield unjudged("contactor.coil.ohm", "coil-ohm", why, shown=coil.value.text, unit="Ω")
        else:
            yield coil_ohm(coil, rules)
    if visit.contactor_fitted is not None:
        yield contactor_fit(visit.contactor_fitted, visit.plate)
    yield from _pole_findings(inputs)
    hot = inputs.number("contactor.pole1.f"), inputs.number("contactor.pole2.f")
    if hot[0] is not None and hot[1] is not None:
        yield from pole_heat_seen(hot[0], hot[1])


def _pole_findings(inputs: Inputs) -> Iterator[Finding]:
    plate, rules = inputs.visit.plate, inputs.visit.rules
    drops = {point: found for point in POLES if (found := inputs.get(point)) is not None}
    if plate.compressor.kind == "inverter":
        for point, drop in drops.items():
            yield unjudged(point, "pole-drop", INVERTER, shown=drop.value.text, unit="V")
        return
    rla, fla = plate.compressor.rla, plate.fan.fla
    full_load = None if rla is None or fla is None else rla + fla
    armature = inputs.visit.saw("contactor.armature")
    closed: dict[str, Finding] = {}
    for point, drop in drops.items():
        through = pole_through(drop, armature, point)
        if through is not None:
            yield through
        else:
            closed[point] = pole_drop(drop, inputs.number(point.replace(".drop_v", ".a")), full_load, rules, point)
    yield from compare_poles(closed, {point: drops[point] for point in closed}).values()


def armature_finding(inputs: Inputs, found: dict[str, Finding]) -> Finding | None:
    """A contactor that stays out with enough voltage on a sound coil is mechanically stuck; None where that is not known.

    found: findings by point. Source: handbook section 6, rule `coil-volts` [T].
    """
    if inputs.visit.saw("contactor.armature") != "out":
        return None
    volts, coil = found.get("contactor.coil.v"), found.get("contactor.coil.ohm")
    if volts is None or volts.verdict not in (Verdict.GOOD, Verdict.WATCH):
        return None
    if coil is None or coil.verdict is not Verdict.GOOD:
        return unjudged(
            "contactor.armature", "coil-volts", "It stays out with 24 V there: the coil's resistance tells coil or mechanics.",
            ("contactor.coil.ohm",), shown="out", next="Power off, leads off, measure the coil.",
        )  # fmt: skip
    return judged(
        "contactor.armature", "coil-volts", Verdict.BAD, "24 V on a sound coil and no pull-in: mechanically stuck.", shown="out",
        accuses="contactor", next="Power off; look for insects and dirt, else replace it. Do not push it in by hand.",
    )  # fmt: skip
