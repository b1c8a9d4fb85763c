"""What is mended without a part: a breaker closed once, an overload left to cool. It is next where it stands alone."""

from collections.abc import Collection, Mapping, Sequence

from outer_test.assessment import Judged
from outer_test.diagnosis.accuse import ENOUGH
from outer_test.diagnosis.hypotheses import Hypothesis
from outer_test.diagnosis.next_test import NextTest, likeliest
from outer_test.diagnosis.observations import Observed
from outer_test.diagnosis.things_tested import Test
from outer_test.judgement import Verdict
from outer_test.twin import FaultKey
from outer_test.visit import POINTS

BREAKER, RESET, COOL = "line.breaker", "line.reset", "winding.c_r.ohm"
COOL_MIN = 60.0


def without_a_part(
    among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed], judged: Judged, open_: Collection[str]
) -> NextTest | None:  # fmt: skip
    """The step where a tripped breaker or an open, hot overload stands at 90 %; None where neither does, or it was taken.

    A breaker is closed once, and only with everything found sound dead: what is lacking of that comes first. open_: the points
    that can be read. Source: handbook section 8, `reset`; section 7, `winding-open`.
    """
    key, own, together = likeliest(among, chances)
    if together < ENOUGH or own < together / 2:
        return None
    if key is FaultKey.BREAKER_TRIPPED and judged.inputs.visit.saw(RESET) is None:
        return _closed_once(judged, open_)
    if key is FaultKey.OVERLOAD_OPEN:
        if Test.PAIRS not in evidence or evidence[Test.PAIRS].outcome != "overload":
            return None  # hot or failed is not known yet
        why = "The overload is open and the shell is hot. Let it cool an hour or more, read the pairs again, and find what made it hot."
        return NextTest(COOL, POINTS[COOL].title, why, COOL_MIN, POINTS[COOL].power, mends=True)
    return None


def _closed_once(judged: Judged, open_: Collection[str]) -> NextTest | None:
    state = judged.inputs.visit.saw(BREAKER)
    if state != "tripped":
        why = "It is off: ask by whom and why before it is switched on." if state == "off" else "Look whether it has tripped."
        return NextTest(BREAKER, POINTS[BREAKER].title, why, 2.0, POINTS[BREAKER].power, mends=state == "off")
    checks = [one for one in judged.findings if one.point in POINTS and POINTS[one.point].power != "live" and one.point != BREAKER]
    if any(one.verdict in (Verdict.BAD, Verdict.STOP, Verdict.UNSURE) for one in checks):
        return None  # not found sound: it stays as it is
    found = next(one for one in judged.findings if one.point == BREAKER)
    lacking = next((need for need in found.needs if need in open_), None)
    if lacking is not None:
        why = "Before the breaker is closed once, all is found sound dead: grounds and pairs, leads, capacitors, faces, wiring."
        return NextTest(lacking, POINTS[lacking].title, why, 2.0, POINTS[lacking].power)
    return NextTest(RESET, POINTS[RESET].title, f"All is found sound. {found.next}", 2.0, POINTS[RESET].power, mends=True)
