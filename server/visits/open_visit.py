"""Opening a visit to a unit."""

from uuid import UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.models import Company, Member
from fleet.models import Unit
from fleet.write_unit import find_unit
from outer_test.measurement import FieldProblem
from outer_test.rules.defrost import timed_out_after
from visits.baseline import unit_baseline
from visits.find_text import find_text_of
from visits.load import load_visit
from visits.models import LiftedLine, Visit


@transaction.atomic
def open_visit(member: Member, unit_id: UUID, visit_id: UUID, complaint: str, began: str) -> Visit:
    """Open a visit now, judged by the company's house rules as they stand. The same UUID opens one visit.
    It begins with what the unit's last visit left until a return visit, and is linked to it.

    Raises NoSuchUnit, FieldProblem.
    """
    if began not in ("", "suddenly", "slowly"):
        raise FieldProblem("began", "Use suddenly, slowly, or leave it empty.")
    unit = find_unit(member.company, unit_id)
    latest = _latest_finished(member.company, unit)
    before = _left_behind(member.company, latest)
    visit: Visit
    visit, made = Visit.objects.of(member.company).get_or_create(
        company=member.company,
        id=visit_id,
        unit=unit,
        defaults={
            "technician": member, "scheduled_for": timezone.now(), "complaint": complaint, "began": began,
            "rules": member.company.rules, "baseline": unit_baseline(member.company, unit),
            "timed_out_before": _timed_out(member.company, latest),
            "return_of": before[0].visit if before else None,
        },
    )  # fmt: skip
    if made:
        visit.find_text = find_text_of(visit, member.shown_name)
        visit.save(update_fields=["find_text"])
        LiftedLine.objects.of(member.company).bulk_create(
            LiftedLine(
                company=member.company, uuid=uuid5(visit.id, str(line.uuid)), visit=visit, member=member,
                at=visit.scheduled_for, what=line.what,
            )
            for line in before
        )  # fmt: skip
    return visit


def _latest_finished(company: Company, unit: Unit) -> Visit | None:
    return Visit.objects.of(company).filter(unit=unit, finished_at__isnull=False).order_by("-finished_at").first()


def _timed_out(company: Company, latest: Visit | None) -> int:
    """How many defrosts ended by time in a row when the unit's latest finished visit was over."""
    return 0 if latest is None else timed_out_after(load_visit(company, latest).visit)


def _left_behind(company: Company, latest: Visit | None) -> list[LiftedLine]:
    """What the unit's latest finished visit left until a return visit; the new one opens with it (handbook section 10)."""
    if latest is None:
        return []
    lines = LiftedLine.objects.of(company).filter(visit=latest, ending__how="left")
    return list(lines.select_related("visit").order_by("id"))
