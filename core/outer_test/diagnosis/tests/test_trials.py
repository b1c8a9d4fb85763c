"""Simulated visits with a fault put in: what following *next* ends with. A model of ours [M]; `./test bench.diagnosis` prints the whole."""

import random
import unittest
from collections import Counter

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


class Whole(unittest.TestCase):
    """Every fault, every way it shows, every shape of unit."""

    tags = frozenset({"long"})

    def test_every_fault_on_every_shape(self) -> None:
        every = [one for plate in SHAPES.values() for one in trials(plate, 1)]
        counted = results(every)
        self.assertGreaterEqual(counted[Result.RIGHT], 0.92 * len(every), counted)
        self.assertLessEqual(counted[Result.WRONG], 0.01 * len(every), counted)
        sound = [one for one in every if one.fault is None]
        self.assertGreaterEqual(results(sound)[Result.RIGHT], 0.99 * len(sound))

    def test_with_one_reading_of_ten_wrong_or_left_out(self) -> None:
        for wrong, missing in ((0.1, 0.0), (0.0, 0.1)):
            every = [one for plate in SHAPES.values() for one in trials(plate, 1, wrong, missing)]
            counted = results(every)
            self.assertLessEqual(counted[Result.WRONG], (0.05 if wrong else 0.02) * len(every), counted)
