"""What a technician types: one field, and the entry line. Unit prefixes are checked by pint."""

import unittest
from decimal import Decimal

import pint
from hypothesis import given
from hypothesis import strategies as st

from outer_test.entry_line import SAYINGS, parse_line
from outer_test.points import POINTS
from outer_test.typed import TypedProblem, parse_typed
from outer_test.value import parse_value


def typed(text: str, point: str = "cap.herm.uf") -> str:
    return parse_typed(text, point).value


class Field(unittest.TestCase):
    def test_digits_are_kept_as_typed(self) -> None:
        for text in ("50.4", "50.40", "7", "0.0"):
            self.assertEqual(typed(text), text)
        self.assertEqual(typed(" .6 ", "winding.c_r.ohm"), "0.6")
        self.assertEqual(typed("5.", "winding.c_r.ohm"), "5")
        self.assertEqual(typed("+50.4"), "50.4")

    def test_comma_unit_and_ol_are_understood(self) -> None:
        cases = {"33,6 uF": "33.6", "33.6µF": "33.6", "55 MFD": "55", "OL": "OL", "o.l.": "OL", "0L": "OL", "1,5": "1.5"}
        for text, expected in cases.items():
            self.assertEqual(typed(text), expected, text)

    def test_what_is_wrong_is_said(self) -> None:
        cases = {
            "abc": "not a number", "5.0.4": "two decimal points", "-50": "cannot be negative", "4500": "far beyond",
            "": "Type what the meter shows", "1,234": "two ways", "50 V": "not µF", "closed": "beep test", "9" * 70: "too long",
        }  # fmt: skip
        for text, expected in cases.items():
            with self.subTest(text), self.assertRaises(TypedProblem) as caught:
                typed(text)
            self.assertIn(expected, str(caught.exception))

    def test_an_absurd_value_says_what_it_may_have_been(self) -> None:
        with self.assertRaises(TypedProblem) as caught:
            typed("4500 µF")
        self.assertIn("4.5 µF", str(caught.exception))

    def test_prefixes_by_pint(self) -> None:
        ureg = pint.UnitRegistry()
        cases = (
            ("33600 nF", "cap.herm.uf", "nanofarad", "microfarad"),
            ("180 mV", "contactor.pole1.drop_v", "millivolt", "volt"),
            ("850 mA", "amps.fan.run_a", "milliampere", "ampere"),
            ("10.2 kΩ", "defrost.coil_sensor.ohm", "kiloohm", "ohm"),
            ("1.2 GΩ", "winding.insulation.mohm", "gigaohm", "megaohm"),
            ("250 ms", "amps.compressor.start_s", "millisecond", "second"),
        )
        for text, point, from_unit, to_unit in cases:
            expected = ureg.Quantity(Decimal(text.split()[0]), from_unit).to(to_unit).magnitude
            self.assertEqual(Decimal(typed(text, point)), Decimal(expected), text)

    def test_beep_words_where_ohms_are_asked(self) -> None:
        self.assertEqual(typed("closed", "line.fuse1.ohm"), "closed")
        self.assertEqual(typed("open", "defrost.switch.ohm"), "open")

    @given(st.text(max_size=30), st.sampled_from([point.name for point in POINTS.values() if point.kind == "number"]))
    def test_any_typing_is_a_value_or_a_clear_answer(self, text: str, point: str) -> None:
        try:
            value = parse_typed(text, point).value
        except TypedProblem as problem:
            self.assertGreater(len(str(problem)), 10)
        else:
            parse_value(value)


class Line(unittest.TestCase):
    def read(self, text: str) -> dict[str, str]:
        return {item.point: item.value for item in parse_line(text).items}

    def test_several_readings_at_once(self) -> None:
        self.assertEqual(self.read("herm 50.4 fan 7.4"), {"cap.herm.uf": "50.4", "cap.fan.uf": "7.4"})
        self.assertEqual(self.read("HERM: 50,4 uF, case bulged"), {"cap.herm.uf": "50.4", "look.capacitor.case": "bulged"})

    def test_what_is_not_understood_stays_with_its_place(self) -> None:
        parsed = parse_line("herm 50.4 wobble 3 fan seven")
        self.assertEqual([item.point for item in parsed.items], ["cap.herm.uf"])
        self.assertEqual(parsed.rest, "wobble 3 fan seven")
        for piece in parsed.left_over:
            self.assertEqual("herm 50.4 wobble 3 fan seven"[piece.start : piece.end], piece.said)
            self.assertTrue(piece.why)

    def test_every_saying_names_a_point(self) -> None:
        self.assertLessEqual(set(SAYINGS.values()), set(POINTS))

    @given(st.text(max_size=60))
    def test_no_text_is_lost(self, text: str) -> None:
        parsed = parse_line(text)
        said = "".join(item.said for item in parsed.items) + parsed.rest
        self.assertEqual(sorted("".join(text.split())), sorted("".join(said.split())))
