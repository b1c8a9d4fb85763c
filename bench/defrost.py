"""Fault put in against what is told, and how fast the board model runs. Run: ./test bench.defrost"""

import random
import time
import unittest
from collections import Counter
from dataclasses import replace

from outer_test.assess import assess
from outer_test.board import Board, BoardInput, step
from outer_test.plate import AuxHeat, Defrost, Plate
from outer_test.simulate import FAULTS, simulate_defrost
from outer_test.visit import Reading, Visit

RUNS = 60
DEFROST = Defrost(control="time-temperature", minutes=60, closes_f=30, opens_f=55, limit_min=10)
PLATE = Plate(defrost=DEFROST, aux_heat=AuxHeat(kind="electric"), valve="O")


class Confusion(unittest.TestCase):
    """Prints both."""

    def test_print_the_table(self) -> None:
        """Each fault with stamps jittered by ±2 s and one stamp missing: the lanes told bad or watch, and the parts accused."""
        readings = (Reading("control.r_c.v", "26"), Reading("defrost.switch.ohm", "closed"))
        seen: dict[str, object] = {"defrost.call": "yes", "defrost.pins": "right"}
        print()
        for fault in FAULTS:
            told: Counter[str] = Counter()
            chance = random.Random(fault)
            for _ in range(RUNS):
                events, watched = simulate_defrost(PLATE, fault)
                shaken = [replace(one, s=max(0.0, one.s + chance.uniform(-2, 2))) if one.event != "forced" else one for one in events]
                if len(shaken) > 2:
                    shaken.pop(chance.randrange(1, len(shaken)))
                visit = Visit(plate=PLATE, defrost_run=tuple(shaken), defrost_watched_s=watched, readings=readings, seen=seen)  # type: ignore[arg-type]
                judged = assess(visit)
                lanes = [
                    f"{one.point.rsplit('.', 1)[1]} {one.verdict.value}"
                    for one in judged.findings
                    if one.rule == "sequence" and one.verdict.value in ("bad", "watch", "unsure")
                ]
                told[", ".join([*lanes, *(f"[{one.part}]" for one in judged.accused)]) or "nothing"] += 1
            print(f"{fault:20} " + "; ".join(f"{count}/{RUNS} {what}" for what, count in told.most_common(3)))

    def test_print_the_speed(self) -> None:
        """A simulated day of one-second steps, as a ratio to as many empty calls."""
        seen, steps = BoardInput(coil_f=28, switch_closed=True), 86_400
        begun = time.perf_counter()
        board = Board()
        for _ in range(steps):
            board = step(board, seen, DEFROST, 1.0)
        day = time.perf_counter() - begun
        begun = time.perf_counter()
        for _ in range(steps):
            (lambda *_: None)(board, seen, DEFROST, 1.0)
        empty = time.perf_counter() - begun
        print(f"\nsimulated days per millisecond: {1 / (day * 1000):.5f}; a step ÷ an empty call = {day / empty:.0f}")
