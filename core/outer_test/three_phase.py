"""Three-phase units: equal windings and balanced volts (handbook section 7)."""

from collections.abc import Sequence
from decimal import Decimal

from outer_test.finding import Finding, judged
from outer_test.meter import Measured
from outer_test.value import say
from outer_test.verdict import Verdict


def largest_deviation(values: Sequence[Decimal]) -> Decimal:
    """The largest deviation from the mean ÷ the mean. Source: [P: NEMA MG 1, 14.36, from memory].

    >>> round(largest_deviation([Decimal(460), Decimal(467), Decimal(450)]) * 100, 2)
    Decimal('1.96')
    """
    mean = sum(values, Decimal(0)) / len(values)
    return max(abs(value - mean) for value in values) / mean if mean else Decimal(0)


def equal_pairs(pairs: Sequence[Measured], point: str = "winding.r_s.ohm") -> Finding:
    """Three equal pairs: each within 5 % of their mean is `good`, else `watch`. pairs: Ω.

    Source: [T] common practice, no source.

    >>> from outer_test.meter import measure
    >>> equal_pairs([measure("1.00"), measure("1.02"), measure("0.80")]).verdict.value
    'watch'
    """
    apart = largest_deviation([one.number or Decimal(0) for one in pairs])
    sound = apart <= Decimal("0.05")
    why = f"Three pairs lie within {say(apart * 100, 2)} % of their mean; 5 % is the line."
    return judged(
        point, "three-phase", Verdict.GOOD if sound else Verdict.WATCH, why, next="" if sound else "Null the leads and measure again."
    )  # fmt: skip


def voltage_unbalance(volts: Sequence[Measured], point: str = "line.l1_l2.v") -> Finding:
    """Unbalance of three line voltages: over 2 % `watch`, over 5 % `bad`. volts: V a.c.

    Largest deviation ÷ mean. Source: [P: NEMA MG 1, 14.36, from memory].

    >>> from outer_test.meter import measure
    >>> voltage_unbalance([measure("460"), measure("467"), measure("450")]).verdict.value
    'good'
    """
    apart = largest_deviation([one.number or Decimal(0) for one in volts]) * 100
    verdict = Verdict.BAD if apart > 5 else Verdict.WATCH if apart > 2 else Verdict.GOOD
    step = "" if verdict is Verdict.GOOD else "Find the weak leg: a joint, a fuse, or the utility. An electrician's work."
    return judged(
        point, "unbalance", verdict, f"Volts are unbalanced by {say(apart, 3)} %; 2 % is worth watching, 5 % is too much.",
        unit="%", value=float(round(apart, 3)), watch_high=2.0, high=5.0, next=step,
    )  # fmt: skip
