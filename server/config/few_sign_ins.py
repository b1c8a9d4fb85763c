"""A flood of sign-ins is turned away before anything is worked out for it: everybody else shares the process with it."""

from collections.abc import Callable, Iterable
from threading import BoundedSemaphore
from typing import Any

from accounts.hashers import AT_ONCE
from api.problems import TOO_BUSY, refusal

PATH = "/api/v1/session"
Application = Callable[[dict[str, Any], Callable[..., Any]], Iterable[bytes]]
_BODY = refusal(503, TOO_BUSY).content
_HEADERS = [
    ("Content-Type", "application/json; charset=utf-8"), ("Content-Length", str(len(_BODY))), ("Cache-Control", "no-store"),
    ("Retry-After", "2"),
]  # fmt: skip


class FewSignIns:
    """The application behind it, but for the sign-ins beyond those whose passwords are looked at or wait for it."""

    def __init__(self, application: Application) -> None:
        self._application, self._room = application, BoundedSemaphore(AT_ONCE)

    def __call__(self, environ: dict[str, Any], start_response: Callable[..., Any]) -> Iterable[bytes]:
        """The answer; nothing of the body is read where it is a refusal."""
        if environ["REQUEST_METHOD"] != "POST" or environ.get("PATH_INFO") != PATH:
            return self._application(environ, start_response)
        if not self._room.acquire(blocking=False):
            start_response("503 Service Unavailable", _HEADERS)
            return [_BODY]
        try:
            return self._application(environ, start_response)
        finally:
            self._room.release()
