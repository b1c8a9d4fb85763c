"""How long `assess` takes for a whole visit, as a ratio to parsing its file with json.loads. Run: ./test bench.assess"""

import json
import time
import unittest
from collections.abc import Callable
from statistics import median

from bench.visits import big_visit
from outer_test.assessment import assess
from outer_test.visit import read_visit, write_visit

ROUNDS, AIM = 300, 20


def by_turns(*works: Callable[[], object]) -> list[tuple[float, ...]]:
    """How long each takes, in seconds, round by round: within one round all meet the same machine."""
    return [tuple(timed(work) for work in works) for _ in range(ROUNDS)]


def timed(work: Callable[[], object]) -> float:
    """How long a piece of work takes, in seconds."""
    begun = time.perf_counter()
    work()
    return time.perf_counter() - begun


class AssessRatio(unittest.TestCase):
    """Prints the ratio."""

    def test_print(self) -> None:
        """Measure and print."""
        text = write_visit(big_visit())
        visit = read_visit(text)
        rounds = by_turns(lambda: json.loads(text), lambda: assess(visit), lambda: read_visit(text))
        parse, judge = (median(one[place] for one in rounds) for place in (0, 1))
        judged, read = (median(one[place] / one[0] for one in rounds) for place in (1, 2))
        print(f"\n{len(visit.readings)} readings: assess {judge * 1e6:.0f} µs, json.loads {parse * 1e6:.0f} µs")
        print(f"assess ÷ json.loads = {judged:.1f} (aim ≤ {AIM}); reading and checking the file ÷ json.loads = {read:.1f}")
