"""Cuts tried exactly on their edge, where a fault put in by hand was not found before. Handbook sections in brackets.

Values are common practice without a source unless one is named.
"""

import unittest
from dataclasses import replace
from decimal import Decimal as D

from outer_test.assessment import assess
from outer_test.judgement import Finding, Verdict
from outer_test.measurement import Accuracy, closeness, measure
from outer_test.nameplate import AuxHeat, Compressor, Defrost, Element, Fan, Plate
from outer_test.rules.defrost import is_closed, switch_mark
from outer_test.rules.defrost.aux_call import aux_call
from outer_test.rules.defrost.coil_switch import CLOSED_OHM
from outer_test.rules.defrost.sensor import divider_ohm
from outer_test.rules.start_and_run import FanRuns, Running, element_circuit, fan_amps, run_amps
from outer_test.visit import Conditions, Reading, Visit

EXACT = Accuracy(0, 0)
PLATE = Plate(
    volts=(208, 230), hz=60, phase=1, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2), mca=23.6, mop=40,
    defrost=Defrost(control="time-temperature", closes_f=30, opens_f=55, limit_min=10, lockout_after=3, confirmed=True),
)  # fmt: skip


def at(visit: Visit, point: str, rule: str = "") -> Finding:
    return next(one for one in assess(visit).findings if one.point == point and rule in ("", one.rule))


def read(*readings: tuple[str, str], plate: Plate = PLATE, **more: object) -> Visit:
    return Visit(plate=plate, readings=tuple(Reading(*one) for one in readings), **more)  # type: ignore[arg-type]


class Defrosts(unittest.TestCase):
    """Section 9."""

    def test_volts_on_w(self) -> None:
        for volts, verdict in (("20.0", "good"), ("19.9", "watch"), ("1.0", "watch"), ("0.9", "unsure"), ("OL", "unsure")):
            self.assertEqual(aux_call(measure(volts, EXACT)).verdict, verdict, volts)

    def test_closed_ends_where_a_switch_is_no_longer_through(self) -> None:
        self.assertIs(is_closed(measure(str(CLOSED_OHM), EXACT)), True)
        self.assertIsNone(is_closed(measure(str(CLOSED_OHM + D("0.1")), EXACT)))

    def test_a_divider_tells_nothing_at_its_rails(self) -> None:
        self.assertEqual([divider_ohm(volts, 10_000.0) for volts in (-0.1, 0.0, 5.0, 5.1)], [None] * 4)
        self.assertAlmostEqual(divider_ohm(0.01, 10_000.0) or 0, 20.04, places=2)  # [D] 10 kΩ × 0.01 ÷ 4.99

    def test_a_marks_plausible_reading(self) -> None:
        for mark, plausible in (("L45-25", True), ("L44-25", False), ("L90-45", True), ("L91-46", False)):
            found = [one.plausible for one in switch_mark(mark) if one.opens_f == float(mark[1:3])]
            self.assertEqual(found, [plausible], mark)

    def test_a_switch_in_the_air_is_held_against_the_air(self) -> None:
        in_air = replace(PLATE, defrost=replace(PLATE.defrost, switch_in_air=True))
        warm_coil_cold_air = (("defrost.switch.ohm", "OL"), ("defrost.coil.f", "70"), ("defrost.ambient.f", "20"))
        self.assertEqual(at(read(*warm_coil_cold_air), "defrost.switch.ohm").verdict, "good")
        self.assertEqual(at(read(*warm_coil_cold_air, plate=in_air), "defrost.switch.ohm").verdict, "bad")
        by_weather = read(("defrost.switch.ohm", "OL"), plate=in_air, conditions=Conditions(outdoor_f=20))
        self.assertEqual(at(by_weather, "defrost.switch.ohm").verdict, "bad", "no thermometer: the day's temperature")

    def test_sensors_are_compared_after_an_hour_off(self) -> None:
        demand = replace(PLATE, defrost=Defrost(control="demand", sensor_r25_ohm=10_000, sensor_b_k=3950, confirmed=True))
        apart = (("defrost.coil_sensor.ohm", "25000"), ("defrost.ambient_sensor.ohm", "29000"))
        rested = read(*apart, plate=demand, seen={"defrost.rested": "yes"})
        self.assertIn(Verdict.WATCH, [one.verdict for one in assess(rested).findings if "apart after an hour off" in one.why])
        hurried = assess(read(*apart, plate=demand, seen={"defrost.rested": "no"})).findings
        self.assertEqual([one.verdict for one in hurried if "apart after an hour off" in one.why], [])


class WhileRunning(unittest.TestCase):
    """Section 8."""

    def test_a_fan_without_current(self) -> None:
        # [D] 3 % of 1.2 A is 0.036 A.
        for amps, words in (("0.036", "no current"), ("0.037", "of FLA")):
            self.assertIn(words, fan_amps(measure(amps, EXACT), (1.2, 1.2)).why)
        self.assertEqual(fan_amps(measure("0.036", EXACT), (1.2, 1.2), FanRuns(turning=True)).verdict, "unsure")

    def test_two_stages_at_rla_need_their_stage(self) -> None:
        how = Running(lra=96, two_stage=True)
        self.assertEqual(run_amps(measure("17.9", EXACT), (17.9, 17.9), how).verdict, "unjudged")
        self.assertEqual(run_amps(measure("18.0", EXACT), (17.9, 17.9), how).verdict, "bad")

    def test_no_nec_rule_at_50_hz(self) -> None:
        """NFPA 70 (NEC) 424.4(B), from memory, is a 60 Hz country's rule."""
        heat = AuxHeat(kind="electric", elements=(Element(4.8, 240),), protection_a=25, blower_fla=0)
        self.assertEqual(getattr(element_circuit(replace(PLATE, aux_heat=heat)), "verdict", ""), "good")
        self.assertIsNone(getattr(element_circuit(replace(PLATE, hz=50, aux_heat=heat)), "verdict", ""))

    def test_line_and_neutral_on_a_208_230_plate_is_asked_about(self) -> None:
        legs = (("line.l1_l2.v", "230"), ("line.l1_ground.v", "230"), ("line.l2_ground.v", "0.4"))
        for volts, verdict in (((208, 230), "watch"), ((230,), "good")):
            self.assertEqual(at(read(*legs, plate=replace(PLATE, volts=volts)), "line.l1_ground.v").verdict, verdict)


class Close(unittest.TestCase):
    """Section 2: words about closeness between 5 and 95 %, none outside (JCGM 106:2012, from memory)."""

    def test_words_only_where_it_is_close(self) -> None:
        spread = Accuracy(2, 0)  # σ = 1.1 ÷ √3 µF at 55
        said = {text: bool(closeness(measure(text, spread, unit="uf"), D("51.7"), D("58.3"))) for text in ("55.0", "52.0", "51.0", "48.0")}
        self.assertEqual(said, {"55.0": False, "52.0": True, "51.0": True, "48.0": False})
