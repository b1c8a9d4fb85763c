"""One conclusion from all readings (handbook section 13): worked visits, and what holds of any visit (Hypothesis)."""

import unittest
from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.assessment import as_left, judge, stops_of
from outer_test.diagnosis import FAULTS, HEALTHY, diagnose, hypotheses, observe, weigh
from outer_test.judgement import Part
from outer_test.nameplate import Compressor, Plate, RunCapacitor
from outer_test.visit import POINTS, Lifted, Reading, Repair, Visit
from visit_samples.any_visits import visits

PLATE = Plate(
    run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6), compressor=Compressor(kind="scroll", rla=17.9, lra=96)
)
MANY = settings(max_examples=40, deadline=None)


def read(*readings: tuple[str, str], **more: object) -> Visit:
    return Visit(plate=PLATE, readings=tuple(Reading(point, value) for point, value in readings), **more)  # type: ignore[arg-type]


def accused(visit: Visit) -> set[str]:
    return {one.part.value for one in diagnose(visit).accused}


class Worked(unittest.TestCase):
    """Each by what the handbook asks to confirm a part: section 13, common practice, no source."""

    def test_a_weak_capacitor_by_its_bench_value(self) -> None:
        found = diagnose(read(("cap.herm.uf", "39.9"), complaint="hums-no-start"))
        self.assertEqual([(one.part, one.fault) for one in found.accused], [(Part.RUN_CAPACITOR, "herm weak")])
        assert found.next is not None
        self.assertIn("Replace the run capacitor", found.next.why)

    def test_a_sound_capacitor_leaves_what_else_hums(self) -> None:
        found = diagnose(read(("cap.herm.uf", "54.8"), complaint="hums-no-start"))
        self.assertEqual(found.accused, ())
        self.assertNotEqual(found.suspects[0].fault, "herm weak")

    def test_a_grounded_compressor_only_at_its_terminals(self) -> None:
        grounded = ("winding.c_ground.ohm", "1200")
        at_plug = read(grounded, seen={"winding.at": "plug"}, complaint="trips-breaker")
        at_terminals = replace(at_plug, seen={"winding.at": "terminals"})
        self.assertEqual((accused(at_plug), accused(at_terminals)), (set(), {"compressor"}))
        for visit in (at_plug, at_terminals):
            following = diagnose(visit).next
            assert following is not None
            self.assertNotEqual(following.power, "live", "a stop asks for nothing live")

    def test_amps_with_the_plug_off_accuse_nobody(self) -> None:
        visit = read(("amps.compressor.run_a", "0.0"), lifted=(Lifted("Compressor plug off"),), complaint="compressor-stopped")
        found = diagnose(visit)
        self.assertEqual(found.accused, ())
        self.assertIn("on the list: Compressor plug off", [suspect.fault for suspect in found.suspects])

    def test_a_fan_that_has_no_low_voltage_is_not_a_bad_motor(self) -> None:
        visit = read(("control.r_c.v", "0.2"), ("contactor.coil.v", "0.1"), seen={"fan.state": "still"}, complaint="nothing-at-all")
        self.assertEqual(accused(visit), set())

    def test_a_part_put_in_is_accused_no_more(self) -> None:
        bad = read(("cap.herm.uf", "39.9"), complaint="hums-no-start")
        new = (*bad.readings, Reading("cap.new_herm.uf", "55.3"), Reading("cap.new_fan.uf", "7.4"))
        mended = replace(bad, readings=new, repairs=(Repair(Part.RUN_CAPACITOR, uf=55, fan_uf=7.5),))
        found = diagnose(mended)
        self.assertEqual(found.accused, ())
        self.assertNotIn("herm weak", [suspect.fault for suspect in found.suspects[:3]])
        assert found.next is not None
        self.assertNotIn(found.next.point, ("cap.herm.uf", "safe.c_herm.vdc"), "what was measured in the hand is not asked for again")

    def test_maintenance_with_nothing_found_is_nothing_wrong(self) -> None:
        sound = (
            ("cap.herm.uf", "54.8"),
            ("cap.fan.uf", "7.5"),
            ("contactor.coil.ohm", "12"),
            ("line.l1_l2.v", "238"),
            ("control.r_c.v", "26"),
        )
        found = diagnose(read(*sound, complaint="maintenance"))
        self.assertEqual((found.suspects[0].fault, found.accused), ("nothing wrong", ()))
        self.assertIsNotNone(found.next, "a good visit leaves more readings behind")


