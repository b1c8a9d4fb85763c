"""What a visit knows that bears on judging its defrost: each piece of record, and the context it comes to. Handbook 9; no source."""

import unittest
from dataclasses import replace
from typing import Any

from outer_test.assessment import assess, judge
from outer_test.nameplate import AuxHeat, Light, Plate
from outer_test.rules.defrost.applied import by_time_causes, run_context
from outer_test.rules.defrost.run_context import RunContext
from outer_test.rules.defrost.tests.test_parts_say import NOON, ON_DEMAND, PLATE, RUN, TIMED, at, read
from outer_test.visit import Lifted, PowerEvent, Reading, Seen, Visit


class WhatBearsOnARun(unittest.TestCase):
    def context(self, plate: Plate = PLATE, readings: tuple[Reading, ...] = (), **more: Any) -> RunContext:
        of: dict[str, Any] = {"defrost_run": RUN, "defrost_watched_s": 150.0, "defrost_forced_at": NOON} | more
        judged = judge(Visit(plate=plate, readings=readings, **of))
        by_point = {one.point: one for one in judged.findings}
        return run_context(judged.inputs, by_point, by_point, None)

    def test_of_the_plate_and_the_record(self) -> None:
        self.assertEqual(
            [self.context(replace(PLATE, aux_heat=AuxHeat(kind=kind))).aux_fitted for kind in ("electric", "none", None)],
            [True, False, None],
        )
        self.assertEqual(
            [
                self.context(timed_out_before=count, plate=replace(PLATE, defrost=replace(TIMED, lockout_after=3))).gave_up
                for count in (2, 3)
            ],
            [False, True],
        )
        self.assertFalse(self.context(timed_out_before=9).gave_up)
        self.assertEqual([self.context(seen={"look.coil.face": word}).iced for word in ("iced", "clear")], [True, False])
        self.assertTrue(self.context(seen={"defrost.ice": "yes"}).iced)
        for word, known in (("yes", True), ("no", False), (None, None)):
            self.assertEqual(self.context(seen={} if word is None else {"defrost.call": word}).heating_call, known)
        for word, known in (("right", True), ("unsure", False), (None, None)):
            self.assertEqual(self.context(seen={} if word is None else {"defrost.pins": word}).right_pins, known)
        power = (PowerEvent("live", at(-200)),)
        self.assertEqual((self.context(power=power).since_power_up_s, self.context().since_power_up_s), (200.0, None))
        self.assertEqual([self.context(power=(PowerEvent(state, at(-200)),)).dead for state in ("dead-claimed", "live")], [True, False])

    def test_of_jumpers(self) -> None:
        for line, jumpered in (
            (Lifted("Coil switch jumper in", at=at(-5)), True), (Lifted("Coil switch jumper in", at=at(5)), False), (Lifted("Coil switch jumper in"), True), (Lifted("Test jumper on", at=at(-5)), False),
        ):  # fmt: skip
            self.assertEqual(self.context(lifted=(line,)).jumpered, jumpered, line)
        self.assertTrue(self.context(lifted=(Lifted("Test jumper on", at=at(-5)),)).test_jumper)
        self.assertEqual(self.context(lifted=(Lifted("Fan wire off", at=at(-5)),)).lifted_lanes, {"fan"})

    def test_of_readings(self) -> None:
        def read_so(point: str, value: str, second: float = -5, **more: Any) -> RunContext:
            return self.context(readings=(Reading(point, value, at=at(second)),), **more)

        self.assertEqual([read_so("control.y_in.v", text).call_at_board for text in ("26", "5.0", "4.9", "OL")], [True, True, False, None])
        self.assertEqual([read_so("control.r_c.v", text).control_volts for text in ("26", "21", "12")], [True, True, False])
        both = self.context(readings=(Reading("control.r_c.v", "26"), Reading("defrost.control.v", "3")))
        self.assertFalse(both.control_volts, "at the board itself before anywhere upstream")
        self.assertEqual([read_so("defrost.switch.ohm", text).switch_closed for text in ("closed", "OL", "180")], [True, False, None])
        self.assertTrue(self.context(ON_DEMAND).switch_closed)
        self.assertEqual([read_so("defrost.valve_coil.ohm", text).valve_coil_sound for text in ("17", "75", "OL")], [True, True, False])
        self.assertEqual([read_so("amps.compressor.run_a", text).compressor_runs for text in ("12.1", "0.0")], [True, False])
        self.assertIsNone(self.context().compressor_runs)
        self.assertFalse(self.context(seen={"start.result": "hummed"}).compressor_runs)
        self.assertIsNone(self.context(seen={"start.result": "started"}).compressor_runs)
        for volts, fed in (("20.0", True), ("3.0", False)):
            self.assertEqual(
                (read_so("defrost.aux_call.v", volts, 50).aux_volts, read_so("defrost.valve_coil.v", volts, 50).valve_fed), (fed, fed)
            )
            self.assertEqual(
                (read_so("defrost.aux_call.v", volts, -5).aux_volts, read_so("defrost.valve_coil.v", volts, 500).valve_fed), (None, None)
            )

    def test_of_sensors(self) -> None:
        sound, wrong = Reading("defrost.coil_sensor.ohm", "33621"), Reading("defrost.coil_sensor.ohm", "closed")
        self.assertEqual([self.context(ON_DEMAND, (one,)).sensors_read for one in (sound, wrong)], [True, False])
        self.assertIsNone(self.context(ON_DEMAND).sensors_read)
        self.assertIsNone(self.context(PLATE, (wrong,)).sensors_read)
        for plug in ("Coil sensor unplugged", "Ambient sensor unplugged"):
            self.assertIs(self.context(ON_DEMAND, lifted=(Lifted(plug, at=at(-5)),)).sensors_read, False, plug)

    def test_of_the_kind_of_system(self) -> None:
        two = replace(PLATE, compressor=replace(PLATE.compressor, stages=2))
        for second, stage, low in ((0, "low", True), (150, "low", True), (151, "low", False), (-1, "low", False), (50, "high", False)):
            self.assertEqual(self.context(two, seen={"amps.stage": Seen(stage, at(second))}).system.low_stage, low, (second, stage))
        self.assertFalse(self.context(PLATE, seen={"amps.stage": Seen("low", at(50))}).system.low_stage)
        self.assertTrue(self.context(replace(PLATE, aux_heat=AuxHeat(kind="gas"))).system.dual_fuel)
        through = self.context(replace(PLATE, system=("zone-panel", "outdoor-thermostat"))).system.w_through
        self.assertEqual(through, "a zone panel and an outdoor thermostat")

    def test_of_its_lights(self) -> None:
        board = replace(
            TIMED,
            lockout_after=3,
            lights=(
                Light(3, "locked out", "red", fault=True),
                Light(3, "runs", "green", fault=False),
                Light(0, "runs", "red", fault=False),
            ),
        )
        for flashes, colour, out in (
            ("3", "red", True),
            ("3", None, True),
            ("3", "green", False),
            ("0", "red", False),
            ("2", "red", False),
        ):
            seen = {} if colour is None else {"look.board.colour": colour}
            got = self.context(replace(PLATE, defrost=board), (Reading("look.board.flashes", flashes),), seen=seen).locked_out
            self.assertEqual(got, out, (flashes, colour))
        self.assertFalse(
            self.context(replace(PLATE, defrost=replace(board, lockout_after=None)), (Reading("look.board.flashes", "3"),)).locked_out
        )

    def test_what_could_end_it_by_time(self) -> None:
        def causes(plate: Plate, *readings: tuple[str, str], **more: Any) -> tuple[str, ...]:
            visit = read(plate, *readings, **more)
            return by_time_causes(visit, {one.point: one for one in assess(visit).findings})

        self.assertEqual(causes(PLATE), ("coil switch stuck closed", "low charge", "wind on the coil"))
        self.assertEqual(causes(PLATE, ("defrost.switch.ohm", "closed"), ("defrost.coil.f", "70")), ("coil switch stuck closed",))
        self.assertEqual(causes(PLATE, ("defrost.switch.ohm", "OL"), ("defrost.coil.f", "70")), ("low charge", "wind on the coil"))
        self.assertEqual(
            causes(PLATE, ("defrost.switch.ohm", "closed"), ("defrost.coil.f", "20"))[0],
            "coil switch stuck closed",
            "closed and cold clears nothing",
        )
        self.assertEqual(causes(PLATE, defrost_seen={"fan-off": "no"}), ("board fan relay",))
        self.assertEqual(causes(ON_DEMAND, ("defrost.coil_sensor.ohm", "33621"), ("defrost.coil.f", "60")), ("coil sensor drifted",))
        self.assertNotIn("coil sensor drifted", causes(ON_DEMAND, ("defrost.coil_sensor.ohm", "33621"), ("defrost.coil.f", "32")))
        self.assertEqual(causes(ON_DEMAND, seen={"look.sensor.seat": "slipped"}), ("sensor out of its well",))
        self.assertNotIn("sensor out of its well", causes(ON_DEMAND, seen={"look.sensor.seat": "seated"}))
