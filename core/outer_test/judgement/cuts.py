"""A verdict from cuts on a scale: two `bad` limits, two `watch` cuts, and the band through `decision`."""

from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement.finding import Limits
from outer_test.judgement.house import HouseRules
from outer_test.judgement.verdict import Verdict
from outer_test.measurement import Measured, decide, turns_to_decide, why_unsure


@dataclass(frozen=True, slots=True)
class Cuts:
    """`bad` below `low` or above `high`; `watch` below `watch_low` or above `watch_high`; a limit itself is inside.

    `low_is_bad`, `high_is_bad`: where the rule says "at or beyond", the limit itself is `bad`.
    """

    low: Decimal | None = None
    watch_low: Decimal | None = None
    watch_high: Decimal | None = None
    high: Decimal | None = None
    low_is_bad: bool = False
    high_is_bad: bool = False

    def limits(self) -> Limits:
        """As a finding carries them."""
        return Limits(_float(self.low), _float(self.watch_low), _float(self.watch_high), _float(self.high))


@dataclass(frozen=True, slots=True)
class Place:
    """Where a number lies: its verdict, and on which side it left the inner cuts ('' where it did not)."""

    verdict: Verdict
    side: str
    why_unsure: str = ""
    remedy: str = ""


def place(reading: Measured, cuts: Cuts, rules: HouseRules, sign: str) -> Place:
    """Lay a number on the cuts. Raises ValueError for a word.

    Source: handbook section 2, rule `decision`: bad limits through the band, inner cuts by the value.

    >>> from outer_test.measurement import measure
    >>> cuts = Cuts(low=Decimal(3), watch_low=Decimal(5), watch_high=Decimal(30))
    >>> [place(measure(text), cuts, HouseRules(), "Ω").verdict.value for text in ("2.0", "4.0", "11.0", "44.0")]
    ['bad', 'watch', 'good', 'watch']
    """
    value = reading.number
    if value is None:
        raise ValueError(f"{reading.value.text} is no number")
    if cuts.low_is_bad and value == cuts.low:
        return Place(Verdict.BAD, "below")
    if cuts.high_is_bad and value == cuts.high:
        return Place(Verdict.BAD, "above")
    if cuts.low is not None or cuts.high is not None:
        side = decide(reading, cuts.low, cuts.high, rules.decision)
        if side == "unsure":
            turns = turns_to_decide(reading, cuts.low, cuts.high) if sign == "A" else None
            return Place(Verdict.UNSURE, "", *why_unsure(reading, sign, turns))
        if side != "inside":
            return Place(Verdict.BAD, side)
    if cuts.watch_low is not None and value < cuts.watch_low:
        return Place(Verdict.WATCH, "below")
    if cuts.watch_high is not None and value > cuts.watch_high:
        return Place(Verdict.WATCH, "above")
    return Place(Verdict.GOOD, "")


def _float(value: Decimal | None) -> float | None:
    return None if value is None else float(value)
