"""A file of readings on its way in: brought, checked and kept by the worker, stopped, let go."""

from dataclasses import asdict
from datetime import timedelta
from hashlib import sha256
from typing import Any
from uuid import UUID

from django.core.files import File
from django.core.files.uploadedfile import UploadedFile
from django.db import IntegrityError, transaction
from django.utils import timezone
from procrastinate.contrib.django import app

from accounts.models import Company, Member
from accounts.time_zone import zone_of
from background import later
from files.job import AGAIN, Stopped, let_go, set_job, stop_job
from files.log_in import check_log, keep_log
from fleet.models import Unit
from fleet.write_unit import units_in_use
from outer_test.entry import LogHead, Mapping, RowProblem, look_at
from outer_test.measurement import FieldProblem
from outer_test.plain_data import plain
from visits.models import ImportJob

MOST_BYTES, HEAD_BYTES, MOST_COLUMNS = 60_000_000, 65_536, 200
WENT_WRONG = "This went wrong on the server. Nothing was saved."
LEFT_ALONE = timedelta(days=7)


class NoSuchJob(LookupError):
    """This company has no such file on its way in."""


def new_job(member: Member, job_id: UUID, name: str, file: "UploadedFile[Any]", unit: Unit | None) -> ImportJob:
    """Keep the file and look at its heading. The same UUID keeps it once. Raises FieldProblem (`file`)."""
    already: ImportJob | None = ImportJob.objects.of(member.company).filter(uuid=job_id).first()
    if already is not None:
        return already
    if (file.size or 0) > MOST_BYTES:
        raise FieldProblem("file", f"The file is larger than {MOST_BYTES // 1_000_000} MB.")
    head = _head_of(file)
    seen = look_at(head, _serials(member.company))
    if len(seen.columns) < 2:
        raise FieldProblem("file", "This is not a CSV file with a row of at least two columns.")
    digest = sha256()
    for chunk in file.chunks():
        digest.update(chunk)
    file.seek(0)
    job = ImportJob(company=member.company, uuid=job_id, member=member, unit=unit, name=name[:120], digest=digest.hexdigest())
    _show(job, seen)
    job.file.save(f"{job_id.hex}.csv", file, save=False)
    try:
        with transaction.atomic():
            job.save()
    except IntegrityError:  # the same file arrived twice at once
        job.file.delete(save=False)
        return find_job(member.company, job_id)
    return job


def _head_of(file: "File[Any]") -> str:
    """The file's first whole lines. Raises FieldProblem (`file`)."""
    file.seek(0)
    head = file.read(HEAD_BYTES)
    file.seek(0)
    try:
        text: str = head.decode("utf-8", errors="strict" if len(head) < HEAD_BYTES else "ignore")
    except UnicodeDecodeError:
        raise FieldProblem("file", "This file is not UTF-8 text. Save it as CSV UTF-8.") from None
    if "\x00" in text:
        raise FieldProblem("file", "This is not a CSV file.")
    return text if len(head) < HEAD_BYTES else text.rpartition("\n")[0]


def _serials(company: Company) -> list[str]:
    return list(units_in_use(company).exclude(serial="").values_list("serial", flat=True))


def _show(job: ImportJob, seen: LogHead) -> None:
    job.lines, job.columns, job.samples = list(seen.lines), list(seen.columns[:MOST_COLUMNS]), list(seen.samples[:MOST_COLUMNS])
    job.mapping = asdict(seen.mapping)


def look_again(job: ImportJob, heading: int, unit: Unit | None) -> None:
    """Take another line for the heading (from 1; 0: the file has none), or another unit for every row. Raises FieldProblem."""
    if job.state not in (ImportJob.State.NEW, ImportJob.State.CHECKED, ImportJob.State.CANCELLED, ImportJob.State.FAILED) or not job.file:
        raise FieldProblem("state", "This file is already being read.")
    if heading != job.mapping.get("heading", 1):
        with job.file.open("rb") as file:
            _show(job, look_at(_head_of(file), _serials(job.company), heading))
    job.unit, job.state = unit, ImportJob.State.NEW
    job.preview, job.problems, job.problem_count, job.total, job.visits = [], [], 0, 0, 0
    job.save()


