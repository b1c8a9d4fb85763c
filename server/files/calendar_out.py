"""The next visits as iCalendar: those that are open, and each unit's yearly visit where none is."""

from datetime import date, datetime, timedelta

from django.db.models import Max
from icalendar import Calendar, Event

from accounts.models import Company
from fleet.models import Unit
from fleet.write_unit import units_in_use
from visits.models import Visit

MOST = 2000
LASTS = timedelta(hours=1)


def next_visits(company: Company, now: datetime) -> bytes:
    """Open visits at their time, and a day for the yearly visit of every unit, a year after its last one."""
    calendar = Calendar()
    calendar.add("prodid", "-//Outer Test//visits//EN")
    calendar.add("version", "2.0")
    open_now = Visit.objects.of(company).filter(finished_at=None).select_related("unit__site", "technician").order_by("scheduled_for")
    waiting = set()
    for row in open_now[:MOST]:
        waiting.add(row.unit_id)
        calendar.add_component(_visit(row, now))
    last = (
        Visit.objects.of(company).filter(finished_at__isnull=False).values("unit_id").annotate(last=Max("scheduled_for")).order_by("last")
    )
    due = {row["unit_id"]: row["last"] for row in last[:MOST] if row["unit_id"] not in waiting}
    for unit in units_in_use(company).filter(id__in=due).order_by("id"):
        calendar.add_component(_yearly(unit, due[unit.id], now))
    text: bytes = calendar.to_ical()
    return text


def _visit(row: Visit, now: datetime) -> Event:
    event = Event()
    event.add("uid", f"visit-{row.id}@outer-test")
    event.add("dtstamp", now)
    event.add("dtstart", row.scheduled_for)
    event.add("dtend", row.scheduled_for + LASTS)
    event.add("summary", f"{row.unit.site.name}, {row.unit.label}: {row.complaint.replace('-', ' ') or 'visit'}")
    event.add("location", row.unit.site.address)
    event.add("description", f"{row.technician.shown_name}. {row.notes}".strip())
    return event


def _yearly(unit: Unit, last: datetime, now: datetime) -> Event:
    day: date = max(last.date() + timedelta(days=365), now.date())
    event = Event()
    event.add("uid", f"yearly-{unit.id}-{last.year + 1}@outer-test")
    event.add("dtstamp", now)
    event.add("dtstart", day)
    event.add("dtend", day + timedelta(days=1))
    event.add("summary", f"Yearly visit: {unit.site.name}, {unit.label}")
    event.add("location", unit.site.address)
    return event
