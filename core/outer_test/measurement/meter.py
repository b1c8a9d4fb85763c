"""How sure the meter is: the half-width of the band around a reading (handbook section 2)."""

from dataclasses import dataclass
from decimal import Decimal
from math import inf

from outer_test.measurement.quantity import Record, quantity
from outer_test.measurement.value import Value, exact, parse_value


@dataclass(frozen=True, slots=True)
class Accuracy(Record):
    """A meter's printed accuracy on one unit: ±(pct % of reading + counts × resolution)."""

    pct: float = quantity("%", 0, 100, default=0)
    counts: float = quantity("counts", 0, 1000, default=0)
    resolution: float | None = quantity("the unit", 1e-9, 1e6, doc="of the range; the last digit shown where absent")
    top: float | None = quantity("the unit", 1e-9, 1e12, doc="top of the range, which OL is above")


Profile = Accuracy | tuple[Accuracy, ...]


def accuracy_for(profile: Profile, value: Value, top: float | None = None) -> Accuracy:
    """The accuracy that holds for a value: one line for all, or the smallest range that the value fits in.

    top: the range's top where the reading says it; then that range, where the profile has it. OL without one takes the
    highest range. Source: handbook section 2.

    >>> ranges = (Accuracy(pct=1, top=60), Accuracy(pct=2, top=600))
    >>> accuracy_for(ranges, parse_value("50.4")).pct, accuracy_for(ranges, parse_value("OL")).top
    (1, 600)
    """
    if isinstance(profile, Accuracy):
        return profile
    ranges = sorted(profile, key=lambda one: inf if one.top is None else one.top)
    if not ranges:
        return Accuracy()
    for one in ranges:
        reaches = inf if one.top is None else one.top
        if (top is not None and reaches >= top) or (top is None and value.number is not None and abs(value.number) <= reaches):
            return one
    return ranges[-1]


@dataclass(frozen=True, slots=True)
class Measured:
    """A value with its band: everything a rule needs to judge it."""

    value: Value
    number: Decimal | None
    half: Decimal
    top: Decimal | None = None

    @property
    def low(self) -> Decimal | None:
        """The band's lower end; for OL the range's top, where known."""
        return self.top if self.number is None else self.number - self.half

    @property
    def high(self) -> Decimal | None:
        """The band's upper end; None for OL, which has none."""
        return None if self.number is None else self.number + self.half


def measured(value: Value, accuracy: Accuracy | None = None, top: float | None = None, turns: int = 1) -> Measured:
    """Put the meter's band around a value.

    value: what was shown. accuracy: the profile's line for this unit, or None. top: the range's top where the
    reading says it, in the same unit. turns: how often the conductor went through the jaw; number and band are divided by it.
    With a profile h = pct/100 × |reading| + counts × resolution; without one h = half the last digit.
    Source: handbook section 2, rule `decision`.

    >>> measured(parse_value("50.4"), Accuracy(pct=1.9, counts=2)).half
    Decimal('1.1576')
    >>> measured(parse_value("7.0"), turns=10).half
    Decimal('0.005')
    """
    if top is None and accuracy is not None:
        top = accuracy.top
    exact_top = None if top is None else exact(top)
    if value.number is None:
        return Measured(value, None, Decimal(0), exact_top)
    if accuracy is None:
        half = value.resolution / 2
    else:
        step = value.resolution if accuracy.resolution is None else exact(accuracy.resolution)
        half = abs(value.number) * exact(accuracy.pct) / 100 + exact(accuracy.counts) * step
    if turns == 1:
        return Measured(value, value.number, half, exact_top)
    return Measured(value, value.number / turns, half / turns, None if exact_top is None else exact_top / turns)


def measure(text: str, accuracy: Accuracy | None = None, top: float | None = None, turns: int = 1) -> Measured:
    """`measured` from the text itself, for examples and tests.

    >>> measure("50.4").low, measure("50.4").high
    (Decimal('50.35'), Decimal('50.45'))
    """
    return measured(parse_value(text), accuracy, top, turns)
