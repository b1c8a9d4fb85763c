"""Which winding rules apply to a visit, for the compressor and for the fan motor alike."""

from collections.abc import Iterator
from decimal import Decimal

from outer_test.judgement import Finding, Verdict, does_not_apply, judged, unjudged
from outer_test.measurement import Measured, by_one_meter, measured, numeric, parse_value
from outer_test.rules.windings.baseline import WINDING_SHORT, at_25c, start_above_run, winding_short
from outer_test.rules.windings.ground import (
    GROUNDED_OHM,
    INSULATION,
    WINDING_GROUND,
    GroundTest,
    insulation,
    stop_energising,
    winding_ground,
)
from outer_test.rules.windings.leads import LEADS, lead_through
from outer_test.rules.windings.open import OpenTest, pairs_missing, shell_from, winding_open
from outer_test.rules.windings.pairs import (
    UNLABELLED,
    WINDING_PLAUSIBLE,
    WINDING_SUM,
    least_winding_ohm,
    winding_id,
    winding_plausible,
    winding_sum,
)
from outer_test.rules.windings.part_to_ground import PARTS_TO_GROUND, part_to_ground
from outer_test.rules.windings.three_phase import equal_pairs
from outer_test.visit import POINTS, Inputs, Measures, measures

PAIRS = ("c_r", "c_s", "r_s")
_ELECTRONIC_FAN = "An electronic fan motor hides its windings behind its module."


def winding_findings(inputs: Inputs) -> Iterator[Finding]:
    """Leads, pairs, grounds and insulation of both motors, where a path to ground also stops energising; other parts to ground."""
    test_leads = inputs.number("winding.leads.ohm")
    for lead in LEADS:
        if (reading := inputs.get(lead)) is not None:
            yield lead_through(reading, test_leads, lead)
    for point in PARTS_TO_GROUND:
        if (reading := inputs.get(point)) is not None:
            yield part_to_ground(point, reading)
    for motor in ("winding", "fan_winding"):
        to_ground = list(_ground_findings(inputs, motor))
        yield from to_ground
        stopping = next((found for found in to_ground if _stops(inputs, found)), None)
        if stopping is not None:
            yield stop_energising(stopping, INSULATION if measures(stopping.point) is Measures.INSULATION else WINDING_GROUND)
        grounded = sum(found.verdict is Verdict.BAD for found in to_ground) > 1
        yield from _pair_findings(inputs, motor, grounded)


def _stops(inputs: Inputs, found: Finding) -> bool:
    """A path to ground stops, also where it cannot be so and has to be repeated."""
    if found.verdict is Verdict.BAD:
        return True
    reading = inputs.get(found.point)
    low = reading is not None and reading.number is not None and reading.number < GROUNDED_OHM
    return found.verdict is Verdict.UNSURE and low and measures(found.point) is Measures.GROUND


def _ground_findings(inputs: Inputs, motor: str) -> Iterator[Finding]:
    points = [f"{motor}.{terminal}_ground.ohm" for terminal in "crs"]
    read = {point: reading for point in points if (reading := inputs.get(point)) is not None}
    works = leads_work(inputs)
    through = all((pair := inputs.number(f"{motor}.{name}.ohm")) is not None and not pair.is_open for name in PAIRS)
    for point, reading in read.items():
        others = [read[other] for other in points if other in read and other != point]
        alone = through and len(others) == 2 and all(other.is_open for other in others)
        how = GroundTest(inputs.visit.saw(f"{motor}.at"), works, _later_insulation(inputs, motor, point), alone)
        yield winding_ground(reading, how, point)
    point = f"{motor}.insulation.mohm"
    if (reading := inputs.get(point)) is not None:
        yield insulation(reading, point, inputs.visit.rules)


def leads_work(inputs: Inputs) -> bool:
    """Whether some ohm reading of this visit showed a path, so that OL is not just a broken test lead."""
    return any(
        taken.measured.value.kind == "closed" or (taken.measured.number is not None and not taken.measured.is_open)
        for taken in inputs.kinds
        if POINTS[taken.reading.point].unit == "ohm"
    )


def _later_insulation(inputs: Inputs, motor: str, point: str) -> Decimal | None:
    """An insulation reading taken after the one to ground, MΩ; without times the order of the file is the order."""
    name = f"{motor}.insulation.mohm"
    reading = inputs.number(name)
    if reading is None:
        return None
    ohm, tested = inputs.readings[point], inputs.readings[name]
    if ohm.at is not None and tested.at is not None:
        return reading.number if tested.at > ohm.at else None
    order = [taken.reading.point for taken in inputs.kinds]
    return reading.number if order.index(name) > order.index(point) else None


