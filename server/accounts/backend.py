"""Who signs in, with the company loaded along: every request asks for both."""

from django.contrib.auth.backends import ModelBackend

from accounts.models import Member


class MemberBackend(ModelBackend):
    """Django's own password check; the member of a session comes with the company in one query."""

    def get_user(self, user_id: int) -> Member | None:
        """The active member behind a session, or None."""
        member = Member.objects.select_related("company").filter(pk=user_id).first()
        return member if member is not None and self.user_can_authenticate(member) else None
