"""Starting and running as a visit has it: who was heard or seen, what adds up, a peak near a cut. Handbook 8; common practice, no source."""

import unittest
from typing import Any

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.nameplate import AuxHeat, Compressor, Element, Fan, Plate
from outer_test.rules.start_and_run.running import HEATS_BELOW_F
from outer_test.rules.start_and_run.start import PEAK
from outer_test.visit import Conditions, Reading, Visit
from visit_samples.says import found_on

PLATE = Plate(
    volts=(208, 230), hz=60, phase=1, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2),
    aux_heat=AuxHeat(kind="electric", elements=(Element(kw=4.8, volts=240),)),
)  # fmt: skip
TOTAL, TIME = "amps.total.run_a", "amps.compressor.start_s"


def found(read: dict[str, str], plate: Plate = PLATE, by: Any = None, **seen: str) -> dict[str, Finding]:
    """The findings of these readings, by point."""
    return found_on(plate, read, by, **seen)


class HeardAndSeen(unittest.TestCase):
    def test_a_fan_without_amps_that_was_seen_turning_is_a_clamp_on_the_wrong_wire(self) -> None:
        rows = {"runs": "unsure", "slow": "unsure", "pushed": "unsure", "hums": "bad", "still": "bad"}
        for state, verdict in rows.items():
            self.assertEqual(found({"amps.fan.run_a": "0.00"}, fan__state=state)["amps.fan.run_a"].verdict, verdict, state)
        self.assertEqual(found({"amps.fan.run_a": "0.00"})["amps.fan.run_a"].verdict, "bad", "not looked at")

    def test_a_compressor_without_amps_that_started_likewise(self) -> None:
        for result, verdict in (("started", "unsure"), ("hummed", "bad"), (None, "bad")):
            seen = {} if result is None else {"start__result": result}
            self.assertEqual(
                found({"amps.compressor.run_a": "0.4"}, PLATE, None, **seen)["amps.compressor.run_a"].verdict, verdict, str(result)
            )


class AddsUp(unittest.TestCase):
    """Apart by the combined band and 0.5 A; 13.9 and 1.20 A by a usual meter."""

    def total(self, whole: str, **without: str) -> Finding:
        parts = {"amps.compressor.run_a": "13.9", "amps.fan.run_a": "1.20"}
        return found({point: value for point, value in parts.items() if point not in without.values()} | {TOTAL: whole})[TOTAL]

    def test_more_and_less_than_its_parts(self) -> None:
        self.assertEqual(
            [self.total(amps).verdict for amps in ("15.1", "15.6", "14.6", "18.0", "12.0")], ["good", "good", "good", "watch", "watch"]
        )
        more, less, alike = (self.total(amps).next for amps in ("18.0", "12.0", "15.1"))
        self.assertTrue("third load" in more and "wrong wire" in less and alike == "")
        limits = self.total("18.0")
        assert limits.watch_low is not None
        assert limits.watch_high is not None
        self.assertAlmostEqual((limits.watch_low + limits.watch_high) / 2, 15.1)
        self.assertEqual(limits.nominal, 15.1)

    def test_it_needs_both_parts(self) -> None:
        for point in ("amps.compressor.run_a", "amps.fan.run_a"):
            lacking = self.total("15.1", point=point)
            self.assertEqual((lacking.verdict, lacking.needs), ("unjudged", (point,)))


class Recovered(unittest.TestCase):
    def test_rla_from_mca_where_it_is_missing(self) -> None:
        """RLA = (MCA − FLA) ÷ 1.25: (23.6 − 1.2) ÷ 1.25 is 17.9 A [NEC 440.33, from memory]."""
        lost = Plate(volts=(208, 230), hz=60, compressor=Compressor(lra=96), fan=Fan(fla=1.2), mca=23.6, unreadable=("compressor.rla",))
        self.assertEqual(found({"amps.compressor.run_a": "13.9"}, lost)["amps.compressor.run_a"].verdict, "good")
        self.assertEqual(found({"amps.compressor.run_a": "25.0"}, lost)["amps.compressor.run_a"].verdict, "bad")

    def test_figures_that_disagree_recover_nothing(self) -> None:
        odd = Plate(volts=(230,), hz=60, compressor=Compressor(lra=96), fan=Fan(fla=1.2), mca=23.6, mop=90, unreadable=("compressor.rla",))
        self.assertEqual(found({"amps.compressor.run_a": "13.9"}, odd)["amps.compressor.run_a"].verdict, "unjudged")
        below = Plate(volts=(230,), hz=60, compressor=Compressor(lra=96), fan=Fan(fla=30.0), mca=23.6, unreadable=("compressor.rla",))
        self.assertEqual(found({"amps.compressor.run_a": "13.9"}, below)["amps.compressor.run_a"].verdict, "unjudged")


