"""The one question: what do this visit's readings say?"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from datetime import datetime

from outer_test.assessment.figures import Figure, figures
from outer_test.assessment.power import Power, power_now
from outer_test.assessment.repairs import as_found, as_left, read_in_hand, repairs_of
from outer_test.assessment.stops import Stop, stops_of
from outer_test.judgement import WORST_FIRST, Finding, Verdict, worst
from outer_test.procedure import Station, Step, plan_of
from outer_test.rules import SetAside, look_over, plate_findings, set_aside, taken_findings
from outer_test.rules.capacitors import capacitor_findings, fitted_findings
from outer_test.rules.contactor import armature_findings, contactor_findings
from outer_test.rules.defrost import board_lights, defrost_findings
from outer_test.rules.make_safe import safety_findings
from outer_test.rules.power_up import power_findings
from outer_test.rules.start_and_run import run_findings
from outer_test.rules.windings import winding_findings
from outer_test.visit import POINTS, Inputs, Measures, Reading, Visit, inputs_of, measures, open_lines

_POWER_WORDS = {"unknown": "not known", "live": "live", "dead-claimed": "claimed dead, not proved", "dead-proved": "proved dead"}


@dataclass(frozen=True, slots=True)
class Missing:
    """A point this unit asks for that has no reading yet."""

    point: str
    station: str
    why: str


@dataclass(frozen=True, slots=True)
class Assessment:
    """Everything that follows from a visit's readings, each for itself.

    `recorded` are points kept that no rule judges; `figures` what is only computed and shown; `stops` those that stand.
    `as_found` and `as_left` are the overall verdict before and after the parts put in; `found` what was found of parts that are
    out now. `wrong` are the points with something bad or a stop. Of one point's findings the worst comes first.
    """

    overall: Verdict
    findings: tuple[Finding, ...]
    missing: tuple[Missing, ...]
    power: Power
    open_lines: int
    recorded: tuple[str, ...] = ()
    figures: tuple[Figure, ...] = ()
    stops: tuple[Stop, ...] = ()
    as_found: Verdict = Verdict.UNJUDGED
    as_left: Verdict = Verdict.UNJUDGED
    found: tuple[Finding, ...] = ()
    wrong: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Judged:
    """A visit's valid evidence and what its rules say of it: what concluding starts from."""

    inputs: Inputs
    aside: tuple[SetAside, ...]
    findings: tuple[Finding, ...]
    power: Power


def assess(visit: Visit) -> Assessment:
    """Judge a whole visit. A pure function: same visit, same assessment.

    visit: plate, house rules, readings, things seen, power, lifted lines and repairs. Raises nothing for a visit that could be
    made; what cannot be judged is a finding `unjudged` that says what it needs.
    Source: handbook sections 1 to 10 and 14, rule by rule in each finding.

    >>> from outer_test.nameplate import Plate, RunCapacitor
    >>> plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, tolerance_pct=6))
    >>> assess(Visit(plate=plate, readings=(Reading("cap.herm.uf", "50.4"),))).overall.value
    'bad'
    """
    return assessment_of(visit, judge(as_left(visit)))


def assessment_of(visit: Visit, judged: Judged) -> Assessment:
    """What `assess` says, where the visit as left was judged already.

    >>> assessment_of(Visit(), judge(Visit())).overall.value
    'unjudged'
    """
    left, overall = judged.inputs, overall_of(judged)
    before = judge(as_found(visit)) if repairs_of(visit) else judged
    earlier = before.findings
    standing = {(finding.point, finding.rule, finding.why) for finding in judged.findings}
    return Assessment(
        overall,
        judged.findings,
        tuple(Missing(step.point, station.name, f"{step.title}: not read yet.") for station, step in still_asked(judged)),
        judged.power,
        len(open_lines(visit)),
        _recorded(left, {finding.point for finding in judged.findings}),
        tuple(figures(left)),
        stops_of(judged.findings),
        overall_of(before),
        overall,
        tuple(one for one in earlier if (one.point, one.rule, one.why) not in standing) if repairs_of(visit) else (),
        tuple(dict.fromkeys(finding.point for finding in judged.findings if finding.verdict in (Verdict.BAD, Verdict.STOP))),
    )


def overall_of(judged: Judged) -> Verdict:
    """The worst of the verdicts. A plate that agrees with itself makes nothing good where nothing was measured or looked at.

    >>> overall_of(judge(Visit())).value
    'unjudged'
    """
    visit, found = judged.inputs.visit, worst(finding.verdict for finding in judged.findings)
    nothing = not (visit.readings or visit.seen or visit.defrost_run)
    return Verdict.UNJUDGED if nothing and found is Verdict.GOOD else found


def judge(visit: Visit) -> Judged:
    """Set aside what the record contradicts, and hold the rest against the rules.

    >>> judge(Visit()).findings
    ()
    """
    everything = inputs_of(visit)
    safety = list(safety_findings(everything))
    proof, proved_at = _proof(safety, visit)
    aside = set_aside(everything, proved_at)
    inputs = _without(everything, aside)
    power = power_now(visit, proof, proved_at, aside)
    work = [_with_circumstances(finding, inputs, power) for finding in _work_findings(inputs, proved_at)]
    apart = list(taken_findings(aside))
    if any(one.verdict is Verdict.STOP for one in apart):
        safety = [one for one in safety if one.point != "safe.dead"]
    findings = (*plate_findings(visit.plate, visit.rules), *safety, *apart, *(_against(one, aside) for one in work))
    return Judged(inputs, aside, tuple(_worst_first(findings)), power)


