"""Keeping a plate as it was read, with who and when."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from django.db import transaction

from accounts.models import Company
from fleet.models import Unit
from fleet.write_unit import NoSuchUnit, carry
from ledger.models import EventRow
from ledger.read import events_of_unit
from ledger.writer import Made, Writer
from outer_test.ledger import Kind, PlateRead
from visits.load import Loaded, find_visit, load_visit
from visits.to_core import as_it_stands
from visits.write import of_kind, write_on_visit

MOST_SHOWN = 20


@dataclass(frozen=True, slots=True)
class Revision:
    """One reading of the plate into the record."""

    at: datetime
    by_whom: str
    why: str


def write_plate(writer: Writer, visit_id: UUID, unit_id: UUID, made: Made, read: PlateRead) -> Loaded:
    """Keep a newly read plate, and what is fitted, as the unit's own. Two read by people who did not know of each other are both
    kept; the later stands. Raises NoSuchUnit, NoSuchVisit."""
    company = writer.company
    with transaction.atomic():
        if find_visit(company, visit_id).unit_id != unit_id:
            raise NoSuchUnit
        row = write_on_visit(writer, visit_id, made, lambda _: [("", read, 0)], of_kind(Kind.PLATE)).row
        carry(row.unit, events_of_unit(company, unit_id, [Kind.PLATE]).events[-1].body)
        if row.frozen is not None and row.finished_at is None:  # it is open again: it goes by what is read now
            row.frozen = as_it_stands(company, row.unit)
            row.save(update_fields=["frozen"])
    return load_visit(company, row)


def plates_read(company: Company, unit: Unit, names: dict[int, str]) -> Sequence[Revision]:
    """The readings of a unit's plate, the latest first."""
    latest = EventRow.objects.of(company).filter(unit=unit.pk, kind=Kind.PLATE.value).order_by("-at")[:MOST_SHOWN]
    return [Revision(row.at, names.get(row.member_id, ""), row.body.get("why", "")) for row in latest]
