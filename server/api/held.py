"""What a device that a lead shut out had not sent: handed over by the device, and settled by a lead."""

from collections import Counter
from dataclasses import dataclass, field
from datetime import datetime
from typing import Annotated, Any
from uuid import UUID

from django.http import HttpRequest
from django.utils import timezone
from ninja import Body, File, Form, Router, UploadedFile

from accounts.models import SignIn
from api.company import need_lead
from api.files import KEEPABLE
from api.problems import Problem, Refused
from api.signed_in import Asking, clock_of, need_csrf
from files.held_photos import HeldOf, hold_photo, take_or_leave
from visits.held import Settled, held_for, hold, photos_held

router = Router(tags=["held"])
MOST_AT_ONCE = 200


@dataclass(frozen=True, slots=True)
class HandedOver:
    """Entries as a device kept them; `last` where nothing more comes: then its key is worth nothing any more."""

    entries: list[dict[str, Any]] = field(default_factory=list)
    last: bool = True


@dataclass(frozen=True, slots=True)
class Taken:
    """How many entries are held now of those that were sent."""

    held: int


@dataclass(frozen=True, slots=True)
class HeldShown:
    """Entries that wait for a lead's yes: whose, how many, what kinds of things were done when, and how many photos beside."""

    id: int
    by_whom: str
    count: int
    arrived_at: datetime
    kinds: dict[str, int]
    photos: int


@dataclass(frozen=True, slots=True)
class Settle:
    """Whether they count."""

    take: bool


class FromShutOut(HttpRequest):
    """A request of a device that a lead shut out."""

    auth: SignIn


def shut_out_device(request: HttpRequest) -> SignIn | None:
    """The sign-in of the device that asks, where a lead ended it."""
    found: SignIn | None = getattr(request, "shut_out", None)
    return found


@router.post("", auth=shut_out_device, response={200: Taken, 401: Problem, 403: Problem, 413: Problem, 422: Problem})
def hand_over(request: FromShutOut, body: Body[HandedOver]) -> Taken:
    """Hand over what a shut-out device has not sent. Its key is all it has; each entry is held once."""
    need_csrf(request)
    if len(body.entries) > MOST_AT_ONCE:
        raise Refused(413, f"Send at most {MOST_AT_ONCE} entries at once.")
    hold(request.auth, body.entries, clock_of(request), timezone.now())
    if body.last:
        request.device_key = ""  # type: ignore[attr-defined]
    return Taken(len(body.entries))


@router.post("/photos", auth=shut_out_device, response={200: Taken, 401: Problem, 403: Problem, 413: Problem, 422: Problem})
def hand_over_photo(
    request: FromShutOut,
    id: Annotated[UUID, Form()],
    unit: Annotated[UUID, Form()],
    photo: Annotated[UploadedFile, File()],
    about: Annotated[str, Form(max_length=60, pattern=KEEPABLE)] = "",
    visit: Annotated[UUID | None, Form()] = None,
    part: Annotated[UUID | None, Form()] = None,
) -> Taken:
    """Hand over a photo that a shut-out device has not sent; each is held once."""
    need_csrf(request)
    hold_photo(request.auth, id, HeldOf(unit, visit, part, about), photo.read(), timezone.now())
    return Taken(1)


@router.get("", response={200: list[HeldShown], 401: Problem, 403: Problem})
def held(request: Asking) -> list[HeldShown]:
    """What waits for a lead's yes. Leads only."""
    need_lead(request)
    photos = photos_held(request.auth.company)
    return [
        HeldShown(row.pk, row.member.shown_name, len(row.entries), row.arrived_at, _kinds(row.entries), photos.get(row.pk, 0))
        for row in held_for(request.auth.company)
    ]


def _kinds(entries: list[dict[str, Any]]) -> dict[str, int]:
    return Counter(str(entry["act"].get("kind", ""))[:20] for entry in entries)


@router.post("/{held_id}", response={200: Settled, 401: Problem, 403: Problem, 404: Problem, 422: Problem})
def settle(request: Asking, held_id: int, body: Body[Settle]) -> Settled:
    """Write them as that member's, or leave them out for good. Leads only."""
    need_lead(request)
    return take_or_leave(request.auth, held_id, body.take)
