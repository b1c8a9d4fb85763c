"""Windings as a visit has them: which motor is meant, what came later, and where a range ends. Handbook 7; common practice, no source."""

import unittest
from datetime import UTC, datetime, timedelta

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.nameplate import Compressor, Fan, Plate
from outer_test.visit import Reading, Visit

PLATE = Plate(volts=(208, 230), hz=60, phase=1, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2))
NINE = datetime(2027, 1, 14, 9, tzinfo=UTC)
TOP = 4e7


def found(read: dict[str, str], plate: Plate = PLATE, **seen: str) -> dict[tuple[str, str], Finding]:
    """The findings by point and rule; OL on a range that reaches far."""
    readings = tuple(Reading(point, value, top=TOP if value == "OL" else None, unit_said=True) for point, value in read.items())
    looked = {name.replace("__", "."): word for name, word in seen.items()}
    return {(one.point, one.rule): one for one in assess(Visit(plate=plate, readings=readings, seen=looked)).findings}


def three(motor: str, c_r: str, c_s: str, r_s: str, leads: str = "0.0") -> dict[str, str]:
    return {f"{motor}.leads.ohm": leads, f"{motor}.c_r.ohm": c_r, f"{motor}.c_s.ohm": c_s, f"{motor}.r_s.ohm": r_s}


class WhichMotor(unittest.TestCase):
    def test_the_least_a_winding_has_is_its_own_motors(self) -> None:
        """5 % of 230 V ÷ 96 A is 0.12 Ω for the compressor; a fan motor, which has no LRA, 0.5 Ω."""
        for motor, c_r, judged in (
            ("winding", "0.30", False), ("winding", "0.05", True), ("fan_winding", "0.30", True), ("fan_winding", "0.90", False),
        ):  # fmt: skip
            got = found(three(motor, c_r, "2.00", f"{2 + float(c_r):.2f}"), winding__at="terminals")
            self.assertEqual((f"{motor}.c_r.ohm", "winding-plausible") in got, judged, f"{motor} {c_r}")

    def test_an_electronic_fan_hides_its_own_windings_alone(self) -> None:
        plate = Plate(compressor=PLATE.compressor, fan=Fan(kind="electronic"))
        got = found(three("winding", "0.60", "1.40", "2.00") | three("fan_winding", "16.0", "36.0", "52.0"), plate, winding__at="terminals")
        self.assertEqual(got["winding.r_s.ohm", "winding-sum"].verdict, "good")
        self.assertIsNone(got["fan_winding.r_s.ohm", "winding-sum"].verdict)

    def test_each_is_called_by_its_name(self) -> None:
        for motor, name, other in (("winding", "compressor", "fan motor"), ("fan_winding", "fan motor", "compressor")):
            read = three(motor, "OL", "1.40", "OL") | {f"{motor}.c_ground.ohm": "1200"}
            got = found(read, winding__at="terminals", fan_winding__at="terminals")
            ground = got[f"{motor}.c_ground.ohm", "winding-ground"].next
            self.assertTrue(name in ground and other not in ground, ground)
            opened = found(three(motor, "OL", "1.40", "OL"), winding__at="terminals", fan_winding__at="terminals")
            step = opened[f"{motor}.r_s.ohm", "winding-open"].next
            self.assertTrue(name in step and other not in step, step)

    def test_each_open_pattern_says_which_winding(self) -> None:
        rows = (("OL", "1.4", "OL", "run winding"), ("0.6", "OL", "OL", "start winding"), ("OL", "OL", "OL", "All three"))
        for c_r, c_s, r_s, words in rows:
            got = found(three("winding", c_r, c_s, r_s), winding__at="terminals")["winding.r_s.ohm", "winding-open"]
            self.assertEqual((got.verdict, words in got.why), ("bad", True), words)

    def test_start_above_run_needs_two_numbers(self) -> None:
        self.assertIn(("winding.c_s.ohm", "winding-short"), found(three("winding", "1.90", "1.20", "3.10"), winding__at="terminals"))
        self.assertIn(("winding.c_s.ohm", "winding-short"), found(three("winding", "1.90", "1.90", "3.80"), winding__at="terminals"))
        for pairs in (("OL", "1.20", "OL"), ("1.90", "OL", "OL"), ("1.20", "1.90", "3.10")):
            self.assertNotIn(("winding.c_s.ohm", "winding-short"), found(three("winding", *pairs), winding__at="terminals"), pairs)


class Ranges(unittest.TestCase):
    def test_ol_says_open_only_on_a_range_of_fifty_ohms_and_over(self) -> None:
        for top, verdict in ((49.0, "unsure"), (50.0, "bad")):
            pairs = three("winding", "OL", "1.40", "OL")
            readings = tuple(Reading(point, value, top=top if value == "OL" else None) for point, value in pairs.items())
            got = assess(Visit(plate=PLATE, readings=readings, seen={"winding.at": "terminals"})).findings
            self.assertEqual(next(one.verdict for one in got if one.rule == "winding-open"), verdict, f"{top} Ω")


class Later(unittest.TestCase):
    """What lifts a stop: from 10 kΩ up also 20 MΩ or more at 500 V, taken later; under 10 kΩ never by the tester alone."""

    def ground(self, ohm: str, meg: str, after_min: int | None, tester_first: bool = False) -> str | None:
        times = (None, None) if after_min is None else (NINE, NINE + timedelta(minutes=after_min))
        pair = Reading("winding.c_r.ohm", "0.6"), Reading("winding.r_ground.ohm", "20000", unit_said=True)
        read = [Reading("winding.c_ground.ohm", ohm, at=times[0], unit_said=True), Reading("winding.insulation.mohm", meg, at=times[1])]
        readings = (*pair, *(reversed(read) if tester_first else read))
        got = assess(Visit(plate=PLATE, readings=readings, seen={"winding.at": "terminals"})).findings
        return next(one.verdict for one in got if one.point == "winding.c_ground.ohm" and one.rule == "winding-ground")

    def test_by_value(self) -> None:
        rows = (
            ("9990", "200", "bad"),
            ("10000", "200", "watch"),
            ("10000", "19.9", "bad"),
            ("10000", "20", "watch"),
            ("499000", "20", "watch"),
        )
        for ohm, meg, verdict in rows:
            self.assertEqual(self.ground(ohm, meg, 5), verdict, f"{ohm} Ω, {meg} MΩ")

    def test_by_time_and_without_times_by_order(self) -> None:
        self.assertEqual([self.ground("20000", "200", after) for after in (-5, 0, 5)], ["bad", "bad", "watch"])
        self.assertEqual([self.ground("20000", "200", 5, tester_first=True), self.ground("20000", "200", -5, True)], ["watch", "bad"])
        self.assertEqual([self.ground("20000", "200", None, first) for first in (False, True)], ["watch", "bad"])
