"""Defrost rules. Cuts are common practice, no source, unless said; curves against scipy, the credit against its formula."""

import math
import re
import subprocess
import tempfile
import unittest
from dataclasses import replace
from fractions import Fraction
from pathlib import Path

import numpy as np
import psychrolib
from hypothesis import given
from hypothesis import strategies as st
from scipy.interpolate import interp1d

from outer_test.assessment import assess
from outer_test.diagnosis import diagnose
from outer_test.judgement import Verdict
from outer_test.measurement import kelvin, measure
from outer_test.nameplate import Defrost, Light, Plate, SensorPoint
from outer_test.rules.defrost import (
    AtSwitch,
    BinHours,
    DefrostUse,
    SensorCurve,
    board_lights,
    defrost_kwh_a_day,
    demand_credit,
    dew_point_f,
    divider_ohm,
    interval_advice,
    interval_cost,
    sensor_ohm,
    sensors_agree,
    switch_mark,
    switch_state,
    valve_coil,
    which_way,
    will_it_frost,
)
from outer_test.rules.make_safe import stored_energy
from outer_test.visit import Reading, Visit

SWITCHED = Defrost(control="time-temperature", minutes=60, closes_f=30, opens_f=55, limit_min=10)
DEMAND = Defrost(control="demand", limit_min=10)


class Switch(unittest.TestCase):
    def test_both_readings_of_a_mark(self) -> None:
        both = switch_mark("L55-25")
        self.assertEqual([(one.closes_f, one.opens_f) for one in both], [(30, 55), (55, 80)])
        self.assertEqual([one.plausible for one in switch_mark("L30-25")], [True, False])
        with self.assertRaises(ValueError):
            switch_mark("no mark")

    def test_closed_and_open_by_temperature(self) -> None:
        cases = (
            ("closed", "28", "good"), ("closed", "30", "good"), ("closed", "45", "unsure"), ("closed", "59", "unsure"), ("closed", "60", "bad"),
            ("OL", "55", "good"), ("OL", "40", "unsure"), ("OL", "26", "unsure"), ("OL", "25", "bad"),
        )  # fmt: skip
        for state, coil, expected in cases:
            self.assertEqual(switch_state(measure(state), 30, 55, AtSwitch(measure(coil))).verdict, expected, f"{state} at {coil}")

    def test_ice_at_the_switch(self) -> None:
        self.assertEqual(switch_state(measure("OL"), 32, 57, AtSwitch(ice=True)).verdict, "unsure")
        self.assertEqual(switch_state(measure("OL"), 28, 53, AtSwitch(ice=True)).verdict, "unsure")
        froze = AtSwitch(ice=True, just_ran=True, outdoor_f=25)
        self.assertEqual(switch_state(measure("OL"), 28, 53, froze).verdict, "bad", "the ice is fresh, and colder than it closes")
        self.assertEqual(switch_state(measure("OL"), 28, 53, replace(froze, outdoor_f=40)).verdict, "unsure")
        self.assertEqual(switch_state(measure("OL"), 38, 60, AtSwitch(ice=True)).verdict, "bad", "no ice is that warm")

    def test_unconfirmed_temperatures_leave_it_unjudged(self) -> None:
        self.assertEqual(switch_state(measure("closed"), None, None, AtSwitch(measure("30"))).verdict, "unjudged")


