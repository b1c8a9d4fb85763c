"""Parts put in on a visit: from then on the part's readings are the new part's (handbook section 14)."""

from typing import Any
from uuid import UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from fleet.write_unit import fit_part
from outer_test.history import names_of
from outer_test.measurement import FieldProblem
from outer_test.visit import Reading, Repair, not_taken_back
from visits.keep import fitted_ids
from visits.load import Loaded, load_visit, open_for_writing
from visits.models import Entry, PartPutIn
from visits.to_core import about_part


def put_in(member: Member, visit_id: UUID, part_id: UUID, repair: Repair, in_hand: dict[str, str] | None = None) -> Loaded:
    """Keep a part that was put in, its rating, and what it measured in the hand, in one step. Sent twice it is put in once.

    in_hand: value text by section of a run capacitor, `herm` and `fan`. Raises NoSuchVisit, Finished, FieldProblem.
    """
    if len(repair.note) > 200:
        raise FieldProblem("note", "Use up to 200 characters.")
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        loaded = load_visit(member.company, row)
        if any(part.uuid == part_id for part in loaded.log.parts):
            return loaded
        now = repair.at or timezone.now()
        common: dict[str, Any] = {"company": member.company, "visit": row, "member": member, "at": now}
        PartPutIn.objects.of(member.company).create(**common, uuid=part_id, part=repair.part.value, about=about_part(repair))
        for section, value in (in_hand or {}).items():
            point = f"cap.new_{section}.uf"
            try:
                Reading(point, value)
            except FieldProblem as problem:
                raise FieldProblem(f"in_hand.{section}", problem.message) from None
            Entry.objects.of(member.company).create(**common, uuid=uuid5(part_id, section), point=point, value=value, power="unknown")
        if not repair.put_back:
            for fitted_id, name in zip(fitted_ids(part_id), names_of(repair), strict=False):
                fit_part(member, row.unit_id, fitted_id, name, now, repair.note)
        return load_visit(member.company, row)


def not_put_in(member: Member, visit_id: UUID, undo_id: UUID, part_id: UUID) -> Loaded:
    """Take a part off the record that was never put in; the line stays. Raises NoSuchVisit, Finished, FieldProblem."""
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        loaded = load_visit(member.company, row)
        line = next((one for one in not_taken_back(loaded.log.parts) if one.uuid == part_id), None)
        if line is None:
            if any(part.undoes == part_id for part in loaded.log.parts):
                return loaded
            raise FieldProblem("part", "This part was not put in on this visit.")
        PartPutIn.objects.of(member.company).create(
            company=member.company, uuid=undo_id, visit=row, member=member, at=timezone.now(), part=line.part, undoes=part_id
        )
        return load_visit(member.company, row)
