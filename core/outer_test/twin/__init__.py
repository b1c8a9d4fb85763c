"""A model of one unit: what any meter would show on it, in any state, with any fault put in."""

from outer_test.twin.board import Board, BoardInput, output, step
from outer_test.twin.dead_reads import Value
from outer_test.twin.defrost_parts import defrost_parts
from outer_test.twin.faults import FAULTS, Fault, FaultKey, Variant, fault_of, of_a_defrost, with_fault
from outer_test.twin.shown import Known, shown
from outer_test.twin.unit import Unit, make_unit
from outer_test.twin.watched_defrost import defrost_faults, watch_defrost
from outer_test.twin.winter import Weather, a_day

__all__ = [
    "FAULTS",
    "Board",
    "BoardInput",
    "Fault",
    "FaultKey",
    "Known",
    "Unit",
    "Value",
    "Variant",
    "Weather",
    "a_day",
    "defrost_faults",
    "defrost_parts",
    "fault_of",
    "make_unit",
    "of_a_defrost",
    "output",
    "shown",
    "step",
    "watch_defrost",
    "with_fault",
]
