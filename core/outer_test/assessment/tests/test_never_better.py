"""A verdict never improves as a reading moves away from where it should be, at any point, under any house rules (Hypothesis)."""

import unittest
from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.assessment import assess
from outer_test.assessment.tests.cuts import PLATE
from outer_test.judgement import HouseRules
from outer_test.visit import Reading, Visit
from visit_samples.any_visits import METERS, rules

# Point and rule, where it is right, the way that leads away from it and how far, and what has to be read along with it.
Along = tuple[tuple[str, str], ...]
WAYS: tuple[tuple[str, str, float, float, Along], ...] = (
    ("cap.herm.uf", "cap-bench", 55.0, 0.0, ()),
    ("cap.herm.uf", "cap-bench", 55.0, 90.0, ()),
    ("cap.fan.uf", "cap-bench", 7.5, 0.0, ()),
    ("cap.fan.uf", "cap-bench", 7.5, 15.0, ()),
    ("cap.start.uf", "cap-start", 208.0, 100.0, ()),
    ("cap.start.uf", "cap-start", 208.0, 320.0, ()),
    ("cap.herm.load_v", "cap-volts", 350.0, 520.0, (("cap.herm.load_a", "7.2"),)),
    ("contactor.coil.ohm", "coil-ohm", 12.0, 0.0, ()),
    ("contactor.coil.ohm", "coil-ohm", 12.0, 200.0, ()),
    ("contactor.coil.v", "coil-volts", 25.0, 5.0, ()),
    ("contactor.coil.v", "coil-volts", 25.0, 40.0, ()),
    ("contactor.pole1.drop_v", "pole-drop", 0.0, 1.5, (("contactor.pole1.a", "12.0"),)),
    ("lead.c.ohm", "lead-through", 0.0, 5.0, ()),
    ("winding.c_ground.ohm", "winding-ground", 60e6, 0.0, ()),
    ("winding.insulation.mohm", "insulation", 200.0, 0.0, ()),
    ("safe.line.v", "absence", 0.0, 250.0, ()),
    ("safe.load_l1_ground.v", "absence", 0.0, 250.0, ()),
    ("safe.c_herm.vdc", "stored-energy", 0.0, 500.0, ()),
    ("line.l1_l2.v", "line-volts", 230.0, 100.0, ()),
    ("line.l1_l2.v", "line-volts", 230.0, 300.0, ()),
    ("amps.compressor.run_a", "run-amps", 14.0, 60.0, ()),
    ("amps.compressor.run_a", "run-amps", 14.0, 0.0, ()),
    ("amps.fan.run_a", "run-amps", 0.9, 5.0, ()),
    ("amps.element1.a", "element-amps", 20.0, 60.0, (("aux.line.v", "240.0"),)),
    ("defrost.valve_coil.ohm", "valve-coil", 17.0, 0.0, ()),
    ("defrost.valve_coil.ohm", "valve-coil", 17.0, 200.0, ()),
)  # fmt: skip
# `unsure` says that this meter cannot tell: it stands between good and bad, and is passed over in the comparison.
WORSE = {"good": 0, "watch": 1, "bad": 2, "stop": 3}
STEPS = 400


def verdict(way: tuple[str, str, float, float, Along], step: int, house: HouseRules, meter: str | None) -> str:
    """What is said `step` of the way off."""
    point, rule, right, off, along = way
    value = right + (off - right) * step / STEPS
    readings = (*(Reading(*one) for one in along), Reading(point, f"{value:.2f}", meter=meter))
    visit = Visit(plate=PLATE, rules=house, meters=METERS, readings=readings)
    found = [finding for finding in assess(visit).findings if (finding.point, finding.rule) == (point, rule)]
    assert found, f"{rule} says nothing at {point}"
    return max((one.verdict for one in found if one.verdict is not None), key=lambda word: WORSE.get(word, -1))


class NeverBetter(unittest.TestCase):
    @settings(max_examples=300, deadline=None)
    @given(st.sampled_from(WAYS), st.integers(0, STEPS), st.integers(0, STEPS), rules, st.sampled_from([None, "m"]))
    def test_further_off_is_never_better(
        self, way: tuple[str, str, float, float, Along], one: int, other: int, house: HouseRules, meter: str | None
    ) -> None:
        near, far = (verdict(way, step, house, meter) for step in sorted((one, other)))
        if "unsure" not in (near, far):
            self.assertGreaterEqual(WORSE[far], WORSE[near], f"{way[:4]}: {near} near, {far} far")

    def test_where_it_is_right_it_is_good_and_far_off_it_never_is(self) -> None:
        for way in WAYS:
            with self.subTest(way[0], towards=way[3]):
                self.assertEqual(verdict(way, 0, HouseRules(), None), "good")
                self.assertNotEqual(verdict(way, STEPS, HouseRules(), None), "good")

    def test_the_guarded_school_is_never_kinder(self) -> None:
        for way in WAYS:
            for step in range(0, STEPS + 1, 8):
                shared, guarded = (verdict(way, step, replace(HouseRules(), decision=school), "m") for school in ("shared-risk", "guarded"))
                with self.subTest(way[0], step=step):
                    self.assertFalse(guarded == "good" and shared != "good", f"{shared}, but guarded says {guarded}")
                    self.assertFalse(shared in ("bad", "stop") and guarded in ("good", "watch"), f"{shared}, but guarded says {guarded}")
