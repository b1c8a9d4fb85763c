"""A unit's baseline, from the winding readings of its finished visits."""

from itertools import groupby
from typing import Any
from uuid import UUID

from accounts.models import Company
from fleet.models import Unit
from ledger.models import EventRow
from outer_test.history import BASELINE_POINTS, baseline_of
from outer_test.ledger import Kind
from outer_test.plain_data import present, read_as
from outer_test.visit import Reading
from visits.models import Visit


def unit_baseline(company: Company, unit: Unit) -> list[dict[str, Any]]:
    """The core's Baseline as plain data; empty where no visit has a pair and the shell's temperature."""
    visits = Visit.objects.of(company).filter(unit=unit, finished_at__isnull=False).order_by("scheduled_for", "id")
    order: dict[UUID, int] = {visit: place for place, visit in enumerate(visits.values_list("id", flat=True))}
    rows = EventRow.objects.of(company).filter(unit=unit.pk, kind=Kind.READING.value, body__point__in=list(BASELINE_POINTS))
    read = [row for row in rows.order_by("at", "device", "seq") if row.visit in order]
    by_visit = groupby(sorted(read, key=lambda row: order[row.visit]), lambda row: row.visit)
    found: list[dict[str, Any]] = present(baseline_of(tuple(_reading(row) for row in own) for _, own in by_visit))
    return found


def _reading(row: EventRow) -> Reading:
    return read_as(Reading, {**row.body, "at": row.at.isoformat(), "id": str(row.uuid)})
