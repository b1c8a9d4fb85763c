"""Tests that several points make up: a motor's pairs, its grounds, the leads, the poles, the line and its legs."""

from collections.abc import Collection, Iterable

from outer_test.assessment import Judged
from outer_test.diagnosis.classes import LINE_DEAD_V
from outer_test.diagnosis.things_tested import TESTED, Test
from outer_test.judgement import Finding, Verdict
from outer_test.procedure import plan_of
from outer_test.rules.windings import alike_windings, is_overload, is_start_winding
from outer_test.visit import Inputs, Measures, group_of, measures

DECIDED = (Verdict.GOOD, Verdict.WATCH, Verdict.BAD, Verdict.STOP)
_LEGS = ("line.l1_ground.v", "line.l2_ground.v")


def of_several(findings: list[Finding], judged: Judged) -> Iterable[tuple[Test, str, list[Finding]]]:
    """Tests that several points make up: the worst of them, and good only where all that decides is good."""
    yield from _motor(findings, "winding", judged.inputs.visit.saw("winding.at") == "terminals", judged.inputs)
    yield from _motor(findings, "fan_winding", True, judged.inputs)
    asked = {step.point for station in plan_of(judged.inputs.visit, {}).stations for step in station.steps}
    yield from _against_baseline(findings)
    leads = [finding for finding in findings if measures(finding.point) is Measures.LEAD]
    broken = any(read is not None and read.is_open for read in (judged.inputs.get(one.point) for one in leads))
    yield from _worst_of(Test.LEADS, leads, "open" if broken else "high", asked)
    yield from _worst_of(Test.FUSES, [finding for finding in findings if measures(finding.point) is Measures.LINE_FUSE], "blown", asked)
    yield from _worst_of(Test.AUX, [finding for finding in findings if measures(finding.point) is Measures.ELEMENT], "bad")
    for name, test in (("contactor", Test.POLES), ("contactor2", Test.POLES2)):
        yield from _poles(test, [finding for finding in findings if group_of(finding.point) == name], asked)
    yield from _line(findings)
    end = [finding for finding in findings if finding.point == "defrost.run.end"]
    if end and end[0].verdict in DECIDED:
        by_time = end[0].verdict is Verdict.WATCH and bool(end[0].causes)
        yield Test.RUN_END, ("by time" if by_time else "good" if end[0].verdict is Verdict.GOOD else "ran on"), end


def _poles(test: Test, own: list[Finding], asked: Collection[str]) -> Iterable[tuple[Test, str, list[Finding]]]:
    """A contactor's poles: open where line volts stand across one, else by what drops across them."""
    through = [finding for finding in own if finding.rule == "pole-through" and finding.verdict is Verdict.BAD]
    if through:
        yield test, "open", through
    else:
        drops = [finding for finding in own if finding.rule == "pole-drop" and measures(finding.point) is Measures.DROP]
        yield from _worst_of(test, drops, "dropping", asked)


def _motor(findings: list[Finding], motor: str, at_terminals: bool, inputs: Inputs) -> Iterable[tuple[Test, str, list[Finding]]]:
    """A motor's grounds and pairs. What is read at the plug has the harness in it and tells of both."""
    compressor = motor == "winding"
    ground = Test.FAN_GROUND if not compressor else Test.GROUND if at_terminals else Test.GROUND_AT_PLUG
    pairs = Test.FAN_PAIRS if not compressor else Test.PAIRS if at_terminals else Test.PAIRS_AT_PLUG
    own = [finding for finding in findings if group_of(finding.point) == motor]
    yield from _worst_of(ground, [one for one in own if measures(one.point) in (Measures.GROUND, Measures.INSULATION)], "grounded")
    between = [one for one in own if one.rule in ("winding-open", "winding-sum", "winding-plausible", "three-phase")]
    opened = next((one for one in between if one.rule == "winding-open"), None)
    if opened is not None and opened.verdict in (Verdict.BAD, Verdict.WATCH):
        read = [inputs.get(f"{motor}.{pair}.ohm") for pair in ("c_r", "c_s", "r_s")]
        pattern, alike = [one is not None and one.is_open for one in read], alike_windings(inputs, motor)
        outcome = "start open" if pairs is Test.PAIRS and is_start_winding(pattern, alike) else "open"
        if pairs is not Test.PAIRS_AT_PLUG and is_overload(pattern, alike):
            outcome = "overload" if opened.verdict is Verdict.WATCH else "stays open"
        yield pairs, outcome, [opened]
    else:
        yield from _worst_of(pairs, between, "shorted")


def _against_baseline(findings: list[Finding]) -> Iterable[tuple[Test, str, list[Finding]]]:
    """The compressor's pairs against this unit's own, at one temperature: the one that is furthest off."""
    held = [one for one in findings if one.rule == "winding-short" and one.nominal and one.value is not None and one.verdict in DECIDED]
    off = [one for one in held if one.verdict is Verdict.WATCH]
    under = [one for one in off if (one.value or 0) < (one.nominal or 0)]
    if held:
        yield Test.BASELINE, "under" if under else "over" if off else "same", under or off or held


def _line(findings: list[Finding]) -> Iterable[tuple[Test, str, list[Finding]]]:
    line = [finding for finding in findings if finding.point == "line.l1_l2.v" and finding.verdict in DECIDED]
    if not line:
        return
    value = next((one.value for one in line if one.value is not None), None)
    bad = [one for one in line if one.verdict is Verdict.BAD]
    if not bad:
        yield Test.LINE, "alive", line
    else:
        yield Test.LINE, ("dead" if value is not None and abs(value) < LINE_DEAD_V else "low"), bad
    legs = [finding for finding in findings if finding.point in _LEGS and finding.verdict in DECIDED]
    alive = [one for one in legs if abs(one.value or 0) >= LINE_DEAD_V]
    if len(legs) == len(_LEGS):
        lost = [one for one in legs if one.verdict is Verdict.BAD]
        yield Test.LEGS, "none" if not alive else "one" if lost and len(alive) == 1 else "both", lost or legs


def _worst_of(
    test: Test, group: list[Finding], bad: str, asked: Collection[str] = ()
) -> Iterable[tuple[Test, str, list[Finding]]]:  # fmt: skip
    """A test of several points: bad by one of them, good only by all of those asked for on this unit."""
    decided = [one for one in group if one.verdict in DECIDED]
    worst = [one for one in decided if one.verdict in (Verdict.BAD, Verdict.STOP)]
    whole = {_place(one.point) for one in decided}.issuperset(_place(point) for point in TESTED[test].points if point in asked)
    if worst:
        yield test, bad, worst
    elif decided and whole and not any(one.verdict is Verdict.UNSURE for one in group):
        yield test, "good", decided


def _place(point: str) -> str:
    """A fuse counts as read by its ohms or by its volts under load."""
    return point.rpartition(".")[0]
