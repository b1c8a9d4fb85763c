"""The day's list."""

from datetime import date, timedelta
from typing import NamedTuple

from django.db.models import Q
from django.utils import timezone

from accounts.models import Member
from fleet.write_unit import units_in_use
from outer_test.assessment import assess
from outer_test.judgement import Verdict
from outer_test.ledger import Kind
from outer_test.measurement import FieldProblem
from visits.load import Loaded, load_each, member_names
from visits.models import Visit
from visits.shapes import PersonChoice, Today, TodayVisit, UnitChoice

MOST_VISITS, MOST_UNITS = 60, 200


def today(member: Member, day: date | None = None) -> Today:
    """A day's visits, the member's own first; on today's list those too that are unfinished from before, or have a line that came to
    light later. With them the units another can be opened for, and whose it can be."""
    company = member.company
    now = timezone.localtime()
    asked = now.date() if day is None else day
    if not 2000 <= asked.year < 2100:
        raise FieldProblem("day", "Use a day in the years 2000 to 2099.")
    start = now.replace(year=asked.year, month=asked.month, day=asked.day, hour=0, minute=0, second=0, microsecond=0)
    # Lines that are open on a finished visit without a reason came to light after it: its technician has them on the list.
    came_to_light = Q(open_lines__gt=0, finish_reason="")
    due = Q(scheduled_for__gte=start)
    if asked == now.date():
        due |= Q(cancelled="") & (Q(finished_at__isnull=True) | Q(finished_at__gte=start) | came_to_light)
    rows = (
        Visit.objects.of(company)
        .filter(due, scheduled_for__lt=start + timedelta(days=1))
        .select_related("unit", "unit__site", "technician")
        .order_by("scheduled_for")[:MOST_VISITS]
    )
    live = {
        row.pk: _as_it_stands(member, loaded, why) for row, loaded, why in load_each(company, [row for row in rows if row.told is None])
    }
    names = member_names(company)
    lines = (_line(member, row, live.get(row.pk) or _as_finished(row), names) for row in rows)
    visits = sorted(lines, key=lambda line: (not line.mine, line.scheduled_for))
    units = units_in_use(company).order_by("site__name", "label")[:MOST_UNITS]
    choices = tuple(UnitChoice(unit.id, unit.site.name, unit.label) for unit in units)
    people = Member.objects.filter(company=company, is_active=True).order_by("first_name", "username")
    return Today(company.name, asked, tuple(visits), choices, tuple(PersonChoice(one.pk, one.shown_name) for one in people))


class Stands(NamedTuple):
    """How a visit stands: its verdict, how many entries it has, how many lines are open; what keeps it from being read; and
    how often the asker was overtaken by somebody who did not know of it."""

    overall: Verdict
    readings: int
    open_lines: int
    problem: str = ""
    overtaken: int = 0


def _as_it_stands(member: Member, loaded: Loaded | None, problem: str) -> Stands:
    if loaded is None:
        return Stands(Verdict.UNJUDGED, 0, 0, problem)
    judged = assess(loaded.visit)
    overtaken = sum(conflict.overtaken.by == member.pk for conflict in loaded.conflicts)
    return Stands(judged.overall, len(loaded.of(Kind.READING, Kind.SEEN)), judged.open_lines, overtaken=overtaken)


def _as_finished(row: Visit) -> Stands:
    """A finished visit does not change any more: what was kept with it is not judged again."""
    return Stands(Verdict(row.overall), row.readings, row.open_lines)


def _line(member: Member, row: Visit, stands: Stands, names: dict[int, str]) -> TodayVisit:
    return TodayVisit(
        id=row.id,
        site=row.unit.site.name,
        address=row.unit.site.address,
        unit=row.unit.label,
        serial=row.unit.serial,
        technician=names.get(row.technician_id, ""),
        technician_key=row.technician_id,
        mine=row.technician_id == member.pk,
        scheduled_for=row.scheduled_for,
        complaint=row.complaint,
        began=row.began,
        notes=row.notes,
        overall=stands.overall,
        readings=stands.readings,
        open_lines=stands.open_lines,
        finished_at=row.finished_at,
        problem=stands.problem,
        overtaken=stands.overtaken,
        cancelled=row.cancelled,
    )
