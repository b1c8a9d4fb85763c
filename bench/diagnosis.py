"""Fault put in against fault named, over twelve shapes of unit; and how fast it is, as ratios. Run: ./test bench.diagnosis"""

import os
import random
import time
import unittest
from collections import Counter, defaultdict
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from functools import partial

from outer_test.assessment import as_left, assess, judge
from outer_test.diagnosis import diagnose, hypotheses, observe, predict, table_of, weigh
from outer_test.twin import make_unit
from outer_test.twin.line import LineState, solve_line
from visit_samples.simulated_technician import Technician, another_unit, whole_round
from visit_samples.trials import SHAPES, Result, Trial, trials

SEEDS = int(os.environ.get("SEEDS", "1"))


def _tried(one: Trial) -> tuple[Trial, Result, float, int, str]:
    result, ended = one.run()
    first = next((each.fault for each in ended.found.suspects if each.fault != "nothing wrong"), "")
    named = next((each.fault.value for each in ended.found.accused), first)
    return one, result, ended.minutes, ended.tests, named


def _both(one: Trial) -> tuple[float, float] | None:
    result, ended = one.run()
    walked = one.in_order()
    alike = result is Result.RIGHT and one.result(walked) is Result.RIGHT and one.fault is not None
    return (ended.minutes, walked.minutes) if alike else None


class Named(unittest.TestCase):
    """Prints what was named of what was put in."""

    def test_print_the_shares(self) -> None:
        """Each shape of unit: rightly, first, wrongly, open; then what is taken for what."""
        for title, wrong, missing in (
            ("every reading as it is", 0.0, 0.0),
            ("one of ten wrong", 0.1, 0.0),
            ("one of ten left out", 0.0, 0.1),
        ):
            print(f"\n{title}")
            confused: defaultdict[str, Counter[str]] = defaultdict(Counter)
            whole: Counter[Result] = Counter()
            sound: Counter[Result] = Counter()
            with ProcessPoolExecutor(os.cpu_count()) as pool:
                for name, plate in SHAPES.items():
                    own: Counter[Result] = Counter()
                    minutes = []
                    for one, result, took, _, named in pool.map(_tried, list(trials(plate, SEEDS, wrong, missing)), chunksize=8):
                        (own if one.fault else sound)[result] += 1
                        minutes.append(took)
                        if one.fault is not None and result is not Result.RIGHT:
                            confused[one.fault.value][f"{result.name.lower()}: {named}"] += 1
                    whole += own
                    print(f"  {name:32} {shares(own)}; {sum(minutes) / len(minutes):.0f} min", flush=True)
            print(f"  {'all':32} {shares(whole)}\n  {'sound units':32} {shares(sound)}")
            if not wrong and not missing:
                print("\nwhat is not accused, and what stands first instead")
                for fault, others in sorted(confused.items()):
                    print(f"  {fault:24} {', '.join(f'{count} {what}' for what, count in others.most_common(4))}")

    def test_print_the_minutes_beside_the_fixed_order(self) -> None:
        """Where both ways reach the accusation."""
        plate = SHAPES["scroll, timed board"]
        with ProcessPoolExecutor(os.cpu_count()) as pool:
            pairs = [pair for pair in pool.map(_both, list(trials(plate, 1)), chunksize=8) if pair is not None]
        followed, walked = (sum(each) / len(pairs) for each in zip(*pairs, strict=True))
        print(f"\nminutes to the accusation, where both reach it: {followed:.1f} by next, {walked:.1f} in the order of the round")


def shares(counted: Counter[Result]) -> str:
    """Counts as percentages."""
    whole = sum(counted.values()) or 1
    return ", ".join(f"{result.name.lower()} {100 * counted[result] / whole:.1f} %" for result in Result)


class Speed(unittest.TestCase):
    """Prints ratios in one run."""

    def test_print_the_ratios(self) -> None:
        """A table, its longest slice, ranking, and the whole conclusion."""
        plate = SHAPES["scroll, timed board"]
        unit = make_unit(plate)
        chance = random.Random(1)
        visit = whole_round(Technician(another_unit(plate, chance), None, chance))
        state = LineState(("contactor",), 0.02, 0.07)
        solve = timed(lambda: solve_line(unit, state), 300)
        slices = []
        begun = time.perf_counter()
        for _ in predict(plate):
            slices.append(time.perf_counter() - begun)
            begun = time.perf_counter()
        table = table_of(plate)
        judged = judge(as_left(visit))
        ranked = timed(lambda: weigh(hypotheses(visit, table, judged.aside), observe(judged)), 30)
        whole = timed(partial(diagnose, visit, judged, table), 20)
        one = timed(lambda: assess(visit), 30)
        print(f"\na whole table ÷ a healthy line solve = {sum(slices) / solve:.0f} (aim 40000); longest slice {1000 * max(slices):.0f} ms")
        print(f"suspects ranked ÷ assess = {ranked / one:.2f} (aim 2); with next ÷ assess = {whole / one:.2f} (aim 20)")


def timed(call: Callable[[], object], times: int) -> float:
    """Seconds a call takes."""
    begun = time.perf_counter()
    for _ in range(times):
        call()
    return (time.perf_counter() - begun) / times
