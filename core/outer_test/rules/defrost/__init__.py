"""Coil switch, sensors, reversing valve, board and one watched defrost (handbook section 9)."""

from outer_test.rules.defrost.applied import aux_call_fed, curve_of, defrost_findings, valve_fed, valve_fed_heating
from outer_test.rules.defrost.board_lights import board_lights
from outer_test.rules.defrost.board_swap import SwapGuide, kit_words, line_names, settings_of, swap_guide, wires_now
from outer_test.rules.defrost.coil_switch import AtSwitch, is_closed, switch_state
from outer_test.rules.defrost.frost import FrostOutlook, dew_point_f, will_it_frost
from outer_test.rules.defrost.how_to_force import WhichWay, which_way
from outer_test.rules.defrost.interval import (
    PINS_MIN,
    BinHours,
    Climate,
    DefrostUse,
    IntervalAdvice,
    IntervalCost,
    defrost_kwh_a_day,
    demand_credit,
    frosting_hours,
    interval_advice,
    interval_cost,
)
from outer_test.rules.defrost.lanes import Lane, run_lanes
from outer_test.rules.defrost.lock_out import ended_by_time, timed_out_after, timed_out_in_a_row
from outer_test.rules.defrost.run import SHIFT_DELAY_S
from outer_test.rules.defrost.run_context import QUESTIONS, RunContext, System
from outer_test.rules.defrost.sensor import SensorCurve, divider_ohm, sensor_ohm, sensors_agree
from outer_test.rules.defrost.sequence import sequence
from outer_test.rules.defrost.switch_mark import MarkReading, switch_mark
from outer_test.rules.defrost.valve_coil import valve_coil

__all__ = [
    "PINS_MIN",
    "QUESTIONS",
    "SHIFT_DELAY_S",
    "AtSwitch",
    "BinHours",
    "Climate",
    "DefrostUse",
    "FrostOutlook",
    "IntervalAdvice",
    "IntervalCost",
    "Lane",
    "MarkReading",
    "RunContext",
    "SensorCurve",
    "SwapGuide",
    "System",
    "WhichWay",
    "aux_call_fed",
    "board_lights",
    "curve_of",
    "defrost_findings",
    "defrost_kwh_a_day",
    "demand_credit",
    "dew_point_f",
    "divider_ohm",
    "ended_by_time",
    "frosting_hours",
    "interval_advice",
    "interval_cost",
    "is_closed",
    "kit_words",
    "line_names",
    "run_lanes",
    "sensor_ohm",
    "sensors_agree",
    "sequence",
    "settings_of",
    "swap_guide",
    "switch_mark",
    "switch_state",
    "timed_out_after",
    "timed_out_in_a_row",
    "valve_coil",
    "valve_fed",
    "valve_fed_heating",
    "which_way",
    "will_it_frost",
    "wires_now",
]
