"""Defrost rules. Cuts are common practice, no source, unless said; curves against scipy, the credit against its formula."""

import math
import random
import unittest
from dataclasses import replace
from fractions import Fraction

import numpy as np
import psychrolib
from hypothesis import given
from hypothesis import strategies as st
from scipy.interpolate import interp1d

from outer_test.assess import assess
from outer_test.board import Board, BoardInput, output, step
from outer_test.frost import dew_point_f, will_it_frost
from outer_test.interval import defrost_kwh_a_day, demand_credit, interval_advice
from outer_test.meter import measure
from outer_test.plate import AuxHeat, Compressor, Defrost, Plate, SensorPoint
from outer_test.sensor_ohm import SensorCurve, divider_ohm, kelvin, sensor_ohm, sensors_agree
from outer_test.simulate import FAULTS, simulate_defrost
from outer_test.switch_mark import switch_mark
from outer_test.switch_state import AtSwitch, switch_state
from outer_test.valve_coil import valve_coil
from outer_test.visit import DefrostEvent, Lifted, LiftedEnd, Reading, Visit
from outer_test.which_way import which_way

SWITCHED = Defrost(control="time-temperature", minutes=60, closes_f=30, opens_f=55, limit_min=10)
DEMAND = Defrost(control="demand", limit_min=10)
AUX = AuxHeat(kind="electric")
PROVED = {"defrost.call": "yes", "defrost.pins": "right"}


def plate(defrost: Defrost, **more: object) -> Plate:
    return Plate(defrost=defrost, **({"aux_heat": AUX, "valve": "O", "compressor": Compressor(rla=15)} | more))  # type: ignore[arg-type]


def visit(defrost: Defrost, events: tuple[DefrostEvent, ...], watched: float, **more: object) -> Visit:
    """A visit whose preconditions are all proved."""
    readings = (Reading("control.r_c.v", "26.0"), *((Reading("defrost.switch.ohm", "closed"),) if defrost.control != "demand" else ()))
    base: dict[str, object] = {
        "plate": plate(defrost),
        "defrost_run": events,
        "defrost_watched_s": watched,
        "seen": PROVED,
        "readings": readings,
    }
    return Visit(**(base | more))  # type: ignore[arg-type]


def lanes(of: Visit) -> dict[str, str]:
    return {one.point.removeprefix("defrost.run."): one.verdict.value for one in assess(of).findings if one.rule == "sequence"}


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
            self.assertEqual(switch_state(measure(state), 30, 55, AtSwitch(measure(coil))).verdict.value, expected, f"{state} at {coil}")

    def test_ice_at_the_switch(self) -> None:
        self.assertEqual(switch_state(measure("OL"), 32, 57, AtSwitch(ice=True)).verdict.value, "bad")
        self.assertEqual(switch_state(measure("OL"), 28, 53, AtSwitch(ice=True)).verdict.value, "unsure")
        self.assertEqual(switch_state(measure("OL"), 28, 53, AtSwitch(ice=True, just_ran=True)).verdict.value, "bad")

    def test_unconfirmed_temperatures_leave_it_unjudged(self) -> None:
        self.assertEqual(switch_state(measure("closed"), None, None, AtSwitch(measure("30"))).verdict.value, "unjudged")


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
        self.assertEqual(sensor_ohm(measure("5000"), measure("100"), curve, "defrost.coil_sensor.ohm").verdict.value, "unjudged")

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
            self.assertEqual(found.verdict.value, expected, beside)

    def test_open_and_shorted(self) -> None:
        for text in ("OL", "open", "closed", "12"):
            self.assertEqual(sensor_ohm(measure(text), measure("60"), SensorCurve(), "defrost.coil_sensor.ohm").verdict.value, "bad", text)

    def test_both_agree_only_after_an_hour(self) -> None:
        found = [
            sensors_agree(measure("20000"), measure(other), SensorCurve(), rested)
            for other, rested in (("20500", True), ("26000", True), ("26000", None))
        ]
        self.assertEqual([one.verdict.value for one in found if one is not None], ["good", "watch", "unjudged"])

    @given(st.floats(100, 1e6), st.floats(1000, 50000))
    def test_divider_by_kirchhoff(self, ohm: float, pull: float) -> None:
        volts = 5 * ohm / (ohm + pull)
        self.assertAlmostEqual(divider_ohm(volts, pull) or 0, ohm, delta=ohm * 1e-6)

    def test_volts_are_a_hint_without_the_boards_resistor(self) -> None:
        def judge(defrost: Defrost) -> str:
            readings = (Reading("defrost.coil_sensor.vdc", "2.50"), Reading("defrost.coil.f", "77"))
            found = assess(Visit(plate=Plate(defrost=defrost), readings=readings)).findings
            return next(one.verdict.value for one in found if one.point == "defrost.coil_sensor.vdc")

        self.assertEqual(judge(DEMAND), "unjudged")
        self.assertEqual(judge(replace(DEMAND, sensor_pull_ohm=10_000)), "good")

    def test_the_units_own_table_through_a_visit(self) -> None:
        own = replace(DEMAND, sensor_table=(SensorPoint(32, 32600), SensorPoint(77, 10000)))
        readings = (Reading("defrost.coil_sensor.ohm", "18000"), Reading("defrost.coil.f", "77"))
        found = next(one for one in assess(Visit(plate=Plate(defrost=own), readings=readings)).findings)
        self.assertEqual((found.verdict.value, found.accuses), ("bad", "coil sensor"))


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
            self.assertEqual(valve_coil(measure(text)).verdict.value, expected, text)

    def test_which_way(self) -> None:
        cases = (
            (SWITCHED, 30, True, "time-pins"), (SWITCHED, 60, False, "jumper-switch"), (SWITCHED, 60, None, "jumper-switch"), (DEMAND, 30, None, "force-pins"),
            (replace(SWITCHED, start="switch-and-test"), 30, True, "switch-and-test"), (Defrost(), 30, None, "unknown"),
        )  # fmt: skip
        for defrost, air, closed, expected in cases:
            self.assertEqual(which_way(defrost, air, closed).way, expected)
        self.assertIn("head pressure", which_way(SWITCHED, 70, False).caution)
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