class Sensors(unittest.TestCase):
    @given(st.floats(-30, 150))
    def test_the_b_equation_by_its_definition(self, fahrenheit: float) -> None:
        t = (fahrenheit - 32) / 1.8 + 273.15
        expected = 10_000 * math.exp(3950 * (1 / t - 1 / 298.15))
        self.assertAlmostEqual(SensorCurve().ohm(fahrenheit), expected, delta=expected * 1e-9)
        self.assertAlmostEqual(SensorCurve().fahrenheit(expected) or 0, fahrenheit, places=6)

    @given(st.floats(3200, 60000))
    def test_a_table_against_scipy(self, ohm: float) -> None:
        """ln R linear in 1/T between points: scipy's interp1d over (ln R, 1/T)."""
        points = ((10.0, 61000.0), (32.0, 32600.0), (50.0, 20000.0), (77.0, 10000.0), (130.0, 3100.0))
        ordered = sorted(points, key=lambda point: point[1])
        inverse = interp1d(np.log([r for _, r in ordered]), [1 / kelvin(f) for f, _ in ordered])
        expected = (1 / float(inverse(math.log(ohm))) - 273.15) * 1.8 + 32
        self.assertAlmostEqual(SensorCurve(table=points).fahrenheit(ohm) or 0, expected, places=6)

    def test_outside_the_table_is_unjudged(self) -> None:
        curve = SensorCurve(table=((32.0, 32600.0), (77.0, 10000.0)), own=True)
        self.assertEqual(sensor_ohm(measure("5000"), measure("100"), curve, "defrost.coil_sensor.ohm").verdict, "unjudged")

    def test_temperature_error_is_judged(self) -> None:
        own, default = SensorCurve(own=True), SensorCurve()
        for curve, beside, expected in (
            (own, "79.9", "good"),
            (own, "82.9", "watch"),
            (own, "83.1", "bad"),
            (default, "83.1", "unsure"),
            (default, "74.1", "good"),
        ):
            found = sensor_ohm(measure("10000"), measure(beside), curve, "defrost.coil_sensor.ohm")
            self.assertEqual(found.verdict, expected, beside)

    def test_whose_curve_it_was_is_said_and_the_temperature_to_a_tenth(self) -> None:
        for own, words in ((True, "its own curve"), (False, "the default curve")):
            found = sensor_ohm(measure("9870"), measure("77.0"), SensorCurve(own=own), "defrost.coil_sensor.ohm")
            self.assertIn(words, found.why)
            self.assertEqual((found.value, found.nominal, found.unit), (77.5, 77.0, "°F"))
        self.assertIsNone(SensorCurve().fahrenheit(0))

    def test_open_and_shorted(self) -> None:
        cases = (
            (measure("OL", unit="ohm", top=6e6), False, "bad"), (measure("OL", unit="ohm", top=20_000), False, "unsure"),
            (measure("closed"), False, "bad"), (measure("open"), False, "unsure"), (measure("12"), True, "bad"), (measure("12"), False, "unsure"),
        )  # fmt: skip
        for reading, unit_said, expected in cases:
            found = sensor_ohm(reading, measure("60"), SensorCurve(), "defrost.coil_sensor.ohm", unit_said=unit_said)
            self.assertEqual(found.verdict, expected, f"{reading.value.text}, {unit_said}")

    def test_both_agree_only_after_an_hour(self) -> None:
        found = [
            sensors_agree(measure("20000"), measure(other), SensorCurve(), rested)
            for other, rested in (("20500", True), ("26000", True), ("26000", None))
        ]
        self.assertEqual([one.verdict for one in found if one is not None], ["good", "watch", "unjudged"])

    @given(st.floats(100, 1e6), st.floats(1000, 50000))
    def test_divider_by_kirchhoff(self, ohm: float, pull: float) -> None:
        volts = 5 * ohm / (ohm + pull)
        self.assertAlmostEqual(divider_ohm(volts, pull) or 0, ohm, delta=ohm * 1e-6)

    def test_volts_are_a_hint_without_the_boards_resistor(self) -> None:
        def judge(defrost: Defrost) -> str | None:
            readings = (Reading("defrost.coil_sensor.vdc", "2.50"), Reading("defrost.coil.f", "77"))
            found = assess(Visit(plate=Plate(defrost=defrost), readings=readings)).findings
            return next(one.verdict for one in found if one.point == "defrost.coil_sensor.vdc")

        self.assertEqual(judge(DEMAND), "unjudged")
        self.assertEqual(judge(replace(DEMAND, sensor_pull_ohm=10_000)), "good")

    def test_the_units_own_table_through_a_visit(self) -> None:
        own = replace(DEMAND, sensor_table=(SensorPoint(32, 32600), SensorPoint(77, 10000)))
        readings = (Reading("defrost.coil_sensor.ohm", "18000"), Reading("defrost.coil.f", "77"))
        found = next(finding for finding in assess(Visit(plate=Plate(defrost=own), readings=readings)).findings)
        self.assertEqual(found.verdict, Verdict.BAD)


