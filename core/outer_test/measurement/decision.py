"""The rule `decision`: what a reading with its band says about limits that make it bad (handbook section 2)."""

from decimal import Decimal
from math import erf, inf, sqrt
from typing import Literal

from outer_test.measurement.meter import Measured
from outer_test.measurement.value import say

LEAST_RATIO = Decimal("0.8")
MOST_TURNS = 10

DecisionSchool = Literal["shared-risk", "guarded"]
Side = Literal["inside", "below", "above", "unsure"]


def _straddles(band_low: Decimal, band_high: Decimal, limit: Decimal | None) -> bool:
    return limit is not None and band_low < limit < band_high


def decide(reading: Measured, low: Decimal | None, high: Decimal | None, school: DecisionSchool = "shared-risk") -> Side:
    """On which side of its `bad` limits a measured number lies.

    reading: a number (not OL) with its half-width h. low, high: limits in the reading's unit, None where there is
    none; a limit itself is inside. The whole band on one side always decides.
    Shared risk: with two limits ½(high − low) ÷ h below 0.8 and a straddling band is `unsure`; with one limit a
    straddling band is `unsure` where h is over ¼ of the limit; else the value decides.
    Guarded: the whole band inside, or the whole band outside, else `unsure`.
    Raises ValueError for a reading without a number.
    Source: [P: JCGM 106:2012; ILAC-G8:09/2019 names both ways; the ratios 0.8 and ¼ are common practice].

    >>> from outer_test.measurement.meter import measure
    >>> decide(measure("50.4"), Decimal("51.7"), Decimal("58.3"))
    'below'
    >>> decide(measure("0.7", unit="a"), Decimal("0.66"), Decimal("0.74"))
    'unsure'
    """
    value, half = reading.number, reading.half
    if value is None:
        raise ValueError(f"{reading.value.text} has no number to decide by")
    band_low, band_high = value - half, value + half
    if low is not None and band_high < low:
        return "below"
    if high is not None and band_low > high:
        return "above"
    straddles = _straddles(band_low, band_high, low) or _straddles(band_low, band_high, high)
    if not straddles:
        return _side(value, low, high)
    if school == "guarded":
        return "unsure"
    if low is not None and high is not None:
        too_coarse = (high - low) / 2 < half * LEAST_RATIO
    else:
        limit = low if low is not None else high
        too_coarse = limit is not None and half * 4 > abs(limit)
    return "unsure" if too_coarse else _side(value, low, high)


def _side(value: Decimal, low: Decimal | None, high: Decimal | None) -> Side:
    if low is not None and value < low:
        return "below"
    if high is not None and value > high:
        return "above"
    return "inside"


def confidence(reading: Measured, low: Decimal | None, high: Decimal | None) -> float | None:
    """Probability that the true value lies inside the limits, from 0 to 1; None for a reading without a number.

    Normal about the reading with σ = h ÷ √3. Source: [P: JCGM 106:2012, section 7 on the conformance probability].

    >>> from outer_test.measurement.meter import measure
    >>> round(confidence(measure("51.7"), Decimal("51.7"), None), 3)
    0.5
    """
    if reading.number is None:
        return None
    value, half = float(reading.number), float(reading.half)
    below = -inf if low is None else float(low)
    above = inf if high is None else float(high)
    if half == 0:
        return 1.0 if below <= value <= above else 0.0
    scale = half / sqrt(3) * sqrt(2)
    return (erf((above - value) / scale) - erf((below - value) / scale)) / 2


def closeness(reading: Measured, low: Decimal | None, high: Decimal | None) -> str:
    """What is said of a decided reading whose band reaches over a limit; empty where the band is well on one side.

    >>> from outer_test.measurement.meter import measure
    >>> closeness(measure("51.6", unit="uf"), Decimal("51.7"), Decimal("58.3"))
    'It is close: by a usual meter 44 % likely to be inside. A finer meter would settle it.'
    """
    inside = confidence(reading, low, high)
    if inside is None or not 0.05 < inside < 0.95:
        return ""
    return f"It is close: by {whose_band(reading)} {say(round(inside * 100))} % likely to be inside. A finer meter would settle it."


def whose_band(reading: Measured) -> str:
    """Whose accuracy the band is.

    >>> from outer_test.measurement.meter import measure
    >>> whose_band(measure("0.7", unit="a"))
    'a usual meter'
    """
    return "a usual meter" if reading.usual else "your meter"


def turns_to_decide(reading: Measured, low: Decimal | None, high: Decimal | None) -> int | None:
    """How many turns through the jaw make a current fine enough for its limits; None where ten are not enough.

    Of the band only the part that is a share of the reading stays; the rest is divided by the turns.
    Source: [D] from the band; ten turns at most [T].

    >>> from outer_test.measurement.meter import measure
    >>> turns_to_decide(measure("0.7", unit="a"), Decimal("0.66"), Decimal("0.74"))
    6
    """
    if reading.number is None:
        return None
    share = abs(reading.number) * reading.relative
    for turns in range(2, MOST_TURNS + 1):
        half = share + (reading.half - share) / turns
        if low is not None and high is not None:
            fine = (high - low) / 2 >= half * LEAST_RATIO
        else:
            limit = low if low is not None else high
            fine = limit is None or half * 4 <= abs(limit)
        if fine:
            return turns
    return None


def why_unsure(reading: Measured, sign: str, turns: int | None = None) -> tuple[str, str]:
    """The reason and the remedy, in words, for a reading too coarse for its limits. turns: through the jaw, where that helps.

    >>> from outer_test.measurement.meter import measure
    >>> why_unsure(measure("0.7", unit="a"), "A", 8)[1]
    'Wrap the wire 8 turns through the jaw and enter the turns, or use a finer meter.'
    """
    reason = f"By {whose_band(reading)} this is ±{say(reading.half, 2)} {sign}, too coarse for these limits."
    if turns is not None:
        return reason, f"Wrap the wire {turns} turns through the jaw and enter the turns, or use a finer meter."
    if sign == "A":
        return reason, "Wrap the wire several turns through the jaw and enter the turns, or use a finer meter."
    digits = "Type every digit the meter shows. " if reading.usual and reading.digit * 4 > reading.half else ""
    return reason, f"{digits}Use a finer range or a finer meter."
