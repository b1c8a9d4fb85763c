"""A unit's record: what each finished visit told is kept with it, and how the unit then stands in its fleet."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from django.utils.timezone import localtime

from accounts.models import Company
from fleet.models import Unit, UnitStanding
from fleet.parts import parts_changed
from outer_test.assessment import assess
from outer_test.history import PointHistory, Standing, Told, histories, standing, told_of
from outer_test.judgement import WORST_FIRST, Verdict
from outer_test.ledger import Kind
from outer_test.plain_data import ReadProblem, plain, read_as, sparse
from outer_test.visit import Lifted
from outer_test.visit import Visit as CoreVisit
from visits.find_text import find_text_of
from visits.load import Loaded, cannot_be_read, load_each, load_visit
from visits.models import Visit

MOST_VISITS, MOST_OPEN = 60, 3
TOLD = ("told", "overall", "find_text", "readings", "open_lines")  # what `keep_told` puts into a visit's row


@dataclass(frozen=True, slots=True)
class VisitThen:
    """A visit in a unit's record; `problem` is what keeps it from being read."""

    id: str
    at: datetime
    technician: str
    complaint: str
    overall: str
    finished: bool
    return_of: str
    problem: str = ""


@dataclass(frozen=True, slots=True)
class UnitRecord:
    """Everything a unit's visits said: the visits, newest first, and each point's history."""

    visits: tuple[VisitThen, ...]
    points: tuple[PointHistory, ...]


def keep_told(row: Visit, loaded: Loaded) -> None:
    """Keep what a visit told, as it is finished, and work out how its unit stands. The row is saved by the caller."""
    judged = assess(loaded.visit)
    row.told = sparse(told_of(loaded.visit, judged))
    row.overall = judged.overall.value
    row.readings, row.open_lines = len(loaded.of(Kind.READING, Kind.SEEN)), judged.open_lines
    row.find_text = find_text_of(row, loaded.names.get(row.technician_id, ""))


def refresh_standing(company: Company, unit: Unit, visit: CoreVisit, at: datetime) -> None:
    """Work out anew how a unit stands, after one of its visits was finished or a part was changed."""
    record = unit_record(company, unit, with_open=False)
    found = standing(visit, record.points, _left(company, unit))
    UnitStanding.objects.of(company).update_or_create(unit=unit, defaults={"company": company, **_row(found), "visit_at": at})


def _row(found: Standing) -> dict[str, Any]:
    written = plain(found)
    return {
        "rank": WORST_FIRST.index(found.overall), "crosses": found.crosses, "watched": written["watched"], "left": found.left,
        "points": [one.point for one in found.watched],
    }  # fmt: skip


def _left(company: Company, unit: Unit) -> int:
    """How many lines the unit's latest finished visit left until a return."""
    latest = (
        Visit.objects.of(company).filter(unit=unit, finished_at__isnull=False).select_related("unit").order_by("-scheduled_for").first()
    )
    return 0 if latest is None else len(left_behind(load_visit(company, latest).visit))


def left_behind(visit: CoreVisit) -> list[Lifted]:
    """What a visit left off until a return visit."""
    return [line for line in visit.lifted if line.end is not None and line.end.how == "left"]


def told_before(company: Company, visit: Visit) -> Iterator[tuple[datetime, tuple[Told, ...]]]:
    """When each earlier finished visit to the same unit was, and what it told, the latest first. One that cannot be read tells nothing."""
    rows = Visit.objects.of(company).filter(unit=visit.unit_id, told__isnull=False, scheduled_for__lt=visit.scheduled_for)
    for row in rows.exclude(pk=visit.pk).order_by("-scheduled_for")[:MOST_VISITS]:
        yield row.scheduled_for, _told_by(row)[0]


def _told_by(row: Visit) -> tuple[tuple[Told, ...], str]:
    """What a visit told, as it was kept; nothing, and why, where that cannot be read."""
    try:
        return (() if row.told is None else read_as(tuple[Told, ...], row.told)), ""
    except ReadProblem as wrong:
        return (), cannot_be_read(row, wrong)


def unit_record(company: Company, unit: Unit, with_open: bool = True) -> UnitRecord:
    """A unit's visits and each point's history; visits still open are judged as they stand now."""
    rows = list(Visit.objects.of(company).filter(unit=unit).select_related("technician", "unit").order_by("-scheduled_for")[:MOST_VISITS])
    told: list[tuple[datetime, str, tuple[Told, ...]]] = []
    overall: dict[Any, str] = {row.id: row.overall for row in rows}
    problems: dict[Any, str] = {}
    for row in rows:
        own, problem = _told_by(row)
        if problem:
            problems[row.id] = problem
        elif row.told is not None:
            told.append((localtime(row.scheduled_for), str(row.id), own))
    live = [row for row in rows if row.told is None][:MOST_OPEN] if with_open else []
    for row, loaded, problem in load_each(company, live):
        if loaded is None:
            problems[row.id] = problem
            continue
        judged = assess(loaded.visit)
        told.append((localtime(row.scheduled_for), str(row.id), told_of(loaded.visit, judged)))
        overall[row.id] = judged.overall.value
    return UnitRecord(
        tuple(_then(row, overall[row.id], problems.get(row.id, "")) for row in rows), histories(told, parts_changed(company, unit))
    )


def _then(row: Visit, overall: str, problem: str) -> VisitThen:
    return VisitThen(
        str(row.id), row.scheduled_for, row.technician.shown_name, row.complaint, overall or Verdict.UNJUDGED.value,
        row.finished_at is not None, "" if row.return_of_id is None else str(row.return_of_id), problem,
    )  # fmt: skip


def fill_in_old() -> int:
    """Work out what visits told that were finished before this was kept; gives back how many. For every company, at an update."""
    rows = Visit._base_manager.filter(finished_at__isnull=False, told__isnull=True).select_related("company", "unit", "unit__site")
    done = 0
    for row in rows.order_by("scheduled_for").iterator():
        loaded = load_visit(row.company, row)
        keep_told(row, loaded)
        row.save(update_fields=TOLD)
        refresh_standing(row.company, row.unit, loaded.visit, row.scheduled_for)
        done += 1
    return done
