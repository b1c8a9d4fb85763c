"""Who is asking: the signed-in member, with the company loaded along."""

from datetime import datetime
from typing import Any
from uuid import UUID, uuid4

from django.http import HttpRequest
from django.utils import timezone
from ninja.security import SessionAuth
from ninja.utils import check_csrf

from accounts.models import Member
from accounts.time_zone import zone_of
from api.problems import Refused
from ledger.writer import Writer


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


DEVICE, CLOCK = "device", "Outer-Test-Clock"


def device_of(request: HttpRequest) -> UUID:
    """What the ledger calls the device behind this session; its key keeps it one from session to session."""
    if DEVICE not in request.session:
        request.session[DEVICE] = str(uuid4())
    return UUID(request.session[DEVICE])


def clock_of(request: HttpRequest) -> datetime | None:
    """What the device's clock says now; None where it does not say. Raises Refused where it says no time."""
    said = request.headers.get(CLOCK)
    try:
        clock = None if said is None else datetime.fromisoformat(said)
    except ValueError:
        clock = None
    if said is not None and (clock is None or clock.tzinfo is None):
        raise Refused(422, f"{CLOCK} needs a time with its offset from UTC, as in 2027-01-14T09:42:00Z")
    return clock


def writer_of(request: Asking) -> Writer:
    """Who writes, from which device, and what its clock says now. Raises Refused where it says no time."""
    return Writer(request.auth, device_of(request), clock_of(request))
