"""Stations and steps: what is asked for, in which order, and how each reading is taken."""

from outer_test.procedure.not_put_back import FinishProblem, check_finish
from outer_test.procedure.stations import Station, caught, plan_of, stations
from outer_test.procedure.steps import Step, step_at

__all__ = [
    "FinishProblem",
    "Station",
    "Step",
    "caught",
    "check_finish",
    "plan_of",
    "stations",
    "step_at",
]
