"""Running amps: the rules `run-amps` and `total-amps` (handbook section 8)."""

from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Verdict, judged, place
from outer_test.measurement import Measured, exact, product, say, total

LOW_WATCH, LOW_BAD = Decimal("0.50"), Decimal("0.40")
COMPUTED_WATCH, COMPUTED_BAD = Decimal("1.10"), Decimal("1.56")
ALLOWED_A = Decimal("0.5")
HIGH_CAUSES = "High amps: low voltage, a bad connection, a weak capacitor, a failing compressor or a dirty coil."


def run_amps(reading: Measured, rla: float, rules: HouseRules = DEFAULT, low_stage: bool = False) -> Finding:
    """Compressor amps ÷ RLA, by the house's school. No part is accused: pressures tell which.

    reading: A. rla: A. low_stage: then there is no low limit. The plate is a ceiling: over 1.00 `bad`; computed: to 1.10
    and to 1.56 `watch`, over `bad`. Under 0.50 `watch`, under 0.40 `bad`. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> run_amps(measure("18.6"), 17.9).verdict.value
    'bad'
    >>> run_amps(measure("18.6"), 17.9, HouseRules(plate_amps="computed")).verdict.value
    'watch'
    """
    rated, point, rule = exact(rla), "amps.compressor.run_a", "run-amps"
    computed = rules.plate_amps == "computed"
    cuts = Cuts(
        low=None if low_stage else rated * LOW_BAD,
        watch_low=None if low_stage else rated * LOW_WATCH,
        watch_high=rated if computed else None,
        high=rated * (COMPUTED_BAD if computed else 1),
    )
    if reading.number is None:
        return judged(point, rule, Verdict.UNSURE, "No number to judge.", reading, unit="A", next="Use a higher range.")
    where = place(reading, cuts, rules, "A")
    ratio = product([reading], factor=1 / rated).number or Decimal(0)
    stage = " in low stage" if low_stage else ""
    why = f"{say(reading.number)} A is {say(ratio, 3)} of RLA {say(rated)} A{stage}."
    step = where.remedy
    if where.verdict is Verdict.UNSURE:
        why = f"{why} {where.why_unsure}"
    elif where.side == "above":
        why = f"{why} {HIGH_CAUSES}"
        if computed and where.verdict is Verdict.WATCH:
            strong = ratio > COMPUTED_WATCH
            why += " Well above: find the cause now." if strong else " The plate's RLA is a computed figure."
        step = "Read the line voltage with it; then the capacitor, the connections, the coil."
    elif where.side == "below":
        why = f"{why} Not pumping, unloaded, or little charge."
        step = "Pressures tell which. Mild weather lowers amps."
    return judged(
        point, rule, where.verdict, why, reading, unit="A", nominal=float(rated), school=rules.plate_amps, decision=rules.decision,
        next=step, **cuts.limits(),
    )  # fmt: skip


def fan_amps(reading: Measured, fla: float, rules: HouseRules = DEFAULT) -> Finding:
    """Fan amps ÷ FLA: over 1.00 `bad`, under 0.40 `watch`. reading, fla: A. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> fan_amps(measure("1.4"), 1.2).verdict.value
    'bad'
    """
    rated, point, rule = exact(fla), "amps.fan.run_a", "run-amps"
    cuts = Cuts(watch_low=rated * LOW_BAD, high=rated)
    if reading.number is None:
        return judged(point, rule, Verdict.UNSURE, "No number to judge.", reading, unit="A", next="Use a higher range.")
    where = place(reading, cuts, rules, "A")
    why = f"{say(reading.number)} A is {say(reading.number / rated, 3)} of FLA {say(rated)} A."
    step = where.remedy
    if where.verdict is Verdict.UNSURE:
        why = f"{why} {where.why_unsure}"
    elif where.side == "above":
        step = "A tight bearing, a bent or wrong blade, a weak fan capacitor, or a failing motor."
    elif where.side == "below":
        step = "Is the blade on, and turning the right way?"
    return judged(
        point, rule, where.verdict, why, reading, unit="A", nominal=float(rated), decision=rules.decision, next=step, **cuts.limits()
    )  # fmt: skip


def total_amps(whole: Measured, compressor: Measured, fan: Measured) -> Finding:
    """The total against compressor plus fan: apart by the combined band + 0.5 A at most is `good`, else `watch`.

    All in A. Source: [D] currents of one circuit add, near enough in phase.

    >>> from outer_test.measurement import measure
    >>> total_amps(measure("15.1"), measure("12.4"), measure("0.9")).verdict.value
    'watch'
    """
    gap = total([whole], [compressor, fan])
    allowed = gap.half + ALLOWED_A
    apart = abs(gap.number or Decimal(0))
    sound = apart <= allowed
    parts = f"{say(compressor.number or 0)} + {say(fan.number or 0)} A"
    why = f"{say(whole.number or 0)} A in all against {parts}: {say(apart, 3)} A apart, {say(allowed, 3)} A allowed."
    step = "" if sound else "A crankcase heater, a third load, or the clamp on the wrong wire."
    both = (compressor.number or Decimal(0)) + (fan.number or Decimal(0))
    return judged(
        "amps.total.run_a", "total-amps", Verdict.GOOD if sound else Verdict.WATCH, why, whole, unit="A", nominal=float(both),
        watch_low=float(both - allowed), watch_high=float(both + allowed), next=step,
    )  # fmt: skip
