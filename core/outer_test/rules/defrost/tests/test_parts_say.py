"""Switch, sensors, valve and lights of a defrost control on a visit: what each is held against, and what is said. Handbook 9.

Common practice, no source, but for what a line names.
"""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from typing import Any

from outer_test.assessment import assess
from outer_test.judgement import Finding, HouseRules
from outer_test.measurement import Accuracy, measure
from outer_test.nameplate import AuxHeat, Compressor, Defrost, Light, Plate, SensorPoint
from outer_test.rules.defrost import (
    AtSwitch,
    BinHours,
    SensorCurve,
    board_lights,
    demand_credit,
    interval_cost,
    sensor_ohm,
    sensors_agree,
    switch_state,
    valve_coil,
    which_way,
    will_it_frost,
)
from outer_test.rules.defrost.board_swap import kit_words, line_names, settings_of
from outer_test.rules.defrost.interval import DefrostUse
from outer_test.rules.defrost.lock_out import ended_by_time, timed_out_in_a_row
from outer_test.rules.defrost.valve_coil import valve_volts
from outer_test.visit import BoardWire, DefrostEvent, Reading, Visit
from visit_samples.says import Says

NOON = datetime(2027, 1, 14, 12, tzinfo=UTC)
TIMED = Defrost(control="time-temperature", minutes=60, closes_f=30, opens_f=55, limit_min=10, confirmed=True)
DEMAND = Defrost(control="demand", limit_min=10, sensor_r25_ohm=10_000.0, sensor_b_k=3950.0, confirmed=True)
PLATE = Plate(valve="O", defrost=TIMED, aux_heat=AuxHeat(kind="electric"), compressor=Compressor(kind="scroll", rla=15))
ON_DEMAND = replace(PLATE, defrost=DEMAND)
RUN = (DefrostEvent(0, "forced"), DefrostEvent(3, "valve-shift"), DefrostEvent(100, "ended"))


def at(second: float) -> datetime:
    return NOON + timedelta(seconds=second)


def found(visit: Visit, point: str) -> Finding:
    return next(one for one in assess(visit).findings if one.point == point)


def read(plate: Plate, *readings: tuple[str, str], **more: Any) -> Visit:
    return Visit(plate=plate, readings=tuple(Reading(*one) for one in readings), **more)


class TheSwitch(Says):
    def test_by_temperature(self) -> None:
        for word, coil, verdict, why, step in (
            ("closed", "30", "good", "Closed at 30 °F", ""), ("closed", "31", "unsure", "keeps its last state", "Warm it"), ("closed", "60", "bad", "Stuck closed", "Warm or chill"),
            ("OL", "55", "good", "Open at 55 °F", ""), ("OL", "54", "unsure", "keeps its last state", "Chill it"), ("OL", "25", "bad", "Stuck open", "Warm or chill"), ("180", "25", "unsure", "Neither closed nor open", "one lead off"),
        ):  # fmt: skip
            self.judged_so(switch_state(measure(word), 30, 55, AtSwitch(measure(coil))), verdict, why, step)
        self.assertEqual(switch_state(measure("OL"), 30, 55, AtSwitch()).needs, ("defrost.coil.f",))
        self.assertEqual(switch_state(measure("OL"), 30, 55, AtSwitch(in_air=True)).needs, ("defrost.ambient.f",))
        self.judged_so(switch_state(measure("OL"), 30, 55, AtSwitch()), "unjudged", "the coil's temperature")
        self.judged_so(switch_state(measure("OL"), 30, 55, AtSwitch(in_air=True)), "unjudged", "the air's temperature")
        for closes, opens in ((None, 55), (30, None)):
            self.assertEqual(switch_state(measure("OL"), closes, opens, AtSwitch(measure("60"))).verdict, "unjudged")

    def test_with_ice_at_it(self) -> None:
        ice = AtSwitch(ice=True)
        self.judged_so(switch_state(measure("closed"), 30, 55, ice), "good", "Go on to the board")
        for coil, verdict in (("37", "good"), ("38", "unsure")):
            self.judged_so(switch_state(measure("closed"), 40, 65, replace(ice, coil_f=measure(coil))), verdict)
        self.judged_so(switch_state(measure("OL"), 30, 55, replace(ice, coil_f=measure("38"))), "unsure", "one of the two is wrong")
        for closes, ran, air, verdict in (
            (37, None, None, "bad"), (36.9, None, None, "unsure"), (25, True, 31, "bad"), (24.9, True, 31, "unsure"), (25, True, 32, "unsure"), (25, False, 31, "unsure"), (25, True, None, "unsure"),
        ):  # fmt: skip
            self.judged_so(switch_state(measure("OL"), closes, 70, replace(ice, just_ran=ran, outdoor_f=air)), verdict)
        self.assertEqual(switch_state(measure("OL"), 30, 55, replace(ice, in_air=True)).needs, ("defrost.ambient.f",))

    def test_on_a_visit(self) -> None:
        self.assertIsNone(found(read(ON_DEMAND, ("defrost.switch.ohm", "OL")), "defrost.switch.ohm").verdict)
        generic = replace(PLATE, defrost=replace(TIMED, profile="timed, plain", confirmed=False))
        self.judged_so(
            found(read(generic, ("defrost.switch.ohm", "OL"), ("defrost.coil.f", "20")), "defrost.switch.ohm"), "unjudged", "a hint only"
        )
        in_air = replace(PLATE, defrost=replace(TIMED, switch_in_air=True))
        for outdoor, ambient, verdict in ((20, None, "bad"), (60, None, "good"), (60, "20", "bad"), (None, None, "unjudged")):
            more = () if ambient is None else (("defrost.ambient.f", ambient),)
            conditions = {} if outdoor is None else {"conditions": replace(Visit().conditions, outdoor_f=outdoor)}
            self.judged_so(
                found(read(in_air, ("defrost.switch.ohm", "OL"), ("defrost.coil.f", "90"), *more, **conditions), "defrost.switch.ohm"),
                verdict,
            )


