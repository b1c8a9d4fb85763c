"""A device that signed in stays signed in: without a session, its key begins a new one as the same device."""

from collections.abc import Callable
from urllib.parse import quote

from django.conf import settings
from django.contrib.auth import login
from django.db import InterfaceError, OperationalError
from django.http import HttpRequest, HttpResponse
from django.utils import timezone

from accounts.device_keys import LASTS, give_key, shut_out_of, sign_in_of
from accounts.models import Member
from api.problems import UNREACHABLE, refusal
from api.signed_in import DEVICE

COOKIE, ENDED = "device_key", "Outer-Test-Device"


class DeviceKey:
    """Middleware, for the API alone. What a view gives or takes is left on the request as `device_key`."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, with the key that the device has from now on."""
        if not request.path.startswith("/api/"):
            return self.get_response(request)
        key = request.COOKIES.get(COOKIE, "")
        try:
            ended = bool(key) and not isinstance(request.user, Member) and not _come_back(request, key)
            shut_out = shut_out_of(key, timezone.now()) if ended else None
        except (OperationalError, InterfaceError):  # as the API answers it: what waits is sent again
            return refusal(503, UNREACHABLE)
        request.shut_out = shut_out  # type: ignore[attr-defined]
        response = self.get_response(request)
        new: str | None = getattr(request, "device_key", None)
        if new:
            response.set_cookie(
                COOKIE, new, max_age=LASTS, httponly=True, secure=settings.SESSION_COOKIE_SECURE, samesite="Strict", path="/api/"
            )
        elif new == "" or (ended and shut_out is None):
            response.delete_cookie(COOKIE, path="/api/", samesite="Strict")
        if ended and new is None:
            # What is kept on it is no longer its own to show; what it has not sent it hands over, where a lead ended it.
            response[ENDED] = "ended" if shut_out is None else f"hand-over {quote(shut_out.member.username)}"
        return response


def _come_back(request: HttpRequest, key: str) -> bool:
    now = timezone.now()
    row = sign_in_of(key, now)
    if row is None:
        return False
    login(request, row.member, backend="accounts.backend.MemberBackend")
    request.session[DEVICE] = str(row.device)
    row.session_key = request.session.session_key or ""
    row.save(update_fields=["session_key"])
    request.device_key = give_key(row, now)  # type: ignore[attr-defined]
    return True
