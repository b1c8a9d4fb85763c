"""The one test that is worth most next: expected information for its minutes and risk (handbook section 13)."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from math import fsum, log2

from outer_test.assessment import Judged, points_read, stops_of
from outer_test.diagnosis.accuse import confirming
from outer_test.diagnosis.hypotheses import Hypothesis, slip_of, with_slips
from outer_test.diagnosis.observations import Observed, before_the_reset, read_after
from outer_test.diagnosis.once_more import AGAIN, decides_alone, once_more, tripped_again
from outer_test.diagnosis.proofs import ALSO, PROOFS, TIGHTENED, WIDER, met
from outer_test.diagnosis.things_tested import TESTED, Test
from outer_test.diagnosis.while_cold import READ_COLD_MIN, read_first
from outer_test.judgement import Part, Verdict
from outer_test.procedure import plan_of
from outer_test.rules.power_up import must_not_run
from outer_test.rules.start_and_run.start import PEAK
from outer_test.twin import Fault, FaultKey, fault_of
from outer_test.visit import POINTS, Measures, measures

# A watched defrost tells these at once; it is entered where the call is noted.
_OF_A_RUN = (Test.RUN_START, Test.RUN_VALVE, Test.RUN_FAN, Test.RUN_AUX, Test.RUN_CONTACTOR, Test.RUN_END)
_SOUND = "good"
_RUN = "run"
CHANGE_MIN, LIVE_RISK_MIN, PROVING_MIN = 3.0, 1.0, 4.0
WORTH_BITS = 0.004
DECIDES_BITS = 0.05  # a reading that alone decides so much is taken twice
ALONE = 0.98  # of probability, under which one reading, taken once, is not enough to fit a part by [M]
STANDS = 0.75  # of probability, from where a suspect is confirmed and not looked for any more


@dataclass(frozen=True, slots=True)
class NextTest:
    """What is next: where it is entered, why, its minutes, and the power it asks for; for a repair, of which part.

    mends: it mends without a part (a breaker closed once), and its readings are all taken anew.
    """

    point: str
    title: str
    why: str
    minutes: float
    power: str
    repairs: Part | None = None
    mends: bool = False


def open_points(judged: Judged) -> frozenset[str]:
    """What can still be read: of this unit's round, not read yet, nothing live under a stop, and nothing running that must not run.

    A breaker that tripped again is left off: only what the clamp showed then is still to be entered.
    """
    stopped, tripped, still = bool(stops_of(judged.findings)), tripped_again(judged), must_not_run(judged.findings)
    steps = (step for station in plan_of(judged.inputs.visit, {}).stations for step in station.steps)
    open_ = (
        step.point
        for step in steps
        if step.power != "live" or not (stopped or (tripped and step.point != PEAK) or (still and _runs(step.point)))
    )
    return frozenset(open_) - (points_read(judged) - set(before_the_reset(judged)))


def _runs(point: str) -> bool:
    """Whether a motor has to run for it."""
    return POINTS[point].station == _RUN or point == "line.starting.v" or measures(point) is Measures.DROP


def information(test: Test, among: Sequence[Hypothesis], chances: Sequence[float]) -> float:
    """The bits a test is expected to take off the uncertainty. Source: [D] expected information.

    >>> from outer_test.diagnosis.hypotheses import hypotheses
    >>> from outer_test.diagnosis.predict import table_of
    >>> from outer_test.diagnosis.suspects import weigh
    >>> from outer_test.visit import Visit
    >>> among = hypotheses(Visit(complaint="hums-no-start"), table_of(Visit().plate))
    >>> information(Test.CAP_HERM, among, weigh(among, {})) > information(Test.FLOAT, among, weigh(among, {}))
    True
    """
    # Hypotheses under which it turns out alike are taken together: only the classes' weights are needed (chain rule of entropy).
    gain = 0.0
    own = [(chance, one.chances(test)) for one, chance in zip(among, chances, strict=True) if one.touches(test)]
    rest = max(1.0 - fsum(chance for chance, _ in own), 0.0)
    sound = with_slips(test, TESTED[test].sound)
    for outcome in sound:
        whole = rest * sound[outcome] + fsum(chance * shown[outcome] for chance, shown in own)
        if whole > 0:
            gain -= whole * log2(whole)
    for weight, shown in [(rest, sound), *own]:
        gain += weight * fsum(chance * log2(chance) for chance in shown.values() if chance > 0)
    return max(gain, 0.0)


def again_information(seen: Observed, among: Sequence[Hypothesis], chances: Sequence[float]) -> float:
    """The bits that taking a reading once more is expected to tell: a slip does not come twice. Source: [D] expected information.

    seen: what it read once. A hypothesis under which that is only a slip expects another result.
    """
    slip = slip_of(seen.test)
    gain = whole = 0.0
    for chance, one in zip(chances, among, strict=True):
        own = one.chances(seen.test)[seen.outcome]  # with slips in it
        by_slip = slip / len(TESTED[seen.test].sound)
        same = max(1.0 - by_slip / own, 0.0) + by_slip
        whole += chance * same
        gain -= chance * _bits(same)
    return max(gain + _bits(whole), 0.0)


def _bits(same: float) -> float:
    """The uncertainty of a result that is the same again with this chance."""
    return -fsum(part * log2(part) for part in (same, 1.0 - same) if part > 0)


def ranked_tests(
    among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed], judged: Judged, open_: Collection[str]
) -> tuple[NextTest, ...]:  # fmt: skip
    """The tests that are worth something, best first, and what stands is never asked again. open_: the points that can be read."""
    state, visit, read = judged.power.state, judged.inputs.visit, points_read(judged)
    scored = []
    for test, how in TESTED.items():
        if test in evidence:
            point, least = once_more(evidence[test], judged), DECIDES_BITS
        else:
            point, least = _where_made(test, evidence, judged, open_), WORTH_BITS
        if point is None:
            continue
        gain, power = _gain(test, among, chances, evidence), POINTS[point].power
        if gain >= least:
            before = READ_COLD_MIN if read_first(point, visit, read) is not None else 0.0
            scored.append((-gain / (how.minutes + before + _change(power, state)), power == "live", point, how.minutes, power, test))
    return tuple(
        NextTest(point, POINTS[point].title, " ".join((*[AGAIN] * (test in evidence), _why(test, among, chances))), minutes, power)
        for _, _, point, minutes, power, test in sorted(scored)
    )


def _where_made(test: Test, evidence: Mapping[Test, Observed], judged: Judged, open_: Collection[str]) -> str | None:
    """Where a test that was not made is entered; None where it cannot be made, or would tell what is known."""
    if _told(test, evidence) or not _possible(test, evidence):
        return None
    point = next((name for name in TESTED[test].points if name in open_), None)
    return point or _in_another_state(test, evidence, judged) or _still_needed(test, evidence, judged, open_)


def _gain(test: Test, among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed]) -> float:
    """The bits a test is expected to tell, made for the first time or once more."""
    if test in evidence:
        return again_information(evidence[test], among, chances)
    return fsum(information(one, among, chances) for one in (_OF_A_RUN if test is Test.RUN_START else (test,)))


_OPEN = (Verdict.UNSURE, Verdict.UNJUDGED)
_LANES = {Test.RUN_START: ("defrost.run.start", "defrost.run.valve", "defrost.run.aux")}
# What a test needs of the unit: nothing drops across an open contactor, nothing is under load that does not run.
_NEEDS: dict[Test, tuple[Test, tuple[str, ...]]] = {
    Test.POLES: (Test.ARMATURE, ("in",)), Test.HERM_LOAD: (Test.START, ("started",)), Test.FAN_LOAD: (Test.FAN_STATE, ("runs", "slow")),
    Test.START_TIME: (Test.START, ("started",)), Test.RUN_START: (Test.START, ("started",)), Test.VALVE_FED: (Test.START, ("started",)),
    Test.VALVE_REST: (Test.START, ("started",)), Test.POLES2: (Test.START, ("started",)), Test.KIT_A: (Test.START, ("started",)),
}  # fmt: skip


def _possible(test: Test, evidence: Mapping[Test, Observed]) -> bool:
    """Whether the unit is in the state that a test needs, as far as was seen."""
    if test not in _NEEDS:
        return True
    on, states = _NEEDS[test]
    return on not in evidence or evidence[on].outcome in states


def _told(test: Test, evidence: Mapping[Test, Observed]) -> bool:
    """Whether what it would tell is on record: it was made where its part is in it, and sound."""
    wider = evidence.get(WIDER.get(test, test))
    return wider is not None and wider.outcome == _SOUND


def _change(power: str, state: str) -> float:
    if power == "any":
        return 0.0
    if power == "dead":
        return 0.0 if state == "dead-proved" else CHANGE_MIN if state == "live" else PROVING_MIN
    return LIVE_RISK_MIN + (CHANGE_MIN if state in ("dead-proved", "dead-claimed") else 0.0)


def _why(test: Test, among: Sequence[Hypothesis], chances: Sequence[float]) -> str:
    """What the test tells apart, in one sentence."""
    touched = [(chance, one) for one, chance in zip(among, chances, strict=True) if one.touches(test)]
    if not touched:
        return f"It settles {test.value}."
    top = max(touched, key=lambda pair: pair[0])[1]
    return f"It settles whether this is so: {top.says}"


def likeliest(among: Sequence[Hypothesis], chances: Sequence[float]) -> tuple[FaultKey, float, float]:
    """The likeliest fault, its probability, and that of its part, whatever is wrong with it."""
    faults: dict[FaultKey, float] = {}
    parts: dict[Part | None, float] = {}
    for one, chance in zip(among, chances, strict=True):
        for fault in one.faults:
            faults[fault.key] = faults.get(fault.key, 0.0) + chance
            parts[fault.part] = parts.get(fault.part, 0.0) + chance
    key = max(faults, key=lambda name: faults[name])
    return key, faults[key], parts[fault_of(key).part]


def before_a_part(
    among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed], judged: Judged
) -> NextTest | None:  # fmt: skip
    """Where one reading, taken once, is all that speaks for the likeliest: that reading once more, before a part is fitted."""
    key, _, together = likeliest(among, chances)
    return _once_more(fault_of(key), together, evidence, judged)


def _once_more(fault: Fault, together: float, evidence: Mapping[Test, Observed], judged: Judged) -> NextTest | None:
    point = decides_alone(confirming(fault, evidence, judged), judged) if together < ALONE else None
    if point is None:
        return None
    return NextTest(point, POINTS[point].title, f"{AGAIN} {fault.says}", 1.0, POINTS[point].power)


def to_confirm(
    among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed], judged: Judged, open_: Collection[str]
) -> NextTest | None:  # fmt: skip
    """Where one suspect stands: what its confirming test still lacks. None where none stands, or nothing is lacking that can be done."""
    key, _, together = likeliest(among, chances)
    if together < STANDS:
        return None
    alone = _once_more(fault_of(key), together, evidence, judged)
    if alone is not None:
        return alone
    outcomes = {test: seen.outcome for test, seen in evidence.items()}
    best: tuple[int, str] | None = None
    for proof in PROOFS.get(key, ()):
        if any(met(test, outcome, outcomes) is False for test, outcome in proof.items()):
            continue
        tests = [test for test, outcome in proof.items() if met(test, outcome, outcomes) is None or test is Test.POLES]
        asked = (*(point for test in tests for point in TESTED[test].points), *ALSO.get(key, ()))
        lacking = [point for point in asked if point in open_]
        again = (_in_another_state(test, evidence, judged) or _still_needed(test, evidence, judged, open_) for test in tests)
        lacking += [point for point in again if point is not None]
        if lacking and (best is None or len(lacking) < best[0]):
            best = (len(lacking), lacking[0])
    if best is None:
        return None
    return NextTest(
        best[1], POINTS[best[1]].title, f"It confirms what all else points to: {fault_of(key).says}", 1.0, POINTS[best[1]].power
    )


def _in_another_state(test: Test, evidence: Mapping[Test, Observed], judged: Judged) -> str | None:
    """Where a test is made by reading again what was read in another state: at the terminals after the plug, warm after cold."""
    visit = judged.inputs.visit
    if test in WIDER:
        at_plug = visit.saw("winding.at") != "terminals" and WIDER[test] in evidence and evidence[WIDER[test]].outcome != _SOUND
        return "winding.at" if at_plug else None
    if test is Test.POLES and test in evidence and evidence[test].outcome == "dropping" and visit.saw(TIGHTENED) is not None:
        return next((point for point in evidence[test].points if not read_after(TIGHTENED, point, judged)), None)
    if (
        test is Test.SWITCH_WARM
        and Test.SWITCH_COLD in evidence
        and Test.RUN_START in evidence
        and evidence[Test.RUN_START].outcome == "yes"
    ):
        return _after_the_defrost(judged, "defrost.coil.f", "defrost.switch.ohm")
    return None


def _still_needed(test: Test, evidence: Mapping[Test, Observed], judged: Judged, open_: Collection[str]) -> str | None:
    """What the rule behind a test that was made, and told nothing, still asks for."""
    if test in evidence:
        return None
    points = (*TESTED[test].points, *_LANES.get(test, ()))
    needs = (need for found in judged.findings if found.point in points and found.verdict in _OPEN for need in found.needs)
    return next((need for need in needs if need in open_), None)


def _after_the_defrost(judged: Judged, *points: str) -> str | None:
    """The first of these that was last read before the defrost was forced."""
    forced = judged.inputs.visit.defrost_forced_at
    for point in points:
        reading = judged.inputs.readings.get(point)
        if reading is None or forced is None or reading.at is None or reading.at < forced:
            return point if forced is not None else None
    return None