class Peaks(unittest.TestCase):
    def why(self, amps: str, by: str | None = None, volts: str = "", **seen: str) -> str:
        read = {PEAK: amps} | ({"line.starting.v": volts} if volts else {})
        return found(read, PLATE, by, **seen)[PEAK].why

    def test_within_five_hundredths_of_a_cut_with_the_volts_not_read_both_are_said(self) -> None:
        """Not read: 0.93 of the rated volts. 96 A ÷ 0.93: 0.85 of LRA is 75.9 A, 0.3 is 26.8 A."""
        both = "may as well be"
        for amps, said in (
            ("26.0", True),
            ("28.0", True),
            ("22.0", False),
            ("33.0", False),
            ("75.0", True),
            ("77.0", True),
            ("60.0", False),
            ("90.0", False),
        ):
            self.assertEqual(both in self.why(amps, start__result="hummed"), said, amps)
        self.assertNotIn(both, self.why("28.0", volts="214", start__result="hummed"), "the volts were read")

    def test_how_it_was_caught_is_said(self) -> None:
        self.assertIn("shows a floor", self.why("60.0", "max-hold", start__result="started"))
        self.assertNotIn("shows a floor", self.why("60.0", "inrush", start__result="started"))
        self.assertIn("stayed near locked", self.why("90.0", "max-hold", start__result="started"))
        self.assertIn("is not said", self.why("90.0", start__result="started"))

    def test_a_kit_by_inrush_helps_from_five_percent_and_a_little_more_than_nothing_by_max_hold(self) -> None:
        def effect(before: str, after: str, by: Any) -> str | None:
            peaks = (Reading(PEAK, before, by=by, fitted="none"), Reading(PEAK, after, by=by, fitted="relay"))
            got = assess(Visit(plate=PLATE, readings=peaks, seen={"start.result": "started"})).findings
            return next(one.verdict for one in got if one.rule == "kit-effect")

        self.assertEqual([effect("10.0", after, "inrush") for after in ("9.4", "9.6", "10.6")], ["good", "watch", "watch"])
        self.assertEqual([effect("10.0", after, "max-hold") for after in ("7.9", "9.3", "10.6")], ["good", "watch", "bad"])


class KitByTime(unittest.TestCase):
    def test_a_kit_is_proved_by_a_start_that_is_a_tenth_of_a_second_faster(self) -> None:
        """Handbook 8, `kit-effect`: faster by 0.1 s or more. Common practice, no source."""
        for before, after, verdict in (("0.60", "0.50", "good"), ("0.60", "0.51", None)):
            times = (Reading(TIME, before, fitted="none"), Reading(TIME, after, fitted="relay"))
            visit = Visit(plate=PLATE, readings=times, seen={"start.result": "started"})
            kit = {one.verdict for one in assess(visit).findings if one.rule == "kit-effect"}
            self.assertEqual("good" in kit, verdict == "good", (before, after, kit))


class Mild(unittest.TestCase):
    def test_little_amps_are_bad_only_where_the_air_loads_it(self) -> None:
        """Handbook 8: under 0.40 `bad` with 70 °F or more outdoors in cooling, 35 °F or more in heating, on record."""
        for air, verdict in (
            (34, "watch"),
            (35, "bad"),
            (64, "bad"),
            (HEATS_BELOW_F, "watch"),
            (69, "watch"),
            (70, "bad"),
            (None, "watch"),
        ):
            visit = Visit(plate=PLATE, readings=(Reading("amps.compressor.run_a", "6.0"),), conditions=Conditions(outdoor_f=air))
            got = next(one.verdict for one in assess(visit).findings if one.point == "amps.compressor.run_a")
            self.assertEqual(got, verdict, air)


class Heaters(unittest.TestCase):
    def test_what_to_look_for_is_by_which_side_it_is(self) -> None:
        volts = {"aux.line.v": "240"}
        low, high = (found(volts | {"amps.element1.a": amps})["amps.element1.a"].next for amps in ("13.3", "26.0"))
        self.assertTrue("several elements" in low and "several elements" not in high)
