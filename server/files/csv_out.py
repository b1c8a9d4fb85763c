"""Readings as CSV (RFC 4180), one row a reading, streamed so that a whole company's go out without being held in memory."""

import csv
from collections.abc import Iterator
from typing import Any
from uuid import UUID

from accounts.models import Company
from outer_test.visit import POINTS, title_of
from visits.models import Entry

COLUMNS = (
    "reading",
    "visit",
    "visit_at",
    "site",
    "unit",
    "serial",
    "point",
    "title",
    "value",
    "sign",
    "at",
    "by_whom",
    "meter",
    "by",
    "fitted",
    "turns",
    "power",
    "supersedes",
)
_FORMULA = ("=", "+", "-", "@", "\t", "\r")


class _Line:
    """A file that hands each written line straight on."""

    def write(self, text: str) -> str:
        """The line itself."""
        return text


def readings_csv(company: Company, unit: UUID | None = None, visit: UUID | None = None) -> Iterator[str]:
    """The heading, then one line a reading, in the order of the visits and as they were written."""
    rows = Entry.objects.of(company)
    if unit is not None:
        rows = rows.filter(visit__unit_id=unit)
    if visit is not None:
        rows = rows.filter(visit_id=visit)
    writer = csv.writer(_Line(), lineterminator="\r\n")
    yield writer.writerow(COLUMNS)
    ordered = rows.select_related("visit__unit__site", "member").order_by("visit__scheduled_for", "visit_id", "id")
    for row in ordered.iterator(chunk_size=2000):
        yield writer.writerow(_cells(row))


def _cells(row: Entry) -> list[Any]:
    unit = row.visit.unit
    return [
        row.uuid, row.visit_id, row.visit.scheduled_for.isoformat(), harmless(unit.site.name), harmless(unit.label), harmless(unit.serial),
        row.point, title_of(row.point), row.value, POINTS[row.point].sign, row.at.isoformat(), harmless(row.member.shown_name),
        harmless(row.meter), row.by, row.fitted, row.turns, row.power, row.supersedes or "",
    ]  # fmt: skip


def harmless(text: str) -> str:
    """Text that no spreadsheet takes for a formula: a leading sign gets an apostrophe before it.

    >>> harmless("=1+1"), harmless("north pad")
    ("'=1+1", 'north pad')
    """
    return f"'{text}" if text.startswith(_FORMULA) else text