class Table(unittest.TestCase):
    def test_chances_are_chances(self) -> None:
        for test, usual in HEALTHY.items():
            self.assertAlmostEqual(sum(usual.values()), 1.0, places=6, msg=test)
        for fault in FAULTS:
            for test, shows in fault.shows.items():
                with self.subTest(fault.key, test=test):
                    self.assertLessEqual(sum(shows.values()), 1.0 + 1e-9)
                    self.assertLessEqual(set(shows), set(HEALTHY[test]))

    def test_what_confirms_a_fault_is_likelier_under_it_than_in_a_sound_unit(self) -> None:
        for fault in FAULTS:
            for test, outcome in fault.confirmed_by:
                with self.subTest(fault.key, test=test):
                    self.assertGreater(fault.shows[test][outcome], 5 * HEALTHY[test][outcome])

    def test_every_fault_says_what_it_is_what_mends_it_and_where_that_is_proved(self) -> None:
        for fault in FAULTS:
            with self.subTest(fault.key):
                self.assertTrue(fault.says.endswith(".") and fault.mends.endswith("."))
                self.assertIn(fault.after, POINTS)


class AnyVisit(unittest.TestCase):
    @MANY
    @given(visits)
    def test_probabilities_are_one_together_and_nothing_wrong_is_always_shown(self, visit: Visit) -> None:
        judged = judge(visit)
        self.assertAlmostEqual(sum(weigh(hypotheses(visit, judged.aside), observe(judged))), 1.0, places=9)
        found = diagnose(visit)
        ranked = [suspect.probability for suspect in found.suspects[:8]]
        self.assertEqual(ranked, sorted(ranked, reverse=True))
        self.assertIn("nothing wrong", [suspect.fault for suspect in found.suspects])

    @MANY
    @given(visits, st.randoms(use_true_random=False))
    def test_the_order_of_the_evidence_does_not_matter(self, visit: Visit, chance: object) -> None:
        evidence = list(observe(judge(visit)).items())
        among = hypotheses(visit)
        shuffled = list(evidence)
        chance.shuffle(shuffled)  # type: ignore[attr-defined]
        for one, other in zip(weigh(among, dict(evidence)), weigh(among, dict(shuffled)), strict=True):
            self.assertAlmostEqual(one, other, places=12)

    @MANY
    @given(visits)
    def test_next_is_never_live_under_a_stop_and_names_a_point(self, visit: Visit) -> None:
        found = diagnose(visit)
        if found.next is None:
            return
        self.assertIn(found.next.point, POINTS)
        self.assertTrue(found.next.why)
        if stops_of(judge(visit).findings):
            self.assertNotEqual(found.next.power, "live")

    @MANY
    @given(visits)
    def test_without_its_confirming_test_nothing_is_accused(self, visit: Visit) -> None:
        for one in diagnose(visit).accused:
            fault = next(each for each in FAULTS if (each.part, each.key) == (one.part, one.fault))
            evidence = observe(judge(as_left(visit)))
            behind = {point for test, _ in fault.confirmed_by if test in evidence for point in evidence[test].points}
            less = replace(
                visit,
                readings=tuple(reading for reading in visit.readings if reading.point not in behind),
                seen={name: seen for name, seen in visit.seen.items() if name not in behind},
                defrost_run=(),
                repairs=(),
            )
            self.assertNotIn((one.part, one.fault), [(each.part, each.fault) for each in diagnose(less).accused])
