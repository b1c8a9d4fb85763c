"""How a reading gets its band, and what becomes of the band in sums and products: handbook 2 row by row.

A usual meter's figures are common practice, no source; sums and products are JCGM 100:2008 (GUM, from memory) by `uncertainties`.
"""

import unittest
from dataclasses import dataclass
from decimal import Decimal as D

from uncertainties import ufloat

from outer_test.measurement import (
    Accuracy,
    FieldProblem,
    Record,
    Value,
    by_one_meter,
    measure,
    parse_value,
    product,
    quantity,
    say,
    sentence,
    total,
)
from outer_test.measurement.bands import arithmetic_band, numeric
from outer_test.measurement.decision import closeness, decide, turns_to_decide, why_unsure
from outer_test.measurement.meter import accuracy_for, measured

LOW, HIGH = D("0.66"), D("0.74")


class AUsualMeter(unittest.TestCase):
    def test_a_share_two_digits_and_what_was_typed_coarser(self) -> None:
        """r is the last digit typed, but never coarser than such a meter shows: volts, amps and µF 0.1, ohms a 6,000th of the range."""
        for unit, text, half in (
            ("v", "238", "3.08"), ("v", "238.0", "2.58"), ("v", "238.00", "2.4"), ("vdc", "12.0", "0.32"), ("a", "0.7", "0.214"), ("a", "14", "0.98"), ("uf", "50.4", "1.208"),
            ("mohm", "20", "3"), ("mohm", "20.0", "1.2"), ("ohm", "599", "6.69"), ("ohm", "599.9", "6.199"), ("ohm", "600", "8"), ("ohm", "5999", "61.99"), ("ohm", "12000", "122"),
            ("f", "61", "2"), ("f", "61.0", "2"), ("s", "0.3", "0.05"), ("v", "0", "0.2"), ("v", "0.0", "0.2"), ("ohm", "0", "0.2"), ("v", "-41", "1.11"),
        ):  # fmt: skip
            got = measure(text, unit=unit)
            self.assertEqual((got.half, got.usual), (D(half), True), (unit, text))

    def test_half_of_the_last_digit_such_a_meter_shows(self) -> None:
        for unit, text, digit in (
            ("v", "238", "0.05"),
            ("v", "238.00", "0.005"),
            ("ohm", "0.6", "0.05"),
            ("ohm", "12000", "0.5"),
            ("s", "0.3", "0.05"),
            ("", "50.4", "0.05"),
        ):
            self.assertEqual(measure(text, unit=unit).digit, D(digit), (unit, text))
        self.assertEqual([measure("50.4", unit=unit).relative for unit in ("uf", "v", "s")], [D("0.02"), D("0.01"), 0])

    def test_a_profile_replaces_it(self) -> None:
        got = measure("50.4", Accuracy(2, 5), unit="uf")
        self.assertEqual((got.half, got.relative, got.usual), (D("1.508"), D("0.02"), False))
        self.assertEqual(measure("50.4", Accuracy(counts=5)).half, D("0.5"), "no % is none")
        self.assertEqual(measure("50.4", Accuracy(2, 5, resolution=0.01)).half, D("1.058"))

    def test_words_and_where_their_range_ends(self) -> None:
        for text, unit, accuracy, top, expected in (
            ("OL", "ohm", None, None, D(10**7)), ("OL", "uf", None, None, None), ("OL", "uf", None, 200, D(200)), ("OL", "ohm", Accuracy(top=600), None, D(600)),
            ("OL", "ohm", Accuracy(top=600), 6e6, D(6000000)), ("0.7", "a", Accuracy(top=60), None, D(60)),
        ):  # fmt: skip
            self.assertEqual(measure(text, accuracy, top, unit=unit).top, expected, (text, unit, top))
        self.assertEqual([measure(text).low for text in ("closed", "open")], [0, 20])
        self.assertEqual([measure("OL", accuracy).usual for accuracy in (None, Accuracy(1, 2))], [True, False])
        self.assertEqual([measure(text).high for text in ("closed", "open", "OL")], [60, None, None])
        self.assertEqual(
            [measure(text, unit="ohm").is_open for text in ("OL", "100000", "99999", "open", "closed")], [True, True, False, False, False]
        )
        self.assertEqual((measure("0.1", unit="v").low, measure("-0.1", unit="v").low), (0, D("-0.301")))

    def test_turns_divide_all_of_it(self) -> None:
        got = measured(parse_value("7.0"), Accuracy(2, 5, top=60), turns=10, unit="a")
        self.assertEqual((got.number, got.half, got.top, got.digit, got.relative), (D("0.7"), D("0.064"), 6, D("0.005"), D("0.02")))

    def test_a_profile_of_several_ranges(self) -> None:
        small, large, rest = Accuracy(1, top=60), Accuracy(2, top=600), Accuracy(3)
        for profile, text, top, pct in (
            ((large, small), "60", None, 1), ((large, small), "60.1", None, 2), ((large, small), "-61", None, 2), ((large, small), "700", None, 2), ((small, rest), "700", None, 3),
            ((large, small), "OL", None, 2), ((large, small), "5", 600, 2), ((large, small), "5", 60, 1), ((large, small), "OL", 60, 1), ((), "5", None, 0), (small, "700", None, 1),
        ):  # fmt: skip
            self.assertEqual(accuracy_for(profile, parse_value(text), top).pct, pct, (profile, text, top))


