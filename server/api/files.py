"""Files in and out: visit files, readings as CSV, the whole company as a zip, visits as iCalendar, stickers, photos."""

from dataclasses import dataclass
from datetime import datetime
from tempfile import SpooledTemporaryFile
from typing import Annotated
from uuid import UUID

from django.http import FileResponse, HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Body, File, Form, Query, Router, UploadedFile

from accounts.audit import note
from api.company import need_lead
from api.documented import a_file
from api.problems import Problem
from api.signed_in import Asking
from api.visits import REFUSALS
from files.calendar_out import next_visits
from files.company_in import TakenIn
from files.csv_out import readings_csv
from files.labels import labels_html
from files.made import NoSuchFile, company_in, company_out, find_made, sheet_out, stop_made
from files.photo_in import MOST_BYTES, keep_photo
from files.photos import find_photo, photo_of, photos_of, put_photo_back, take_photo_off
from files.visit_in import take_in
from fleet.write_unit import find_unit, units_by_place
from outer_test.measurement import FieldProblem
from visits.load import find_visit
from visits.models import FileJob, FileKind, FileState, Photo

router = Router(tags=["files"])
IN_MEMORY = 8_000_000
MOST_VISIT_FILE = 2_000_000
KEEPABLE = "^[^\\x00]*$"  # of a form's text: JSON is held to the same by its reader


@dataclass(frozen=True, slots=True)
class VisitIn:
    """The visit that was taken in."""

    id: UUID


@dataclass(frozen=True, slots=True)
class PhotoShown:
    """A photo of a unit."""

    id: UUID
    visit: UUID | None
    part: UUID | None
    about: str
    at: datetime
    by_whom: str
    width: int
    height: int
    removed: bool


@dataclass(frozen=True, slots=True)
class NewFile:
    """The client's UUID for a file to be made."""

    id: UUID


@dataclass(frozen=True, slots=True)
class FileMade:
    """A file that is made, or taken in, beside the requests: how far it is, what is wrong, and what was taken in."""

    id: UUID
    kind: FileKind
    state: FileState
    done: int
    total: int
    problem: str
    taken: TakenIn | None


def _download(response: HttpResponse | FileResponse, name: str) -> HttpResponse | FileResponse:
    response["Content-Disposition"] = f'attachment; filename="{name}"'
    return response


@router.post("/units/{unit_id}/visit-file", response={200: VisitIn, **REFUSALS, 413: Problem})
def visit_in(request: Asking, unit_id: UUID, id: Annotated[UUID, Form()], file: Annotated[UploadedFile, File()]) -> VisitIn:
    """Take a visit file (docs/visit.schema.json) into a unit's record, as a finished visit."""
    if (file.size or 0) > MOST_VISIT_FILE:
        raise FieldProblem("file", f"The file is larger than {MOST_VISIT_FILE // 1_000_000} MB.")
    row = take_in(request.auth, unit_id, id, file.read())
    note(request.auth, f"took in a visit file for {row.unit}")
    return VisitIn(row.id)


@router.get("/readings.csv", response={200: str, 401: Problem, 404: Problem}, openapi_extra=a_file("text/csv"))
def readings(request: Asking, unit: UUID | None = None, visit: UUID | None = None) -> FileResponse:
    """Readings as CSV: of one visit, of one unit, or of the whole company."""
    company = request.auth.company
    if unit is not None:
        find_unit(company, unit)
    if visit is not None:
        find_visit(company, visit)
    # Written whole before the first byte goes out: what fails half way answers as a failure, not as half a file.
    into = SpooledTemporaryFile(max_size=IN_MEMORY)  # noqa: SIM115 - closed by the response when it was sent
    for line in readings_csv(company, unit, visit):
        into.write(line.encode())
    into.seek(0)
    lines = FileResponse(into, content_type="text/csv; charset=utf-8")
    _download(lines, "readings.csv")
    return lines


@router.get("/next-visits.ics", response={200: str, 401: Problem}, openapi_extra=a_file("text/calendar"))
def calendar(request: Asking) -> HttpResponse:
    """The next visits as iCalendar."""
    file = HttpResponse(next_visits(request.auth.company, timezone.now()), content_type="text/calendar; charset=utf-8")
    _download(file, "next-visits.ics")
    return file


@router.get("/labels", response={200: str, 401: Problem}, openapi_extra=a_file("text/html"))
def labels(request: Asking, unit: Annotated[list[UUID], Query()] = []) -> HttpResponse:  # noqa: B006 - read, never changed
    """A printable sheet of stickers, for these units or for all."""
    return HttpResponse(labels_html(units_by_place(request.auth.company, unit), _base(request)))


def _base(request: HttpRequest) -> str:
    return request.build_absolute_uri("/")


def _made_shown(job: FileJob) -> FileMade:
    taken = None if job.told is None else TakenIn(**job.told)
    return FileMade(job.uuid, FileKind(job.kind), FileState(job.state), job.done, job.total, job.problem, taken)


