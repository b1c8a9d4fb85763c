"""What a finished visit came to, written down once: status, record and experience read it, and a newer core judges nothing anew."""

from outer_test.assessment import as_found, as_left, judge, overall_of
from outer_test.diagnosis import NOTHING, Diagnosis, Table, diagnose
from outer_test.judgement import Verdict
from outer_test.ledger import AccusedThen, Conclusion, FoundThen, Kind, Recorded, SuspectThen

MOST_SUSPECTS = 5
_PROVED = (Verdict.GOOD, Verdict.WATCH, Verdict.UNJUDGED)


def concluded(recorded: Recorded, core: str, table: Table | None = None) -> Conclusion:
    """The conclusion of a visit as it stands. core: the version that judges; table: the unit's, where it is at hand.

    >>> from outer_test.visit import Visit
    >>> concluded(Recorded(Visit(), ()), "0").suspects[0].fault
    'nothing wrong'
    """
    visit = recorded.visit
    after = judge(as_left(visit))
    before, now = after, diagnose(visit, after, table)
    then, found = now, as_found(visit)
    if found is not visit:  # a part was put in
        before = judge(found)
        then = diagnose(found, before, table)
    left = overall_of(after)
    return Conclusion(
        core,
        place_of(recorded),
        overall_of(before),
        left,
        tuple(FoundThen(one.point, one.rule, one.verdict) for one in after.findings if one.verdict is not None),
        tuple(SuspectThen(str(one.fault), round(one.probability, 4)) for one in then.suspects[:MOST_SUSPECTS]),
        tuple(AccusedThen(one.part.value, one.fault.value) for one in then.accused),
        _proved(recorded, then, now, left),
    )


def place_of(recorded: Recorded) -> int:
    """The last place of the ledger that a conclusion of this visit takes in."""
    return max((event.place for event in recorded.events if event.kind is not Kind.CONCLUSION), default=0)


def _proved(recorded: Recorded, then: Diagnosis, now: Diagnosis, left: Verdict) -> tuple[str, ...]:
    """The faults that were accused, whose part was put in, and after which nothing is wrong with it any more."""
    put_in = {repair.part for repair in recorded.visit.repairs}
    still = {one.fault for one in now.accused}
    gone = left in _PROVED or now.suspects[0].fault == NOTHING
    return tuple(one.fault.value for one in then.accused if gone and one.part in put_in and one.fault not in still)
