"""The two lines that tell a dead terminal from a live one: 2 V and 30 V (handbook section 4)."""

from decimal import Decimal

from outer_test.judgement import HouseRules, Verdict
from outer_test.measurement import Measured, decide

GONE_V = Decimal(2)
DANGER_V = Decimal(30)


def below_both_lines(reading: Measured, rules: HouseRules) -> tuple[Verdict, str]:
    """Verdict on volts that should not be there, and the decision school used: under 2 `good`, to 30 `watch`, else `stop`.

    reading: V, the sign is ignored. 30 V itself is `stop`. OL: `stop` where the range's top is 30 V or more, else `unsure`.
    Source: [T] for both lines.

    >>> from outer_test.measurement import measure
    >>> [below_both_lines(measure(text), HouseRules())[0].value for text in ("0.4", "2.0", "29.9", "30.0")]
    ['good', 'watch', 'watch', 'stop']
    """
    if reading.number is None:
        above = reading.top is not None and reading.top >= DANGER_V
        return (Verdict.STOP if above else Verdict.UNSURE), rules.decision
    volts = abs(reading.number)
    if volts == DANGER_V:
        return Verdict.STOP, rules.decision
    upright = Measured(reading.value, volts, reading.half, reading.top)
    side = decide(upright, None, DANGER_V, rules.decision)
    if side == "unsure":
        return Verdict.UNSURE, rules.decision
    if side == "above":
        return Verdict.STOP, rules.decision
    return (Verdict.GOOD if volts < GONE_V else Verdict.WATCH), rules.decision
