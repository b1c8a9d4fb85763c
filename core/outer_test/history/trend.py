"""How a reading drifts over the years, and when it meets its limit: Theil–Sen, with its band."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from math import sqrt
from statistics import NormalDist, median

FEWEST, SHORTEST_DAYS = 4, 180
CONFIDENCE = 0.95
MOST_YEARS = 30


@dataclass(frozen=True, slots=True)
class Slope:
    """A robust line: `per_year` in the reading's unit, its band at 95 %, and the value at `origin`."""

    per_year: float
    low: float
    high: float
    origin: date
    at_origin: float

    def at(self, day: date) -> float:
        """The line's value on a day."""
        return self.at_origin + self.per_year * (day - self.origin).days / 365.25


@dataclass(frozen=True, slots=True)
class Trend:
    """What the readings say of the future. `crosses` is the day the line meets `limit`; `earliest` the first that its band allows.

    `why` says it in words; with too few readings everything else is None.
    """

    why: str
    slope: Slope | None = None
    limit: float | None = None
    crosses: date | None = None
    earliest: date | None = None


def theil_sen(days: Sequence[float], values: Sequence[float], confidence: float = CONFIDENCE) -> tuple[float, float, float, float]:
    """The median of the slopes of all pairs, the intercept, and the slope's band: (slope, intercept, low, high).

    days: any unit of time, at least two different. values: the reading's unit; slopes are per unit of `days`.
    Raises ValueError where no two days differ. Source: [P: Sen 1968 for slope and band with ties, from memory].

    >>> theil_sen([0, 1, 2, 3], [10.0, 9.0, 8.0, 7.0])
    (-1.0, 10.0, -1.0, -1.0)
    """
    pairs = [
        (values[j] - values[i]) / (days[j] - days[i])
        for i in range(len(days))
        for j in range(len(days))
        if days[j] > days[i]
    ]  # fmt: skip
    if not pairs:
        raise ValueError("a slope needs readings of two different days")
    pairs.sort()
    slope = median(pairs)
    low, high = _band(pairs, days, values, confidence)
    return slope, median(values) - slope * median(days), low, high


def _band(pairs: list[float], days: Sequence[float], values: Sequence[float], confidence: float) -> tuple[float, float]:
    count, all_pairs = len(values), len(pairs)

    def ties(numbers: Sequence[float]) -> int:
        return sum(k * (k - 1) * (2 * k + 5) for k in Counter(numbers).values() if k > 1)

    variance = (count * (count - 1) * (2 * count + 5) - ties(days) - ties(values)) / 18
    z = NormalDist().inv_cdf((1 - confidence) / 2)
    sigma = sqrt(max(variance, 0))
    upper = min(round((all_pairs - z * sigma) / 2), all_pairs - 1)
    lower = max(round((all_pairs + z * sigma) / 2) - 1, 0)
    return pairs[lower], pairs[upper]


def trend(readings: Sequence[tuple[date, float]], low: float | None, high: float | None, unit: str = "") -> Trend:
    """The drift of one point, and the day it meets the limit it drifts towards.

    readings: day and value, corrected where the rule says, in any order. low, high: its limits now, in the reading's unit, which
    `unit` names in words. It takes four readings over half a year to say anything.
    Source: [D] from `theil_sen`; four and half a year are [T].

    >>> days = [date(2021, 6, 1), date(2022, 6, 1), date(2023, 6, 1), date(2024, 6, 1)]
    >>> found = trend(list(zip(days, [55.0, 54.4, 53.9, 53.2])), 51.7, 58.3)
    >>> found.crosses.year
    2027
    >>> trend(list(zip(days, [55.0, 54.4, 53.9, 53.2])), 51.7, 58.3, "µF").why
    '0.6 µF a year down; it meets 51.7 µF around January 2027.'
    """
    ordered = sorted(readings)
    if len(ordered) < FEWEST or (ordered[-1][0] - ordered[0][0]).days < SHORTEST_DAYS:
        return Trend("Too few readings to say: it takes four, over half a year.")
    origin = ordered[0][0]
    days = [float((day - origin).days) for day, _ in ordered]
    per_day, at_origin, least, most = theil_sen(days, [value for _, value in ordered])
    slope = Slope(per_day * 365.25, least * 365.25, most * 365.25, origin, at_origin)
    if least <= 0 <= most:
        return Trend("It does not drift beyond what its readings scatter.", slope)
    limit = low if per_day < 0 else high
    if limit is None:
        return Trend("It drifts, towards no limit.", slope)
    last = ordered[-1][0]
    now = slope.at(last)
    fast = least if per_day < 0 else most
    crosses, earliest = _meets(last, now, limit, per_day), _meets(last, now, limit, fast)
    return Trend(_words(slope, limit, crosses, last, unit), slope, limit, crosses, earliest)


def _meets(last: date, now: float, limit: float, per_day: float) -> date | None:
    """The day a line from `now` meets the limit; the last reading's own day where it is past it; None beyond 30 years."""
    left = (limit - now) / per_day
    if left > MOST_YEARS * 365.25:
        return None
    return last + timedelta(days=max(round(left), 0))


def _words(slope: Slope, limit: float, crosses: date | None, last: date, unit: str) -> str:
    rate = f"{abs(slope.per_year):.3g} {unit}".strip() + f" a year {'down' if slope.per_year < 0 else 'up'}"
    at = f"{limit:.4g} {unit}".strip()
    if crosses is None:
        return f"{rate}; it stays inside {at} for {MOST_YEARS} years and more."
    if crosses <= last:
        return f"{rate}; its line is past {at} already."
    return f"{rate}; it meets {at} around {crosses:%B %Y}."
