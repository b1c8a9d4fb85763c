"""Stations and steps: what is asked for, in which order, and how each reading is taken."""

from outer_test.procedure.groups import Group, group_at, points_in, taken_with
from outer_test.procedure.not_put_back import FinishProblem, LiftProblem, check_finish, check_lift
from outer_test.procedure.stations import Station, caught, plan_of, stations
from outer_test.procedure.steps import Key, Step, step_at
from outer_test.procedure.upkeep import UPKEEP_ITEMS, UpkeepItem, upkeep_points

__all__ = [
    "UPKEEP_ITEMS",
    "FinishProblem",
    "Group",
    "Key",
    "LiftProblem",
    "Station",
    "Step",
    "UpkeepItem",
    "caught",
    "check_finish",
    "check_lift",
    "group_at",
    "plan_of",
    "points_in",
    "stations",
    "step_at",
    "taken_with",
    "upkeep_points",
]
