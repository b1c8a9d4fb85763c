"""How often to defrost, and what it costs: the rule `interval` (handbook section 9). Advice, never `bad`."""

from dataclasses import dataclass
from math import fsum
from typing import Literal

from outer_test.judgement import IntervalSchool
from outer_test.measurement import Record, quantity
from outer_test.rules.defrost.frost import COIL_APPROACH_F, FREEZING_F

Climate = Literal["frost-rare", "all-electric", "long-damp-cold"]
PINS_MIN = (30, 60, 90, 120)


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
        raise ValueError("the most hours between defrosts must be above 1.5 and at most 12")
    between = max(hours_between, 1.5)
    return 1 + 0.03 * (1 - (between - 1.5) / (hours_most - 1.5))


@dataclass(frozen=True, slots=True)
class BinHours(Record):
    """Hours of a season that the outdoor air spends near one temperature."""

    outdoor_f: float = quantity("°F", -60, 120, required=True)
    hours: float = quantity("h", 0, 8784, required=True)


@dataclass(frozen=True, slots=True)
class DefrostUse(Record):
    """What a season's defrosts are counted from: weather in bins, the share of an hour the compressor runs, one defrost's
    length, aux heat and the price of electricity."""

    bins: tuple[BinHours, ...] = ()
    run_share: float = quantity("of the hour", 0.01, 1, default=1)
    minutes_each: float = quantity("min", 0.5, 60, default=6)
    aux_kw: float = quantity("kW", 0, 100, default=0)
    price_kwh: float = quantity("a kWh", 0, 10, default=0)


@dataclass(frozen=True, slots=True)
class IntervalCost:
    """What one interval costs: defrosts, kWh and money, in a day of frost and over the season."""

    minutes: float
    defrosts_a_day: float
    kwh_a_day: float
    cost_a_day: float
    defrosts_a_season: float
    kwh_a_season: float
    cost_a_season: float


def frosting_hours(bins: tuple[BinHours, ...]) -> float:
    """Hours in which a coil stands below freezing, taken as 15 °F below the air: an assumption [M]. h.

    >>> frosting_hours((BinHours(42, 300), BinHours(52, 500)))
    300.0
    """
    return fsum(one.hours for one in bins if one.outdoor_f - COIL_APPROACH_F < FREEZING_F)


def interval_cost(minutes: float, use: DefrostUse) -> IntervalCost:
    """Aux energy and money of a board that defrosts after `minutes` of compressor run while the coil is cold.

    A day is 24 h of such weather. Raises ValueError for no interval. Source: [D] defrosts × minutes ÷ 60 × aux kW.

    >>> found = interval_cost(60, DefrostUse((BinHours(30, 100),), 1, 6, 10, 0.2))
    >>> found.defrosts_a_day, found.kwh_a_day, round(found.cost_a_season, 2)
    (24.0, 24.0, 20.0)
    """
    if minutes <= 0:
        raise ValueError("the interval is above 0 min")
    an_hour = use.run_share * 60 / minutes
    day, season = 24 * an_hour, frosting_hours(use.bins) * an_hour
    kwh_day, kwh_season = (defrost_kwh_a_day(count, use.minutes_each, use.aux_kw) for count in (day, season))
    return IntervalCost(minutes, day, kwh_day, kwh_day * use.price_kwh, season, kwh_season, kwh_season * use.price_kwh)
