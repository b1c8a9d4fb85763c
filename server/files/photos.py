"""The photos of a company's units: found, taken off the file, put back."""

from datetime import datetime
from uuid import UUID

from accounts.audit import note
from accounts.models import Company, Member
from files.photo_in import PhotoOf
from fleet.models import Unit
from fleet.parts import parts_of
from fleet.write_unit import find_unit
from outer_test.measurement import FieldProblem
from visits.load import find_visit
from visits.models import Photo

MOST_SHOWN = 200


class NoSuchPhoto(LookupError):
    """This company has no such photo."""


def photos_of(company: Company, unit: Unit) -> list[Photo]:
    """A unit's photos that are on its file, newest first."""
    rows = Photo.objects.of(company).filter(unit=unit, removed_at=None).select_related("member")
    return list(rows.order_by("-at", "-id")[:MOST_SHOWN])


def photo_of(company: Company, unit_id: UUID, visit_id: UUID | None, part_id: UUID | None, about: str) -> PhotoOf:
    """What a new photo is of. Raises NoSuchUnit, NoSuchVisit, and FieldProblem for a visit or part of another unit."""
    unit = find_unit(company, unit_id)
    visit = None if visit_id is None else find_visit(company, visit_id)
    if visit is not None and visit.unit_id != unit.id:
        raise FieldProblem("visit", "This visit was to another unit.")
    if part_id is not None and part_id not in {one.id for one in parts_of(company, unit)}:
        raise FieldProblem("part", "This part was not put into this unit.")
    return PhotoOf(unit, visit, part_id, about)


def find_photo(company: Company, photo_id: UUID) -> Photo:
    """The photo, also one that was taken off. Raises NoSuchPhoto."""
    photo: Photo | None = Photo.objects.of(company).filter(uuid=photo_id).select_related("member", "unit__site").first()
    if photo is None:
        raise NoSuchPhoto
    return photo


def take_photo_off(member: Member, photo_id: UUID, now: datetime) -> Photo:
    """Take a photo off the unit's file; it can be put back. Raises NoSuchPhoto."""
    return _marked(member, photo_id, now, "took a photo off")


def put_photo_back(member: Member, photo_id: UUID) -> Photo:
    """Put a photo back that was taken off. Raises NoSuchPhoto."""
    return _marked(member, photo_id, None, "put a photo back on")


def _marked(member: Member, photo_id: UUID, removed_at: datetime | None, what: str) -> Photo:
    photo = find_photo(member.company, photo_id)
    photo.removed_at = removed_at
    photo.save(update_fields=["removed_at"])
    note(member, f"{what} {photo.unit}")
    return photo
