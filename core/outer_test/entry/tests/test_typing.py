"""What a technician types: one field, and the entry line. Unit prefixes are checked by pint."""

import unittest
from decimal import Decimal

import pint
from hypothesis import given
from hypothesis import strategies as st

from outer_test.entry import AT_STATION, SAYINGS, TypedProblem, parse_line, parse_typed
from outer_test.measurement import Accuracy, measure, parse_value
from outer_test.rules.capacitors import cap_bench
from outer_test.visit import POINTS


def typed(text: str, point: str = "cap.herm.uf") -> str:
    return parse_typed(text, point).value


class Terminals(unittest.TestCase):
    """Common practice, no source: terminals are said in any order, in full or by letter, with or without a motor's name."""

    def test_terminals_before_parts(self) -> None:
        for said, point in (
            ("common to start .6", "winding.c_s.ohm"), ("start to common .6", "winding.c_s.ohm"), ("Run to Start = .6", "winding.r_s.ohm"),
            ("com-run .6", "winding.c_r.ohm"), ("start to ground .6", "winding.s_ground.ohm"), ("ground to run reads .6", "winding.r_ground.ohm"),
            ("fan common to run .6", "fan_winding.c_r.ohm"), ("comp c-s .6", "winding.c_s.ohm"), ("c to gnd is .6", "winding.c_ground.ohm"),
        ):  # fmt: skip
            with self.subTest(said):
                parsed = parse_line(said)
                self.assertEqual([(item.point, item.value) for item in parsed.items], [(point, "0.6")])
                self.assertEqual(parsed.rest, "")

    def test_a_part_alone_is_still_the_part(self) -> None:
        self.assertEqual([item.point for item in parse_line("start 88 fan 7.4").items], ["cap.start.uf", "cap.fan.uf"])
        self.assertEqual([item.point for item in parse_line("r-c 24.5").items], ["control.r_c.v"])
        self.assertEqual(parse_line("start to start 5").items[0].point, "cap.start.uf")


class EveryWord(unittest.TestCase):
    """Each saying the entry line knows, with each thing that can be said after it."""

    def test_every_choice_of_what_is_looked_at(self) -> None:
        for said, points in SAYINGS.items():
            for choice in POINTS[points[0]].choices:
                with self.subTest(f"{said} {choice}"):
                    parsed = parse_line(f"{said} {choice}")
                    self.assertEqual(parsed.left_over, ())
                    self.assertEqual([(item.point, item.value) for item in parsed.items], [(point, choice) for point in points])

    def test_every_number_alone_and_between_two_others(self) -> None:
        for said, points in SAYINGS.items():
            if POINTS[points[0]].kind == "number":
                with self.subTest(said):
                    alone = parse_line(f"{said} 3")
                    self.assertEqual([(item.point, item.value) for item in alone.items], [(point, "3") for point in points])
                    among = parse_line(f"herm 50.4 {said} 3 drop .03")
                    self.assertEqual((among.left_over, among.items[0].value, among.items[-1].value), ((), "50.4", "0.03"))
                    self.assertEqual([item.point for item in among.items[1:-1]], list(points))

    def test_every_saying_without_a_value_stays_in_the_line(self) -> None:
        for said in SAYINGS:
            with self.subTest(said):
                parsed = parse_line(said)
                self.assertEqual((parsed.items, parsed.rest), ((), said))


