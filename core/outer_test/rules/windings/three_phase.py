"""Three like windings, of a three-phase or an inverter compressor: equal pairs (handbook section 7)."""

from collections.abc import Sequence
from decimal import Decimal

from outer_test.judgement import Finding, Rule, Verdict, judged
from outer_test.measurement import Measured, arithmetic_band, largest_deviation, numeric, say

THREE_PHASE = Rule("three-phase", "Three equal pairs", "common practice, no source", "T")

ALLOWED = Decimal("0.05")


def equal_pairs(pairs: Sequence[Measured], point: str = "winding.r_s.ohm") -> Finding:
    """Three equal pairs: equal to the last digit, or each within 5 % of their mean, `good`; beyond by more than the band `bad`,
    else `unsure`. pairs: Ω.

    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [equal_pairs([measure("1.00"), measure("1.02"), measure(text)]).verdict.value for text in ("1.00", "0.80")]
    ['good', 'bad']
    """
    values = [numeric(pair) for pair in pairs]
    apart = largest_deviation(values)
    why = f"Three pairs lie within {say(apart * 100, 2)} % of their mean; 5 % is the line."
    digits = sum((pair.digit for pair in pairs), Decimal(0)) or arithmetic_band(pairs)
    mean = sum(values, Decimal(0)) / len(values)
    if apart <= ALLOWED or max(values) - min(values) <= 2 * max(pair.digit for pair in pairs):
        return judged(point, THREE_PHASE, Verdict.GOOD, why)
    if apart * mean - ALLOWED * mean > digits:
        return judged(
            point, THREE_PHASE, Verdict.BAD, f"{why} One winding has shorted turns, or a joint is poor.",
            next="Null the leads and measure all three again on clean terminals.",
        )  # fmt: skip
    step = "Null the leads and use a meter that shows 0.01 Ω."
    return judged(point, THREE_PHASE, Verdict.UNSURE, f"{why} The meter's last digit is too coarse to tell.", next=step)
