"""Readings as CSV (RFC 4180), one row a reading, streamed so that a whole company's go out without being held in memory."""

import csv
from collections.abc import Iterator
from datetime import UTC
from itertools import islice
from typing import Any
from uuid import UUID

from accounts.models import Company
from outer_test.round import EntryShown, entries_of
from outer_test.visit import POINTS, title_of
from visits.load import load_each
from visits.models import Visit

AT_ONCE = 100

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
    """The heading, then one line a reading, in the order of the visits and as they were read."""
    rows = Visit.objects.of(company).select_related("unit__site", "technician").order_by("scheduled_for", "id")
    if unit is not None:
        rows = rows.filter(unit=unit)
    if visit is not None:
        rows = rows.filter(id=visit)
    writer = csv.writer(_Line(), lineterminator="\r\n")
    yield writer.writerow(COLUMNS)
    every = rows.iterator(chunk_size=AT_ONCE)
    while some := list(islice(every, AT_ONCE)):
        for row, loaded, _ in load_each(company, some):
            for entry in () if loaded is None else entries_of(loaded):
                yield writer.writerow(_cells(row, entry))


def _cells(row: Visit, entry: EntryShown) -> list[Any]:
    unit, at = row.unit, entry.at.astimezone(UTC).isoformat()
    return [
        entry.id, row.pk, row.scheduled_for.isoformat(), harmless(unit.site.name), harmless(unit.label), harmless(unit.serial),
        entry.point, title_of(entry.point), entry.value, POINTS[entry.point].sign, at, harmless(entry.by_whom),
        harmless(entry.meter), entry.by, entry.fitted, entry.turns, entry.power, entry.supersedes or "",
    ]  # fmt: skip


def harmless(text: str) -> str:
    """Text that no spreadsheet takes for a formula: a leading sign gets an apostrophe before it.

    >>> harmless("=1+1"), harmless("north pad")
    ("'=1+1", 'north pad')
    """
    return f"'{text}" if text.startswith(_FORMULA) else text
