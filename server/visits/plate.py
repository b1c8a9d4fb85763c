"""Keeping a plate as it was read, with who and when."""

from dataclasses import dataclass
from typing import Any
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from fleet.models import PlateRevision, Unit
from fleet.write_unit import NoSuchUnit
from outer_test.nameplate import Contactor, Plate
from outer_test.plain_data import present
from outer_test.visit import FittedCapacitor
from visits.load import open_for_writing


@dataclass(frozen=True, slots=True)
class PlateAsRead:
    """What was read: the plate, and the parts that are fitted by their own labels."""

    plate: Plate
    fitted: tuple[FittedCapacitor, ...] = ()
    contactor: Contactor | None = None
    why: str = ""


def write_plate(member: Member, visit_id: UUID, unit_id: UUID, revision_id: UUID, read: PlateAsRead) -> None:
    """Keep a newly read plate, and what is fitted, as the unit's own, while this visit to it is open.

    Raises NoSuchUnit, NoSuchVisit, Finished."""
    with transaction.atomic():
        if open_for_writing(member, visit_id).unit_id != unit_id:
            raise NoSuchUnit
        unit: Any = Unit.objects.of(member.company).select_for_update().filter(id=unit_id).first()
        if unit is None:
            raise NoSuchUnit
        plain = present(read.plate)
        parts = present(read.fitted)
        contactor = present(read.contactor)
        _, made = PlateRevision.objects.of(member.company).get_or_create(
            company=member.company,
            uuid=revision_id,
            unit=unit,
            defaults={
                "plate": plain,
                "fitted": parts,
                "contactor_fitted": contactor,
                "why": read.why[:200],
                "member": member,
                "at": timezone.now(),
            },
        )
        if made:
            unit.plate, unit.fitted, unit.contactor_fitted = plain, parts, contactor
            unit.save(update_fields=["plate", "fitted", "contactor_fitted"])