@router.post("/company-zip/out", response={200: FileMade, **REFUSALS})
def make_company_zip(request: Asking, body: Body[NewFile]) -> FileMade:
    """Have the whole company made into one zip with a manifest. Leads only."""
    need_lead(request)
    return _made_shown(company_out(request.auth, body.id))


@router.post("/company-zip", response={200: FileMade, **REFUSALS, 413: Problem})
def take_in_company_zip(request: Asking, id: Annotated[UUID, Form()], file: Annotated[UploadedFile, File()]) -> FileMade:
    """Have a company's zip taken into this company, which must be empty. Leads only; whole or not at all."""
    need_lead(request)
    return _made_shown(company_in(request.auth, id, file))


@router.post("/sheet/{visit_id}", response={200: FileMade, **REFUSALS})
def make_sheet(request: Asking, visit_id: UUID, body: Body[NewFile]) -> FileMade:
    """Have a visit's sheet made as PDF."""
    return _made_shown(sheet_out(request.auth, body.id, find_visit(request.auth.company, visit_id)))


def _made(request: Asking, job_id: UUID) -> FileJob:
    job = find_made(request.auth.company, job_id)
    if job.kind != FileKind.SHEET:
        need_lead(request)
    return job


@router.get("/made/{job_id}", response={200: FileMade, **REFUSALS})
def made(request: Asking, job_id: UUID) -> FileMade:
    """How far a file is. A company's zip is for leads only."""
    return _made_shown(_made(request, job_id))


@router.post("/made/{job_id}/cancel", response={200: FileMade, **REFUSALS})
def stop_making(request: Asking, job_id: UUID) -> FileMade:
    """Stop it; nothing is changed by one that was on its way in."""
    stop_made(_made(request, job_id))
    return made(request, job_id)


@router.get("/made/{job_id}/file", response={200: bytes, **REFUSALS}, openapi_extra=a_file("application/zip", "application/pdf"))
def made_file(request: Asking, job_id: UUID) -> FileResponse:
    """The file that was made, for a day."""
    job = _made(request, job_id)
    if job.kind == FileKind.COMPANY_IN or not job.file:
        raise NoSuchFile
    kind, name = ("application/pdf", f"visit-{job.visit_id}.pdf") if job.kind == FileKind.SHEET else ("application/zip", "company.zip")
    file = FileResponse(job.file.open("rb"), content_type=kind)
    _download(file, name)
    return file


def _shown(photo: Photo) -> PhotoShown:
    return PhotoShown(
        photo.uuid, photo.visit_id, photo.part, photo.about, photo.at, photo.member.shown_name, photo.width, photo.height,
        photo.removed_at is not None,
    )  # fmt: skip


@router.get("/units/{unit_id}/photos", response={200: list[PhotoShown], 401: Problem, 404: Problem})
def photos(request: Asking, unit_id: UUID) -> list[PhotoShown]:
    """A unit's photos, newest first."""
    company = request.auth.company
    return [_shown(one) for one in photos_of(company, find_unit(company, unit_id))]


@router.post("/units/{unit_id}/photos", response={200: PhotoShown, **REFUSALS, 413: Problem})
def photo_in(
    request: Asking,
    unit_id: UUID,
    id: Annotated[UUID, Form()],
    photo: Annotated[UploadedFile, File()],
    about: Annotated[str, Form(max_length=60, pattern=KEEPABLE)] = "",
    visit: Annotated[UUID | None, Form()] = None,
    part: Annotated[UUID | None, Form()] = None,
) -> PhotoShown:
    """Keep a photo: a JPEG, PNG or WebP of up to 12 MB. It is made anew; where it was taken is not kept."""
    if (photo.size or 0) > MOST_BYTES:
        raise FieldProblem("photo", f"The file is larger than {MOST_BYTES // 1_000_000} MB.")
    of = photo_of(request.auth.company, unit_id, visit, part, about)
    return _shown(keep_photo(request.auth, of, id, photo.read(), timezone.now()))


@router.get("/photos/{photo_id}", response={200: bytes, 401: Problem, 404: Problem}, openapi_extra=a_file("image/jpeg"))
def photo_file(request: Asking, photo_id: UUID) -> FileResponse:
    """A photo's picture."""
    photo = find_photo(request.auth.company, photo_id)
    return FileResponse(photo.file.open("rb"), content_type="image/jpeg")


@router.delete("/photos/{photo_id}", response={200: PhotoShown, 401: Problem, 404: Problem})
def photo_off(request: Asking, photo_id: UUID) -> PhotoShown:
    """Take a photo off the unit's file; it can be put back."""
    return _remove(request, photo_id, True)


@router.post("/photos/{photo_id}/back", response={200: PhotoShown, 401: Problem, 404: Problem})
def photo_back(request: Asking, photo_id: UUID) -> PhotoShown:
    """Put a photo back that was taken off."""
    return _remove(request, photo_id, False)


def _remove(request: Asking, photo_id: UUID, gone: bool) -> PhotoShown:
    return _shown(take_photo_off(request.auth, photo_id, timezone.now()) if gone else put_photo_back(request.auth, photo_id))
