"""The record of who changed what in a company."""

from accounts.models import AuditRecord, Company, Member

LONGEST, MOST_SHOWN = 300, 200


def note(member: Member, what: str) -> None:
    """Write down that this member did this. `what` continues a sentence that begins with their name."""
    AuditRecord.objects.of(member.company).create(
        company=member.company, member=member, by_whom=member.shown_name[:150], what=what[:LONGEST]
    )


def latest_changes(company: Company) -> list[AuditRecord]:
    """What was changed in the company, the latest first."""
    return list(AuditRecord.objects.of(company).order_by("-at", "-id")[:MOST_SHOWN])
