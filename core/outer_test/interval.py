"""How often to defrost, and what it costs: the rule `interval` (handbook section 9). Advice, never `bad`."""

from dataclasses import dataclass
from typing import Literal

from outer_test.house import IntervalSchool

Climate = Literal["frost-rare", "all-electric", "long-damp-cold"]


@dataclass(frozen=True, slots=True)
class IntervalAdvice:
    """Minutes to set, and why."""

    minutes: int | None
    why: str


def interval_advice(school: IntervalSchool, climate: Climate, as_shipped: int | None = None) -> IntervalAdvice:
    """The pin to set, by school. Source: [T] common practice, no source.

    >>> [interval_advice("climate", climate).minutes for climate in ("frost-rare", "all-electric", "long-damp-cold")]
    [90, 60, 30]
    """
    if school == "as-shipped":
        return IntervalAdvice(as_shipped, "as shipped, by house rule")
    if school == "ninety":
        return IntervalAdvice(90, "90 everywhere unless it ices, by house rule")
    minutes = {"frost-rare": 90, "all-electric": 60, "long-damp-cold": 30}[climate]
    why = {
        "frost-rare": "frost is rare, or gas backs it up", "all-electric": "all electric", "long-damp-cold": "long damp cold",
    }[climate]  # fmt: skip
    return IntervalAdvice(minutes, why)


def defrost_kwh_a_day(defrosts: float, minutes_each: float, aux_kw: float) -> float:
    """Aux energy of a day's defrosts, kWh: defrosts × minutes ÷ 60 × aux kW. Source: [D].

    >>> defrost_kwh_a_day(8, 6, 9.6)
    7.68
    """
    return defrosts * minutes_each / 60 * aux_kw


def demand_credit(hours_between: float, hours_most: float) -> float:
    """Demand-defrost credit: 1 + 0.03 × (1 − (Δt_def − 1.5) ÷ (Δt_max − 1.5)), Δt_def = max(hours between defrosts, 1.5).

    hours_most: 1.5 < Δt_max ≤ 12 h; raises ValueError outside. Source: [P: 10 CFR 430 Subpart B App. M, from memory].

    >>> demand_credit(1.5, 12), demand_credit(12, 12)
    (1.03, 1.0)
    """
    if not 1.5 < hours_most <= 12:
        raise ValueError("the most hours between defrosts lie above 1.5 and at most 12")
    between = max(hours_between, 1.5)
    return 1 + 0.03 * (1 - (between - 1.5) / (hours_most - 1.5))