def _worst_first(findings: Iterable[Finding]) -> Iterator[Finding]:
    """The findings point by point in the order of the round, the worst of a point first."""
    by_point: dict[str, list[Finding]] = {}
    for finding in findings:
        by_point.setdefault(finding.point, []).append(finding)
    for own in by_point.values():
        yield from sorted(own, key=_severity)


def _without(everything: Inputs, aside: tuple[SetAside, ...]) -> Inputs:
    """The evidence less what says nothing."""
    gone = [one.reading for one in aside if one.reading is not None and not one.stays]
    unseen = {one.point for one in aside if one.reading is None}
    if not gone and not unseen:
        return everything
    visit = everything.visit
    if unseen:
        visit = replace(visit, seen={name: seen for name, seen in visit.seen.items() if name not in unseen})
    return inputs_of(visit, gone)


def _against(finding: Finding, aside: tuple[SetAside, ...]) -> Finding:
    """What on record speaks against a reading that stays all the same, for it is a stop."""
    speaks = next((one.why for one in aside if one.stays and one.point == finding.point), "")
    return replace(finding, caution=f"{speaks} {finding.caution}".strip()) if speaks else finding


def _work_findings(inputs: Inputs, proved_at: datetime | None) -> Iterator[Finding]:
    """Everything judged of the unit itself, in the order of the round."""
    visit = inputs.visit
    yield from (found for name in visit.seen if (found := look_over(name, visit.saw(name) or "")) is not None)
    if (flashes := inputs.number("look.board.flashes")) is not None and flashes.number is not None:
        yield board_lights(visit.plate.defrost.lights, int(flashes.number), visit.saw("look.board.colour"))
    yield from fitted_findings(visit)
    bench, contactor, line = list(capacitor_findings(inputs)), list(contactor_findings(inputs)), list(power_findings(inputs))
    yield from bench
    yield from contactor
    yield from winding_findings(inputs)
    yield from line
    by_point = {one.point: one for one in (*bench, *contactor, *line)}
    yield from armature_findings(inputs, by_point)
    yield from run_findings(inputs, by_point)
    yield from defrost_findings(inputs, by_point, proved_at)


def power_of(visit: Visit) -> Power:
    """The unit's power state alone, without judging the rest of the visit.

    >>> power_of(Visit()).state
    'unknown'
    """
    everything = inputs_of(visit)
    proof, proved_at = _proof(safety_findings(everything), visit)
    return power_now(visit, proof, proved_at, set_aside(everything, proved_at))


def _proof(safety: Iterable[Finding], visit: Visit) -> tuple[Finding | None, datetime | None]:
    """What is said of the proof of death, and when it was made where it is good."""
    proof = next((finding for finding in safety if finding.point == "safe.dead"), None)
    return proof, visit.saw_at("safe.tester_after") if proof is not None and proof.verdict is Verdict.GOOD else None


def _recorded(inputs: Inputs, judged: set[str]) -> tuple[str, ...]:
    names = set(inputs.latest) | set(inputs.visit.seen)
    return tuple(sorted(name for name in names if name not in judged and measures(name) is not Measures.TESTER))


def _with_circumstances(finding: Finding, inputs: Inputs, power: Power) -> Finding:
    """Add a caution where a reading was taken with the wrong power, or with a meter whose calibration was overdue."""
    reading = inputs.readings.get(finding.point)
    if reading is None:
        return finding
    words = (_wrong_power(reading, power, inputs.visit), _overdue(reading, inputs.visit))
    return replace(finding, caution=" ".join(filter(None, (*words, finding.caution)))) if any(words) else finding


def _wrong_power(reading: Reading, power: Power, visit: Visit) -> str:
    """What to say of a dead-only reading that was taken while the unit was not proved dead."""
    point = POINTS[reading.point]
    if point.power != "dead" or reading.power == "dead-proved" or point.measures is Measures.NEW_PART:
        return ""
    powered_up = any(event.state == "live" for event in visit.power)
    state = reading.power or (None if powered_up else power.state)
    return "" if state in (None, "dead-proved") else f"Dead work, but recorded while power was {_POWER_WORDS[state]}."


def _overdue(reading: Reading, visit: Visit) -> str:
    due = visit.calibration_due.get(reading.meter) if reading.meter is not None else None
    if due is None or reading.at is None or reading.at.date() <= due:
        return ""
    return f"Read with {reading.meter}, whose calibration was due {due.isoformat()}."


def points_read(judged: Judged) -> frozenset[str]:
    """The points that are read: what stands, what was seen, and the capacitor that was measured in the hand and put in.

    >>> points_read(judge(Visit()))
    frozenset()
    """
    inputs = judged.inputs
    return read_in_hand(inputs.visit).union(inputs.latest, inputs.visit.seen)


def still_asked(judged: Judged) -> Iterator[tuple[Station, Step]]:
    """What the round cannot do without and nobody read; nothing live while a stop stands.

    >>> next(still_asked(judge(Visit())))[1].point
    'safe.tester_before'
    """
    stopped, read = bool(stops_of(judged.findings)), points_read(judged)
    for station, step in plan_of(judged.inputs.visit, {}).needed:
        if step.point not in read and not (stopped and step.power == "live"):
            yield station, step


def _severity(finding: Finding) -> int:
    return len(WORST_FIRST) if finding.verdict is None else WORST_FIRST.index(finding.verdict)