class Others(unittest.TestCase):
    def test_valve_coil(self) -> None:
        for text, expected in {
            "4.9": "bad",
            "5.0": "watch",
            "8.0": "good",
            "60.0": "good",
            "61": "watch",
            "OL": "bad",
            "open": "unsure",
        }.items():
            self.assertEqual(valve_coil(measure(text)).verdict, expected, text)

    def test_which_way(self) -> None:
        cases = (
            (SWITCHED, 30, True, "time-pins"), (SWITCHED, 60, False, "jumper-switch"), (SWITCHED, 60, None, "measure-first"), (DEMAND, 30, None, "force-pins"),
            (replace(SWITCHED, start="switch-and-test"), 30, True, "switch-and-test"), (Defrost(), 30, None, "unknown"),
        )  # fmt: skip
        for defrost, air, closed, expected in cases:
            self.assertEqual(which_way(defrost, air, closed).way, expected)
        self.assertIn("head pressure", which_way(SWITCHED, 70, False).caution)
        unmeasured = which_way(SWITCHED, 30, None)
        self.assertIn("was not measured", unmeasured.steps[0])
        self.assertEqual(unmeasured.lifts, (), "nothing is jumpered before it is known")
        named = replace(DEMAND, pins="FRC1 and FRC2, below the sensor plug", pins_hold_s=2, start_signs="Its green light goes out.")
        self.assertIn("Short FRC1 and FRC2, below the sensor plug for 2 s", which_way(named, 30, None).steps[0])
        self.assertEqual(
            (which_way(named, 30, None).signs, which_way(DEMAND, 30, None).signs[:8]), ("Its green light goes out.", "A start:")
        )
        self.assertIn("Leave", which_way(replace(DEMAND, hold_jumper="leave"), 30, None).steps[-1])

    def test_interval_and_cost(self) -> None:
        self.assertEqual(
            [interval_advice("climate", climate).minutes for climate in ("frost-rare", "all-electric", "long-damp-cold")], [90, 60, 30]
        )
        self.assertEqual(interval_advice("as-shipped", "all-electric", 60).minutes, 60)
        self.assertAlmostEqual(defrost_kwh_a_day(10, 6, 10), 10.0)

    @given(st.fractions(Fraction(16, 10), 12), st.fractions(0, 12))
    def test_demand_credit_of_10_cfr_430(self, most: Fraction, between: Fraction) -> None:
        # 10 CFR 430 Subpart B App. M, from memory: 1 + 0.03 (1 − (Δt − 1.5)/(Δt_max − 1.5)), in exact fractions.
        t = max(between, Fraction(3, 2))
        expected = 1 + Fraction(3, 100) * (1 - (t - Fraction(3, 2)) / (most - Fraction(3, 2)))
        self.assertAlmostEqual(demand_credit(float(between), float(most)), float(expected), places=9)
        for wrong in (1.5, 12.1):
            with self.assertRaises(ValueError):
                demand_credit(3, wrong)


class Frost(unittest.TestCase):
    @given(st.floats(-10, 110), st.floats(5, 100))
    def test_dew_and_frost_point_against_psychrolib(self, outdoor_f: float, humidity: float) -> None:
        psychrolib.SetUnitSystem(psychrolib.IP)
        expected = psychrolib.GetTDewPointFromRelHum(outdoor_f, humidity / 100)
        if expected > -60:  # far below anything a coil meets the two formulas part
            self.assertAlmostEqual(dew_point_f(outdoor_f, humidity), expected, delta=0.6)

    def test_when_a_coil_frosts(self) -> None:
        for outdoor, humidity, expected in (
            (36, 85, True),
            (47, 90, True),
            (48, 90, False),
            (60, 50, False),
            (20, 15, False),
            (28, 70, True),
        ):
            self.assertEqual(will_it_frost(outdoor, humidity).frosts, expected, f"{outdoor} {humidity}")

    def test_humidity_is_held_to_its_range(self) -> None:
        for wrong in (0, -1, 101):
            with self.assertRaises(ValueError):
                dew_point_f(40, wrong)


