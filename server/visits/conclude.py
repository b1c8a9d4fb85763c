"""What a finished visit came to, appended to the ledger by the worker: who asks later reads it, and nobody judges it again."""

from uuid import UUID, uuid5

from django.db.models import QuerySet
from procrastinate.contrib.django import app

from accounts.models import Company
from background import later
from ledger.models import EventRow
from ledger.write import ledger_of
from ledger.writer import New, Subject, own_writer
from outer_test import VERSION
from outer_test.ledger import Kind
from outer_test.round import concluded, place_of
from visits.load import load_visit
from visits.models import Visit


def conclude_later(row: Visit) -> None:
    """Have a finished visit concluded. Called in the transaction that finishes it, or adds to what was done before its end."""
    later(conclude, f"conclude {row.pk}", company=row.company_id, visit=str(row.pk))


@app.task(name="conclude")
def conclude(company: int, visit: str) -> None:
    """Append the visit's conclusion, once for each place of the ledger that it takes in; nothing where it is open again."""
    row = Visit._base_manager.select_related("company", "unit__site", "finished_by", "technician").get(company_id=company, pk=visit)
    loaded = load_visit(row.company, row)
    if loaded.closing.finish is None:
        return
    place = place_of(loaded)
    said = concluded(loaded, VERSION)
    member = row.finished_by or row.technician
    with ledger_of(own_writer(member, f"conclusion {visit}")) as ledger:
        ledger.write_events(Subject(row.unit.site_id, row.unit_id, row.pk), [New(uuid5(UUID(visit), f"conclusion {place}"), said)])


def conclusions(company: Company) -> QuerySet[EventRow]:
    """The latest conclusion of every finished visit of a company: its visit, and its body."""
    rows: QuerySet[EventRow] = EventRow.objects.of(company).filter(kind=Kind.CONCLUSION.value)
    return rows.order_by("visit", "-place").distinct("visit")