class Sensors(Says):
    OWN = SensorCurve(own=True)

    def test_by_temperature(self) -> None:
        """[D] the B equation: 33,621 Ω at 32 °F."""
        for beside, curve, verdict, step in (
            ("32", self.OWN, "good", ""), ("34.9", self.OWN, "good", ""), ("35.1", self.OWN, "watch", "wait, read again"), ("37.9", self.OWN, "watch", ""), ("38.1", self.OWN, "bad", "read once more"),
            ("38.1", SensorCurve(), "unsure", "Confirm this unit's sensor curve"),
        ):  # fmt: skip
            one = sensor_ohm(measure("33621"), measure(beside), curve, "defrost.coil_sensor.ohm")
            self.judged_so(one, verdict, "its own curve" if curve.own else "the default curve", step)
        one = sensor_ohm(measure("33621"), measure("40"), self.OWN, "defrost.coil_sensor.ohm")
        self.assertEqual((one.low, one.watch_low, one.watch_high, one.high, one.value), (34.0, 37.0, 43.0, 46.0, 32.0))
        for part in ("coil", "ambient"):
            self.assertEqual(sensor_ohm(measure("33621"), None, self.OWN, f"defrost.{part}_sensor.ohm").needs, (f"defrost.{part}.f",))

    def test_words_open_and_shorted(self) -> None:
        point = "defrost.coil_sensor.ohm"
        for text, top, unit_said, verdict, why in (
            ("open", None, False, "unsure", "beep test"), ("closed", None, False, "bad", "shorted"), ("OL", 100_000, False, "bad", "OL: open"), ("OL", 67_242, False, "bad", "OL: open"), ("OL", 67_241, False, "unsure", "67000 Ω is needed"), ("OL", None, False, "unsure", "range"),
            ("33.6", None, False, "unsure", "Ω or kΩ?"), ("999", None, False, "unsure", "Ω or kΩ?"), ("199", None, True, "bad", "Near nothing"), ("200", None, True, "unsure", "It reads"), ("1000", None, False, "unsure", "It reads"),
        ):  # fmt: skip
            self.judged_so(sensor_ohm(measure(text, top=top), measure("32"), SensorCurve(), point, unit_said), verdict, why)
        small = SensorCurve(r25_ohm=4000)
        self.assertNotIn("kΩ?", sensor_ohm(measure("999"), measure("32"), small, point).why, "a sensor of few ohms reads in ohms")
        table = SensorCurve(table=((32.0, 32600.0), (77.0, 10000.0)), own=True)
        self.judged_so(sensor_ohm(measure("9999"), measure("77"), table, point), "unjudged", "Outside the unit's own table")
        self.judged_so(sensor_ohm(measure("32600"), measure("32"), table, point), "good")

    def test_both_after_an_hour_off(self) -> None:
        one, near, far = measure("10000"), measure("10767"), measure("10795")
        for ambient, verdict, step in ((near, "good", ""), (far, "watch", "One of them is off")):
            agree = sensors_agree(one, ambient, SensorCurve(), True)
            assert agree is not None
            self.judged_so(agree, verdict, "after an hour off", step)
        for rested in (False, None):
            waits = sensors_agree(one, near, SensorCurve(), rested)
            assert waits is not None
            self.assertEqual((waits.verdict, waits.needs), ("unjudged", ("defrost.rested",)))
        for coil, ambient in ((measure("OL"), one), (one, measure("OL")), (measure("0"), one)):
            self.assertIsNone(sensors_agree(coil, ambient, SensorCurve(), True))

    def test_on_a_visit(self) -> None:
        self.assertIsNone(found(read(PLATE, ("defrost.coil_sensor.ohm", "33621")), "defrost.coil_sensor.ohm").verdict)
        off = (("defrost.coil_sensor.ohm", "33621"), ("defrost.coil.f", "60"))
        self.judged_so(found(read(ON_DEMAND, *off), "defrost.coil_sensor.ohm"), "bad")
        self.judged_so(
            found(read(ON_DEMAND, *off, seen={"look.sensor.seat": "slipped"}), "defrost.coil_sensor.ohm"), "unsure", "", "out of its well"
        )
        ambient = (("defrost.ambient_sensor.ohm", "33621"), ("defrost.ambient.f", "60"))
        self.judged_so(found(read(ON_DEMAND, *ambient, seen={"look.sensor.seat": "slipped"}), "defrost.ambient_sensor.ohm"), "bad")

    def test_volts_of_the_boards_divider(self) -> None:
        """[D] 5 V × 33,621 ÷ (33,621 + 10,000) is 3.854 V."""
        own = replace(ON_DEMAND, defrost=replace(DEMAND, sensor_pull_ohm=10_000.0))
        volts = ("defrost.coil_sensor.vdc", "3.854")
        self.judged_so(found(read(own, volts, ("defrost.coil.f", "32")), "defrost.coil_sensor.vdc"), "good")
        self.judged_so(found(read(own, volts, ("defrost.coil.f", "60")), "defrost.coil_sensor.vdc"), "bad")
        # Behind 20 kΩ the same sensor leaves 5 V × 33,621 ÷ 53,621, 3.135 V.
        weak = replace(ON_DEMAND, defrost=replace(DEMAND, sensor_pull_ohm=20_000.0))
        self.judged_so(found(read(weak, ("defrost.coil_sensor.vdc", "3.135"), ("defrost.coil.f", "32")), "defrost.coil_sensor.vdc"), "good")
        self.judged_so(found(read(ON_DEMAND, volts), "defrost.coil_sensor.vdc"), "unjudged", "this would be 32 °F: a hint only")
        self.judged_so(found(read(own, ("defrost.coil_sensor.vdc", "5.0")), "defrost.coil_sensor.vdc"), "unjudged", "At the board's rail")
        # A sensor of few ohms by its volts: nobody asks back whether kΩ were meant.
        self.assertNotIn("kΩ?", found(read(own, ("defrost.coil_sensor.vdc", "0.40")), "defrost.coil_sensor.vdc").why)
        tabled = replace(ON_DEMAND, defrost=replace(DEMAND, sensor_table=(SensorPoint(32, 32600), SensorPoint(77, 10000))))
        self.judged_so(found(read(tabled, ("defrost.coil_sensor.vdc", "0.40")), "defrost.coil_sensor.vdc"), "unjudged", "No temperature")


