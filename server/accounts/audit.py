"""The record of who changed what in a company."""

from accounts.models import AuditRecord, Member

LONGEST = 300


def note(member: Member, what: str) -> None:
    """Write down that this member did this. `what` continues a sentence that begins with their name."""
    AuditRecord.objects.of(member.company).create(
        company=member.company, member=member, by_whom=member.shown_name[:150], what=what[:LONGEST]
    )
