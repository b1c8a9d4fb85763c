"""Who is asking: the signed-in member, with the company loaded along."""

from typing import Any

from django.http import HttpRequest
from django.utils import timezone
from ninja.security import SessionAuth
from ninja.utils import check_csrf

from accounts.models import Member
from accounts.time_zone import zone_of
from api.problems import Refused


class SignedIn(SessionAuth):
    """Session sign-in. Every write needs the CSRF token as well."""

    def authenticate(self, request: HttpRequest, key: str | None) -> Any:
        """The member behind the session, or None. From here on local time is their company's."""
        user = request.user
        if not isinstance(user, Member) or not user.is_active:
            return None
        timezone.activate(zone_of(user.company))
        return user


class Asking(HttpRequest):
    """A request whose asker is known."""

    auth: Member


def need_csrf(request: HttpRequest) -> None:
    """Hold an endpoint that is open to strangers to the CSRF check too. Raises Refused."""
    if check_csrf(request) is not None:
        raise Refused(403, "This page is out of date. Reload it.")