class TheValve(Says):
    def test_its_coil(self) -> None:
        exact = Accuracy(0, 1)
        for text, verdict, why, step in (
            ("4.9", "bad", "between 8 and 60", "Shorted"), ("5.0", "watch", "", "Measure again"), ("7.9", "watch", "", ""), ("8.0", "good", "", ""), ("60.0", "good", "", ""), ("60.1", "watch", "", "leads off"), ("OL", "bad", "coil is open", "its plug"), ("closed", "unsure", "continuity only", "Measure its ohms"),
        ):  # fmt: skip
            self.judged_so(valve_coil(measure(text, exact)), verdict, why, step)
        for top, verdict in ((59, "unsure"), (60, "bad")):
            self.judged_so(valve_coil(measure("OL", top=top)), verdict)
        self.judged_so(valve_coil(measure("1350"), inverter=True), "unjudged", "line volts")
        self.judged_so(valve_coil(measure("1350")), "watch")

    def test_its_volts(self) -> None:
        for valve, in_defrost, fed, unfed in (
            ("O", True, "good", "bad"),
            ("O", False, "bad", "good"),
            ("B", True, "bad", "good"),
            ("B", False, "good", "bad"),
        ):
            point = "defrost.valve_coil.v" if in_defrost else "defrost.valve_heating.v"
            self.assertEqual([valve_volts(point, measure(text), valve, in_defrost).verdict for text in ("25.6", "0.3")], [fed, unfed])  # type: ignore[arg-type]
        self.judged_so(
            valve_volts("defrost.valve_coil.v", measure("0.3"), "O", True),
            "bad",
            "an O valve has 24 V in defrost",
            "24 V there is the wire",
        )
        self.judged_so(
            valve_volts("defrost.valve_coil.v", measure("25"), "B", True), "bad", "a B valve has none in defrost", "at the thermostat"
        )
        self.judged_so(valve_volts("control.stat_valve.v", measure("25"), "O", False), "bad", "none in heating", "Set the thermostat")

    def test_on_a_visit(self) -> None:
        def volts(second: float | None, plate: Plate = PLATE, **more: Any) -> Finding:
            reading = Reading("defrost.valve_coil.v", "0.3", at=None if second is None else at(second))
            of: dict[str, Any] = {"defrost_run": RUN, "defrost_watched_s": 150.0, "defrost_forced_at": NOON} | more
            return found(Visit(plate=plate, readings=(reading,), **of), "defrost.valve_coil.v")

        for second, verdict in ((-1, "unjudged"), (0, "bad"), (100, "bad"), (101, "unjudged"), (None, "bad")):
            self.judged_so(volts(second), verdict)
        self.judged_so(volts(-1), "unjudged", "not read in a defrost", "while it defrosts")
        self.judged_so(volts(50, defrost_run=()), "unjudged", "not read in a defrost")
        self.judged_so(volts(50, replace(PLATE, valve=None)), "unjudged", "O or B is not on the plate")
        for volts_in_heating, verdict in (("25.6", "bad"), ("0.3", "good")):
            self.judged_so(found(read(PLATE, ("defrost.valve_heating.v", volts_in_heating)), "defrost.valve_heating.v"), verdict)
        word = Visit(plate=PLATE, readings=(Reading("defrost.valve_heating.v", "OL"),))
        self.judged_so(found(word, "defrost.valve_heating.v"), "unjudged", "No number")


