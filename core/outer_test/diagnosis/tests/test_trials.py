"""Simulated visits with a fault put in: what following *next* ends with. A model of ours [M]; `./test bench.diagnosis` prints the whole."""

import random
import unittest
from collections import Counter
from dataclasses import replace

from outer_test.assessment import judge
from outer_test.diagnosis import NextTest, diagnose, table_of
from outer_test.diagnosis.around_it import before_it
from outer_test.twin import FaultKey
from outer_test.visit import Visit
from visit_samples.trials import SHAPES, Result, Trial, trials

VISITS = 300


def drawn(count: int, seed: int, wrong: float = 0.0, missing: float = 0.0) -> list[Trial]:
    """So many trials over all shapes of unit, drawn by a seed."""
    every = [one for plate in SHAPES.values() for one in trials(plate, 1, wrong, missing)]
    return random.Random(seed).sample(every, count)


def results(some: list[Trial]) -> Counter[Result]:
    """How the trials end; a healthy part that is accused is printed."""
    counted: Counter[Result] = Counter()
    for one in some:
        result, ended = one.run()
        counted[result] += 1
        if result is Result.WRONG:
            print(f"accused {[each.fault.value for each in ended.found.accused]} of {one.fault} ({one.seed})")
    return counted


class Named(unittest.TestCase):
    tags = frozenset({"slow"})

    def test_most_faults_are_named_and_a_healthy_part_hardly_ever(self) -> None:
        """The aim of the bench is higher; this floor is what a change may not fall under."""
        counted = results(drawn(VISITS, 1))
        self.assertGreaterEqual(counted[Result.RIGHT], 0.90 * VISITS, counted)
        self.assertLessEqual(counted[Result.WRONG], 0.02 * VISITS, counted)

    def test_one_reading_of_ten_left_out_accuses_no_healthy_part(self) -> None:
        counted = results(drawn(60, 2, missing=0.1))
        self.assertLessEqual(counted[Result.WRONG], 1, counted)

    def test_one_reading_of_ten_wrong_seldom_accuses_one(self) -> None:
        """The bench's aim is 2 %; what is left are parts that one reading confirms by itself, as a ground under 10 kΩ does."""
        counted = results(drawn(60, 2, wrong=0.1))
        self.assertLessEqual(counted[Result.WRONG], 3, counted)


class Shows(unittest.TestCase):
    """A fault that no test shows on any unit would never be concluded."""

    tags = frozenset({"slow"})

    def test_every_fault_shows_on_some_unit(self) -> None:
        kinds = ("scroll, timed board", "scroll, demand, valve B", "reciprocating, relay, singles", "two contactors", "inverter")
        shown = {key for name in kinds for key, row in table_of(SHAPES[name]).rows.items() if row.measured}
        only_seen = {FaultKey.WELDED, FaultKey.FAN_WRONG_WAY, FaultKey.TIMER_WRONG}  # faces, the air's way, hours of watching
        self.assertEqual(set(FaultKey) - shown, only_seen)

    def test_three_phases_have_leads_and_a_load(self) -> None:
        rows = table_of(SHAPES["three phase"]).rows
        for key in (FaultKey.LEAD_OPEN, FaultKey.LEAD_JOINT, FaultKey.NOT_PUMPING, FaultKey.HIGH_CHARGE, FaultKey.DIRTY_COIL):
            self.assertTrue(rows[key].measured, key)


class Ends(unittest.TestCase):
    """Where no test tells any more, a visit comes to its end: what stands is not asked for over and over."""

    tags = frozenset({"slow"})

    def test_what_passes_as_sound(self) -> None:
        plate = SHAPES["scroll, timed board"]
        _, ended = Trial(plate, FaultKey.TIGHT, 0, f"{FaultKey.TIGHT} 0 0").run()
        self.assertEqual(ended.found.accused, ())
        times = Counter(reading.point for reading in ended.visit.readings if not reading.point.startswith("safe."))
        self.assertEqual(times["record.suction.psi"], 1, "low charge is not told by electricity: its gauges are read once")
        self.assertLessEqual(max(times.values()), 2, times)

    def test_a_mend_is_proved_where_the_fault_was_found(self) -> None:
        plate = SHAPES["reciprocating, relay, singles"]
        _, ended = Trial(plate, FaultKey.LEAD_JOINT, 3, f"{FaultKey.LEAD_JOINT} 3 0").run()
        found = {reading.point: float(reading.value) for reading in ended.visit.readings if reading.point.startswith("lead.")}
        assert ended.found.next is not None
        self.assertEqual(ended.found.next.point, max(found, key=lambda point: found[point]))

    def test_a_coil_switch_is_measured_before_a_defrost_melts_what_it_says(self) -> None:
        """Handbook 9: an iced coil is evidence, and `which-way` asks for the switch as measured."""
        iced = Visit(plate=SHAPES["scroll, timed board"], complaint="iced-over", seen={"look.coil.face": "iced"})
        self.assertIn("defrost.coil.f", diagnose(iced).path)
        for plate, first in ((SHAPES["scroll, timed board"], "defrost.coil.f"), (SHAPES["two contactors"], "defrost.coil.f")):
            asked = NextTest("defrost.call", "", "", 10.0, "live")
            self.assertEqual(before_it(asked, judge(replace(iced, plate=plate))).point, first)
        clear = replace(iced, plate=SHAPES["two contactors"], seen={"look.coil.face": "clear"})
        self.assertEqual(before_it(NextTest("defrost.call", "", "", 10.0, "live"), judge(clear)).point, "defrost.call")


class Whole(unittest.TestCase):
    """Every fault, every way it shows, every shape of unit."""

    tags = frozenset({"long"})

    def test_every_fault_on_every_shape(self) -> None:
        every = [one for plate in SHAPES.values() for one in trials(plate, 1)]
        counted = results(every)
        self.assertGreaterEqual(counted[Result.RIGHT], 0.95 * len(every), counted)
        self.assertLessEqual(counted[Result.WRONG], 0.01 * len(every), counted)
        sound = [one for one in every if one.fault is None]
        self.assertGreaterEqual(results(sound)[Result.RIGHT], 0.99 * len(sound))

    def test_with_one_reading_of_ten_wrong_or_left_out(self) -> None:
        for wrong, missing in ((0.1, 0.0), (0.0, 0.1)):
            every = [one for plate in SHAPES.values() for one in trials(plate, 1, wrong, missing)]
            counted = results(every)
            self.assertLessEqual(counted[Result.WRONG], (0.05 if wrong else 0.02) * len(every), counted)
