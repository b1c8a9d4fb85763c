"""The day's temperatures and humidity on a visit."""

from dataclasses import asdict
from uuid import UUID

from django.db import transaction

from accounts.models import Member
from outer_test.visit import Conditions
from visits.load import Loaded, load_visit, open_for_writing


def write_conditions(member: Member, visit_id: UUID, conditions: Conditions) -> Loaded:
    """Keep the day's conditions. Raises NoSuchVisit, Finished."""
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        row.conditions = {name: value for name, value in asdict(conditions).items() if value is not None}
        row.save(update_fields=["conditions"])
        return load_visit(member.company, row)
