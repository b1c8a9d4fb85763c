"""A photo taken in: only a picture that can be read, made anew so that nothing but the picture is kept."""

import struct
import zlib
from dataclasses import dataclass
from datetime import datetime
from io import BytesIO
from threading import BoundedSemaphore
from uuid import UUID, uuid4

from django.core.files.base import ContentFile
from django.db import IntegrityError, transaction
from PIL import Image, ImageOps, UnidentifiedImageError

from accounts.models import Member
from fleet.models import Unit
from outer_test.measurement import FieldProblem
from visits.models import HeldPhoto, Photo, Visit

MOST_BYTES = 12_000_000
MOST_PIXELS, MOST_SIDE = 50_000_000, 12_000
LONGEST_SIDE = 2000
FORMATS = ("JPEG", "PNG", "WEBP")
# What the imaging library raises for a file, or for EXIF in it, that is broken.
_UNREADABLE = (
    UnidentifiedImageError, OSError, SyntaxError, ValueError, EOFError, TypeError, KeyError, IndexError, ArithmeticError, struct.error,
    zlib.error,
)  # fmt: skip
# A picture unpacked takes some 300 MB at most: one at a time in a process.
_AT_WORK = BoundedSemaphore(1)


class PhotoProblem(FieldProblem):
    """A file that is no photo the record can keep."""

    def __init__(self, message: str) -> None:
        super().__init__("photo", message)


def clean(content: bytes) -> tuple[bytes, int, int]:
    """The picture as a fresh JPEG, at most 2000 pixels a side, turned upright, with no EXIF, place or other data.

    Raises PhotoProblem for what is too big, or no JPEG, PNG or WebP that can be read.
    """
    if len(content) > MOST_BYTES:
        raise PhotoProblem(f"The file is larger than {MOST_BYTES // 1_000_000} MB.")
    with _AT_WORK:
        return _drawn_anew(content)


def _drawn_anew(content: bytes) -> tuple[bytes, int, int]:
    try:
        with Image.open(BytesIO(content), formats=FORMATS) as opened:  # reads the heading alone
            if max(opened.size) > MOST_SIDE or opened.width * opened.height > MOST_PIXELS:
                raise PhotoProblem(f"The picture has more than {MOST_PIXELS // 1_000_000} million pixels, or a side over {MOST_SIDE}.")
            opened.draft("RGB", (LONGEST_SIDE, LONGEST_SIDE))  # a JPEG is read at a half, a quarter or an eighth where that is enough
            picture = opened.convert("RGB")
            picture.thumbnail((LONGEST_SIDE, LONGEST_SIDE))
            picture = ImageOps.exif_transpose(picture)
        fresh = BytesIO()
        picture.save(fresh, "JPEG", quality=82, optimize=True)
    except PhotoProblem:
        raise
    except (MemoryError, Image.DecompressionBombError, *_UNREADABLE):
        raise PhotoProblem("This is not a JPEG, PNG or WebP picture that can be read.") from None
    return fresh.getvalue(), picture.width, picture.height


@dataclass(frozen=True, slots=True)
class PhotoOf:
    """What a photo is of: a unit, the visit it was taken on, the part it shows, and in words."""

    unit: Unit
    visit: Visit | None = None
    part: UUID | None = None
    about: str = ""


def keep_photo(member: Member, of: PhotoOf, photo_id: UUID, content: bytes, at: datetime) -> Photo:
    """Keep a photo. The same UUID keeps it once. Raises FieldProblem."""
    if len(of.about) > 60:
        raise FieldProblem("about", "Use up to 60 characters.")
    already: Photo | None = Photo.objects.of(member.company).filter(uuid=photo_id).first()
    if already is not None:
        return already
    fresh, width, height = clean(content)
    photo = Photo(
        company=member.company,
        uuid=photo_id,
        unit=of.unit,
        visit=of.visit,
        part=of.part,
        member=member,
        at=at,
        about=of.about.strip(),
        width=width,
        height=height,
        size=len(fresh),
    )
    if put(photo, fresh):
        return photo
    first: Photo = Photo.objects.of(member.company).get(uuid=photo_id)
    return first


def put(row: Photo | HeldPhoto, picture: bytes) -> bool:
    """Save a row with its picture; False where the same photo came first. What is not kept leaves nothing behind."""
    row.file.save(f"{uuid4().hex}.jpg", ContentFile(picture), save=False)
    try:
        with transaction.atomic():
            row.save()
    except IntegrityError:  # it arrived twice at once
        row.file.delete(save=False)
        return False
    except Exception:
        row.file.delete(save=False)
        raise
    return True
