"""What a rule says of one point: the verdict, the limits, the number that decided, and what to do next."""

from collections.abc import Iterable
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement.rule import Rule
from outer_test.judgement.tape import Tape, tape_of
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
class Limits:
    """The limits a number was laid on: `bad` outside `low` and `high`, `watch` outside the inner cuts."""

    low: float | None = None
    watch_low: float | None = None
    watch_high: float | None = None
    high: float | None = None


@dataclass(frozen=True, slots=True)
class Finding:
    """One judgement. Numbers are in `unit`; `low`, `high` are the `bad` limits, `watch_low`, `watch_high` the inner cuts.

    `band` is the low and high end of the meter's band around `value`, `confidence` the probability of lying inside the limits,
    `school` the house rule it was judged by, `causes` everything listed that explains what was seen, `mark` the handbook's mark
    behind the source, `tape` where everything stands on its strip. A finding judges a reading and accuses no part. `verdict` is
    None where the rule does not apply to this unit.
    """

    point: str
    rule: str
    verdict: Verdict | None
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
    causes: tuple[str, ...] = ()
    tape: Tape | None = None


NO_LIMITS = Limits()


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


def judged(
    point: str,
    rule: Rule,
    verdict: Verdict | None,
    why: str,
    reading: Measured | None = None,
    *,
    unit: str = "",
    shown: str | None = None,
    value: float | None = None,
    band: tuple[float, ...] | None = None,
    limits: Limits = NO_LIMITS,
    nominal: float | None = None,
    confidence: float | None = None,
    school: str = "",
    decision: str = "",
    next: str = "",
    caution: str = "",
    needs: tuple[str, ...] = (),
    fits: tuple[Replacement, ...] = (),
    causes: tuple[str, ...] = (),
) -> Finding:
    """A finding with the rule's own source beside it, and the reading's value and band where there is one."""
    if reading is not None:
        shown = reading.value.text if shown is None else shown
        value = number(reading.number) if value is None else value
        band = rounded_band(reading) if band is None else band
    low, watch_low, watch_high, high = limits.low, limits.watch_low, limits.watch_high, limits.high
    tape = tape_of(value, band, low, watch_low, watch_high, high, nominal)
    return Finding(
        point, rule.name, verdict, why, unit, shown or "", value, low, high, watch_low, watch_high, nominal, band, confidence, school,
        decision, rule.source, rule.mark, next, caution, needs, fits, causes, tape,
    )  # fmt: skip


def unjudged(
    point: str, rule: Rule, why: str, needs: tuple[str, ...] = (), *, shown: str = "", unit: str = "", value: float | None = None,
    next: str = "",
) -> Finding:  # fmt: skip
    """A finding that says which plate field or reading would settle it."""
    return judged(point, rule, Verdict.UNJUDGED, why, unit=unit, shown=shown, value=value, needs=needs, next=next)


def does_not_apply(point: str, rule: Rule, why: str, reading: Measured | None = None, unit: str = "") -> Finding:
    """A finding of a rule that says nothing of this unit: no verdict, not counted; `why` gives the reason."""
    return judged(point, rule, None, why, reading, unit=unit)


def first_at_each_point(findings: Iterable[Finding]) -> dict[str, Finding]:
    """The first finding of every point: of an assessment's, which stand with the worst of a point first, the worst.

    >>> first_at_each_point(())
    {}
    """
    found: dict[str, Finding] = {}
    for finding in findings:
        found.setdefault(finding.point, finding)
    return found