class StateMachine(unittest.TestCase):
    @given(
        st.lists(
            st.tuples(st.floats(-10, 80), st.floats(-10, 60), st.booleans(), st.sampled_from(["none", "force", "test"]), st.booleans()),
            max_size=80,
        ),
        st.sampled_from([SWITCHED, DEMAND, replace(SWITCHED, shift_delay=True)]),
    )
    def test_properties(self, moments: list[tuple[float, float, bool, str, bool]], defrost: Defrost) -> None:
        board = Board()
        for coil, air, closed, pins, call in moments:
            seen = BoardInput(call, coil, air, closed, pins)  # type: ignore[arg-type]
            before = board
            board = step(board, seen, defrost, 20.0)
            out = output(board, seen, defrost, "O", True)
            self.assertFalse(out.aux_call and board.phase == "heating")
            self.assertLessEqual(board.in_phase_s, (defrost.limit_min or 10) * 60 + 20)
            if before.phase == "heating" and board.phase != "heating" and defrost.control == "time-temperature":
                self.assertTrue(closed)

    def test_the_limit_always_ends_it(self) -> None:
        for defrost in (SWITCHED, DEMAND):
            board, seen = (
                step(Board(), BoardInput(coil_f=20, switch_closed=True, pins="force"), defrost, 1),
                BoardInput(coil_f=20, ambient_f=21, switch_closed=True),
            )
            for _ in range(601):
                board = step(board, seen, defrost, 1)
            self.assertEqual(board.phase, "heating")

    def test_no_defrost_with_the_switch_open_and_b_valves_are_the_other_way_round(self) -> None:
        board = step(Board(run_s=1e6), BoardInput(switch_closed=False, pins="force"), SWITCHED, 1)
        self.assertEqual(board.phase, "heating")
        self.assertEqual([output(Board("defrost"), BoardInput(), SWITCHED, valve, True).valve_on for valve in "OB"], [True, False])
        with self.assertRaises(ValueError):
            step(Board(), BoardInput(), SWITCHED, -1)


# What each fault can be told as. `apart` where readings and stamps name it alone; a lane where they name a group of causes.
TOLD = {
    "never-starts": ("start", "bad", ("defrost board",)), "fan-relay": ("fan", "bad", ("board fan relay",)), "no-aux-call": ("aux", "bad", ()),
    "valve-stuck": ("valve", "unsure", ()), "switch-stuck-closed": ("end", "watch", ()), "low-charge": ("end", "watch", ()),
    "late-end": ("end", "bad", ("defrost board",)), "pressure-trip": ("contactor", "watch", ()),
}  # fmt: skip
BOARDS = (SWITCHED, DEMAND, replace(SWITCHED, fan_first_s=20), replace(DEMAND, shift_delay=True), replace(SWITCHED, shift_delay=True))


