"""How long `assess` takes for a whole visit, as a ratio to parsing its file with json.loads. Run: ./test bench.assess"""

import json
import time
import unittest
from collections.abc import Callable

from bench.visits import big_visit
from outer_test.assess import assess
from visits.visit_file import read_visit, write_visit

ROUNDS, AIM = 300, 20


def best(*works: Callable[[], object]) -> list[float]:
    """The fastest of many runs of each, in seconds: what it needs when nothing disturbs it. By turns, so that all meet one machine."""
    times: list[list[float]] = [[] for _ in works]
    for _ in range(ROUNDS):
        for work, own in zip(works, times, strict=True):
            begun = time.perf_counter()
            work()
            own.append(time.perf_counter() - begun)
    return [min(own) for own in times]


class AssessRatio(unittest.TestCase):
    """Prints the ratio."""

    def test_print(self) -> None:
        """Measure and print."""
        text = write_visit(big_visit())
        visit = read_visit(text)
        parse, judge, read = best(lambda: json.loads(text), lambda: assess(visit), lambda: read_visit(text))
        print(f"\n{len(visit.readings)} readings: assess {judge * 1e6:.0f} µs, json.loads {parse * 1e6:.0f} µs")
        print(f"assess ÷ json.loads = {judge / parse:.1f} (aim ≤ {AIM}); reading and checking the file ÷ json.loads = {read / parse:.1f}")
