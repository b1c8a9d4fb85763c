"""Keeping a plate as it was read, with who and when."""

from typing import Any
from uuid import UUID

from django.db import transaction
from django.utils import timezone
from pydantic import TypeAdapter

from accounts.models import Member
from fleet.models import PlateRevision, Unit
from outer_test.plate import Plate
from outer_test.visit import FittedCapacitor
from visits.load import open_for_writing

_FITTED = TypeAdapter(tuple[FittedCapacitor, ...])
_PLATE = TypeAdapter(Plate)


class NoSuchUnit(LookupError):
    """This company has no such unit."""


def write_plate(
    member: Member, visit_id: UUID, unit_id: UUID, revision_id: UUID, plate: Plate, fitted: tuple[FittedCapacitor, ...], why: str
) -> None:
    """Keep a newly read plate, and what is fitted, as the unit's own, while this visit to it is open.

    Raises NoSuchUnit, NoSuchVisit, Finished."""
    with transaction.atomic():
        if open_for_writing(member, visit_id).unit_id != unit_id:
            raise NoSuchUnit
        unit: Any = Unit.objects.of(member.company).select_for_update().filter(id=unit_id).first()
        if unit is None:
            raise NoSuchUnit
        plain = _PLATE.dump_python(plate, mode="json", exclude_none=True)
        parts = _FITTED.dump_python(fitted, mode="json", exclude_none=True)
        _, made = PlateRevision.objects.of(member.company).get_or_create(
            company=member.company,
            uuid=revision_id,
            unit=unit,
            defaults={"plate": plain, "fitted": parts, "why": why[:200], "member": member, "at": timezone.now()},
        )
        if made:
            unit.plate, unit.fitted = plain, parts
            unit.save(update_fields=["plate", "fitted"])
