"""Arithmetic that needs no visit: what a switch's mark means, how often to defrost and what it costs."""

from dataclasses import dataclass, field

from ninja import Body, Router

from api.problems import Problem
from api.signed_in import Asking
from outer_test.measurement import FieldProblem, Record, quantity
from outer_test.rules.defrost import (
    PINS_MIN,
    Climate,
    DefrostUse,
    IntervalAdvice,
    IntervalCost,
    MarkReading,
    demand_credit,
    frosting_hours,
    interval_advice,
    interval_cost,
    switch_mark,
)

router = Router(tags=["advice"])


@dataclass(frozen=True, slots=True)
class IntervalQuestion(Record):
    """What is known of a unit's season. `set_minutes` is how its pin stands now; `hours_most` is a demand board's own."""

    climate: Climate
    set_minutes: float | None = quantity("min", 10, 240)
    use: DefrostUse = field(default=DefrostUse())
    hours_between: float | None = quantity("h", 0, 48)
    hours_most: float | None = quantity("h", 1.51, 12)


@dataclass(frozen=True, slots=True)
class IntervalAnswer:
    """The advice by the house's school, each pin's cost, and the demand credit where it was asked for."""

    advice: IntervalAdvice
    school: str
    frosting_hours: float
    costs: tuple[IntervalCost, ...]
    credit: float | None


@router.get("/switch-mark", response={200: list[MarkReading], 401: Problem, 422: Problem})
def mark(request: Asking, mark: str) -> list[MarkReading]:
    """The two ways to read a coil switch's mark, the plausible one first. A person confirms which."""
    try:
        return list(switch_mark(mark))
    except ValueError as problem:
        raise FieldProblem("mark", str(problem)) from None


@router.post("/interval", response={200: IntervalAnswer, 401: Problem, 422: Problem})
def interval(request: Asking, body: Body[IntervalQuestion]) -> IntervalAnswer:
    """How often to defrost, by the house's school, and what each pin costs in a day of frost and over the season."""
    school = request.auth.company.house_rules.interval
    shipped = None if body.set_minutes is None else int(body.set_minutes)
    pins = sorted({*PINS_MIN, *([body.set_minutes] if body.set_minutes is not None else [])})
    asked = body.hours_between is not None and body.hours_most is not None
    credit = demand_credit(body.hours_between or 0, body.hours_most or 12) if asked else None
    costs = tuple(interval_cost(minutes, body.use) for minutes in pins)
    return IntervalAnswer(interval_advice(school, body.climate, shipped), school, frosting_hours(body.use.bins), costs, credit)
