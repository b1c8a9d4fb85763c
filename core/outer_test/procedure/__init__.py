"""Stations and steps: what is asked for, in which order, and how each reading is taken."""

from outer_test.procedure.defrost import RUN_EVENTS
from outer_test.procedure.every import EVERY_STEP
from outer_test.procedure.lifts import LIFTED_FOR
from outer_test.procedure.not_put_back import FinishProblem, check_finish
from outer_test.procedure.stations import Station, caught, plan_of, stations
from outer_test.procedure.steps import STATION_TITLE
from outer_test.procedure.titles import title_of

__all__ = [
    "EVERY_STEP",
    "FinishProblem",
    "LIFTED_FOR",
    "RUN_EVENTS",
    "STATION_TITLE",
    "Station",
    "caught",
    "check_finish",
    "plan_of",
    "stations",
    "title_of",
]
