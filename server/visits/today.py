"""The day's list."""

from collections import Counter
from datetime import timedelta
from typing import Any, NamedTuple
from uuid import UUID

from django.db.models import Count, Q, QuerySet
from django.utils import timezone

from accounts.models import Company, Member
from fleet.models import Unit
from outer_test.assessment import assess
from outer_test.judgement import Verdict
from visits.load import load_visit, member_names
from visits.models import Entry, LiftedLine, Visit
from visits.shapes import Today, TodayVisit, UnitChoice

MOST_VISITS, MOST_UNITS = 60, 200


def today(member: Member) -> Today:
    """Today's visits and any left unfinished before, the member's own first; and the units another could be opened for."""
    company = member.company
    start = timezone.localtime().replace(hour=0, minute=0, second=0, microsecond=0)
    due = Q(scheduled_for__gte=start) | Q(finished_at__isnull=True) | Q(finished_at__gte=start)
    rows = (
        Visit.objects.of(company)
        .filter(due, scheduled_for__lt=start + timedelta(days=1))
        .select_related("unit", "unit__site")
        .order_by("scheduled_for")[:MOST_VISITS]
    )
    stands = _finished(company, [row for row in rows if row.told is not None])
    names = member_names(company)
    lines = (_line(member, row, stands.get(row.pk) or _as_it_stands(company, row), names) for row in rows)
    visits = sorted(lines, key=lambda line: (not line.mine, line.scheduled_for))
    units = Unit.objects.of(company).select_related("site").order_by("site__name", "label")[:MOST_UNITS]
    choices = tuple(UnitChoice(unit.id, unit.site.name, unit.label) for unit in units)
    return Today(company.name, tuple(visits), choices)


class Stands(NamedTuple):
    """How a visit stands: its verdict, how many entries it has, and how many lines are open."""

    overall: Verdict
    readings: int
    open_lines: int


def _as_it_stands(company: Company, row: Visit) -> Stands:
    loaded = load_visit(company, row)
    judged = assess(loaded.visit)
    return Stands(judged.overall, len(loaded.log.entries), judged.open_lines)


def _finished(company: Company, rows: list[Visit]) -> dict[UUID, Stands]:
    """A finished visit does not change any more: what was kept with it is not judged again, only counted."""
    entries = _count(Entry.objects.of(company).filter(visit__in=rows))
    lines = _count(LiftedLine.objects.of(company).filter(visit__in=rows, ending=None))
    return {row.pk: Stands(Verdict(row.overall), entries[row.pk], lines[row.pk]) for row in rows}


def _count(written: QuerySet[Any]) -> Counter[UUID]:
    return Counter(dict(written.values_list("visit").annotate(Count("id")).order_by()))


def _line(member: Member, row: Visit, stands: Stands, names: dict[int, str]) -> TodayVisit:
    return TodayVisit(
        id=row.id,
        site=row.unit.site.name,
        address=row.unit.site.address,
        unit=row.unit.label,
        technician=names.get(row.technician_id, ""),
        mine=row.technician_id == member.pk,
        scheduled_for=row.scheduled_for,
        complaint=row.complaint,
        overall=stands.overall,
        readings=stands.readings,
        open_lines=stands.open_lines,
        finished_at=row.finished_at,
    )
