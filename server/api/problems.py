"""Every error the API answers has one shape: which field, and what is wrong with it."""

import errno
from dataclasses import dataclass
from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.db import DataError, IntegrityError, InterfaceError, OperationalError
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.utils import timezone
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, HttpError, ValidationError
from psycopg import errors

from accounts.attempts import TooManyAttempts
from accounts.hashers import TooBusy
from accounts.people import NoSuchInvitation, NoSuchMember
from accounts.versions import Overtaken
from api.words_of_problems import message_for
from files.customer_link import NoSuchLink
from files.log_job import NoSuchJob
from files.made import NoSuchFile
from files.photos import NoSuchPhoto
from fleet.write_unit import NoSuchUnit
from outer_test.measurement import FieldProblem, sentence
from outer_test.plain_data import ReadProblem
from visits.held import NothingHeld
from visits.load import NoSuchVisit

DISK_FULL = "The server's disk is full. Nothing was saved. Tell whoever runs it; what waits here is sent again."
HELD_UP = "Others are writing to the same record. Nothing was saved; it will be sent again."
TOO_BUSY = "Too many people are signing in. Try again in a moment."
WENT_WRONG = "This went wrong on the server. Try again."
NO_ADDRESS = "There is no such address here."
UNREACHABLE = "The database does not answer. Nothing was saved; it will be sent again."


@dataclass(frozen=True, slots=True)
class FieldError:
    """What is wrong with one field; `field` is empty where it is none in particular."""

    field: str
    message: str


@dataclass(frozen=True, slots=True)
class Problem:
    """The body of every answer that is no success."""

    errors: list[FieldError]


class Refused(Exception):
    """An answer with this status and this message."""

    def __init__(self, status: int, message: str, field: str = "") -> None:
        super().__init__(message)
        self.status, self.field, self.message = status, field, message


def refusal(status: int, message: str) -> HttpResponse:
    """What is answered, in the one shape, where no view is reached."""
    return JsonResponse({"errors": [{"field": "", "message": message}]}, status=status)


def _validation(problem: ValidationError) -> list[tuple[str, str]]:
    return [message_for(dict(error)) for error in problem.errors]


def register(api: NinjaAPI) -> None:
    """Teach the API to answer each kind of problem."""

    def answer(request: HttpRequest, status: int, *errors: tuple[str, str]) -> HttpResponse:
        body = Problem([FieldError(field, sentence(message)) for field, message in errors])
        return api.create_response(request, {"errors": [{"field": e.field, "message": e.message} for e in body.errors]}, status=status)

    def failed(request: HttpRequest, problem: Exception, told: tuple[int, tuple[str, str]]) -> HttpResponse:
        request.failed_because = type(problem.__cause__ or problem).__name__  # type: ignore[attr-defined]
        return answer(request, *told)

    def on(kind: type[Exception], handle: Any) -> None:
        api.add_exception_handler(kind, handle)

    def not_valid(request: HttpRequest, problem: ValidationError) -> HttpResponse:
        # What stands in the address names something: where it cannot be a name at all, nothing of that name is there.
        named = request.resolver_match.kwargs if request.resolver_match else {}
        if named and all(tuple(error["loc"]) in {(name,) for name in named} for error in problem.errors):
            return answer(request, 404, ("", NO_ADDRESS))
        return answer(request, 422, *_validation(problem))

    on(ValidationError, not_valid)
    on(FieldProblem, lambda request, problem: answer(request, 422, (problem.field, problem.message)))
    on(ReadProblem, lambda request, problem: answer(request, 422, *problem.found))
    on(Refused, lambda request, problem: answer(request, problem.status, (problem.field, problem.message)))
    on(HttpError, lambda request, problem: answer(request, problem.status_code, ("", str(problem))))
    on(AuthenticationError, lambda request, _: answer(request, 401, ("", "Sign in first.")))
    on(NoSuchVisit, lambda request, _: answer(request, 404, ("", "There is no such visit.")))
    on(NoSuchUnit, lambda request, _: answer(request, 404, ("", "There is no such unit.")))
    on(NoSuchPhoto, lambda request, _: answer(request, 404, ("", "There is no such photo.")))
    on(NoSuchJob, lambda request, _: answer(request, 404, ("", "There is no such file on its way in.")))
    on(NoSuchFile, lambda request, _: answer(request, 404, ("", "There is no such file here. Ask for a new one.")))
    on(NoSuchLink, lambda request, _: answer(request, 404, ("", "There is no such link.")))
    on(NothingHeld, lambda request, _: answer(request, 404, ("", "Nothing of that waits any more.")))
    on(NoSuchMember, lambda request, _: answer(request, 404, ("", "There is no such person or session.")))
    on(NoSuchInvitation, lambda request, _: answer(request, 404, ("", "This link was used, withdrawn or has expired. Ask for a new one.")))
    on(IntegrityError, lambda request, _: answer(request, 409, ("id", "This id was already used for something else.")))
    on(DataError, lambda request, _: answer(request, 422, ("", "It holds something that cannot be kept.")))
    on(RequestDataTooBig, lambda request, _: answer(request, 413, ("", "That is too much at once.")))
    on(TooManyAttempts, lambda request, _: answer(request, 429, ("", "Too many wrong passwords. Wait 15 minutes, or ask your lead.")))
    busy = 503, ("", TOO_BUSY)
    on(TooBusy, lambda request, problem: failed(request, problem, busy))
    on(Overtaken, lambda request, problem: answer(request, 409, ("version", _overtaken(problem))))
    for lost in (OperationalError, InterfaceError):
        on(lost, lambda request, problem: failed(request, problem, of_database(problem)))
    on(OSError, lambda request, problem: failed(request, problem, _of_system(problem)))


def _overtaken(problem: Overtaken) -> str:
    told = f" It now says: {problem.what}" if problem.what else ""
    return f"{problem.by_whom} changed this at {timezone.localtime(problem.at):%H:%M on %d %B}.{told}"


def of_database(problem: Exception) -> tuple[int, tuple[str, str]]:
    """What a failing database says to whoever waits: full, held up, or away."""
    cause = problem.__cause__
    if isinstance(cause, errors.DiskFull):
        return 507, ("", DISK_FULL)
    if isinstance(cause, (errors.LockNotAvailable, errors.QueryCanceled, errors.DeadlockDetected)):
        return 503, ("", HELD_UP)
    return 503, ("", UNREACHABLE)


def _of_system(problem: OSError) -> tuple[int, tuple[str, str]]:
    if problem.errno in (errno.ENOSPC, errno.EDQUOT):
        return 507, ("", DISK_FULL)
    raise problem
