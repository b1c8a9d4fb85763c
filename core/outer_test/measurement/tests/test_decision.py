"""`decision` against scipy's normal distribution and the handbook's own cases."""

import unittest
from decimal import Decimal as D
from math import sqrt

from hypothesis import given
from hypothesis import strategies as st
from scipy.stats import norm

from outer_test.measurement import Accuracy, ValueProblem, by_one_meter, confidence, decide, measure, measured, parse_value

DIGITS = st.decimals(min_value=0, max_value=200, places=2).map(str)


class Bands(unittest.TestCase):
    def test_without_a_profile_half_of_the_last_digit(self) -> None:
        # Handbook section 2.
        for text, half in (("50", "0.5"), ("50.4", "0.05"), ("50.40", "0.005"), (".6", "0.05")):
            self.assertEqual(measure(text).half, D(half), text)

    def test_a_profile_replaces_the_last_digit(self) -> None:
        # docs: 1.9 % of 50.4 + 2 counts of 0.1 = 1.1576; the design's own example file shows 49.24 to 51.56.
        self.assertEqual(measure("50.4", Accuracy(1.9, 2)).half, D("1.1576"))

    def test_a_printed_resolution_replaces_the_last_digit_in_the_counts(self) -> None:
        self.assertEqual(measure("50.4", Accuracy(0, 3, resolution=0.01)).half, D("0.03"))

    def test_turns_divide_number_and_band(self) -> None:
        # Handbook section 2: wrap N turns through the jaw and divide by N.
        wrapped = measure("7.0", turns=10)
        self.assertEqual((wrapped.number, wrapped.half), (D("0.7"), D("0.005")))

    def test_words_and_nonsense(self) -> None:
        self.assertIsNone(measure("OL").number)
        for text in ("", "ol", "5..4", "1e3", "٣", "NaN", "inf", "--1", " 5", "5 "):
            with self.subTest(text), self.assertRaises(ValueProblem):
                parse_value(text)


class Deciding(unittest.TestCase):
    def test_whole_band_on_one_side_always_decides(self) -> None:
        wide = measured(parse_value("40"), Accuracy(10, 0))
        self.assertEqual(decide(wide, D(50), D(51)), "below")  # ratio ½ ÷ 4 is far below 1, and still it decides

    def test_handbook_fan_motor_cannot_judge_a_six_percent_capacitor(self) -> None:
        # Handbook section 2: 0.7 A read to 0.1 A is 0.5 to 0.9 A by a usual meter; it can tell that the motor is under 1.2 A.
        motor = measure("0.7", unit="a")
        self.assertEqual((round(motor.low or 0, 1), round(motor.high or 0, 1)), (D("0.5"), D("0.9")))
        self.assertEqual(decide(motor, D("0.658"), D("0.742")), "unsure")
        self.assertEqual(decide(motor, None, D("1.2")), "inside")

    def test_two_sided_ratio_of_exactly_eight_tenths_lets_the_value_decide(self) -> None:
        # ½ (50.8 − 50) ÷ 0.5 = 0.8.
        self.assertEqual(decide(measure("50"), D("50"), D("50.8")), "inside")
        self.assertEqual(decide(measure("50"), D("50.01"), D("50.8")), "unsure")

    def test_a_usual_meter(self) -> None:
        # Handbook section 2, rows from its text: % of reading + 2 r + half of a coarser last digit typed.
        for text, unit, half in (
            ("240", "v", "3.1"), ("240.0", "v", "2.6"), ("14.2", "a", "0.484"), ("38", "uf", "1.46"), ("0.60", "ohm", "0.026"),
            ("0.6", "ohm", "0.206"), ("5200", "ohm", "54"), ("6.0", "mohm", "0.50"), ("0", "ohm", "0.2"), ("61", "f", "2"),
        ):  # fmt: skip
            self.assertEqual(measure(text, unit=unit).half, D(half), f"{text} {unit}")

    def test_open_line_and_beeps_are_intervals(self) -> None:
        self.assertEqual((measure("OL", unit="ohm").top, measure("OL", unit="uf").top), (D(10) ** 7, None))
        self.assertEqual((measure("closed").low, measure("closed").high, measure("open").low), (D(0), D(60), D(20)))
        self.assertEqual([measure(text).is_open for text in ("OL", "100000", "99999", "open")], [True, True, False, False])

    def test_one_meter_shares_its_error(self) -> None:
        three = [measure(text, Accuracy(1, 3)) for text in ("0.60", "1.90", "2.40")]
        left = by_one_meter(three[:2], three[2:])
        self.assertEqual((left.number, left.half), (D("0.10"), D("0.015") + D("0.001")))

    def test_one_sided_quarter(self) -> None:
        # Handbook section 2: unsure where the band straddles and h is over a quarter of the limit.
        self.assertEqual(decide(measure("1"), None, D("1.2")), "unsure")  # h 0.5 > 0.3
        self.assertEqual(decide(measure("2"), None, D("2.2")), "inside")  # h 0.5 < 0.55

    def test_guarded_asks_for_the_whole_band(self) -> None:
        # ILAC-G8:09/2019, guarded acceptance; from memory.
        near = measured(parse_value("52.0"), Accuracy(1, 0))
        self.assertEqual(decide(near, D("51.7"), D("58.3")), "inside")
        self.assertEqual(decide(near, D("51.7"), D("58.3"), "guarded"), "unsure")
        clear = measured(parse_value("55.0"), Accuracy(1, 0))
        self.assertEqual(decide(clear, D("51.7"), D("58.3"), "guarded"), "inside")
        self.assertEqual(decide(measure("50.4"), D("51.7"), D("58.3"), "guarded"), "below")

    @given(DIGITS, st.floats(0.1, 20), st.sampled_from(["shared-risk", "guarded"]))
    def test_a_wider_band_never_turns_outside_into_inside(self, text: str, pct: float, school: str) -> None:
        narrow, wide = measure(text, Accuracy(pct / 2, 0)), measure(text, Accuracy(pct, 0))
        first = decide(narrow, D("51.7"), D("58.3"), school)  # type: ignore[arg-type]
        second = decide(wide, D("51.7"), D("58.3"), school)  # type: ignore[arg-type]
        if first in ("below", "above"):
            self.assertIn(second, (first, "unsure"))


class Confidence(unittest.TestCase):
    @given(DIGITS, st.floats(0.1, 20))
    def test_is_the_normal_probability_of_jcgm_106(self, text: str, pct: float) -> None:
        # JCGM 106:2012 conformance probability with σ = h/√3, computed by scipy.stats.norm.
        reading = measure(text, Accuracy(pct, 1))
        sigma = float(reading.half) / sqrt(3)
        expected = norm.cdf(58.3, float(text), sigma) - norm.cdf(51.7, float(text), sigma)
        self.assertAlmostEqual(confidence(reading, D("51.7"), D("58.3")) or 0, expected, places=9)

    def test_of_an_exact_value_and_of_a_word(self) -> None:
        self.assertEqual(confidence(measured(parse_value("5"), Accuracy(0, 0)), D(4), D(6)), 1.0)
        self.assertEqual(confidence(measured(parse_value("7"), Accuracy(0, 0)), D(4), D(6)), 0.0)
        self.assertIsNone(confidence(measure("OL"), D(4), D(6)))
