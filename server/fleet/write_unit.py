"""Writing on units: new ones, their notes, and the parts put into them."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from accounts.models import Company, Member
from fleet.models import PartFitted, Site, Unit
from outer_test.history import PARTS
from outer_test.measurement import FieldProblem

MOST_LISTED = 300


class NoSuchUnit(LookupError):
    """This company has no such unit."""


@dataclass(frozen=True, slots=True)
class NewUnit:
    """A unit to add, with its site; a site of the same name and address is the same site."""

    id: UUID
    site: str
    address: str
    label: str
    serial: str = ""


def find_unit(company: Company, unit_id: UUID) -> Unit:
    """The unit with its site. Raises NoSuchUnit, also for another company's."""
    unit: Unit | None = Unit.objects.of(company).filter(id=unit_id).select_related("site").first()
    if unit is None:
        raise NoSuchUnit
    return unit


def units_by_place(company: Company, only: Sequence[UUID] = ()) -> list[Unit]:
    """These units, or the first of all, by site and label."""
    rows = Unit.objects.of(company).select_related("site").order_by("site__name", "label")
    return list(rows.filter(id__in=only) if only else rows[:MOST_LISTED])


def unit_by_tag(company: Company, tag: str) -> Unit:
    """The unit whose sticker says this. Raises NoSuchUnit."""
    unit: Unit | None = Unit.objects.of(company).filter(tag=tag).select_related("site").first()
    if unit is None:
        raise NoSuchUnit
    return unit


@transaction.atomic
def add_unit(member: Member, new: NewUnit) -> Unit:
    """Add a unit. The same UUID adds one. Raises FieldProblem."""
    for name, most in (("site", 120), ("address", 200), ("label", 80)):
        text = getattr(new, name).strip()
        if not text or len(text) > most:
            raise FieldProblem(name, f"Use 1 to {most} characters.")
    if len(new.serial.strip()) > 40:
        raise FieldProblem("serial", "Use up to 40 characters.")
    company = member.company
    site, _ = Site.objects.of(company).get_or_create(company=company, name=new.site.strip(), address=new.address.strip())
    unit: Unit
    unit, _ = Unit.objects.of(company).get_or_create(
        company=company, id=new.id, defaults={"site": site, "label": new.label.strip(), "serial": new.serial.strip()}
    )
    unit.find_text = find_text_of(unit)
    unit.save(update_fields=["find_text"])
    return unit


def find_text_of(unit: Unit) -> str:
    """What a unit is found by."""
    return " ".join(filter(None, (unit.site.name, unit.site.address, unit.label, unit.serial)))


def write_notes(member: Member, unit_id: UUID, notes: str) -> Unit:
    """Keep the unit's notes. Raises NoSuchUnit, FieldProblem."""
    if len(notes) > 4000:
        raise FieldProblem("notes", "Use up to 4000 characters.")
    unit = find_unit(member.company, unit_id)
    unit.notes = notes.strip()
    unit.save(update_fields=["notes"])
    return unit


def fit_part(member: Member, unit_id: UUID, part_id: UUID, part: str, at: datetime | None, note: str) -> PartFitted:
    """Record a part that was put in: its readings begin a new line. Raises NoSuchUnit, FieldProblem."""
    if part not in PARTS:
        raise FieldProblem("part", f"Use one of: {', '.join(PARTS)}.")
    if len(note) > 200:
        raise FieldProblem("note", "Use up to 200 characters.")
    unit = find_unit(member.company, unit_id)
    if at is not None and at > timezone.now() + timedelta(days=1):
        raise FieldProblem("at", "This time is in the future.")
    fitted: PartFitted
    fitted, _ = PartFitted.objects.of(member.company).get_or_create(
        company=member.company, uuid=part_id,
        defaults={"unit": unit, "part": part, "at": at or timezone.now(), "note": note.strip(), "member": member},
    )  # fmt: skip
    return fitted
