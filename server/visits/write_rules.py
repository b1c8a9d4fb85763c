"""Judging a visit anew by the house rules as they stand."""

from uuid import UUID

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from visits.load import Loaded, load_visit, open_for_writing
from visits.models import RulesChange


def judge_by_current_rules(member: Member, visit_id: UUID, change_id: UUID) -> Loaded:
    """Judge an open visit by the company's present house rules; the change is kept. Raises NoSuchVisit, Finished."""
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        _, made = RulesChange.objects.of(member.company).get_or_create(
            company=member.company,
            uuid=change_id,
            visit=row,
            defaults={"member": member, "at": timezone.now(), "rules": member.company.rules},
        )
        if made:
            row.rules = member.company.rules
            row.save(update_fields=["rules"])
        return load_visit(member.company, row)
