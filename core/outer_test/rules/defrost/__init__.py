"""Coil switch, sensors, reversing valve, board and one watched defrost (handbook section 9)."""

from outer_test.rules.defrost.applied import curve_of, defrost_findings
from outer_test.rules.defrost.board_lights import board_lights
from outer_test.rules.defrost.board_swap import BOARD_WIRE, SwapGuide, line_of, swap_guide
from outer_test.rules.defrost.coil_switch import is_closed
from outer_test.rules.defrost.frost import FrostOutlook, will_it_frost
from outer_test.rules.defrost.how_to_force import WhichWay, which_way
from outer_test.rules.defrost.interval import (
    PINS_MIN,
    Climate,
    DefrostUse,
    IntervalAdvice,
    IntervalCost,
    demand_credit,
    frosting_hours,
    interval_advice,
    interval_cost,
)
from outer_test.rules.defrost.lanes import Lane, run_lanes
from outer_test.rules.defrost.run import SHIFT_DELAY_S
from outer_test.rules.defrost.switch_mark import MarkReading, switch_mark

__all__ = [
    "BOARD_WIRE",
    "Climate",
    "DefrostUse",
    "FrostOutlook",
    "IntervalAdvice",
    "IntervalCost",
    "Lane",
    "MarkReading",
    "PINS_MIN",
    "SHIFT_DELAY_S",
    "SwapGuide",
    "WhichWay",
    "board_lights",
    "curve_of",
    "defrost_findings",
    "demand_credit",
    "frosting_hours",
    "interval_advice",
    "interval_cost",
    "is_closed",
    "line_of",
    "run_lanes",
    "swap_guide",
    "switch_mark",
    "which_way",
    "will_it_frost",
]