class SumsAndProducts(unittest.TestCase):
    ONE, TWO = measure("13.5", Accuracy(2, 5)), measure("0.9", Accuracy(1, 3))

    def test_by_the_uncertainties_library(self) -> None:
        one, two = (ufloat(float(each.number or 0), float(each.half)) for each in (self.ONE, self.TWO))
        for got, expected in (
            (total([self.ONE], [self.TWO]), one - two), (total([self.ONE, self.TWO]), one + two), (product([self.ONE, self.TWO]), one * two),
            (product([self.ONE], [self.TWO], D(3)), 3 * one / two),
        ):  # fmt: skip
            self.assertAlmostEqual(float(got.number or 0), expected.nominal_value, places=9)
            self.assertAlmostEqual(float(got.half), expected.std_dev, places=9)
            self.assertFalse(got.usual)
        self.assertTrue(product([measure("1.0", unit="a")], [self.TWO]).usual and total([self.ONE], [measure("1.0", unit="a")]).usual)

    def test_nothing_times_something_keeps_a_band(self) -> None:
        nothing = measure("0.0", Accuracy(0, 2))
        self.assertEqual((product([nothing], [self.TWO], D(3)).number, product([nothing], [self.TWO], D(3)).half), (0, D("0.6")))
        self.assertEqual(product([self.ONE], factor=D(0)).half, 0)
        for over, under in (([self.ONE], [nothing]), ([measure("OL")], []), ([self.ONE], [measure("open")])):
            with self.assertRaises(ValueError):
                product(over, under)

    def test_one_meter_and_several(self) -> None:
        got = by_one_meter([self.ONE], [self.TWO])
        self.assertEqual((got.number, got.digit, got.relative, got.half), (D("12.6"), D("0.1"), D("0.02"), D("0.352")))
        self.assertEqual(arithmetic_band([self.ONE, self.TWO]), self.ONE.half + self.TWO.half)
        with self.assertRaisesRegex(ValueError, "OL is no number"):
            numeric(measure("OL"))


