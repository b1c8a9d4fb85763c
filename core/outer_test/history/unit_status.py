"""How a unit stands in its fleet: what is wrong now, what fails first, and what to carry for it."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from outer_test.history.carried import CarriedPart
from outer_test.history.record import PointHistory
from outer_test.judgement import WORST_FIRST, Verdict
from outer_test.rules.capacitors import section_rating
from outer_test.visit import Visit

OPEN = (Verdict.STOP, Verdict.BAD, Verdict.UNSURE, Verdict.WATCH)


@dataclass(frozen=True, slots=True)
class Watched:
    """One thing to watch at a unit: a finding that stands open, or a drift that meets its limit on `crosses`.

    `carry` is the part a van would need for it; None where none follows from the plate.
    """

    point: str
    title: str
    verdict: Verdict | None
    value: str
    why: str
    crosses: date | None = None
    earliest: date | None = None
    carry: CarriedPart | None = None


@dataclass(frozen=True, slots=True)
class Standing:
    """A unit's standing: its worst verdict, the first day something meets its limit, and the things to watch, worst first."""

    overall: Verdict
    crosses: date | None
    watched: tuple[Watched, ...]
    left: int


def standing(visit: Visit, record: Sequence[PointHistory], left: int = 0) -> Standing:
    """From the unit's plate and its record: what the latest reading of every point says, and where it drifts.

    left: lines left until a return visit. Open findings rank before drifts, drifts by their day.

    >>> standing(Visit(), ()).overall.value
    'good'
    """
    watched = [found for one in record if (found := _watched(visit, one)) is not None]
    watched.sort(key=_rank)
    verdicts = [one.verdict for one in watched if one.verdict is not None]
    overall = min(verdicts, key=WORST_FIRST.index, default=Verdict.GOOD)
    days = [one.crosses for one in watched if one.crosses is not None]
    return Standing(overall, min(days, default=None), tuple(watched), left)


def _rank(one: Watched) -> tuple[int, date, str]:
    place = WORST_FIRST.index(one.verdict) if one.verdict is not None else len(WORST_FIRST)
    return place, one.crosses or date.max, one.point


def _watched(visit: Visit, one: PointHistory) -> Watched | None:
    told, drift = one.readings[-1].told, one.trend
    is_open = told.verdict in OPEN
    if not is_open and drift.crosses is None:
        return None
    why = told.why if is_open else drift.why
    value = f"{told.value} {told.unit}".strip()
    return Watched(
        one.point, one.title, told.verdict if is_open else None, value, why, drift.crosses, drift.earliest, _carry(visit, one.point)
    )  # fmt: skip


def _carry(visit: Visit, point: str) -> CarriedPart | None:
    if point not in ("cap.herm.uf", "cap.fan.uf", "cap.herm.load_a", "cap.fan.load_a"):
        return None
    asked = visit.plate.run_capacitor
    if asked is not None and asked.form == "dual" and asked.herm_uf is not None and asked.fan_uf is not None:
        return CarriedPart(asked.herm_uf, asked.fan_uf, asked.vac)
    rating = section_rating("herm" if ".herm." in point else "fan", visit.plate, visit.fitted)
    return None if rating is None else CarriedPart(rating.uf, vac=None if asked is None else asked.vac)
