"""Stand-ins for a real board and the meter beside it."""

from outer_test.simulation.board import Board, BoardInput, output, step
from outer_test.simulation.numbers import next_readings
from outer_test.simulation.simulated_defrost import FAULTS, Fault, can_have, simulate_defrost

__all__ = [
    "FAULTS",
    "Board",
    "BoardInput",
    "Fault",
    "can_have",
    "next_readings",
    "output",
    "simulate_defrost",
    "step",
]
