"""What planning does to a visit's row: when it is, whose, what it is for, that it will not be, and what its unit is called."""

from collections.abc import Iterable

from accounts.models import Company, Member
from fleet.write_unit import call_unit
from outer_test.ledger import Event, Kind
from outer_test.measurement import FieldProblem
from visits.find_text import find_text_of
from visits.load import Loaded

KINDS = frozenset({Kind.PLANNED, Kind.CANCELLED, Kind.CORRECTED, Kind.UNIT})


def technician_of(company: Company, key: int) -> Member:
    """One of the company's people who may sign in. Raises FieldProblem."""
    member = _active(company, key)
    if member is None:
        raise FieldProblem("technician", "Choose one of the company's people.")
    return member


def _active(company: Company, key: int) -> Member | None:
    return Member.objects.filter(company=company, pk=key, is_active=True).first()


def take_plan(company: Company, after: Loaded, new: Iterable[Event]) -> None:
    """Put what was planned into the visit's row, and what its unit is called into the unit's. Both are saved."""
    row = after.row
    for event in new:
        body = event.body
        if event.kind is Kind.PLANNED:
            row.scheduled_for = body.scheduled_for
            # Whoever it was given to, without signal, may have left since: then it stays whose it was.
            row.technician = _active(company, body.technician) or row.technician
        elif event.kind is Kind.CORRECTED:
            row.complaint, row.began, row.notes = body.complaint, body.began, body.notes
        elif event.kind is Kind.UNIT:
            call_unit(row.unit, body)
    row.cancelled = after.cancelled
    row.find_text = find_text_of(row, row.technician.shown_name)
    row.save(update_fields=["scheduled_for", "technician", "complaint", "began", "notes", "cancelled", "find_text"])
