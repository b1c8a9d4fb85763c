"""Photos of a device that a lead shut out: held with its entries, and kept or deleted by the lead's word."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from django.db import transaction

from accounts.models import Member, SignIn
from files.photo_in import clean, keep_photo, put
from files.photos import photo_of
from fleet.write_unit import NoSuchUnit
from outer_test.measurement import FieldProblem
from visits.held import Settled, held_of, settle_held
from visits.load import NoSuchVisit
from visits.models import HeldEntries, HeldPhoto

MOST = 100


@dataclass(frozen=True, slots=True)
class HeldOf:
    """What a held photo is of, as its device knew it: whether it is so is asked when a lead takes it in."""

    unit: UUID
    visit: UUID | None = None
    part: UUID | None = None
    about: str = ""


def hold_photo(sign_in: SignIn, photo_id: UUID, of: HeldOf, content: bytes, now: datetime) -> None:
    """Hold a photo of a shut-out device, made anew; the same one once. Raises FieldProblem."""
    company = sign_in.company
    if HeldPhoto.objects.of(company).filter(uuid=photo_id).exists():
        return
    fresh, _, _ = clean(content)
    with transaction.atomic():
        row = held_of(sign_in)
        row.arrived_at = row.arrived_at or now
        row.save()
        if HeldPhoto.objects.of(company).filter(held=row).count() >= MOST:
            raise FieldProblem("photo", f"No more than {MOST} photos are held.")
        put(HeldPhoto(company=company, held=row, uuid=photo_id, unit=of.unit, visit=of.visit, part=of.part, about=of.about.strip()), fresh)


def take_or_leave(lead: Member, held: int, take: bool) -> Settled:
    """Write what a shut-out device had not sent as its member's, photos with it, or leave all of it out for good.

    A photo whose unit or visit is not there is refused as an entry would be. Raises NothingHeld, FieldProblem.
    """
    with transaction.atomic():
        settled = settle_held(lead, held, take)
        row = HeldEntries.objects.of(lead.company).select_related("member__company").get(pk=held)
        waiting = HeldPhoto.objects.of(lead.company).filter(held=row).order_by("pk")
        photos = list(waiting)
        kept = sum(_keep(photo, row) for photo in photos) if take else 0
        waiting.delete()
    for photo in photos:  # once it is certain that nobody asks for them again
        photo.file.delete(save=False)
    return Settled(settled.saved + kept, settled.refused + (len(photos) - kept if take else 0))


def _keep(photo: HeldPhoto, row: HeldEntries) -> bool:
    try:
        of = photo_of(row.company, photo.unit, photo.visit, photo.part, photo.about)
        with photo.file.open("rb") as file:
            keep_photo(row.member, of, photo.uuid, file.read(), row.arrived_at)
    except (NoSuchUnit, NoSuchVisit, FieldProblem):
        return False
    return True