class Deciding(unittest.TestCase):
    def test_touching_is_not_straddling(self) -> None:
        exact = Accuracy(0, 10)  # ± 1.0
        for text, school, side in (
            ("51.0", "guarded", "inside"), ("50.9", "guarded", "unsure"), ("49.0", "guarded", "below"), ("49.1", "guarded", "unsure"), ("59.0", "guarded", "inside"), ("59.1", "guarded", "unsure"), ("61.0", "guarded", "above"),
            ("50.0", "shared-risk", "inside"), ("49.9", "shared-risk", "below"), ("60.0", "shared-risk", "inside"), ("60.1", "shared-risk", "above"),
        ):  # fmt: skip
            self.assertEqual(decide(measure(text, exact), D(50), D(60), school), side, (text, school))  # type: ignore[arg-type]
        self.assertEqual(decide(measure("48.9", exact), D(50), None, "guarded"), "below")
        self.assertEqual(decide(measure("61.1", exact), None, D(60), "guarded"), "above")
        with self.assertRaises(ValueError):
            decide(measure("OL"), D(50), None)

    def test_one_limit_and_a_quarter_of_it(self) -> None:
        for counts, side in ((25, "below"), (26, "unsure")):
            self.assertEqual(decide(measure("9.9", Accuracy(0, counts)), D(10), None), side)
            self.assertEqual(decide(measure("10.1", Accuracy(0, counts)), None, D(10)), "above" if side == "below" else side)

    def test_the_turns_that_decide(self) -> None:
        """Half the window, 0.04 A, is 0.8 of 0.05 A: 0.014 A of share and 0.2 A of digits, six turns."""
        seven = measure("0.7", unit="a")
        self.assertEqual(turns_to_decide(seven, LOW, HIGH), 6)
        self.assertIsNone(turns_to_decide(seven, D("0.695"), D("0.705")))
        # One limit: the band within a quarter of it.
        for limit, turns in (("0.4", 3), ("0.5", 2), ("0.2", 6), ("0.06", None)):
            self.assertEqual(turns_to_decide(seven, D(limit), None), turns, limit)
            self.assertEqual(turns_to_decide(seven, None, D(limit)), turns, limit)
        self.assertEqual(turns_to_decide(seven, None, None), 2)
        self.assertIsNone(turns_to_decide(measure("OL"), LOW, HIGH))

    def test_words_for_what_is_too_coarse(self) -> None:
        for text, unit, sign, turns, step in (
            ("0.7", "a", "A", 6, "Wrap the wire 6 turns"), ("0.7", "a", "A", None, "Wrap the wire several turns"), ("50", "uf", "µF", None, "Use a finer range"), ("0.3", "s", "s", None, "Type every digit"),
        ):  # fmt: skip
            reason, remedy = why_unsure(measure(text, unit=unit), sign, turns)
            self.assertIn("a usual meter", reason)
            self.assertTrue(remedy.startswith(step), remedy)
        self.assertEqual(why_unsure(measure("0.3", Accuracy(0, 1)), "s")[1], "Use a finer range or a finer meter.")

    def test_said_to_be_close_from_five_to_ninety_five_percent(self) -> None:
        for text, close in (("51.6", True), ("55.0", False), ("40.0", False)):
            self.assertEqual("It is close" in closeness(measure(text, unit="uf"), D("51.7"), D("58.3")), close, text)
        self.assertEqual(closeness(measure("OL"), D(1), None), "")


class Values(unittest.TestCase):
    def test_the_last_digit_shown(self) -> None:
        for text, weight in (("50", "1"), ("50.", "1"), ("50.40", "0.01"), (".5", "0.1"), ("-3", "1")):
            self.assertEqual(parse_value(text).resolution, D(weight), text)
        self.assertEqual((parse_value("OL").resolution, Value("OL", "OL").resolution), (0, 0))

    def test_said_in_the_fewest_digits(self) -> None:
        for number, digits, words in (
            (D("9.2424"), 4, "9.242"),
            (D("0.012345"), 3, "0.0123"),
            (D("123456"), 3, "123456"),
            (D("99.96"), 3, "100"),
            (0.5, 4, "0.5"),
            (D("-41.0"), 4, "-41"),
        ):
            self.assertEqual(say(number, digits), words)

    def test_a_sentence_beside_a_field(self) -> None:
        for words, said in (
            ("must be set", "Must be set."),
            ("is it so?", "Is it so?"),
            ("not so!", "Not so!"),
            ("visit.json is empty", "visit.json is empty."),
            ("9 is too few", "9 is too few."),
        ):
            self.assertEqual(sentence(words), said)

    def test_bounds_are_inside(self) -> None:
        @dataclass(frozen=True)
        class Fuse(Record):
            size: float = quantity("A", 1, 200, required=True)
            spare: float | None = quantity("A", 1, 200)

        for size in (1.0, 200.0):
            self.assertEqual((Fuse(size).size, Fuse(size).spare), (size, None))
        for size in (0.9, 200.1, float("nan"), float("inf")):
            with self.assertRaises(FieldProblem):
                Fuse(size)
        with self.assertRaises(TypeError):
            Fuse()
        self.assertEqual((Accuracy().pct, Accuracy().counts), (0, 0))
        for top in (1e-9, 1e12):
            self.assertEqual(Accuracy(top=top).top, top)
