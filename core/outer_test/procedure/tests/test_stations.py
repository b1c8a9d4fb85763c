"""The plan of a round: what it asks for changes with the unit and the complaint, and what is missing follows from it."""

import unittest
from dataclasses import replace
from typing import get_args

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.assessment import assess, judge
from outer_test.entry import parse_typed
from outer_test.judgement import Verdict
from outer_test.nameplate import Compressor, Contactor, Plate, RunCapacitor
from outer_test.procedure import caught, plan_of, step_at
from outer_test.visit import POINTS, PowerState, Reading, Visit
from visit_samples.any_visits import visits

PLATE = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6), compressor=Compressor(rla=17.9, kind="scroll"))
BAD_HERM = {"cap.herm.uf": Verdict.BAD}


class Stations(unittest.TestCase):
    def test_what_changes_it(self) -> None:
        plain = plan_of(Visit(plate=PLATE), {}).stations
        others = {
            "another plate": plan_of(Visit(plate=replace(PLATE, contactor=Contactor(poles=1))), {}),
            "a bad section": plan_of(Visit(plate=PLATE), BAD_HERM),
            "the fan": plan_of(Visit(plate=PLATE, complaint="fan-stopped"), {}),
            "unmarked terminals": plan_of(Visit(plate=PLATE, readings=(Reading("winding.t1_t2.ohm", "0.6"),)), {}),
        }
        self.assertEqual(len({plain, *(plan.stations for plan in others.values())}), len(others) + 1)

    def test_a_new_part_stays_on_it_once_it_was_measured(self) -> None:
        new = Reading("cap.new_herm.uf", "55.1")
        self.assertEqual(plan_of(Visit(plate=PLATE, readings=(new,)), {}), plan_of(Visit(plate=PLATE), BAD_HERM))


class Units(unittest.TestCase):
    def test_a_unit_is_asked_where_the_wrong_one_changes_the_meaning_and_each_is_understood(self) -> None:
        asked = {name: step_at(name).units for name in POINTS if step_at(name).units}
        self.assertLessEqual(
            {"winding.c_ground.ohm", "fan_winding.c_ground.ohm", "defrost.coil_sensor.ohm", "contactor.pole1.drop_v"}, set(asked)
        )
        for name, units in asked.items():
            for unit in units:
                with self.subTest(name, unit=unit):
                    self.assertTrue(parse_typed(f"5 {unit}", name).unit_said)


class Keys(unittest.TestCase):
    def test_each_whole_answer_of_a_keypad_is_understood_there(self) -> None:
        """A beep is offered only where a beep can answer."""
        for name in POINTS:
            for key in step_at(name).keys:
                with self.subTest(name, key=key.label):
                    if key.whole:
                        self.assertEqual(parse_typed(key.types, name).value, key.types)

    def test_a_drop_of_millivolts_can_be_typed_as_it_is_shown(self) -> None:
        for name in ("contactor.pole1.drop_v", "line.fuse1.v", "line.fuse2.v"):
            self.assertIn("mV", [key.label for key in step_at(name).keys], name)
            self.assertEqual(parse_typed("22 mV", name).value, "0.022", name)


class Missing(unittest.TestCase):
    @settings(max_examples=60, deadline=None)
    @given(visits)
    def test_missing_is_what_the_plan_needs_and_nobody_read(self, visit: Visit) -> None:
        stands = judge(visit).inputs  # what the record contradicts is as if it was not read
        read = set(stands.latest) | set(stands.visit.seen)
        judged = assess(visit)
        stopped = bool(judged.stops)  # a stop asks for nothing live
        needed = [(station.name, step.point) for station, step in plan_of(visit, {}).needed if not (stopped and step.power == "live")]
        missing = [(one.station, one.point) for one in judged.missing]
        self.assertEqual(missing, [(station, point) for station, point in needed if point not in read])


class Caught(unittest.TestCase):
    @given(st.sampled_from(get_args(PowerState)))
    def test_dead_work_is_caught_unless_proved_dead_and_live_work_only_then(self, power: PowerState) -> None:
        """Handbook section 4: a dead-only reading taken while not dead warns."""
        self.assertEqual(set(caught(power)), {"live"} if power == "dead-proved" else {"dead"})

    def test_its_kinds_of_work_are_those_of_the_points(self) -> None:
        kinds = {point.power for point in POINTS.values()}
        self.assertLessEqual({kind for power in get_args(PowerState) for kind in caught(power)}, kinds)
