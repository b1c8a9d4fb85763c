"""Who writes, from which device, and by which clocks."""

from dataclasses import dataclass, field
from datetime import datetime
from typing import Any
from uuid import UUID, uuid5

from django.utils import timezone

from accounts.models import Company, Member
from outer_test.acts import named as named_of
from outer_test.measurement import FieldProblem

MOST_COUNTED = 2**50
_OWN = UUID("0d2b6a0a-7f6e-4c52-9a5e-2f4a2b8f7c11")


@dataclass(frozen=True, slots=True)
class Writer:
    """A member at a device. `device_now` is that device's clock as it sent what is written, None where it does not say."""

    member: Member
    device: UUID
    device_now: datetime | None = None
    now: datetime = field(default_factory=timezone.now)

    @property
    def company(self) -> Company:
        """The writer's company."""
        return self.member.company

    @property
    def ahead_s(self) -> float:
        """How far the device's clock is ahead of this server's, seconds; 0 where it does not say."""
        return 0.0 if self.device_now is None else (self.device_now - self.now).total_seconds()


def own_writer(member: Member, what: str) -> Writer:
    """This server itself as the device, in a member's name: a file taken in, the demo. `what` tells one such device from another."""
    return Writer(member, uuid5(_OWN, f"{member.company_id} {what}"))


@dataclass(frozen=True, slots=True)
class New:
    """Something to be written: the client's id, a body of the core's kinds, and when by the device's clock and count.

    `after` is the last place of the ledger that the device knew of. Without a count it comes after all that the device wrote.
    `besides` orders what one act means: below 0 it came first.
    """

    id: UUID
    body: Any
    at: datetime | None = None
    seq: int | None = None
    after: int | None = None
    besides: int = 0


@dataclass(frozen=True, slots=True)
class Subject:
    """What an event is about."""

    site: UUID | None = None
    unit: UUID | None = None
    visit: UUID | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Made:
    """Every write's own: the client's UUID, the device's time and count, and the last place of the ledger it knew of."""

    id: UUID
    at: datetime | None = None
    seq: int | None = None
    after: int | None = None

    def __post_init__(self) -> None:
        if self.at is not None and self.at.tzinfo is None:
            raise FieldProblem("at", "needs its offset from UTC, as in 2027-01-14T09:42:00Z")
        for name in ("seq", "after"):
            count = getattr(self, name)
            if count is not None and not 0 <= count < MOST_COUNTED:
                raise FieldProblem(name, "This is no count.")


def named(made: Made, name: str) -> UUID:
    """The id of what an act means besides itself."""
    return UUID(named_of(str(made.id), name))
