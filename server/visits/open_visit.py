"""Opening a visit to a unit."""

from uuid import UUID

from django.utils import timezone

from accounts.models import Member
from fleet.models import Unit
from outer_test.quantity import FieldProblem
from visits.baseline import baseline_of
from visits.models import Visit
from visits.write_plate import NoSuchUnit


def open_visit(member: Member, unit_id: UUID, visit_id: UUID, complaint: str, began: str) -> Visit:
    """Open a visit now, judged by the company's house rules as they stand. The same UUID opens one visit.

    Raises NoSuchUnit, FieldProblem.
    """
    if began not in ("", "suddenly", "slowly"):
        raise FieldProblem("began", "is one of suddenly, slowly, or empty")
    unit = Unit.objects.of(member.company).filter(id=unit_id).first()
    if unit is None:
        raise NoSuchUnit
    visit: Visit = Visit.objects.of(member.company).get_or_create(
        company=member.company,
        id=visit_id,
        unit=unit,
        defaults={
            "technician": member, "scheduled_for": timezone.now(), "complaint": complaint, "began": began,
            "rules": member.company.rules, "baseline": baseline_of(member.company, unit),
        },
    )[0]  # fmt: skip
    return visit
