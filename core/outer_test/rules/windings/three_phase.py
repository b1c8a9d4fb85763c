"""Three-phase units: equal windings and balanced volts (handbook section 7)."""

from collections.abc import Sequence
from decimal import Decimal

from outer_test.judgement import Finding, Verdict, judged
from outer_test.measurement import Measured, largest_deviation, say


def equal_pairs(pairs: Sequence[Measured], point: str = "winding.r_s.ohm") -> Finding:
    """Three equal pairs: each within 5 % of their mean is `good`, else `watch`. pairs: Ω.

    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> equal_pairs([measure("1.00"), measure("1.02"), measure("0.80")]).verdict.value
    'watch'
    """
    apart = largest_deviation([one.number or Decimal(0) for one in pairs])
    sound = apart <= Decimal("0.05")
    why = f"Three pairs lie within {say(apart * 100, 2)} % of their mean; 5 % is the line."
    return judged(
        point, "three-phase", Verdict.GOOD if sound else Verdict.WATCH, why, next="" if sound else "Null the leads and measure again."
    )  # fmt: skip