class Electrics(unittest.TestCase):
    """The board's own 5 V divider and a discharge through its bleed resistor, against ngspice."""

    def spice(self, *lines: str) -> str:
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "circuit.cir"
            file.write_text("\n".join(["* circuit", *lines, ".end"]))
            return subprocess.run(["ngspice", "-b", str(file)], text=True, capture_output=True, check=True).stdout

    def test_divider(self) -> None:
        for ohm, pull in ((10_000, 10_000), (32_600, 10_000), (5_300, 21_500)):
            out = self.spice(
                "V1 rail 0 DC 5",
                f"R1 rail mid {pull}",
                f"R2 mid 0 {ohm}",
                ".op",
                ".print op v(mid)",
                ".control",
                "op",
                "print v(mid)",
                "quit 0",
                ".endc",
            )
            found = re.search(r"v\(mid\) = ([-0-9.e+]+)", out)
            assert found is not None
            self.assertAlmostEqual(divider_ohm(float(found.group(1)), pull) or 0, ohm, delta=ohm * 1e-4)

    def test_discharge_time(self) -> None:
        # 40 µF at √2 × 440 V through 20 kΩ: the time ngspice takes to 30 V against R C ln(V0 ÷ 30).
        held = stored_energy(40, 440)
        out = self.spice(
            f"C1 top 0 40u IC={held.peak_v:.6f}", "R1 top 0 20k", ".control", "tran 1m 6 uic",
            "meas tran t30 when v(top)=30", "quit 0", ".endc",
        )  # fmt: skip
        found = re.search(r"t30\s*=\s*([-0-9.e+]+)", out)
        assert found is not None
        self.assertAlmostEqual(held.bleed_s, float(found.group(1)), delta=held.bleed_s * 1e-3)


LEGEND = (Light(2, "Coil sensor", "red"), Light(2, "Call", "green", False), Light(0, "Power", "green", False))


class Lights(unittest.TestCase):
    def test_count_and_colour(self) -> None:
        cases = (((), 2, "red", "unjudged"), (LEGEND, 2, "red", "watch"), (LEGEND, 2, "green", "good"), (LEGEND, 2, None, "unjudged"), (LEGEND, 7, "red", "unjudged"),
                 (LEGEND, 0, None, "good"))  # fmt: skip
        for legend, flashes, colour, expected in cases:
            self.assertEqual(board_lights(legend, flashes, colour).verdict, expected, f"{flashes} {colour}")

    def test_through_a_visit_it_accuses_nothing(self) -> None:
        of = Visit(
            plate=Plate(defrost=replace(DEMAND, lights=LEGEND)),
            readings=(Reading("look.board.flashes", "2"),),
            seen={"look.board.colour": "red"},
        )
        found = assess(of)
        self.assertEqual([finding.verdict for finding in found.findings if finding.rule == "board-lights"], ["watch"])
        self.assertEqual(diagnose(of).accused, ())


class Interval(unittest.TestCase):
    def test_cost_of_a_season_by_hand(self) -> None:
        # Common practice arithmetic: 300 h of frosting weather, compressor on half the time, hourly: 150 defrosts of 6 min.
        use = DefrostUse((BinHours(42, 100), BinHours(30, 200), BinHours(52, 900)), 0.5, 6, 9.6, 0.2)
        cost = interval_cost(60, use)
        self.assertAlmostEqual(cost.defrosts_a_season, 150)
        self.assertAlmostEqual(cost.kwh_a_season, 150 * 0.1 * 9.6)
        self.assertAlmostEqual(cost.cost_a_season, 150 * 0.1 * 9.6 * 0.2)
        self.assertAlmostEqual(cost.kwh_a_day, 12 * 0.1 * 9.6)

    @given(st.floats(20, 200), st.floats(1, 5))
    def test_twice_as_long_costs_half(self, minutes: float, factor: float) -> None:
        use = DefrostUse((BinHours(30, 500),), 0.7, 5, 10, 0.15)
        self.assertAlmostEqual(
            interval_cost(minutes * factor, use).kwh_a_season * factor, interval_cost(minutes, use).kwh_a_season, places=6
        )

    def test_no_interval_is_refused(self) -> None:
        with self.assertRaises(ValueError):
            interval_cost(0, DefrostUse())


class Calls(unittest.TestCase):
    def test_aux_call_and_control_volts_at_the_board(self) -> None:
        readings = (Reading("defrost.aux_call.v", "0.2"), Reading("defrost.control.v", "19.1"))
        found = {finding.point: finding for finding in assess(Visit(plate=Plate(defrost=DEMAND), readings=readings)).findings}
        self.assertEqual(found["defrost.aux_call.v"].verdict, Verdict.UNSURE, "outside defrost it says nothing of the board")
        self.assertEqual(found["defrost.control.v"].verdict, "bad")