class WholeRuns(unittest.TestCase):
    def test_a_healthy_board_of_every_profile_is_never_accused(self) -> None:
        for defrost in BOARDS:
            events, watched = simulate_defrost(plate(defrost))
            of = visit(defrost, events, watched)
            self.assertEqual(set(lanes(of).values()), {"good"}, str(defrost))
            self.assertEqual(assess(of).accused, ())

    @given(st.sampled_from(BOARDS), st.integers(0, 10**6), st.booleans())
    def test_nor_with_jittered_stamps_and_one_missing(self, defrost: Defrost, seed: int, miss: bool) -> None:
        chance = random.Random(seed)
        events, watched = simulate_defrost(plate(defrost))
        shaken = [replace(one, s=max(0.0, one.s + chance.uniform(-2, 2))) if one.event != "forced" else one for one in events]
        if miss:
            shaken.pop(chance.randrange(1, len(shaken)))
        self.assertEqual(assess(visit(defrost, tuple(shaken), watched)).accused, ())

    def test_every_fault_is_told_in_its_lane(self) -> None:
        for fault in FAULTS:
            if fault == "none":
                continue
            lane, verdict, accused = TOLD[fault]
            events, watched = simulate_defrost(plate(SWITCHED), fault)
            of = visit(SWITCHED, events, watched)
            self.assertEqual(lanes(of)[lane], verdict, fault)
            self.assertEqual(tuple(one.part for one in assess(of).accused), accused, fault)

    def test_the_valve_is_accused_only_with_volts_on_a_sound_coil(self) -> None:
        events, watched = simulate_defrost(plate(SWITCHED), "valve-stuck")
        base = visit(SWITCHED, events, watched)
        proved = replace(base, readings=(*base.readings, Reading("defrost.valve_coil.v", "25"), Reading("defrost.valve_coil.ohm", "17")))
        self.assertEqual([one.part for one in assess(proved).accused], ["reversing valve"])
        dead = replace(base, readings=(*base.readings, Reading("defrost.valve_coil.v", "0.2")))
        self.assertEqual((lanes(dead)["valve"], assess(dead).accused), ("bad", ()))

    def test_the_board_is_not_blamed_before_all_is_proved(self) -> None:
        events, watched = simulate_defrost(plate(SWITCHED), "never-starts")
        base = visit(SWITCHED, events, watched)
        for less in (
            replace(base, seen={"defrost.call": "yes"}), replace(base, seen={"defrost.call": "no", "defrost.pins": "right"}), replace(base, readings=()),
            replace(base, readings=(Reading("control.r_c.v", "0.2"), Reading("defrost.switch.ohm", "closed"))),
            replace(base, readings=(Reading("control.r_c.v", "26"), Reading("defrost.switch.ohm", "OL"))),
        ):  # fmt: skip
            self.assertEqual((lanes(less)["start"], assess(less).accused), ("unsure", ()))

    def test_a_lifted_fan_lead_silences_its_lane(self) -> None:
        events, watched = simulate_defrost(plate(SWITCHED), "fan-relay")
        lifted = visit(SWITCHED, events, watched, lifted=(Lifted("Fan wire lifted"),))
        self.assertEqual((lanes(lifted)["fan"], assess(lifted).accused), ("unjudged", ()))

    def test_no_aux_fitted_is_no_fault(self) -> None:
        bare = plate(SWITCHED, aux_heat=AuxHeat(kind="none"))
        events, watched = simulate_defrost(bare)
        self.assertEqual(lanes(visit(SWITCHED, events, watched, plate=bare))["aux"], "unjudged")

    def test_a_jumpered_switch_ending_by_time_is_expected(self) -> None:
        events, watched = simulate_defrost(plate(SWITCHED), "switch-stuck-closed")
        for jumper in (Lifted("Switch jumper on"), Lifted("Switch jumper on", end=LiftedEnd("back"))):
            self.assertEqual(lanes(visit(SWITCHED, events, watched, lifted=(jumper,)))["end"], "good")

    def test_a_short_forced_run_on_a_clear_coil_is_right(self) -> None:
        run = tuple(
            DefrostEvent(s, name)
            for s, name in (
                (0, "forced"),
                (2, "valve-shift"),
                (2, "fan-off"),
                (3, "aux-on"),
                (9, "ended"),
                (10, "fan-on"),
                (10, "valve-back"),
                (11, "aux-off"),
            )
        )  # type: ignore[arg-type]
        self.assertEqual(set(lanes(visit(DEMAND, run, 60)).values()), {"good"})

    def test_nothing_is_missed_before_its_time(self) -> None:
        run = (DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"))
        found = lanes(visit(DEMAND, run, 4))
        self.assertEqual((found["fan"], found["aux"], found["end"]), ("unjudged", "unjudged", "unjudged"))
