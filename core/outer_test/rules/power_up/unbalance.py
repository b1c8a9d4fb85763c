"""Balanced volts of a three-phase supply (handbook section 7)."""

from collections.abc import Sequence
from decimal import Decimal

from outer_test.judgement import Finding, Verdict, judged
from outer_test.measurement import Measured, largest_deviation, say


def voltage_unbalance(volts: Sequence[Measured], point: str = "line.l1_l2.v") -> Finding:
    """Unbalance of three line voltages: over 2 % `watch`, over 5 % `bad`. volts: V a.c.

    Largest deviation ÷ mean. Source: [P: NEMA MG 1, 14.36, from memory].

    >>> from outer_test.measurement import measure
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
