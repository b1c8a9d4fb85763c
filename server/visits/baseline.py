"""A unit's baseline, from the winding readings of its finished visits."""

from itertools import groupby
from typing import Any

from accounts.models import Company
from fleet.models import Unit
from outer_test.history import BASELINE_POINTS, baseline_of
from outer_test.plain_data import present
from visits.models import Entry
from visits.to_core import core_readings


def unit_baseline(company: Company, unit: Unit) -> list[dict[str, Any]]:
    """The core's Baseline as plain data; empty where no visit has a pair and the shell's temperature."""
    rows = Entry.objects.of(company).filter(visit__unit=unit, visit__finished_at__isnull=False, point__in=BASELINE_POINTS)
    by_visit = groupby(rows.order_by("visit__scheduled_for", "visit_id", "id"), lambda entry: entry.visit_id)
    found: list[dict[str, Any]] = present(baseline_of(core_readings(list(entries)) for _, entries in by_visit))
    return found
