"""Notes that a technician writes on a visit; each stays as it was written."""

from datetime import datetime
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from outer_test.measurement import FieldProblem
from visits.load import Loaded, load_visit, open_for_writing
from visits.models import VisitNote

MOST = 1000


def write_note(member: Member, visit_id: UUID, note_id: UUID, text: str, at: datetime | None = None) -> Loaded:
    """Keep a note. Sent twice it is there once. Raises NoSuchVisit, Finished, FieldProblem."""
    if not text.strip() or len(text) > MOST:
        raise FieldProblem("text", f"Use 1 to {MOST} characters.")
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        VisitNote.objects.of(member.company).get_or_create(
            company=member.company, uuid=note_id, visit=row, defaults={"member": member, "at": at or timezone.now(), "text": text.strip()}
        )
        return load_visit(member.company, row)
