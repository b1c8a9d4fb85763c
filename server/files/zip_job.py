"""A whole company's zip, made or taken in by the worker: how far it is, stopped, taken up again after a killed worker, let go."""

from datetime import datetime, timedelta
from tempfile import TemporaryFile
from typing import Any
from uuid import UUID

from django.core.files import File
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
from files.job import Stopped, beat, let_go, set_job, stop_job
from outer_test.measurement import FieldProblem
from outer_test.plain_data import plain
from visits.models import ZipJob, ZipState

BEAT, KEPT = timedelta(seconds=0.5), timedelta(days=1)


class NoSuchZip(LookupError):
    """This company has no such zip on its way."""


def zip_out(lead: Member, job_id: UUID) -> ZipJob:
    """Have the company's zip made. The same UUID makes it once."""
    return _begin(ZipJob(company=lead.company, uuid=job_id, member=lead, out=True, total=parts_in_zip(lead.company)))


def zip_in(lead: Member, job_id: UUID, file: "UploadedFile[Any]") -> ZipJob:
    """Have a zip taken in. The same UUID takes it in once."""
    job = ZipJob(company=lead.company, uuid=job_id, member=lead, out=False)
    if not ZipJob.objects.of(lead.company).filter(uuid=job_id).exists():
        job.file.save(f"{job_id.hex}.zip", file, save=False)
    return _begin(job)


def _begin(job: ZipJob) -> ZipJob:
    try:
        with transaction.atomic():
            job.save()
            later(do_zip, f"zip {job.pk}", job=job.pk)
    except IntegrityError:  # asked for already
        if job.file:
            job.file.delete(save=False)
    return find_zip(job.company, job.uuid)


def find_zip(company: Company, job_id: UUID) -> ZipJob:
    """The zip on its way. Raises NoSuchZip."""
    job: ZipJob | None = ZipJob.objects.of(company).filter(uuid=job_id).select_related("company", "member").first()
    if job is None:
        raise NoSuchZip
    return job


def stop_zip(job: ZipJob) -> None:
    """Stop it. Whoever works on it hears of it; where nobody does, it is stopped here."""
    if job.state in (ZipState.WAITING, ZipState.WORKING):
        stop_job(job, ZipState.CANCELLED, ZipState.WORKING)


@app.task(name="do_zip")
def do_zip(job: int) -> None:
    """Make it or take it in, and say how it ended whatever happens. Done twice, as after a killed worker, it is done once."""
    row: ZipJob = ZipJob._base_manager.select_related("company", "member__company").get(pk=job)
    if row.state not in (ZipState.WAITING, ZipState.WORKING):
        return
    set_job(row, state=ZipState.WORKING)
    try:
        with timezone.override(zone_of(row.company)):
            (_out if row.out else _in)(row, _Beat(row))
    except Stopped:
        set_job(row, state=ZipState.CANCELLED)
    except FieldProblem as problem:
        set_job(row, state=ZipState.FAILED, problem=problem.message)
    except Exception:
        set_job(row, state=ZipState.FAILED, problem="This went wrong on the server. Nothing was changed.")
        raise
    finally:
        if not row.out or row.state != ZipState.DONE:
            let_go(row)


class _Beat:
    """Says how far it is, twice a second at most. Raises Stopped."""

    def __init__(self, row: ZipJob) -> None:
        self._row, self._next = row, datetime.min.replace(tzinfo=timezone.get_current_timezone())

    def __call__(self, done: int, total: int | None = None) -> None:
        now = timezone.now()
        if now < self._next:
            return
        self._next = now + BEAT
        beat(self._row, done, total)


def _out(row: ZipJob, told: _Beat) -> None:
    with TemporaryFile() as into:
        write_company(row.company, into, timezone.now(), told)
        into.seek(0)
        row.file.save(f"{row.uuid.hex}.zip", File(into), save=False)
    note(row.member, "took the whole company out as a zip")
    set_job(row, state=ZipState.DONE, file=row.file, done=row.total)


def _in(row: ZipJob, told: _Beat) -> None:
    with transaction.atomic(), row.file.open("rb") as file:
        taken = take_in_company(row.member, file, told)
        note(row.member, f"took in a company's zip: {taken.units} units, {taken.visits} visits, {taken.photos} photos")
        set_job(row, state=ZipState.DONE, told=plain(taken))


@app.periodic(cron="53 * * * *")
@app.task(name="forget_zips", queueing_lock="forget_zips")
def forget_zips(timestamp: int) -> None:
    """Let go of files that were made a day ago, and of what nobody took in."""
    for row in ZipJob._base_manager.filter(beat__lt=timezone.now() - KEPT).exclude(file=""):
        let_go(row)
