"""The reversing valve's solenoid: the rule `valve-coil` (handbook section 9)."""

from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Verdict, judged, place
from outer_test.measurement import Measured, say

OHM_CUTS = Cuts(low=Decimal(5), watch_low=Decimal(8), watch_high=Decimal(60))
CAUTION = "Never energise it off its stem: it burns out."


def valve_coil(reading: Measured, rules: HouseRules = DEFAULT) -> Finding:
    """A 24 V solenoid: 8 to 60 Ω `good`, 5 to 8 and over 60 `watch`, OL and under 5 `bad`. reading: Ω. Source: [T].

    >>> from outer_test.measurement import measure
    >>> [valve_coil(measure(text)).verdict.value for text in ("3.0", "6.0", "17.5", "75", "OL")]
    ['bad', 'watch', 'good', 'watch', 'bad']
    """
    point, rule, limits = "defrost.valve_coil.ohm", "valve-coil", OHM_CUTS.limits()
    kind = reading.value.kind
    if kind == "open" or (kind == "OL" and reading.top is not None and reading.top < 60):
        return judged(
            point,
            rule,
            Verdict.UNSURE,
            "Above a range that ends too low.",
            reading,
            unit="Ω",
            next="Use a range of 200 Ω or more.",
            **limits,
        )
    if reading.number is None:
        what = "open" if kind == "OL" else "shorted"
        return judged(
            point, rule, Verdict.BAD, f"The coil is {what}.", reading, unit="Ω", accuses="valve coil", next="Replace the coil.",
            caution=CAUTION, **limits,
        )  # fmt: skip
    where = place(reading, OHM_CUTS, rules, "Ω")
    why = f"{say(reading.number)} Ω; 24 V solenoids lie between 8 and 60 Ω. {where.why_unsure}".strip()
    step = {Verdict.BAD: "Replace the coil.", Verdict.WATCH: "Measure again, leads off."}.get(where.verdict, where.remedy)
    blame = "valve coil" if where.verdict is Verdict.BAD else ""
    return judged(
        point, rule, where.verdict, why, reading, unit="Ω", accuses=blame, next=step, caution=CAUTION, decision=rules.decision, **limits
    )  # fmt: skip
