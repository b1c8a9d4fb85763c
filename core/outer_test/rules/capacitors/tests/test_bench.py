"""`cap-bench`, `cap-new`, `cap-start`, `cap-parallel`, `cap-series`, `cap-case`."""

import unittest
from decimal import Decimal as D

from hypothesis import given
from hypothesis import strategies as st

from outer_test.judgement import WORST_FIRST, HouseRules, Verdict
from outer_test.measurement import Accuracy, measure
from outer_test.rules import look_over
from outer_test.rules.capacitors import cap_bench, cap_new, cap_parallel, cap_start, capacitor_limits

RANK = {verdict: place for place, verdict in enumerate(WORST_FIRST)}


def verdict(text: str, rated: float, tolerance: float | None = None, school: str = "label", top: float | None = None) -> str | None:
    rules = HouseRules(capacitor_limit=school)  # type: ignore[arg-type]
    return cap_bench(measure(text, top=top), rated, tolerance, rules).verdict


class Limits(unittest.TestCase):
    def test_tolerance_classes(self) -> None:
        # EIA-456-A / IEC 60252-1 tolerance classes ±5, ±6, ±10 %, from memory: plain arithmetic on the rating.
        for rated, tolerance, low, high in (
            (55, 6, "51.7", "58.3"),
            (7.5, 6, "7.05", "7.95"),
            (40, 5, "38", "42"),
            (5, 10, "4.5", "5.5"),
        ):
            limits = capacitor_limits(rated, tolerance)
            self.assertEqual((limits.low, limits.high), (D(low), D(high)))

    def test_six_percent_where_none_is_printed(self) -> None:
        # Common practice, no source.
        self.assertEqual(capacitor_limits(35).low, D("32.9"))

    def test_the_limit_itself_is_inside(self) -> None:
        self.assertEqual(verdict("51.7", 55, 6), "watch")
        self.assertEqual(verdict("58.3", 55, 6), "good")
        self.assertEqual(verdict("51.6", 55, 6), "bad")
        self.assertEqual(verdict("58.4", 55, 6), "bad")

    def test_watch_begins_beyond_eighty_percent_of_the_tolerance(self) -> None:
        # Common practice, no source: 55 × (1 − 0.048) = 52.36.
        self.assertEqual(verdict("52.36", 55, 6), "good")
        self.assertEqual(verdict("52.35", 55, 6), "watch")

    def test_schools(self) -> None:
        cases = {"label": "bad", "5": "bad", "6": "bad", "10": "watch", "tiered": "watch"}
        for school, expected in cases.items():
            self.assertEqual(verdict("50.4", 55, 6, school), expected, school)
        self.assertEqual(verdict("52.3", 55, 6, "tiered"), "good")
        self.assertEqual(verdict("49.4", 55, 6, "tiered"), "bad")

    def test_open_section(self) -> None:
        found = cap_bench(measure("0.3"), 55, 6)
        self.assertEqual(found.verdict, "bad")
        self.assertIn("open", found.why)

    def test_above_asks_for_a_second_capacitor(self) -> None:
        found = cap_bench(measure("60.2"), 55, 6)
        self.assertIn("parallel", found.next)

    def test_over_range(self) -> None:
        # Handbook: OL is bad only where the range's top is at least 2 × rated.
        self.assertEqual(verdict("OL", 55, 6, top=110), "bad")
        self.assertEqual(verdict("OL", 55, 6, top=109), "unsure")
        self.assertEqual(verdict("OL", 55, 6), "unsure")

    def test_a_coarse_meter_cannot_tell(self) -> None:
        found = cap_bench(measure("5", Accuracy(10, 1)), 5, 6)
        self.assertEqual(found.verdict, "unsure")
        self.assertTrue(found.next)

    def test_the_finding_says_everything(self) -> None:
        found = cap_bench(measure("50.4", Accuracy(1.9, 2)), 55, 6)
        self.assertEqual((found.low, found.high, found.nominal, found.band), (51.7, 58.3, 55, (49.24, 51.56)))
        self.assertIn("51.7", found.why)
        self.assertEqual((found.school, found.decision, found.rule, found.unit), ("label", "shared-risk", "cap-bench", "µF"))
        self.assertTrue(found.source)
        self.assertTrue(found.next)

    @given(st.integers(0, 5500), st.integers(0, 5500), st.sampled_from(["label", "5", "6", "10", "tiered"]))
    def test_a_verdict_never_improves_away_from_nominal_downwards(self, one: int, other: int, school: str) -> None:
        near, far = max(one, other), min(one, other)
        rules = HouseRules(capacitor_limit=school)  # type: ignore[arg-type]
        ranks = [RANK[cap_bench(measure(f"{v / 100:.2f}"), 55, 6, rules).verdict or Verdict.GOOD] for v in (near, far)]
        self.assertLessEqual(ranks[1], ranks[0])

    @given(st.decimals(0, 100, places=1).map(str), st.floats(0, 20), st.sampled_from(["shared-risk", "guarded"]))
    def test_a_wider_band_never_turns_bad_into_good(self, text: str, pct: float, school: str) -> None:
        rules = HouseRules(decision=school)  # type: ignore[arg-type]
        narrow = cap_bench(measure(text, Accuracy(pct / 2)), 55, 6, rules).verdict
        wide = cap_bench(measure(text, Accuracy(pct)), 55, 6, rules).verdict
        if narrow == "bad":
            self.assertIn(wide, ("bad", "unsure"))


class NewAndStart(unittest.TestCase):
    def test_a_new_part_is_measured_again_under_load_or_not_fitted(self) -> None:
        self.assertIn("under load", cap_new(measure("54.6"), 55, 6).next)
        self.assertIn("Do not fit", cap_new(measure("48.0"), 55, 6).next)
        self.assertEqual(cap_new(measure("54.6"), 55, 6).rule, "cap-new")

    def test_start_capacitor_by_its_printed_band(self) -> None:
        cases = {"189": "good", "227": "good", "171": "bad", "260": "watch", "208": "good"}
        for text, expected in cases.items():
            self.assertEqual(cap_start(measure(text), 189, 227).verdict, expected, text)
        self.assertEqual(cap_start(measure("OL", top=500), 189, 227).verdict, "bad")
        self.assertEqual(cap_start(measure("OL", top=300), 189, 227).verdict, "unsure")

    def test_case(self) -> None:
        words = {"flat": "good", "dished": "good", "bulged": "bad", "leaking": "bad"}
        for word, expected in words.items():
            found = look_over("look.capacitor.case", word)
            assert found is not None
            self.assertEqual(found.verdict, expected)

    def test_slipped_sensor_and_welded_contactor_are_bad_and_lights_are_only_kept(self) -> None:
        for point, word in (("look.sensor.seat", "slipped"), ("look.contactor.faces", "welded")):
            found = look_over(point, word)
            assert found is not None
            self.assertEqual(found.verdict, "bad")
        self.assertIsNone(look_over("look.board.lights", "flashing"))


class Sums(unittest.TestCase):
    def test_textbook_sums(self) -> None:
        # Any physics handbook: parallel adds.
        self.assertEqual(cap_parallel([D("35"), D("5")]), D(40))