class TheRest(Says):
    def test_lights(self) -> None:
        legend = (
            Light(1, "one", "red", fault=True),
            Light(2, "two", "red", fault=False),
            Light(2, "else", "green", fault=False),
            Light(0, "", "red", fault=False),
        )
        for flashes, colour, verdict, why in (
            (1, "red", "watch", "1 flash, red: one"), (2, "red", "good", "2 flashes, red: two"), (0, "red", "good", "Lit and steady, red: no meaning recorded"), (2, None, "unjudged", "red or green mean different things"), (5, "red", "unjudged", "5 flashes, red: the unit's legend has no such line"),
        ):  # fmt: skip
            one = board_lights(legend, flashes, colour)
            self.judged_so(one, verdict, why)
            self.assertEqual(bool(one.next), verdict == "watch")
        self.assertEqual(board_lights((), 1, "red").needs, ("defrost.lights",))

    def test_which_way(self) -> None:
        for board, air, closed, way, lifts in (
            (TIMED, 34, True, "time-pins", 1), (TIMED, 34, False, "jumper-switch", 2), (TIMED, 34, None, "measure-first", 0), (DEMAND, 34, None, "force-pins", 1), (Defrost(), 34, True, "unknown", 0), (replace(TIMED, start="switch-and-test"), 34, None, "switch-and-test", 1),
        ):  # fmt: skip
            got = which_way(board, air, closed)
            self.assertEqual((got.way, len(got.lifts)), (way, lifts))
        self.assertEqual([which_way(TIMED, air, True).caution != "" for air in (65, 66, None)], [False, True, False])
        self.assertIn("Leave the jumper on", which_way(replace(TIMED, hold_jumper="leave"), 34, True).steps[-1])
        self.assertIn("Lift the jumper", which_way(TIMED, 34, True).steps[-1])
        self.assertIn("short J4 for 5 s", which_way(replace(TIMED, pins="J4", pins_hold_s=5), 34, True).steps[0])

    def test_when_a_coil_frosts(self) -> None:
        for air, humidity, frosts, why in (
            (48, 90, False, "Above freezing"),
            (47, 90, True, "It frosts"),
            (36, 85, True, "It frosts"),
            (20, 15, False, "Too dry"),
        ):
            got = will_it_frost(air, humidity)
            self.assertEqual((got.frosts, why in got.why), (frosts, True), (air, humidity, got.why))
        for wrong in (0.0, 100.1):
            with self.assertRaises(ValueError):
                will_it_frost(36, wrong)

    def test_what_it_costs(self) -> None:
        """[D] defrosts × minutes ÷ 60 × aux kW; 10 CFR 430 Subpart B App. M (from memory) for the credit."""
        use = DefrostUse((BinHours(30, 100), BinHours(46, 10), BinHours(47, 1000)), 0.5, 6, 10, 0.2)
        got = interval_cost(90, use)
        self.assertEqual((got.defrosts_a_day, got.kwh_a_day, round(got.cost_a_day, 6)), (8.0, 8.0, 1.6))
        self.assertEqual((round(got.defrosts_a_season, 6), round(got.cost_a_season, 6)), (round(110 / 3, 6), round(110 / 3 * 0.2, 6)))
        for most, between, credit in ((12.0, 1.0, 1.03), (12, 1.5, 1.03), (12, 12, 1.0), (6, 3.75, 1.015)):
            self.assertAlmostEqual(demand_credit(between, most), credit, places=9)
        for too_far in (1.5, 12.1):
            with self.assertRaises(ValueError):
                demand_credit(6, too_far)

    def test_counted_in_a_row(self) -> None:
        def ended(seconds: float, *more: DefrostEvent) -> tuple[DefrostEvent, ...]:
            return (DefrostEvent(0, "forced"), DefrostEvent(0, "valve-shift"), *more, DefrostEvent(seconds, "ended"))

        plain = replace(DEMAND, shift_delay=False)
        self.assertEqual([ended_by_time(ended(seconds), plain) for seconds in (584.9, 585)], [False, True])
        self.assertFalse(ended_by_time(ended(600, DefrostEvent(590, "switch-open")), plain))
        self.assertIsNone(ended_by_time(ended(600)[:2], plain))
        self.assertEqual(timed_out_in_a_row([ended(600), ended(600)], plain), 2)
        self.assertEqual(timed_out_in_a_row([ended(600), ended(200), ended(600)], plain, 5), 1)
        self.assertEqual(timed_out_in_a_row([ended(600)[:2]], plain, 2), 2)

    def test_a_new_board(self) -> None:
        self.assertEqual(line_names((BoardWire("Y"), BoardWire("Y"), BoardWire("Y"))), ["Board wire Y", "Board wire Y 2", "Board wire Y 3"])
        self.assertEqual(kit_words(TIMED, HouseRules()).count("its coil switch"), 1)
        self.assertIn("only what failed", kit_words(DEMAND, HouseRules(board_kit="failed-only")))
        self.assertEqual(settings_of(Defrost()), ())
