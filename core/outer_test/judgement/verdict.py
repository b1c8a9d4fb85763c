"""The six verdicts a reading can get, and which of several is the worst."""

from collections.abc import Iterable
from enum import StrEnum


class Verdict(StrEnum):
    """What a rule says about one reading."""

    STOP = "stop"  # somebody can get hurt: do not go on
    BAD = "bad"
    UNSURE = "unsure"  # this test cannot tell
    WATCH = "watch"  # inside, but worth recording or near the edge
    UNJUDGED = "unjudged"  # a plate value or another reading is missing
    GOOD = "good"


WORST_FIRST = (Verdict.STOP, Verdict.BAD, Verdict.UNSURE, Verdict.WATCH, Verdict.UNJUDGED, Verdict.GOOD)
_RANK = {verdict: rank for rank, verdict in enumerate(WORST_FIRST)}


def worst(verdicts: Iterable[Verdict | None]) -> Verdict:
    """The worst of the verdicts, or `unjudged` where there is none; None is a rule that does not apply, and not counted.

    Source: handbook section 1, stop > bad > unsure > watch > unjudged > good.

    >>> worst([Verdict.GOOD, Verdict.UNSURE, Verdict.WATCH]).value
    'unsure'
    >>> worst([]).value
    'unjudged'
    """
    return min((verdict for verdict in verdicts if verdict is not None), key=_RANK.__getitem__, default=Verdict.UNJUDGED)
