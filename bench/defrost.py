"""Fault put in against fault named, and how fast the board model runs. Run: ./test bench.defrost"""

import random
import time
import unittest
from collections import Counter
from dataclasses import replace

from outer_test.assessment import assess
from outer_test.nameplate import SHIPPED, AuxHeat, Defrost, Plate
from outer_test.rules.defrost import QUESTIONS
from outer_test.simulation import FAULTS, Board, BoardInput, Fault, can_have, next_readings, simulate_defrost, step
from outer_test.visit import Answer, DefrostEvent, Reading, RunEvent, Visit

RUNS = 40
TIMED = SHIPPED["timed, plain"]


def watched_run(defrost: Defrost, fault: Fault, chance: random.Random, next_tests: bool) -> Visit:
    """One forced defrost, each stamp up to 2 s off, one missing, what did not come answered; then the tests the findings ask for."""
    plate = Plate(defrost=defrost, aux_heat=AuxHeat(kind="electric"), valve="O")
    events, watched = simulate_defrost(plate, fault)
    shaken: list[DefrostEvent] = [replace(event, s=max(0.0, event.s + chance.uniform(-2, 2))) if event.s else event for event in events]
    # What did not come is answered no; of the stamp that is missing the person did not look.
    said: dict[RunEvent, Answer] = dict.fromkeys(set(QUESTIONS) - {event.event for event in events}, "no")
    if len(shaken) > 2:
        said[shaken.pop(chance.randrange(1, len(shaken))).event] = "did-not-look"
    switched = defrost.control == "time-temperature"
    readings = (Reading("control.r_c.v", "26"), *((Reading("defrost.switch.ohm", "closed"),) if switched else ()))
    seen = {"defrost.call": "yes", "defrost.pins": "right"}
    if next_tests and fault != "never-starts":
        found, looked = next_readings(plate, fault)
        readings, seen = (readings[0], *found), seen | looked
    return Visit(plate=plate, defrost_run=tuple(shaken), defrost_watched_s=watched, defrost_seen=said, readings=readings, seen=dict(seen))


class Confusion(unittest.TestCase):
    """Prints both."""

    def test_print_the_table(self) -> None:
        """Each fault on each control: the causes named, by stamps alone and after the next tests."""
        for name in ("timed, plain", "demand, plain"):
            defrost = replace(SHIPPED[name], confirmed=True)  # its marks, curve and limit read off this unit
            for next_tests in (False, True):
                print(f"\n{name}, {'after the next tests' if next_tests else 'by stamps alone'}, {RUNS} runs each")
                for fault in FAULTS:
                    if can_have(defrost, fault):
                        print(f"  {fault:20} {self.named(defrost, fault, next_tests)}")

    def named(self, defrost: Defrost, fault: Fault, next_tests: bool) -> str:
        """How often each set of causes was named."""
        told: Counter[str] = Counter()
        chance = random.Random(fault)
        for _ in range(RUNS):
            judged = assess(watched_run(defrost, fault, chance, next_tests))
            causes = {cause for finding in judged.findings if finding.point.startswith("defrost.run.") for cause in finding.causes}
            told[" / ".join(sorted(causes)) or "nothing"] += 1
        return "; ".join(f"{count}/{RUNS} {what}" for what, count in told.most_common(3))

    def test_print_the_speed(self) -> None:
        """A simulated day of one-second steps, as a ratio to as many empty calls."""
        seen, steps = BoardInput(coil_f=28, switch_closed=True), 86_400
        begun = time.perf_counter()
        board = Board()
        for _ in range(steps):
            board = step(board, seen, TIMED, 1.0)
        day = time.perf_counter() - begun
        begun = time.perf_counter()
        for _ in range(steps):
            (lambda *_: None)(board, seen, TIMED, 1.0)
        empty = time.perf_counter() - begun
        print(f"\nsimulated days per millisecond: {1 / (day * 1000):.5f}; a step ÷ an empty call = {day / empty:.0f}")
