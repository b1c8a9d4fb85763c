"""What holds of every visit there can be (Hypothesis): no answer is missing, made up, or better than it should be."""

import unittest
from collections import Counter
from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.assessment import Assessment, assess
from outer_test.circuit import ladder_of, make_circuit, probes
from outer_test.customer import customer_page
from outer_test.diagnosis import diagnose
from outer_test.judgement import SCHOOLS, Verdict, worst
from outer_test.measurement import Accuracy
from outer_test.procedure import stations
from outer_test.rules import RULES
from outer_test.visit import POINTS, Visit
from visit_samples.any_visits import METERS, visits, visits_to_few

MANY = settings(max_examples=40, deadline=None)
SCHOOL_NAMES = {"", *(school for schools in SCHOOLS.values() for school in schools)}


def told(assessment: Assessment) -> Counter[tuple[str, str, str]]:
    """What was found, without the order of it."""
    return Counter((finding.point, finding.rule, "" if finding.verdict is None else finding.verdict) for finding in assessment.findings)


class EveryVisit(unittest.TestCase):
    @MANY
    @given(visits)
    def test_is_judged_whole(self, visit: Visit) -> None:
        judged = assess(visit)
        self.assertEqual(judged.overall, worst(finding.verdict for finding in judged.findings) if judged.findings else judged.overall)
        for one in judged.findings:
            self.assertIn(one.rule, RULES)
            self.assertIn(one.school, SCHOOL_NAMES)
            self.assertIn(one.decision, {"", *SCHOOLS["decision"]})
            self.assertTrue(one.why.strip() and one.source.strip())
            self.assertLessEqual(set(one.mark.split()), {"P", "T", "D"})
            if one.verdict is Verdict.UNSURE:
                self.assertTrue(one.next or one.why, "what would tell is said")
            if one.low is not None and one.high is not None:
                self.assertLessEqual(one.low, one.high)
            if one.confidence is not None:
                self.assertTrue(0 <= one.confidence <= 1)

    @MANY
    @given(visits)
    def test_the_same_question_has_the_same_answer(self, visit: Visit) -> None:
        self.assertEqual(assess(visit), assess(visit))

    @MANY
    @given(visits, st.randoms(use_true_random=False))
    def test_the_order_of_what_was_read_at_different_points_does_not_matter(self, visit: Visit, chance: object) -> None:
        kept = {
            (reading.point, reading.by, reading.fitted): reading for reading in visit.readings
        }  # the latest of a kind stands: one of each
        one_way = list(kept.values())
        other = list(one_way)
        chance.shuffle(other)  # type: ignore[attr-defined]
        self.assertEqual(
            told(assess(replace(visit, readings=tuple(one_way)))),
            told(assess(replace(visit, readings=tuple(other)))),
        )

    @MANY
    @given(visits_to_few)
    def test_no_part_is_accused_that_may_not_be(self, visit: Visit) -> None:
        """Handbook section 13: at 90 % or more, and one repair or test is next, nothing live of it under a stop."""
        concluded, judged = diagnose(visit), assess(visit)
        for one in concluded.accused:
            together = sum(suspect.probability for suspect in concluded.suspects if suspect.part is one.part)
            self.assertGreaterEqual(together, 0.89, one)
            self.assertTrue(one.why)
        if judged.stops and concluded.next is not None:
            self.assertNotEqual(concluded.next.power, "live")
        if visit.plate.compressor.kind == "inverter":
            self.assertNotIn("herm weak", [one.fault for one in concluded.accused])

    @MANY
    @given(visits)
    def test_an_open_line_is_always_counted(self, visit: Visit) -> None:
        self.assertEqual(assess(visit).open_lines, len(visit.lifted))

    @MANY
    @given(visits)
    def test_its_drawing_its_plan_and_its_page_can_always_be_made(self, visit: Visit) -> None:
        judged = assess(visit)
        circuit = make_circuit(visit)
        self.assertEqual(circuit.problems(), [])
        for probe in probes(visit, circuit):
            spots = [probe.clamp] if probe.clamp else [probe.red, probe.black]
            self.assertTrue(all(spot in {wire.name for wire in circuit.wires} or spot in circuit.terminals() for spot in spots), probe)
        drawn = ladder_of(visit, judged.findings, judged.power.state)
        self.assertEqual({part.part for section in drawn.sections for part in section.symbols}, {part.name for part in circuit.parts})
        planned = [step.point for station in stations(visit, {}) for step in station.steps]
        self.assertEqual(len(planned), len(set(planned)), "no point is asked for twice")
        self.assertLessEqual(set(planned), set(POINTS))
        self.assertTrue(customer_page(visit, judged))


class WiderMeters(unittest.TestCase):
    @MANY
    @given(visits, st.sampled_from([5.0, 20.0, 60.0]))
    def test_a_worse_meter_never_turns_bad_into_good(self, visit: Visit, pct: float) -> None:
        """Handbook section 2: a wider band may make a verdict unsure, never better than what was bad."""
        every = tuple(replace(reading, meter="m") for reading in visit.readings)
        worse = {"m": {unit: Accuracy(pct, 9) for unit in METERS["m"]}}
        fine, coarse = (assess(replace(visit, readings=every, meters=meters)) for meters in (METERS, worse))
        was_bad = {(finding.point, finding.rule) for finding in fine.findings if finding.verdict in (Verdict.BAD, Verdict.STOP)}
        now_good = {(finding.point, finding.rule) for finding in coarse.findings if finding.verdict is Verdict.GOOD}
        self.assertEqual(was_bad & now_good, set())
