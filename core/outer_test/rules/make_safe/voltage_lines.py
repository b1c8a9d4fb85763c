"""The two lines that tell a dead terminal from a live one: 2 V and 30 V (handbook section 4)."""

from decimal import Decimal

from outer_test.judgement import Verdict
from outer_test.measurement import Measured

GONE_V = Decimal(2)
DANGER_V = Decimal(30)


def below_both_lines(reading: Measured) -> Verdict:
    """Verdict on volts that should not be there: under 2 `good`, to 30 `watch`, 30 and over `stop`. reading: V, its sign is ignored.

    Nothing makes a stop unsure: the value decides. On the safe side with the band reaching over 30 V it is `watch`.
    OL: `stop` where the range's top is 30 V or more, else `unsure`. Source: [T] for both lines.

    >>> from outer_test.measurement import measure
    >>> [below_both_lines(measure(text)).value for text in ("0.4", "2.0", "29.9", "30.0")]
    ['good', 'watch', 'watch', 'stop']
    """
    if reading.number is None:
        return Verdict.STOP if reading.top is not None and reading.top >= DANGER_V else Verdict.UNSURE
    volts = abs(reading.number)
    if volts >= DANGER_V:
        return Verdict.STOP
    return Verdict.GOOD if volts < GONE_V and volts + reading.half < DANGER_V else Verdict.WATCH
