"""Which winding rules apply to a visit, for the compressor and for the fan motor alike."""

from collections.abc import Iterator

from outer_test.judgement import Finding, Verdict, unjudged
from outer_test.measurement import Measured, measured, parse_value
from outer_test.rules.windings.baseline import at_25c, start_above_run, winding_short
from outer_test.rules.windings.ground import insulation, stop_energising, winding_ground
from outer_test.rules.windings.leads import lead_through
from outer_test.rules.windings.open import pairs_missing, shell_from, winding_open
from outer_test.rules.windings.pairs import UNLABELLED, winding_id, winding_sum
from outer_test.rules.windings.three_phase import equal_pairs
from outer_test.visit import Inputs

PAIRS = ("c_r", "c_s", "r_s")
_NO_SUM = {
    "winding": "An inverter compressor has three like windings and no start winding: this does not apply.",
    "fan_winding": "An electronic fan motor hides its windings behind its module: this does not apply.",
}


def winding_findings(inputs: Inputs) -> Iterator[Finding]:
    """Leads, pairs, grounds and insulation of both motors; a grounded winding also stops energising."""
    for lead in ("lead.c.ohm", "lead.r.ohm", "lead.s.ohm"):
        if (reading := inputs.get(lead)) is not None:
            yield lead_through(reading, lead)
    for motor in ("winding", "fan_winding"):
        to_ground = list(_ground_findings(inputs, motor))
        grounded = next((one for one in to_ground if one.verdict is Verdict.BAD), None)
        yield from to_ground
        if grounded is not None:
            yield stop_energising(grounded)
        yield from _pair_findings(inputs, motor, grounded is not None)


def _ground_findings(inputs: Inputs, motor: str) -> Iterator[Finding]:
    for terminal in "crs":
        point = f"{motor}.{terminal}_ground.ohm"
        if (reading := inputs.get(point)) is not None:
            yield winding_ground(reading, point, inputs.visit.rules)
    point = f"{motor}.insulation.mohm"
    if (reading := inputs.get(point)) is not None:
        yield insulation(reading, point, inputs.visit.rules)


def _pair_findings(inputs: Inputs, motor: str, grounded: bool) -> Iterator[Finding]:
    pairs = {pair: found for pair in PAIRS if (found := inputs.get(f"{motor}.{pair}.ohm")) is not None}
    unlabelled = {name: found for name in UNLABELLED.values() if (found := inputs.get(f"{motor}.{name}.ohm")) is not None}
    if len(unlabelled) == len(UNLABELLED):
        told, known = winding_id(unlabelled, motor)
        yield told
        if known is not None and not pairs:
            pairs = known.pairs
    point = f"{motor}.r_s.ohm"
    if not pairs:
        return
    if grounded:  # it overrides every other winding finding
        yield unjudged(point, "winding-sum", "A grounded winding overrides what the pairs say.", unit="Ω")
        return
    missing = tuple(f"{motor}.{pair}.ohm" for pair in PAIRS if pair not in pairs)
    if missing:
        yield pairs_missing(point, missing)
        return
    yield from _three_pairs(inputs, motor, pairs)


def _three_pairs(inputs: Inputs, motor: str, pairs: dict[str, Measured]) -> Iterator[Finding]:
    visit, point = inputs.visit, f"{motor}.r_s.ohm"
    shell = shell_from(inputs.get(f"{motor}.shell.f"), inputs.get(f"{motor}.off_h"), visit.conditions.outdoor_f)
    opened = winding_open(
        pairs["c_r"], pairs["c_s"], pairs["r_s"], visit.saw(f"{motor}.at") == "terminals", shell, motor
    )  # fmt: skip
    if opened is not None:
        yield opened
        return
    if any(pair.number is None for pair in pairs.values()):
        yield unjudged(point, "winding-sum", "A beep tells through, not ohms: measure all three.", unit="Ω")
        return
    electronic = visit.plate.compressor.kind == "inverter" if motor == "winding" else visit.plate.fan.kind == "electronic"
    if electronic:
        yield unjudged(point, "winding-sum", _NO_SUM[motor], unit="Ω")
        return
    if visit.plate.phase == 3 and motor == "winding":
        yield equal_pairs([pairs[pair] for pair in PAIRS], point)
        return
    yield winding_sum(pairs["c_r"], pairs["c_s"], pairs["r_s"], inputs.number(f"{motor}.leads.ohm"), point)
    mixed = start_above_run(pairs["c_r"], pairs["c_s"], motor)
    if mixed is not None:
        yield mixed
    if motor == "winding":
        yield from _against_baseline(inputs, pairs)


def _against_baseline(inputs: Inputs, pairs: dict[str, Measured]) -> Iterator[Finding]:
    visit, shell = inputs.visit, inputs.number("winding.shell.f")
    conductor = visit.plate.compressor.winding
    for before in visit.baseline:
        now = pairs[before.point.split(".")[1]]
        if shell is None or shell.number is None:
            yield unjudged(
                before.point, "winding-short", "Its baseline is known; the shell's temperature now is not.", ("winding.shell.f",),
                shown=now.value.text, unit="Ω",
            )  # fmt: skip
            continue
        then = at_25c(measured(parse_value(before.value)), before.shell_f, conductor)
        yield winding_short(at_25c(now, float(shell.number), conductor), then, before.point, visit.rules)
