"""Files that the worker makes or takes in: how far each is, stopped, taken up again after a killed worker, let go."""

from collections.abc import Callable
from datetime import datetime, timedelta
from tempfile import TemporaryFile
from typing import Any
from uuid import UUID

from django.core.files import File
from django.core.files.base import ContentFile
from django.core.files.uploadedfile import UploadedFile
from django.db import IntegrityError, transaction
from django.utils import timezone
from procrastinate.contrib.django import app

from accounts.audit import note
from accounts.models import Company, Member
from accounts.time_zone import zone_of
from background import later
from files.company_in import take_in_company
from files.company_out import parts_in_zip, write_company
from files.job import AGAIN, Stopped, beat, let_go, set_job, stop_job
from files.report import report_pdf
from outer_test.measurement import FieldProblem
from outer_test.plain_data import plain
from visits.load import load_visit
from visits.models import FileJob, FileKind, FileState, Visit

BEAT, KEPT = timedelta(seconds=0.5), timedelta(days=1)
UNDER_WAY = (FileState.WAITING, FileState.WORKING)


class NoSuchFile(LookupError):
    """This company has no such file, made or on its way."""


def company_out(lead: Member, job_id: UUID) -> FileJob:
    """Have the company's zip made. The same UUID makes it once."""
    return _begin(FileJob(company=lead.company, uuid=job_id, member=lead, kind=FileKind.COMPANY_OUT, total=parts_in_zip(lead.company)))


def company_in(lead: Member, job_id: UUID, file: "UploadedFile[Any]") -> FileJob:
    """Have a company's zip taken in. The same UUID takes it in once."""
    job = FileJob(company=lead.company, uuid=job_id, member=lead, kind=FileKind.COMPANY_IN)
    if not FileJob.objects.of(lead.company).filter(uuid=job_id).exists():
        job.file.save(f"{job_id.hex}.zip", file, save=False)
    return _begin(job)


def sheet_out(member: Member, job_id: UUID, visit: Visit) -> FileJob:
    """Have a visit's sheet made as PDF, as the visit stands when the worker comes to it. The same UUID makes it once."""
    return _begin(FileJob(company=member.company, uuid=job_id, member=member, kind=FileKind.SHEET, visit=visit))


def _begin(job: FileJob) -> FileJob:
    try:
        with transaction.atomic():
            job.save()
            later(do_file, f"file {job.pk}", job=job.pk)
    except IntegrityError:  # asked for already
        if job.file:
            job.file.delete(save=False)
    return find_made(job.company, job.uuid)


def find_made(company: Company, job_id: UUID) -> FileJob:
    """The file, made or on its way. Raises NoSuchFile."""
    job: FileJob | None = FileJob.objects.of(company).filter(uuid=job_id).select_related("company", "member").first()
    if job is None:
        raise NoSuchFile
    return job


def stop_made(job: FileJob) -> None:
    """Stop it. Whoever works on it hears of it; where nobody does, it is stopped here."""
    if job.state in UNDER_WAY:
        stop_job(job, FileState.CANCELLED, FileState.WORKING)


class _Beat:
    """Says how far it is, twice a second at most. Raises Stopped."""

    def __init__(self, row: FileJob) -> None:
        self._row, self._next = row, datetime.min.replace(tzinfo=timezone.get_current_timezone())

    def __call__(self, done: int, total: int | None = None) -> None:
        now = timezone.now()
        if now < self._next:
            return
        self._next = now + BEAT
        beat(self._row, done, total)


def _company_out(row: FileJob, told: _Beat) -> None:
    with TemporaryFile() as into:
        write_company(row.company, into, timezone.now(), told)
        into.seek(0)
        row.file.save(f"{row.uuid.hex}.zip", File(into), save=False)
    note(row.member, "took the whole company out as a zip")
    set_job(row, state=FileState.DONE, file=row.file, done=row.total)


def _company_in(row: FileJob, told: _Beat) -> None:
    with transaction.atomic(), row.file.open("rb") as file:
        taken = take_in_company(row.member, file, told)
        note(row.member, f"took in a company's zip: {taken.units} units, {taken.visits} visits, {taken.photos} photos")
        set_job(row, state=FileState.DONE, told=plain(taken))


def _sheet(row: FileJob, told: _Beat) -> None:
    if row.visit is None:
        raise NoSuchFile
    told(0, 1)
    pdf = report_pdf(row.company, load_visit(row.company, row.visit))
    told(1, 1)
    row.file.save(f"{row.uuid.hex}.pdf", ContentFile(pdf), save=False)
    set_job(row, state=FileState.DONE, file=row.file, done=1, total=1)


_DO: dict[FileKind, Callable[[FileJob, _Beat], None]] = {
    FileKind.COMPANY_OUT: _company_out,
    FileKind.COMPANY_IN: _company_in,
    FileKind.SHEET: _sheet,
}


@app.task(name="do_file", aliases=["do_zip"], retry=AGAIN)
def do_file(job: int) -> None:
    """Make it or take it in, and say how it ended whatever happens. Done twice, as after a killed worker, it is done once."""
    row: FileJob = FileJob._base_manager.select_related("company", "member__company", "visit").get(pk=job)
    if row.state not in UNDER_WAY:
        return
    set_job(row, state=FileState.WORKING)
    try:
        with timezone.override(zone_of(row.company)):
            _DO[FileKind(row.kind)](row, _Beat(row))
    except Stopped:
        set_job(row, state=FileState.CANCELLED)
    except FieldProblem as problem:
        set_job(row, state=FileState.FAILED, problem=problem.message)
    except Exception:
        set_job(row, state=FileState.FAILED, problem="This went wrong on the server. Nothing was changed.")
        raise
    finally:
        if row.kind == FileKind.COMPANY_IN or row.state != FileState.DONE:
            let_go(row)


@app.periodic(cron="53 * * * *")
@app.task(name="forget_files", queueing_lock="forget_files", aliases=["forget_zips"])
def forget_files(timestamp: int) -> None:
    """Let go of files that were made a day ago, and of what nobody took in."""
    for row in FileJob._base_manager.filter(beat__lt=timezone.now() - KEPT).exclude(file=""):
        let_go(row)
