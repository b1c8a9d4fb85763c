"""What several people change: each change says which version it was made from, and none goes over another's unseen."""

from datetime import datetime

from django.db import transaction
from django.utils import timezone

from accounts.models import Company, LatestChange, Member


class Overtaken(Exception):
    """Somebody else changed this since it was looked at: who, when, and what it says now in words."""

    def __init__(self, by_whom: str, at: datetime, what: str = "") -> None:
        super().__init__(by_whom)
        self.by_whom, self.at, self.what = by_whom, at, what


def version_of(company: Company, subject: str) -> int:
    """How often this was changed; 0 where never."""
    row = LatestChange.objects.of(company).filter(subject=subject).first()
    return 0 if row is None else int(row.number)


def versions_of(company: Company, beginning: str) -> dict[str, int]:
    """The versions of every subject that begins so, by the rest of its name."""
    rows = LatestChange.objects.of(company).filter(subject__startswith=beginning)
    return {row.subject.removeprefix(beginning): row.number for row in rows}


@transaction.atomic
def count_change(member: Member, subject: str) -> None:
    """Count a change that was made from no version, as by a repair to what a van carries: who has it open is told."""
    _count(_locked(member, subject), member)


@transaction.atomic
def change_from(member: Member, subject: str, seen: int, now_says: str = "") -> None:
    """Count a change to `subject` made from version `seen`, within the caller's transaction. Raises Overtaken.

    now_says: what stands there now, for whoever is refused.
    """
    row = _locked(member, subject)
    if row.number != seen:
        raise Overtaken(row.member.shown_name, row.at, now_says)
    _count(row, member)


def _locked(member: Member, subject: str) -> LatestChange:
    """The row of a subject, one writer's at a time; it is made where nothing was changed yet."""
    company = member.company
    LatestChange.objects.of(company).get_or_create(company=company, subject=subject, defaults={"member": member})
    row: LatestChange = LatestChange.objects.of(company).select_for_update().get(subject=subject)
    return row


def _count(row: LatestChange, member: Member) -> None:
    row.number, row.member, row.at = row.number + 1, member, timezone.now()
    row.save()
