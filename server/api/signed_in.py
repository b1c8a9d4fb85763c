"""Who is asking: the signed-in member, with the company loaded along."""

from typing import Any

from django.http import HttpRequest
from ninja.security import SessionAuth
from ninja.utils import check_csrf

from accounts.models import Member
from api.problems import Refused


class SignedIn(SessionAuth):
    """Session sign-in. Every write needs the CSRF token as well."""

    def authenticate(self, request: HttpRequest, key: str | None) -> Any:
        """The member behind the session, or None."""
        user = request.user
        return user if user.is_authenticated and user.is_active else None


class Asking(HttpRequest):
    """A request whose asker is known."""

    auth: Member


def need_csrf(request: HttpRequest) -> None:
    """Hold an endpoint that is open to strangers to the CSRF check too. Raises Refused."""
    if check_csrf(request) is not None:
        raise Refused(403, "This page is out of date. Reload it.")
