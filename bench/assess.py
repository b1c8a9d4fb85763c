"""How long `assess` takes for a whole visit, as a ratio to parsing its file with json.loads. Run: ./test bench.assess"""

import json
import time
import unittest
from collections.abc import Callable

from bench.visits import big_visit
from files.visit_file import read_visit, write_visit
from outer_test.assess import assess

ROUNDS, AIM = 300, 20


def best(work: Callable[[], object], rounds: int = ROUNDS) -> float:
    """The fastest of many runs, in seconds: what the work needs when nothing disturbs it."""
    times = []
    for _ in range(rounds):
        begun = time.perf_counter()
        work()
        times.append(time.perf_counter() - begun)
    return min(times)


class AssessRatio(unittest.TestCase):
    """Prints the ratio."""

    def test_print(self) -> None:
        """Measure and print."""
        text = write_visit(big_visit())
        visit = read_visit(text)
        parse, judge, read = best(lambda: json.loads(text)), best(lambda: assess(visit)), best(lambda: read_visit(text))
        print(f"\n{len(visit.readings)} readings: assess {judge * 1e6:.0f} µs, json.loads {parse * 1e6:.0f} µs")
        print(f"assess ÷ json.loads = {judge / parse:.1f} (aim ≤ {AIM}); reading and checking the file ÷ json.loads = {read / parse:.1f}")