def saved_before(job: ImportJob) -> ImportJob | None:
    """The same file, where its readings were saved already, by another job."""
    same = ImportJob.objects.of(job.company).filter(digest=job.digest, state=ImportJob.State.DONE).exclude(pk=job.pk)
    found: ImportJob | None = same.exclude(digest="").select_related("member").order_by("beat").first()
    return found


def find_job(company: Company, job_id: UUID) -> ImportJob:
    """The file on its way in. Raises NoSuchJob."""
    job: ImportJob | None = ImportJob.objects.of(company).filter(uuid=job_id).select_related("company", "member", "unit").first()
    if job is None:
        raise NoSuchJob
    return job


def stop(job: ImportJob) -> None:
    """Stop it; nothing of it is kept. Whoever works on it hears of it; where nobody does, it is stopped here."""
    states = ImportJob.State
    if job.state != states.DONE:
        stop_job(job, states.CANCELLED, states.CHECKING, states.KEEPING)


def start(job: ImportJob, mapping: Mapping | None) -> None:
    """Check the file by this mapping, or, where None, keep what was checked. Asked twice it is done once. Raises FieldProblem where
    it is not the time."""
    with transaction.atomic():
        job = ImportJob.objects.of(job.company).select_for_update(of=("self",)).select_related("company").get(pk=job.pk)
        begun = _begin_to_keep(job) if mapping is None else _begin_to_check(job, mapping)
        if begun:
            later(read_log, f"import {job.pk}", job=job.pk)


def _begin_to_check(job: ImportJob, mapping: Mapping) -> bool:
    states = ImportJob.State
    if job.state in (states.KEEPING, states.DONE, states.CHECKING):
        raise FieldProblem("state", "This file is already being read.")
    if not job.file:
        raise FieldProblem("state", "This file was let go. Choose it again.")
    if mapping.heading != job.mapping.get("heading", 1):
        raise FieldProblem("mapping", "The heading row was changed meanwhile. Look at the columns again.")
    missing = [column for column in (mapping.value, mapping.at) if column not in job.columns]
    if missing:
        raise FieldProblem("mapping", "Say which columns hold the value and the time.")
    changed = {"mapping": plain(mapping), "state": states.CHECKING, "problems": [], "preview": []}
    set_job(job, **changed, problem_count=0, done=0, total=0, visits=0, cancel=False)
    return True


def _begin_to_keep(job: ImportJob) -> bool:
    states = ImportJob.State
    if job.state in (states.KEEPING, states.DONE):
        return False  # the answer to the first time never came
    if job.state != states.CHECKED or job.problem_count or not job.total:
        raise FieldProblem("state", "It can be saved once every row is checked and none is wrong.")
    set_job(job, state=states.KEEPING, done=0, cancel=False)
    return True


@app.periodic(cron="41 3 * * *")
@app.task(name="forget_logs", queueing_lock="forget_logs")
def forget_logs(timestamp: int) -> None:
    """Let go of files that nobody went on with for a week."""
    for job in ImportJob._base_manager.filter(beat__lt=timezone.now() - LEFT_ALONE).exclude(file=""):
        let_go(job)


@app.task(name="read_log", retry=AGAIN)
def read_log(job: int) -> None:
    """Do what the file waits for, and say how it ended whatever happens. Done twice, as after a killed worker, it is done once."""
    row: ImportJob = ImportJob._base_manager.select_related("company", "member", "unit").get(pk=job)
    work = {ImportJob.State.CHECKING: check_log, ImportJob.State.KEEPING: keep_log}.get(ImportJob.State(row.state))
    if work is None:
        return
    try:
        with timezone.override(zone_of(row.company)):
            work(row)
    except Stopped:
        set_job(row, state=ImportJob.State.CANCELLED)
    except FieldProblem as problem:
        set_job(row, state=ImportJob.State.FAILED, problems=[asdict(RowProblem(0, problem.field, problem.message))], problem_count=1)
    except Exception:
        set_job(row, state=ImportJob.State.FAILED, problems=[asdict(RowProblem(0, "", WENT_WRONG))])
        raise
    row.refresh_from_db(fields=["state"])
    if row.state == ImportJob.State.DONE:
        let_go(row)