class Field(unittest.TestCase):
    def test_flashes_are_counted_whole(self) -> None:
        self.assertEqual([typed(text, "look.board.flashes") for text in ("3", "0", "12 flashes", "4x")], ["3", "0", "12", "4"])
        for wrong in ("2.5", "-1", "OL", "closed", "three", "3 uF", "61", "0:"):
            with self.assertRaises(TypedProblem, msg=wrong):
                parse_typed(wrong, "look.board.flashes")

    def test_every_points_unit_is_understood(self) -> None:
        for name, about in POINTS.items():
            if about.kind == "number":
                self.assertEqual(typed(f"1 {about.sign.split()[0]}", name), "1", name)

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
        ureg: pint.UnitRegistry[float] = pint.UnitRegistry()
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

    def test_celsius_by_pint(self) -> None:
        ureg: pint.UnitRegistry[float] = pint.UnitRegistry()
        for text in ("21.5", "-10", "60.25"):
            expected = ureg.Quantity(float(text), "degC").to("degF").magnitude
            self.assertAlmostEqual(
                float(typed(f"{text} °C", "winding.shell.f")), expected, delta=0.5 * 10 ** -len(text.partition(".")[2]) + 1e-9
            )
        self.assertEqual(typed("5.0 C", "record.superheat.dif"), "9.0")

    @given(st.integers(1, 9999), st.sampled_from(["cap.herm.uf", "cap.fan.uf"]))
    def test_the_unit_typed_does_not_change_the_verdict(self, hundredths: int, point: str) -> None:
        micro = parse_typed(f"{hundredths / 100:.2f} uF", point).value
        nano = parse_typed(f"{hundredths * 10} nF", point).value
        self.assertEqual(Decimal(micro), Decimal(nano))
        verdicts = {cap_bench(measure(value, Accuracy(1, 0)), 40, 6).verdict for value in (micro, nano)}
        self.assertEqual(len(verdicts), 1)

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
        points = {point for named in SAYINGS.values() for point in named}
        points |= {point for words in AT_STATION.values() for point in words.values()}
        self.assertLessEqual(points, set(POINTS))

    def test_every_measured_point_of_the_round_can_be_said(self) -> None:
        said = {point for named in SAYINGS.values() for point in named} | {
            point for words in AT_STATION.values() for point in words.values()
        }
        unsaid = {point.name for point in POINTS.values() if not point.name.startswith("swap.")} - said - {"start.result"}
        self.assertEqual(unsaid, set())

    def test_the_words_technicians_use(self) -> None:
        cases = {
            "cs 1.9 cr .6 rs 2.5": {"winding.c_s.ohm": "1.9", "winding.c_r.ohm": "0.6", "winding.r_s.ohm": "2.5"},
            "t12 2.5 t23 1.9 t13 .6": {"winding.t1_t2.ohm": "2.5", "winding.t2_t3.ohm": "1.9", "winding.t1_t3.ohm": "0.6"},
            "gnd ol": dict.fromkeys(("winding.c_ground.ohm", "winding.r_ground.ohm", "winding.s_ground.ohm"), "OL"),
            "drop1 .03 at 14.2": {"contactor.pole1.drop_v": "0.03", "contactor.pole1.a": "14.2"},
            "drop .03 at 14.2": {"contactor.pole1.drop_v": "0.03", "contactor.pole1.a": "14.2"},
            "drop2 40mV": {"contactor.pole2.drop_v": "0.040"},
            "peak 88 started .3s": {"amps.compressor.peak_a": "88", "start.result": "started", "amps.compressor.start_s": "0.3"},
            "comp 12.4 fan .9 total 13.5": {"amps.compressor.run_a": "12.4", "amps.fan.run_a": "0.9", "amps.total.run_a": "13.5"},
            "hummed": {"start.result": "hummed"},
        }  # fmt: skip
        for text, expected in cases.items():
            parsed = parse_line(text)
            self.assertEqual({item.point: item.value for item in parsed.items}, expected, text)
            self.assertEqual(parsed.rest, "", text)

    def test_the_same_word_at_another_station(self) -> None:
        self.assertEqual([item.point for item in parse_line("line 238 l1g 119", "power").items], ["line.l1_l2.v", "line.l1_ground.v"])
        self.assertEqual([item.point for item in parse_line("line 0.2").items], ["safe.line.v"])
        self.assertEqual([item.point for item in parse_line("fan .9", "run").items], ["amps.fan.run_a"])

    def test_tags_go_with_the_reading_before_them(self) -> None:
        peak = parse_line("peak 61 inrush relay").items[0]
        self.assertEqual((peak.value, peak.by, peak.fitted), ("61", "inrush", "relay"))
        self.assertEqual(parse_line("comp 12.4 fan 9.1 x10").items[1].turns, 10)

    @given(st.text(max_size=60))
    def test_no_text_is_lost(self, text: str) -> None:
        parsed = parse_line(text)
        said = "".join(item.said for item in parsed.items) + parsed.rest
        self.assertEqual(sorted("".join(text.split())), sorted("".join(said.split())))
