"""A reading that decides alone is taken twice: whether it was, and where it can be (handbook section 13)."""

from collections.abc import Iterable

from outer_test.assessment import Judged, stops_of
from outer_test.diagnosis.observations import Observed
from outer_test.diagnosis.things_tested import SELDOM, TESTED, Test
from outer_test.visit import POINTS

MOST_TIMES = 2
# Whose own rule says how often it is read: under 10 kΩ once (handbook section 13).
_ONCE = (Test.GROUND, Test.FAN_GROUND)
AGAIN = "Take it once more, it decides alone."


def tripped_again(judged: Judged) -> bool:
    """Whether a breaker that was closed once has tripped again: it is left off."""
    return judged.inputs.visit.saw("line.reset") == "trips"


def _dead_only(judged: Judged) -> bool:
    """Whether nothing live is asked for: under a stop, and where a breaker tripped again."""
    return tripped_again(judged) or bool(stops_of(judged.findings))


def once_more(seen: Observed, judged: Judged) -> str | None:
    """Where a reading that was taken once can be taken once more; None where it cannot."""
    point = seen.points[0]
    if seen.times >= MOST_TIMES or point not in POINTS or POINTS[point].kind != "number":
        return None
    if POINTS[point].power == "live" and _dead_only(judged):
        return None
    return None if judged.inputs.get(point) is None else point


def decides_alone(proof: Iterable[Observed], judged: Judged) -> str | None:
    """Where the only reading of a proof that no sound unit gives can be taken once more; None where there are more, or none can."""
    odd = [one for one in proof if TESTED[one.test].sound[one.outcome] < SELDOM]
    if any(one.test in _ONCE for one in odd):
        return None
    return once_more(odd[0], judged) if len(odd) == 1 else None
