"""Writing on a visit what is no reading: power, lifted lines, the finish. Each write is sent safely twice."""

from datetime import datetime
from typing import Any
from uuid import UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from outer_test import visit as core
from outer_test.assessment import power_of
from outer_test.measurement import FieldProblem
from outer_test.procedure import FinishProblem, LiftProblem, check_finish, check_lift
from outer_test.visit import Thing, things_off, words_for
from visits.keep import keep_told, refresh_standing
from visits.load import Loaded, find_visit, load_visit, open_for_writing
from visits.models import LiftedEnding, LiftedLine, PowerClaim, Visit
from visits.to_core import as_it_stands


def claim_power(member: Member, visit_id: UUID, claim_id: UUID, state: str, at: datetime | None = None) -> Loaded:
    """Say what the power is. Claiming it dead adds the pulled disconnect to the list. Raises NoSuchVisit, Finished."""
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        now = at or timezone.now()
        claims = PowerClaim.objects.of(member.company)
        _, made = claims.get_or_create(
            company=member.company, uuid=claim_id, visit=row, defaults={"member": member, "at": now, "state": state}
        )
        if made and state == "dead-claimed":
            before = load_visit(member.company, row)
            if Thing.DISCONNECT not in things_off(before.visit):
                _add_line(member, row, uuid5(claim_id, "lifted"), words_for(Thing.DISCONNECT), now)
        return load_visit(member.company, row)


def _add_line(member: Member, row: Visit, line_id: UUID, what: str, at: datetime) -> None:
    LiftedLine.objects.of(member.company).get_or_create(
        company=member.company, uuid=line_id, visit=row, defaults={"member": member, "at": at, "what": what}
    )


def add_lifted(member: Member, visit_id: UUID, line_id: UUID, what: str, at: datetime | None = None) -> Loaded:
    """Add a line to the not-put-back list. Raises NoSuchVisit, Finished, FieldProblem."""
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        if len(what) > 120:
            raise FieldProblem("what", "Use 1 to 120 characters.")
        try:
            visit = load_visit(member.company, row).visit
            check_lift(visit, core.Lifted(what.strip(), id=str(line_id)), power_of(visit).state)
        except LiftProblem as problem:
            raise FieldProblem("what", str(problem)) from None
        _add_line(member, row, line_id, what.strip(), at or timezone.now())
        return load_visit(member.company, row)


def end_lifted(member: Member, visit_id: UUID, line_id: UUID, ending_id: UUID, how: Any, why: str, at: datetime | None = None) -> Loaded:
    """End a line: back, retired, or left until the return visit. A line ends once; ending it again changes nothing.

    Raises NoSuchVisit, Finished, FieldProblem.
    """
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        core.LiftedEnd(how, None, why)
        if len(why) > 300:
            raise FieldProblem("why", "Use up to 300 characters.")
        line = LiftedLine.objects.of(member.company).filter(visit=row, uuid=line_id).first()
        if line is None:
            raise FieldProblem("line", "There is no such line on this visit.")
        LiftedEnding.objects.of(member.company).get_or_create(
            line=line,
            defaults={
                "company": member.company, "uuid": ending_id, "visit": row, "member": member, "at": at or timezone.now(),
                "how": how, "why": why.strip(),
            },
        )  # fmt: skip
        return load_visit(member.company, row)


def finish(member: Member, visit_id: UUID, force_reason: str, at: datetime | None = None) -> Loaded:
    """Finish a visit; with lines still open only by force, with a reason that prints on the sheet.

    Raises NoSuchVisit, FieldProblem. Finishing a finished visit changes nothing.
    """
    with transaction.atomic():
        row = find_visit(member.company, visit_id, lock=True)
        loaded = load_visit(member.company, row)
        if row.finished_at is not None:
            return loaded
        if len(force_reason) > 300:
            raise FieldProblem("reason", "Use up to 300 characters.")
        try:
            check_finish(loaded.visit, force_reason)
        except FinishProblem as problem:
            raise FieldProblem("reason", f"{problem}. Put it back, or say why it stays off.") from None
        row.frozen = as_it_stands(member.company, row.unit)
        row.finished_at, row.finished_by, row.finish_reason = at or timezone.now(), member, force_reason.strip()
        keep_told(row, loaded)
        row.save(update_fields=["frozen", "finished_at", "finished_by", "finish_reason", "told", "overall", "find_text"])
        refresh_standing(member.company, row.unit, loaded.visit, row.scheduled_for)
        return load_visit(member.company, row)
