"""The fleet's watch list: which unit fails first, and what a van should carry for it."""

import json
import logging
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from typing import Any
from uuid import UUID

from django.db import connection
from django.db.models import F, Q

from accounts.models import Company, Member
from fleet.models import UnitStanding
from outer_test.history import CarriedPart, Watched
from outer_test.judgement import WORST_FIRST, Verdict
from outer_test.plain_data import ReadProblem, read_as
from outer_test.visit import StockPart, title_of
from visits.van import van_of

logger = logging.getLogger(__name__)
PAGE = 50
_SHOWN = ("unit_id", "unit__site__name", "unit__label", "rank", "crosses", "left", "visit_at", "watched")
_BAD = WORST_FIRST.index(Verdict.BAD)
_GOOD = WORST_FIRST.index(Verdict.GOOD)


@dataclass(frozen=True, slots=True)
class WatchedUnit:
    """A unit of the list, with what is watched there, worst first; `problem` is what keeps that from being read."""

    id: UUID
    site: str
    unit: str
    overall: Verdict
    crosses: date | None
    left: int
    visit_at: datetime
    watched: tuple[Watched, ...]
    problem: str = ""


@dataclass(frozen=True, slots=True)
class Carry:
    """A part, as its label has it, how many units will need it by then, and how many the asker's van has."""

    part: str
    count: int
    have: int


@dataclass(frozen=True, slots=True)
class PointChoice:
    """A point the list can be narrowed to."""

    point: str
    title: str


@dataclass(frozen=True, slots=True)
class WatchList:
    """A page of the list, what to carry until `until`, and whether there is more."""

    units: tuple[WatchedUnit, ...]
    carry: tuple[Carry, ...]
    until: date
    points: tuple[PointChoice, ...]
    more: bool


# Points worth narrowing a fleet to: those that are read every year and drift.
POINTS = (
    "cap.herm.uf", "cap.fan.uf", "cap.herm.load_a", "cap.fan.load_a", "contactor.coil.ohm", "contactor.pole1.drop_v",
    "contactor.pole2.drop_v", "winding.c_r.ohm", "winding.c_s.ohm", "winding.c_ground.ohm", "winding.insulation.mohm",
    "amps.compressor.run_a", "amps.compressor.peak_a", "amps.fan.run_a", "defrost.switch.ohm", "defrost.coil_sensor.ohm",
)  # fmt: skip


def watch_list(member: Member, today: date, point: str = "", page: int = 0) -> WatchList:
    """Units with something open or something that meets its limit, the worst and the soonest first; narrowed to one point if given."""
    company = member.company
    rows = UnitStanding.objects.of(company).filter(unit__archived="").filter(Q(rank__lt=_GOOD) | Q(crosses__isnull=False) | Q(left__gt=0))
    if point:
        rows = rows.filter(points__contains=[point])
    # A unit's row is wide, and the list shows little of it.
    ordered = rows.order_by("rank", F("crosses").asc(nulls_last=True), "unit_id").values_list(*_SHOWN, named=True)
    found = list(ordered[page * PAGE : (page + 1) * PAGE + 1])
    until = end_of_next_month(today)
    choices = tuple(PointChoice(name, title_of(name)) for name in POINTS)
    return WatchList(
        tuple(_unit(row, point) for row in found[:PAGE]), carry(company, until, van_of(member)), until, choices, len(found) > PAGE
    )


def _unit(row: Any, point: str) -> WatchedUnit:
    try:
        watched, problem = read_as(tuple[Watched, ...], row.watched), ""
    except ReadProblem as wrong:
        logger.error("the standing of unit %s cannot be read: %s", row.unit_id, wrong)
        watched, problem = (), "What is watched here cannot be read. Finish a visit to it to work it out anew."
    shown = tuple(one for one in watched if not point or one.point == point)
    return WatchedUnit(
        row.unit_id, row.unit__site__name, row.unit__label, WORST_FIRST[row.rank], row.crosses, row.left, row.visit_at, shown, problem
    )  # fmt: skip


def end_of_next_month(today: date) -> date:
    """The last day of the month after this one.

    >>> end_of_next_month(date(2027, 12, 3))
    datetime.date(2028, 1, 31)
    """
    first = today.replace(day=1)
    for _ in range(2):
        first = (first + timedelta(days=32)).replace(day=1)
    return first - timedelta(days=1)


_CARRY = """
SELECT part, count(*) FROM (
  SELECT DISTINCT s.unit_id, w->'carry' AS part
  FROM fleet_unitstanding s JOIN fleet_unit u ON u.id = s.unit_id AND u.archived = '', jsonb_array_elements(s.watched) w
  WHERE s.company_id = %(company)s AND (s.rank <= %(bad)s OR s.crosses <= %(until)s) AND jsonb_typeof(w->'carry') = 'object'
    AND (w->>'verdict' IN ('bad', 'stop') OR (w->>'crosses')::date <= %(until)s)
) needed GROUP BY part ORDER BY count(*) DESC, part LIMIT 30
"""


def carry(company: Company, until: date, stock: tuple[StockPart, ...]) -> tuple[Carry, ...]:
    """How many of each capacitor the company's vans will need by a day: bad now, or drifting past its limit by then. stock: the asker's.

    Counted in the database, for a fleet is too many rows to fetch; scoped to the company like everything else.
    """
    asked: dict[str, Any] = {"company": company.pk, "bad": _BAD, "until": until}
    with connection.cursor() as cursor:
        cursor.execute(_CARRY, asked)
        rows = [(read_as(CarriedPart, json.loads(part)), count) for part, count in cursor.fetchall()]
    return tuple(Carry(part.words, count, part.on(stock)) for part, count in rows)
