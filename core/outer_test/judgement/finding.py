"""What a rule says of one point: the verdict, the limits, the number that decided, and what to do next."""

from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement.rule import RULES
from outer_test.judgement.verdict import Verdict
from outer_test.measurement import Measured


@dataclass(frozen=True, slots=True)
class Replacement:
    """One way to replace a part from the van stock. `error_pct` is the worst section's, signed."""

    parts: tuple[str, ...]
    error_pct: float
    stopgap: bool
    note: str


@dataclass(frozen=True, slots=True)
class Finding:
    """One judgement. Numbers are in `unit`; `low`, `high` are the `bad` limits, `watch_low`, `watch_high` the inner cuts.

    `band` is the low and high end of the meter's band around `value`, `confidence` the probability of lying inside the limits,
    `school` the house rule it was judged by, `accuses` the part that this rule blames
    (only where the rule says so), `causes` everything listed that explains what was seen, `mark` the handbook's mark behind the source.
    """

    point: str
    rule: str
    verdict: Verdict
    why: str
    unit: str = ""
    shown: str = ""
    value: float | None = None
    low: float | None = None
    high: float | None = None
    watch_low: float | None = None
    watch_high: float | None = None
    nominal: float | None = None
    band: tuple[float, ...] | None = None
    confidence: float | None = None
    school: str = ""
    decision: str = ""
    source: str = ""
    mark: str = ""
    next: str = ""
    caution: str = ""
    needs: tuple[str, ...] = ()
    fits: tuple[Replacement, ...] = ()
    accuses: str = ""
    causes: tuple[str, ...] = ()


def number(value: Decimal | None) -> float | None:
    """A decimal as the float that is written in files; None stays None."""
    return None if value is None else float(value)


def rounded_band(reading: Measured) -> tuple[float, float] | None:
    """The meter's band to one digit beyond the reading's own, which is all the digits it can mean.

    >>> from outer_test.measurement import Accuracy, measure
    >>> rounded_band(measure("50.4", Accuracy(pct=1.9, counts=2)))
    (49.24, 51.56)
    """
    if reading.number is None:
        return None
    places = max(1 - reading.value.resolution.adjusted(), 0)
    return round(float(reading.number - reading.half), places), round(float(reading.number + reading.half), places)


def judged(point: str, rule: str, verdict: Verdict, why: str, reading: Measured | None = None, **details: object) -> Finding:
    """A finding with the rule's own source beside it, and the reading's value and band where there is one."""
    about = RULES[rule]
    if reading is not None:
        details.setdefault("shown", reading.value.text)
        details.setdefault("value", number(reading.number))
        details.setdefault("band", rounded_band(reading))
    return Finding(point, rule, verdict, why, source=about.source, mark=about.mark, **details)  # type: ignore[arg-type]


def unjudged(point: str, rule: str, why: str, needs: tuple[str, ...] = (), **details: object) -> Finding:
    """A finding that says which plate field or reading would settle it."""
    return judged(point, rule, Verdict.UNJUDGED, why, None, needs=needs, **details)
