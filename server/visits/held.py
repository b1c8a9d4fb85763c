"""Entries of a device that a lead shut out: held until a lead says that they count, or that they do not."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from django.db import transaction
from django.db.models import QuerySet
from django.utils import timezone

from accounts.audit import note
from accounts.models import Company, Member, SignIn
from ledger.writer import Writer
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem
from visits.models import HeldEntries, HeldPhoto
from visits.sync import State, push, read_push

MOST = 2000


@dataclass(frozen=True, slots=True)
class Settled:
    """How many were written, and how many could not be."""

    saved: int
    refused: int


class NothingHeld(LookupError):
    """Nothing of that kind waits for this company's yes."""


@transaction.atomic
def hold(sign_in: SignIn, entries: Sequence[Any], device_now: datetime | None, now: datetime) -> None:
    """Hold what a shut-out device hands over, beside what it handed over before; the same entry once. Raises FieldProblem."""
    if not entries:
        return
    row = held_of(sign_in)
    there = {one["id"] for one in row.entries}
    try:
        new = {str(read_push(entry).id): entry for entry in entries}
    except (ReadProblem, FieldProblem):
        raise FieldProblem("entries", "This is no entry.") from None
    row.entries = [*row.entries, *(entry for uuid, entry in new.items() if uuid not in there)]
    if len(row.entries) > MOST:
        raise FieldProblem("entries", f"No more than {MOST} entries are held.")
    row.device_now, row.arrived_at = device_now, now
    row.save()


def held_of(sign_in: SignIn) -> HeldEntries:
    """What is held of a shut-out device, locked; a new row, not saved, where it handed nothing over yet. Raises FieldProblem."""
    if sign_in.device is None:  # signed in before devices had names: it has no key either
        raise FieldProblem("entries", "This device is not known.")
    rows = HeldEntries.objects.of(sign_in.company).select_for_update().filter(device=sign_in.device, settled_at=None)
    return rows.first() or HeldEntries(company=sign_in.company, member=sign_in.member, device=sign_in.device)


def held_for(company: Company) -> QuerySet[HeldEntries]:
    """What waits for a lead's yes, the oldest first."""
    return HeldEntries.objects.of(company).filter(settled_at=None).select_related("member").order_by("arrived_at")


def photos_held(company: Company) -> Mapping[int, int]:
    """How many photos are held beside the entries, by what they are held with."""
    return Counter(HeldPhoto.objects.of(company).values_list("held", flat=True))


@transaction.atomic
def settle_held(lead: Member, held: int, take: bool) -> Settled:
    """Write them as that member's, or leave them out for good. Raises NothingHeld, FieldProblem."""
    row = HeldEntries.objects.of(lead.company).select_for_update(of=("self",)).select_related("member__company")
    found: HeldEntries | None = row.filter(pk=held, settled_at=None).first()
    if found is None:
        raise NothingHeld
    answers = list(push(Writer(found.member, found.device, found.device_now, found.arrived_at), found.entries)) if take else []
    if any(one.state is State.LATER for one in answers):
        raise FieldProblem("", "Others are writing to the same record. Try again in a moment.")
    saved = sum(one.state is not State.REFUSED for one in answers)
    found.settled_at, found.taken = timezone.now(), take
    found.save(update_fields=["settled_at", "taken"])
    whose = f"of {len(found.entries)} entries of {found.member.shown_name} from a device that was shut out"
    note(lead, f"took in {saved} {whose}" if take else f"left out {whose.removeprefix('of ')}")
    return Settled(saved, len(answers) - saved)
