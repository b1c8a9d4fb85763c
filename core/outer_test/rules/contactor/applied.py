"""Which contactor rules apply to a visit: coil, armature, closed poles, the fitted part."""

from collections.abc import Iterator
from dataclasses import dataclass

from outer_test.judgement import Finding, Verdict, judged, unjudged
from outer_test.measurement import say
from outer_test.rules.contactor.coil import coil_ohm, control_volts
from outer_test.rules.contactor.poles import compare_poles, pole_drop, pole_heat_seen, pole_through
from outer_test.rules.contactor.replacement import contactor_fit
from outer_test.visit import Inputs

INVERTER = "An inverter drives this compressor: the contactor carries no start, and this rule does not apply."


@dataclass(frozen=True, slots=True)
class _Contactor:
    """One of the unit's contactors: how its points begin, and what it is called where it is accused."""

    name: str
    part: str


CONTACTORS = (_Contactor("contactor", "contactor"), _Contactor("contactor2", "second contactor"))


def contactor_findings(inputs: Inputs) -> Iterator[Finding]:
    """Coil, armature, poles and fit, as far as they were read; a two-stage unit has two contactors."""
    visit = inputs.visit
    for one in CONTACTORS:
        yield from _coil(inputs, one)
        if one.name == "contactor" and visit.contactor_fitted is not None:
            yield contactor_fit(visit.contactor_fitted, visit.plate)
        yield from _pole_findings(inputs, one)
        hot = inputs.number(f"{one.name}.pole1.f"), inputs.number(f"{one.name}.pole2.f")
        if hot[0] is not None and hot[1] is not None:
            yield from pole_heat_seen(hot[0], hot[1], one.name)
    volts = inputs.get("contactor2.coil.v")
    if volts is not None:
        yield control_volts("contactor2.coil.v", "coil-volts", volts, visit.rules)


def _coil(inputs: Inputs, one: _Contactor) -> Iterator[Finding]:
    point, rated = f"{one.name}.coil.ohm", inputs.visit.plate.contactor.coil_v
    coil = inputs.get(point)
    if coil is None:
        return
    if rated is not None and rated != 24:
        why = f"The bands are for 24 V coils; this one is for {say(rated)} V."
        yield unjudged(point, "coil-ohm", why, shown=coil.value.text, unit="Ω")
    else:
        yield coil_ohm(coil, inputs.visit.rules, point, one.part)


def _pole_findings(inputs: Inputs, one: _Contactor) -> Iterator[Finding]:
    plate, rules = inputs.visit.plate, inputs.visit.rules
    points = (f"{one.name}.pole1.drop_v", f"{one.name}.pole2.drop_v")
    drops = {point: found for point in points if (found := inputs.get(point)) is not None}
    if plate.compressor.kind == "inverter":
        for point, drop in drops.items():
            yield unjudged(point, "pole-drop", INVERTER, shown=drop.value.text, unit="V")
        return
    rla, fla = plate.compressor.rla, plate.fan.fla
    # What runs through the second contactor is a part of the compressor that the plate does not name.
    known = one.name == "contactor" and rla is not None and fla is not None
    full_load = (rla or 0) + (fla or 0) if known else None
    armature = inputs.visit.saw(f"{one.name}.armature")
    closed: dict[str, Finding] = {}
    for point, drop in drops.items():
        through = pole_through(drop, armature, point, one.part)
        if through is not None:
            yield through
        else:
            closed[point] = pole_drop(drop, inputs.number(point.replace(".drop_v", ".a")), full_load, rules, point)
    yield from compare_poles(closed, {point: drops[point] for point in closed}).values()


def armature_findings(inputs: Inputs, found: dict[str, Finding]) -> Iterator[Finding]:
    """What a contactor says that stays out with a call, for each the unit has. found: findings by point."""
    for one in CONTACTORS:
        stuck = _armature(inputs, found, one)
        if stuck is not None:
            yield stuck


def _armature(inputs: Inputs, found: dict[str, Finding], one: _Contactor) -> Finding | None:
    """A contactor that stays out with enough voltage on a sound coil is mechanically stuck; None where that is not known.

    Source: handbook section 6, rule `coil-volts` [T].
    """
    point, coil_point = f"{one.name}.armature", f"{one.name}.coil.ohm"
    if inputs.visit.saw(point) != "out":
        return None
    volts, coil = found.get(f"{one.name}.coil.v"), found.get(coil_point)
    if volts is None or volts.verdict not in (Verdict.GOOD, Verdict.WATCH):
        return None
    if coil is None or coil.verdict is not Verdict.GOOD:
        return unjudged(
            point, "coil-volts", "It stays out with 24 V there: the coil's resistance tells coil or mechanics.",
            (coil_point,), shown="out", next="Power off, leads off, measure the coil.",
        )  # fmt: skip
    return judged(
        point, "coil-volts", Verdict.BAD, "24 V on a sound coil and no pull-in: mechanically stuck.", shown="out",
        accuses=one.part, next="Power off; look for insects and dirt, else replace it. Do not push it in by hand.",
    )  # fmt: skip
