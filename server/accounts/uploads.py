"""How much a member, and a company, may send in files on one day."""

from datetime import date

from django.conf import settings
from django.db import transaction
from django.db.models import F, Sum

from accounts.models import Member, Uploaded


class TooMuchToday(Exception):
    """The day's measure of the member or of the company is full."""


def count_upload(member: Member, size: int, day: date) -> None:
    """Count `size` bytes about to be sent. Raises TooMuchToday; they are not counted then."""
    company = member.company
    most: dict[str, int] = settings.UPLOADS_A_DAY
    with transaction.atomic():
        row, _ = Uploaded.objects.of(company).get_or_create(company=company, member=member, day=day)
        Uploaded.objects.of(company).filter(pk=row.pk).update(bytes=F("bytes") + size)
        today = Uploaded.objects.of(company).filter(day=day)
        own = today.get(pk=row.pk).bytes
        if own > most["member"] or (today.aggregate(whole=Sum("bytes"))["whole"] or 0) > most["company"]:
            transaction.set_rollback(True)
            raise TooMuchToday
