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


# A usual hand meter, where no profile is given: % of reading, and the finest last digit it shows [T].
_USUAL_PCT = {"v": "0.01", "vdc": "0.01", "a": "0.02", "ohm": "0.01", "uf": "0.02", "mohm": "0.05"}
_USUAL_DIGIT = {"v": Decimal("0.1"), "vdc": Decimal("0.1"), "a": Decimal("0.1"), "uf": Decimal("0.1")}
_USUAL_DEGREES = Decimal(2)
_OHM_RANGES = tuple(Decimal(6).scaleb(power) for power in range(3, 8))  # 6 kΩ to 60 MΩ, 6,000 counts each
AUTO_RANGE_OHM = Decimal(10) ** 7
# Beepers sound up to somewhere between these [T].
BEEP_SURE_OHM, BEEP_MOST_OHM = Decimal(20), Decimal(60)
STRAY_PATH_OHM = Decimal(100_000)


@dataclass(frozen=True, slots=True)
class Measured:
    """A value with its band: everything a rule needs to judge it.

    half: half-width of the band. top: the range's top where known. digit: half of the last digit, and relative: the part of
    the reading, of which the band is made; readings of one meter share the relative part. usual: the band is a usual hand
    meter's, for no profile was given.
    """

    value: Value
    number: Decimal | None
    half: Decimal
    top: Decimal | None = None
    digit: Decimal = Decimal(0)
    relative: Decimal = Decimal(0)
    usual: bool = False

    @property
    def low(self) -> Decimal | None:
        """The band's lower end, never below 0 for what cannot be; for OL the range's top, where known."""
        if self.number is not None:
            low = self.number - self.half
            return low if self.number < 0 else max(low, Decimal(0))
        return {"closed": Decimal(0), "open": BEEP_SURE_OHM}.get(self.value.kind, self.top)

    @property
    def high(self) -> Decimal | None:
        """The band's upper end; None for OL and for no beep, which have none."""
        if self.number is not None:
            return self.number + self.half
        return BEEP_MOST_OHM if self.value.kind == "closed" else None

    @property
    def is_open(self) -> bool:
        """Whether it shows an open path: OL, or so many ohms that a stray path is what is read.

        Source: [T] 100 kΩ and over where a sound part has under 1 kΩ.
        """
        return self.value.kind == "OL" or (self.number is not None and self.number >= STRAY_PATH_OHM)


def measured(value: Value, accuracy: Accuracy | None = None, top: float | None = None, turns: int = 1, unit: str = "") -> Measured:
    """Put the meter's band around a value.

    value: what was shown. accuracy: the profile's line for this unit, or None. top: the range's top where the
    reading says it, in the same unit. turns: how often the conductor went through the jaw; number and band are divided by it.
    unit: the point's unit, for a usual meter's accuracy: `uf`, `v`, `vdc`, `a`, `ohm`, `mohm`, `f`; half the last digit else.
    With a profile h = pct/100 × |reading| + counts × resolution; without one a % of the reading + 2 r, and half of the last
    digit typed where that is coarser than r, the last digit such a meter shows. OL on ohms without a range: auto range, 10 MΩ.
    Source: handbook section 2, rule `decision`.

    >>> measured(parse_value("50.4"), Accuracy(pct=1.9, counts=2)).half
    Decimal('1.1576')
    >>> measured(parse_value("0.7"), unit="a").half
    Decimal('0.214')
    >>> measured(parse_value("7.0"), turns=10).half
    Decimal('0.005')
    """
    if top is None and accuracy is not None:
        top = accuracy.top
    exact_top = None if top is None else exact(top)
    if value.number is None:
        if exact_top is None and unit == "ohm":
            exact_top = AUTO_RANGE_OHM
        return Measured(value, None, Decimal(0), exact_top, usual=accuracy is None)
    number, typed = value.number, value.resolution
    if accuracy is not None:
        relative = exact(accuracy.pct) / 100
        step = typed if accuracy.resolution is None else exact(accuracy.resolution)
        half = abs(number) * relative + exact(accuracy.counts) * step
    else:
        relative = Decimal(_USUAL_PCT.get(unit, "0"))
        half = _usual_half(number, typed, unit, relative)
    digit = (min(typed, _shown_digit(number, typed, unit)) if unit else typed) / 2
    if turns == 1:
        return Measured(value, number, half, exact_top, digit, relative, accuracy is None)
    above = None if exact_top is None else exact_top / turns
    return Measured(value, number / turns, half / turns, above, digit / turns, relative, accuracy is None)


def _usual_half(number: Decimal, typed: Decimal, unit: str, relative: Decimal) -> Decimal:
    if unit == "f":
        return _USUAL_DEGREES
    if unit not in _USUAL_PCT:
        return typed / 2
    shown = _shown_digit(number, typed, unit)
    last = min(typed, shown)
    coarse = typed / 2 if typed > last and number != 0 else Decimal(0)  # a bare 0 is 0.0
    return abs(number) * relative + 2 * last + coarse


def _shown_digit(number: Decimal, typed: Decimal, unit: str) -> Decimal:
    """The last digit a usual meter shows at this size."""
    if unit != "ohm":
        return _USUAL_DIGIT.get(unit, typed)
    if abs(number) < 600:
        return Decimal("0.1")
    return next((top / 6000 for top in _OHM_RANGES if abs(number) <= top), _OHM_RANGES[-1] / 600)


def measure(text: str, accuracy: Accuracy | None = None, top: float | None = None, turns: int = 1, unit: str = "") -> Measured:
    """`measured` from the text itself, for examples and tests.

    >>> measure("50.4").low, measure("50.4").high
    (Decimal('50.35'), Decimal('50.45'))
    """
    return measured(parse_value(text), accuracy, top, turns, unit)
