"""The conclusion of a visit: every hypothesis of this unit held against all valid evidence on record (handbook section 13)."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from math import fsum
from operator import itemgetter

from outer_test.assessment import Judged, as_left, judge, stops_of
from outer_test.diagnosis.accuse import ENOUGH, Accused, accused
from outer_test.diagnosis.around_it import before_it, left_behind, under_a_stop, which_control
from outer_test.diagnosis.hypotheses import Hypothesis, hypotheses
from outer_test.diagnosis.next_test import NextTest, before_a_part, open_points, ranked_tests, to_confirm
from outer_test.diagnosis.observations import Observed, bad_by_itself, observe
from outer_test.diagnosis.predict import Table, table_of
from outer_test.diagnosis.proofs import proved_at
from outer_test.diagnosis.suspects import Suspect, spoken_for, suspects, weigh
from outer_test.diagnosis.things_tested import Test
from outer_test.diagnosis.without_a_part import without_a_part
from outer_test.judgement import Part
from outer_test.rules.defrost import kit_words
from outer_test.rules.start_and_run import kit_offer
from outer_test.twin import Fault, FaultKey
from outer_test.visit import POINTS, Feed, Visit, interrupted_by

MOST_SUSPECTS, MOST_AHEAD = 8, 12
BUTTON_UP = "button"
FINAL_RUN = "button.final_run"
LEADS = 0.5  # of probability, from where the likeliest is mended although nothing accuses it
STANDS_OUT = 0.05  # of probability, from where a maintenance call looks into what it was not called for


@dataclass(frozen=True, slots=True)
class Diagnosis:
    """What the visit concludes: suspects likeliest first, what is accused, and the tests and repairs ahead as far as they are likely.

    Nothing is ahead only where the visit is concluded, or where everything was read and nothing more would tell.
    """

    suspects: tuple[Suspect, ...]
    accused: tuple[Accused, ...]
    ahead: tuple[NextTest, ...]

    @property
    def next(self) -> NextTest | None:
        """The one next test or repair; None where the visit is concluded."""
        return self.ahead[0] if self.ahead else None

    @property
    def path(self) -> tuple[str, ...]:
        """The points ahead, in order."""
        return tuple(dict.fromkeys(one.point for one in self.ahead))


def diagnose(visit: Visit, judged: Judged | None = None, table: Table | None = None) -> Diagnosis:
    """Conclude from everything on record together. A pure function; nothing else in the product accuses a part.

    judged: the visit's valid evidence where the caller has it. table: the plate's, where the caller has it; else it is made.
    Source: handbook section 13; its chances are a model of ours [M].

    >>> from outer_test.visit import Reading
    >>> diagnose(Visit(complaint="maintenance")).suspects[0].fault
    'nothing wrong'
    """
    known, unit = judged or judge(as_left(visit)), table or table_of(visit.plate)
    evidence = observe(known)
    # The complaint speaks of the unit as it was found: with a part put in, its readings since say what is left.
    left = replace(visit, complaint="maintenance") if visit.repairs else visit
    among = hypotheses(left, unit, known.aside, tuple(bad_by_itself(known, evidence)))
    chances = weigh(among, evidence)
    among = tuple(one.given(evidence) for one in among)
    blamed = accused(among, chances, evidence, known)
    to_read = open_points(known)
    ahead = _ahead(left, known, among, chances, evidence, blamed, to_read)
    to_record = None if blamed or stops_of(known.findings) else which_control(known, unit, among, chances)
    return Diagnosis(
        suspects(among, chances, evidence, MOST_SUSPECTS, to_read),
        blamed,
        ahead if to_record is None else (to_record, *ahead),
    )


def _ahead(
    visit: Visit, judged: Judged, among: tuple[Hypothesis, ...], chances: tuple[float, ...], evidence: Mapping[Test, Observed],
    blamed: tuple[Accused, ...], to_read: frozenset[str],
) -> tuple[NextTest, ...]:  # fmt: skip
    """What is next and what likely follows."""
    if blamed:
        repairs = _repairs(visit, among, blamed, evidence, judged)
        again = None if stops_of(judged.findings) else before_a_part(among, chances, evidence, judged)
        return repairs if again is None else _begun((again, *repairs), judged)
    stopped = under_a_stop(judged)
    if stopped is not None:
        return (stopped,)
    listed = tuple(left_behind(judged, to_read))
    if chances[0] >= ENOUGH or (listed and visit.complaint == "maintenance"):  # the first is nothing wrong
        raised = _raised(listed, among, chances, evidence, judged, to_read)
        return _begun((*raised[: MOST_AHEAD // 2], *listed)[:MOST_AHEAD] if raised else listed, judged)
    to_read -= {one.point for one in judged.aside}  # what the record contradicts would be contradicted again
    by_hand = without_a_part(among, chances, evidence, judged, to_read)
    if by_hand is not None:
        return (by_hand,) if by_hand.mends else _begun((by_hand,), judged)
    confirming = to_confirm(among, chances, evidence, judged, to_read)
    ranked = ranked_tests(among, chances, evidence, judged, to_read)
    tests = (ranked if confirming is None else (confirming, *(one for one in ranked if one.point != confirming.point)))[:MOST_AHEAD]
    if not tests:
        return ((*_settle(among, chances, evidence, judged, to_read), *listed) or tuple(_watched(to_read)))[:MOST_AHEAD]
    return _begun(_dead_first(tests, evidence, judged), judged)


def _raised(
    listed: tuple[NextTest, ...], among: tuple[Hypothesis, ...], chances: tuple[float, ...], evidence: Mapping[Test, Observed],
    judged: Judged, to_read: frozenset[str],
) -> tuple[NextTest, ...]:  # fmt: skip
    """What is worth a look although nothing else seems wrong, or was complained of: the tests that tell whether it is so.

    At once where a result stands that sound units hardly give; what is only likely, before a maintenance call is closed up.
    """
    sound = among[0]
    weighed = list(zip(among, chances, strict=True))
    spoken = spoken_for(weighed, sound, evidence)
    if fsum(chance for _, chance in spoken) >= STANDS_OUT:
        found = _telling([weighed[0], *spoken], evidence, judged, to_read)
        if found:
            return found
    if chances[0] >= ENOUGH or any(POINTS[one.point].station != BUTTON_UP for one in listed):
        return ()
    return _telling([pair for pair in weighed if pair[0] is sound or pair[1] >= STANDS_OUT], evidence, judged, to_read)


def _telling(
    weighed: Sequence[tuple[Hypothesis, float]], evidence: Mapping[Test, Observed], judged: Judged, to_read: frozenset[str]
) -> tuple[NextTest, ...]:
    """The tests that tell these apart."""
    whole = fsum(chance for _, chance in weighed)
    among, chances = [one for one, _ in weighed], [chance / whole for _, chance in weighed]
    return _dead_first(ranked_tests(among, chances, evidence, judged, to_read), evidence, judged)


def _dead_first(tests: tuple[NextTest, ...], evidence: Mapping[Test, Observed], judged: Judged) -> tuple[NextTest, ...]:
    """Who pulled the disconnect, has off what feeds the unit, or was told to switch off now works dead: nothing live comes before it."""
    off = judged.power.state == "dead-claimed" or interrupted_by(judged.inputs.visit, Feed.LINE, None) is not None
    locked = Test.COMPRESSOR_A in evidence and evidence[Test.COMPRESSOR_A].outcome == "locked"
    return tuple(sorted(tests, key=lambda one: one.power == "live")) if off or locked else tests


def _begun(tests: tuple[NextTest, ...], judged: Judged) -> tuple[NextTest, ...]:
    """The tests, and before them what the first of them asks to be done first."""
    first = before_it(tests[0], judged) if tests else None
    return tests if first is None or first is tests[0] else (first, *tests)


def _repairs(
    visit: Visit, among: tuple[Hypothesis, ...], blamed: tuple[Accused, ...], evidence: Mapping[Test, Observed], judged: Judged
) -> tuple[NextTest, ...]:
    """The repairs, and nothing live among them while a stop stands."""
    faults = {fault.key: fault for one in among for fault in one.faults}
    stopped = bool(stops_of(judged.findings))
    found = []
    for one in blamed:
        fault = faults[one.fault]
        point = proved_at(fault.key, evidence)
        power = "dead" if stopped else POINTS[point].power
        mends = f"{fault.mends} {_by_house_rule(fault, visit)}".strip()
        found.append(NextTest(point, f"Repair: {fault.part}", f"{mends} {fault.says}", 20.0, power, fault.part))
    return tuple(found)


def _by_house_rule(fault: Fault, visit: Visit) -> str:
    """What the company's house rule adds to a repair."""
    if fault.part is Part.DEFROST_BOARD:
        return kit_words(visit.plate.defrost, visit.rules)
    return kit_offer(visit.rules, visit.plate.compressor.kind == "scroll") if fault.key is FaultKey.LOCKED else ""


def _settle(
    among: tuple[Hypothesis, ...], chances: tuple[float, ...], evidence: Mapping[Test, Observed], judged: Judged, to_read: frozenset[str]
) -> Iterator[NextTest]:
    """No test tells them apart any more. The likeliest fault, where it leads, is mended and its reading taken again.

    Of one that does not lead only what was never read is asked for; what stands is not.
    """
    chance, fault = max(((chance, one.faults[0]) for one, chance in zip(among, chances, strict=True) if one.faults), key=itemgetter(0))
    point = proved_at(fault.key, evidence)
    if chance >= LEADS or point in to_read:
        why = f"{fault.says} {fault.mends} {_by_house_rule(fault, judged.inputs.visit)}".strip()
        yield NextTest(point, POINTS[point].title, why, 5.0, POINTS[point].power)


def _watched(to_read: frozenset[str]) -> Iterator[NextTest]:
    """The last thing that may still tell, once everything else was read: a whole start."""
    if FINAL_RUN in to_read:
        yield NextTest(FINAL_RUN, POINTS[FINAL_RUN].title, "No single test tells more now: watch a whole start.", 5.0, "live")
