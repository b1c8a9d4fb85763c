"""How much a request may bring, by its path: held to before anything of it is read, so that no stranger fills the disk.

Django reads no more of a body than its length says, and nothing where it says none: the length is the limit while reading too.
"""

import re
from collections.abc import Callable
from dataclasses import dataclass

from django.conf import settings
from django.db import InterfaceError, OperationalError
from django.http import HttpRequest, HttpResponse
from django.utils import timezone

from accounts.models import Member
from accounts.uploads import TooMuchToday, count_upload
from api.files import MOST_VISIT_FILE
from api.held import shut_out_device
from api.problems import UNREACHABLE, refusal
from files.checked_zip import MOST_BYTES as ZIP_BYTES
from files.log_job import MOST_BYTES as LOG_BYTES
from files.photo_in import MOST_BYTES as PHOTO_BYTES

FORM = 100_000  # what stands around a file in its form
STRANGER = 20_000
HAND_OVER = "/api/v1/held"  # from a device that a lead shut out


@dataclass(frozen=True, slots=True)
class _Upload:
    """A path that takes a file of up to `most` bytes; `lead`: from leads alone."""

    path: re.Pattern[str]
    most: int
    lead: bool = False


_UPLOADS = (
    _Upload(re.compile(r"^/api/v1/files/units/[^/]+/photos$"), PHOTO_BYTES),
    _Upload(re.compile(r"^/api/v1/held/photos$"), PHOTO_BYTES),
    _Upload(re.compile(r"^/api/v1/files/units/[^/]+/visit-file$"), MOST_VISIT_FILE),
    _Upload(re.compile(r"^/api/v1/imports$"), LOG_BYTES),
    _Upload(re.compile(r"^/api/v1/files/company-zip$"), ZIP_BYTES, lead=True),
)


class BodyLimits:
    """Middleware, after the one that knows who asks and before any that reads what they brought."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, or a refusal with nothing of the body read."""
        try:
            refused = None if request.method in ("GET", "HEAD", "OPTIONS") else _refused(request)
        except (OperationalError, InterfaceError):  # who asks cannot be known: as the API answers it
            refused = _answer(503, UNREACHABLE)
        return refused or self.get_response(request)


def _refused(request: HttpRequest) -> HttpResponse | None:
    if request.headers.get("Transfer-Encoding") and not request.headers.get("Content-Length"):
        return _answer(411, "Say how long it is: a body needs its Content-Length.")
    said = request.META.get("CONTENT_LENGTH") or "0"
    if not said.isdigit():
        return _answer(400, "This Content-Length is no number.")
    length, member = int(said), request.user
    if not isinstance(member, Member):
        shut_out = shut_out_device(request) if request.path.startswith(HAND_OVER) else None
        if shut_out is None:
            return None if length <= STRANGER else _answer(413, "That is too much at once. Sign in first.")
        member = shut_out.member
    upload = next((one for one in _UPLOADS if one.path.match(request.path)), None)
    if upload is None:
        return None if length <= settings.DATA_UPLOAD_MAX_MEMORY_SIZE else _answer(413, "That is too much at once.")
    if length > upload.most + FORM:
        return _answer(413, f"The file is larger than {upload.most // 1_000_000} MB.")
    if upload.lead and member.role != Member.Role.LEAD:
        return _answer(403, "Only a lead can change this.")
    try:
        count_upload(member, length, timezone.localdate())
    except TooMuchToday:
        return _answer(413, "That is more than one day takes in. Go on tomorrow.")
    return None


def _answer(status: int, message: str) -> HttpResponse:
    response = refusal(status, message)
    response["Connection"] = "close"  # what was not read is not taken for the next request
    return response
