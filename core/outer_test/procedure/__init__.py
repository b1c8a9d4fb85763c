"""Stations and steps: what is asked for, in which order, and how each reading is taken."""

from outer_test.procedure.not_put_back import FinishProblem, LiftProblem, check_finish, check_lift
from outer_test.procedure.stations import Station, caught, plan_of, stations
from outer_test.procedure.steps import Step, step_at

__all__ = [
    "FinishProblem",
    "LiftProblem",
    "Station",
    "Step",
    "caught",
    "check_finish",
    "check_lift",
    "plan_of",
    "stations",
    "step_at",
]
