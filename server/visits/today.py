"""The day's list."""

from datetime import timedelta

from django.db.models import Q
from django.utils import timezone

from accounts.models import Member
from fleet.models import Unit
from outer_test.assess import assess
from visits.load import load_visit
from visits.models import Visit
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
    visits = sorted((_line(member, row) for row in rows), key=lambda line: (not line.mine, line.scheduled_for))
    units = Unit.objects.of(company).select_related("site").order_by("site__name", "label")[:MOST_UNITS]
    choices = tuple(UnitChoice(unit.id, unit.site.name, unit.label) for unit in units)
    return Today(company.name, tuple(visits), choices)


def _line(member: Member, row: Visit) -> TodayVisit:
    loaded = load_visit(member.company, row)
    judged = assess(loaded.visit)
    return TodayVisit(
        id=row.id,
        site=row.unit.site.name,
        address=row.unit.site.address,
        unit=row.unit.label,
        technician=loaded.names.get(row.technician_id, ""),
        mine=row.technician_id == member.pk,
        scheduled_for=row.scheduled_for,
        complaint=row.complaint,
        overall=judged.overall,
        readings=len(loaded.log.entries),
        open_lines=judged.open_lines,
        finished_at=row.finished_at,
    )