def _pair_findings(inputs: Inputs, motor: str, grounded: bool) -> Iterator[Finding]:
    pairs = {pair: found for pair in PAIRS if (found := inputs.get(f"{motor}.{pair}.ohm")) is not None}
    unlabelled = {name: found for name in UNLABELLED.values() if (found := inputs.get(f"{motor}.{name}.ohm")) is not None}
    alike = alike_windings(inputs, motor)
    if len(unlabelled) == len(UNLABELLED):
        if alike:
            pairs = pairs or dict(zip(PAIRS, unlabelled.values(), strict=True))
        else:
            labels, known = winding_id(unlabelled, motor)
            yield labels
            if known is not None and not pairs:
                pairs = known.pairs
    point = f"{motor}.r_s.ohm"
    if not pairs:
        return
    if motor == "fan_winding" and inputs.visit.plate.fan.kind == "electronic":
        yield does_not_apply(point, WINDING_SUM, _ELECTRONIC_FAN)
        return
    if grounded:
        yield unjudged(point, WINDING_SUM, "A grounded winding overrides what the pairs say.", unit="Ω")
        return
    missing = tuple(f"{motor}.{pair}.ohm" for pair in PAIRS if pair not in pairs)
    if missing:
        yield pairs_missing(point, missing)
        return
    yield from _three_pairs(inputs, motor, pairs, alike)


def alike_windings(inputs: Inputs, motor: str) -> bool:
    """Whether the motor has three like windings."""
    plate = inputs.visit.plate
    return motor == "winding" and (plate.phase == 3 or plate.compressor.kind == "inverter")


def _three_pairs(inputs: Inputs, motor: str, pairs: dict[str, Measured], alike: bool) -> Iterator[Finding]:
    visit, point = inputs.visit, f"{motor}.r_s.ohm"
    if any(pair.value.kind in ("closed", "open") for pair in pairs.values()):
        why = "A beep shows continuity only; it cannot judge a winding."
        yield judged(point, WINDING_SUM, Verdict.UNSURE, why, unit="Ω", next="Measure the ohms of all three.")
        return
    shell = shell_from(inputs.get(f"{motor}.shell.f"), inputs.get(f"{motor}.off_h"), visit.conditions.outdoor_f)
    where = visit.saw(f"{motor}.at")
    at_terminals = where == "terminals" or (motor == "fan_winding" and where is None)
    ordered = [pairs[pair] for pair in PAIRS]
    opened = winding_open(ordered, OpenTest(at_terminals, leads_work(inputs), alike), shell, motor)
    if opened is not None:
        yield opened
        return
    if alike:
        yield equal_pairs(ordered, point)
        return
    yield from _single_phase(inputs, motor, pairs)


def _single_phase(inputs: Inputs, motor: str, pairs: dict[str, Measured]) -> Iterator[Finding]:
    plate, point = inputs.visit.plate, f"{motor}.r_s.ohm"
    leads = inputs.number(f"{motor}.leads.ohm")
    if all(numeric(pair) <= pair.half for pair in pairs.values()):
        why = "All three pairs read next to nothing: the probes touch each other, or one terminal."
        yield judged(
            point, WINDING_PLAUSIBLE, Verdict.UNSURE, why, unit="Ω", next="Null the leads, clean the terminals, measure all three again."
        )
        return
    lra = plate.compressor.lra if motor == "winding" else None
    least = least_winding_ohm(max(plate.volts, default=None), lra)
    thin = [
        found for pair in ("c_r", "c_s") if (found := winding_plausible(pairs[pair], least, leads, f"{motor}.{pair}.ohm")) is not None
    ]  # fmt: skip
    yield from thin
    if thin:
        why = "One of the pairs is too small for this meter, so the sum cannot be judged."
        yield judged(point, WINDING_SUM, Verdict.UNSURE, why, unit="Ω", next=thin[0].next)
    else:
        meters = {inputs.readings[name].meter for pair in PAIRS if (name := f"{motor}.{pair}.ohm") in inputs.readings}
        yield winding_sum(pairs["c_r"], pairs["c_s"], pairs["r_s"], leads, point, len(meters) <= 1)
    mixed = start_above_run(pairs["c_r"], pairs["c_s"], motor)
    if mixed is not None:
        yield mixed
    if motor == "winding":
        yield from _against_baseline(inputs, pairs, leads)


def _against_baseline(inputs: Inputs, pairs: dict[str, Measured], leads: Measured | None) -> Iterator[Finding]:
    visit, shell = inputs.visit, inputs.number("winding.shell.f")
    conductor = visit.plate.compressor.winding
    for before in visit.baseline:
        now = pairs[before.point.split(".")[1]]
        if shell is None or shell.number is None:
            yield unjudged(
                before.point, WINDING_SHORT, "Its baseline is known; the shell's temperature now is not.", ("winding.shell.f",),
                shown=now.value.text, unit="Ω",
            )  # fmt: skip
            continue
        own = now if leads is None else by_one_meter([now], [leads])
        then = at_25c(measured(parse_value(before.value), unit="ohm"), before.shell_f, conductor)
        yield winding_short(at_25c(own, float(shell.number), conductor), then, before.point, visit.rules)
