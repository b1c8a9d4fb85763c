"""A file of readings taken in: checked row by row and judged for a look, then kept whole in one transaction, or not at all."""

import io
from collections import Counter
from collections.abc import Iterable, Iterator
from dataclasses import asdict
from datetime import date, timedelta
from typing import Any
from uuid import UUID, uuid5

from django.conf import settings
from django.core.files.uploadedfile import UploadedFile
from django.db import IntegrityError, connection, connections, transaction
from django.utils import timezone
from procrastinate.contrib.django import app

from accounts.audit import note
from accounts.models import Company, Member
from accounts.time_zone import zone_of
from background import later
from fleet.models import Unit
from ledger.read import Read
from ledger.write import ledger_of
from ledger.writer import New, Subject, own_writer
from outer_test import visit as core
from outer_test.assessment import assess
from outer_test.entry import LogRow, Mapping, RowProblem, columns_of, guess_mapping, read_rows
from outer_test.ledger import MOST_AHEAD, Event, Finished, Kind, Opened
from outer_test.measurement import FieldProblem
from outer_test.plain_data import plain, read_as
from visits.find_text import find_text_of
from visits.keep import keep_told, refresh_standing
from visits.load import Loaded, loaded_of
from visits.models import ImportJob, Visit
from visits.to_core import core_unit

MOST_BYTES, MOST_ROWS, MOST_PROBLEMS, LOOK = 60_000_000, 500_000, 200, 60
BEAT_ROWS, BEAT_VISITS = 2000, 100


SILENT, LEFT_ALONE = timedelta(seconds=120), timedelta(days=7)


class NoSuchJob(LookupError):
    """This company has no such file on its way in."""


class Cancelled(Exception):
    """The person asked to stop."""


def new_job(member: Member, job_id: UUID, name: str, file: "UploadedFile[Any]", unit: Unit | None) -> ImportJob:
    """Keep the file and look at its heading. The same UUID keeps it once. Raises FieldProblem (`file`)."""
    already: ImportJob | None = ImportJob.objects.of(member.company).filter(uuid=job_id).first()
    if already is not None:
        return already
    if (file.size or 0) > MOST_BYTES:
        raise FieldProblem("file", f"The file is larger than {MOST_BYTES // 1_000_000} MB.")
    head = file.read(65_536)
    try:
        text = head.decode("utf-8", errors="strict" if len(head) < 65_536 else "ignore")
    except UnicodeDecodeError:
        raise FieldProblem("file", "This file is not UTF-8 text. Save it as CSV UTF-8.") from None
    columns = columns_of(text)
    if "\x00" in text or len(columns) < 2:
        raise FieldProblem("file", "This is not a CSV file with a heading row of at least two columns.")
    file.seek(0)
    job = ImportJob(company=member.company, uuid=job_id, member=member, unit=unit, name=name[:120], columns=columns[:200])
    job.mapping = asdict(guess_mapping(columns))
    job.file.save(f"{job_id.hex}.csv", file, save=False)
    try:
        with transaction.atomic():
            job.save()
    except IntegrityError:  # the same file arrived twice at once
        job.file.delete(save=False)
        return find_job(member.company, job_id)
    return job


def find_job(company: Company, job_id: UUID) -> ImportJob:
    """The file on its way in. Raises NoSuchJob."""
    job: ImportJob | None = ImportJob.objects.of(company).filter(uuid=job_id).select_related("company", "member", "unit").first()
    if job is None:
        raise NoSuchJob
    return job


def stop(job: ImportJob) -> None:
    """Stop it; nothing of it is kept. Whoever works on it hears of it; where nobody does, it is stopped here."""
    states = ImportJob.State
    at_work = job.state in (states.CHECKING, states.KEEPING) and timezone.now() - job.beat < SILENT
    if job.state == states.DONE:
        return
    rows = ImportJob.objects.of(job.company).filter(pk=job.pk)
    rows.update(cancel=True, **({} if at_work else {"state": states.CANCELLED}))


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
    missing = [column for column in (mapping.value, mapping.at) if column not in job.columns]
    if missing:
        raise FieldProblem("mapping", "Say which columns hold the value and the time.")
    changed = {"mapping": plain(mapping), "state": states.CHECKING, "problems": [], "preview": []}
    _set(job, **changed, problem_count=0, done=0, total=0, visits=0, cancel=False)
    return True


def _begin_to_keep(job: ImportJob) -> bool:
    states = ImportJob.State
    if job.state in (states.KEEPING, states.DONE):
        return False  # the answer to the first time never came
    if job.state != states.CHECKED or job.problem_count or not job.total:
        raise FieldProblem("state", "It can be saved once every row is checked and none is wrong.")
    _set(job, state=states.KEEPING, done=0, cancel=False)
    return True


def _forget_file(job: ImportJob) -> None:
    """The file goes once it is kept, or is not wanted; what became of it stays."""
    if job.file:
        job.file.delete(save=False)
        ImportJob._base_manager.filter(pk=job.pk).update(file="")


@app.periodic(cron="41 3 * * *")
@app.task(name="forget_logs", queueing_lock="forget_logs")
def forget_logs(timestamp: int) -> None:
    """Let go of files that nobody went on with for a week."""
    for job in ImportJob._base_manager.filter(beat__lt=timezone.now() - LEFT_ALONE).exclude(file=""):
        _forget_file(job)


def _set(job: ImportJob, **fields: Any) -> None:
    for name, value in fields.items():
        setattr(job, name, value)
    job.beat = timezone.now()
    job.save(update_fields=[*fields, "beat"])


@app.task(name="read_log")
def read_log(job: int) -> None:
    """Do what the file waits for, and say how it ended whatever happens. Done twice, as after a killed worker, it is done once."""
    row: ImportJob = ImportJob._base_manager.select_related("company", "member", "unit").get(pk=job)
    work = {ImportJob.State.CHECKING: _check, ImportJob.State.KEEPING: _keep}.get(ImportJob.State(row.state))
    if work is None:
        return
    try:
        with timezone.override(zone_of(row.company)):
            work(row)
    except Cancelled:
        _set(row, state=ImportJob.State.CANCELLED)
    except FieldProblem as problem:
        _set(row, state=ImportJob.State.FAILED, problems=[asdict(RowProblem(0, problem.field, problem.message))], problem_count=1)
    except Exception:
        _set(row, state=ImportJob.State.FAILED, problems=[asdict(RowProblem(0, "", "This went wrong on the server. Nothing was saved."))])
        raise
    row.refresh_from_db(fields=["state"])
    if row.state == ImportJob.State.DONE:
        _forget_file(row)


def beat(job: ImportJob, done: int) -> None:
    """Say how far it is, beside the transaction the work is in, and hear whether to stop. Raises Cancelled."""
    own = connection if settings.WORK_AT_ONCE else connections.create_connection("default")
    try:
        with own.cursor() as cursor:
            cursor.execute("UPDATE visits_importjob SET done = %s, beat = now() WHERE id = %s RETURNING cancel", [done, job.pk])
            if cursor.fetchone()[0]:
                raise Cancelled
    finally:
        if own is not connection:
            own.close()


def _rows(job: ImportJob) -> Iterator[LogRow | RowProblem]:
    with job.file.open("rb") as file:
        text = io.TextIOWrapper(file, encoding="utf-8-sig", errors="replace", newline="")
        yield from read_rows(iter(text), read_as(Mapping, job.mapping), timezone.get_current_timezone())


def _units(job: ImportJob) -> dict[str, Unit]:
    rows = Unit.objects.of(job.company).exclude(serial="").select_related("site")
    found = {unit.serial.casefold(): unit for unit in rows}
    return {"": job.unit} | found if job.unit is not None else found


def _unit_of(row: LogRow, job: ImportJob, units: dict[str, Unit]) -> Unit | None:
    return job.unit if job.unit is not None else units.get(row.serial.casefold())


def _check(job: ImportJob) -> None:
    units, count, total, now = _units(job), 0, 0, timezone.now()
    problems: list[dict[str, Any]] = []
    look: list[LogRow] = []
    visits: set[tuple[Any, date]] = set()
    per_visit: Counter[tuple[Any, date]] = Counter()
    for found in _rows(job):
        total += 1
        if total > MOST_ROWS:
            raise FieldProblem("file", f"The file has more than {MOST_ROWS} rows. Split it and import the parts.")
        if total % BEAT_ROWS == 0:
            beat(job, total)
        if isinstance(found, LogRow) and found.at > now + MOST_AHEAD:
            found = RowProblem(found.line, job.mapping.get("at", ""), "this time lies ahead of now")
        if isinstance(found, LogRow):
            unit = _unit_of(found, job, units)
            if unit is None:
                said = f'no unit of yours has the serial "{found.serial[:40]}"' if found.serial else "names no unit"
                found = RowProblem(found.line, job.mapping.get("serial", ""), said)
            else:
                key = (unit.pk, timezone.localdate(found.at))
                visits.add(key)
                per_visit[key] += 1
                if per_visit[key] > core_limit():
                    found = RowProblem(found.line, "", f"more than {core_limit()} readings of one unit on one day")
                elif len(look) < LOOK:
                    look.append(found)
        if isinstance(found, RowProblem):
            count += 1
            if len(problems) < MOST_PROBLEMS:
                problems.append(asdict(found))
    _set(
        job, state=ImportJob.State.CHECKED, total=total, done=total, problem_count=count, problems=problems, visits=len(visits),
        preview=_look(job, look, units),
    )  # fmt: skip


def core_limit() -> int:
    """The most readings that one visit holds."""
    return 500


def _look(job: ImportJob, rows: list[LogRow], units: dict[str, Unit]) -> list[dict[str, Any]]:
    """The first rows, each with what judging its visit says of it."""
    shown = []
    for unit, _, own in _by_visit(job, rows, units):
        visit = _judged_by(job.company, unit, tuple(core.Reading(row.point, row.value, at=row.at) for row in own))
        found = {finding.point: finding for finding in assess(visit).findings}
        for row in own:
            told = found.get(row.point)
            verdict, why = ("kept", "") if told is None or told.verdict is None else (told.verdict.value, told.why)
            shown.append(
                {
                    "line": row.line,
                    "unit": str(unit),
                    "at": row.at.isoformat(),
                    "point": row.point,
                    "value": row.value,
                    "verdict": verdict,
                    "why": why,
                }
            )
    return shown


def _judged_by(company: Company, unit: Unit, readings: tuple[core.Reading, ...]) -> core.Visit:
    base = core_unit(unit)
    return core.Visit(plate=base.plate, fitted=base.fitted, contactor_fitted=base.contactor_fitted, rules=base.rules, readings=readings)


def _by_visit(job: ImportJob, rows: Iterable[LogRow], units: dict[str, Unit]) -> list[tuple[Unit, date, list[LogRow]]]:
    grouped: dict[tuple[Any, date], tuple[Unit, list[LogRow]]] = {}
    for row in rows:
        unit = _unit_of(row, job, units)
        if unit is not None:
            day = timezone.localdate(row.at)
            grouped.setdefault((unit.pk, day), (unit, []))[1].append(row)
    return [(unit, day, own) for (_, day), (unit, own) in sorted(grouped.items(), key=lambda one: one[0][1])]


def _keep(job: ImportJob) -> None:
    """Work out every visit first, then write the readings in one go: nobody else of the company writes while that lasts."""
    units = _units(job)
    visits = _by_visit(job, (row for row in _rows(job) if isinstance(row, LogRow)), units)
    done = 0
    last: dict[Any, Loaded] = {}
    with transaction.atomic():
        for place in range(0, len(visits), BEAT_VISITS):
            part = [_visit(job, *one) for one in visits[place : place + BEAT_VISITS]]
            Visit.objects.of(job.company).bulk_create([loaded.row for loaded in part])
            last |= {loaded.row.unit_id: loaded for loaded in part}
            beat(job, done)
        for loaded in last.values():
            refresh_standing(job.company, loaded.row.unit, loaded.visit, loaded.row.scheduled_for)
        for unit, day, rows in visits:
            _write(job, unit, day, rows)
            done += len(rows)
            if done // BEAT_ROWS != (done - len(rows)) // BEAT_ROWS:
                beat(job, done)
        beat(job, done)
        note(job.member, f"took in {done} readings from {job.name}")
        ImportJob._base_manager.filter(pk=job.pk).update(state=ImportJob.State.DONE)


def _id_of(job: ImportJob, unit: Unit, day: date) -> UUID:
    return uuid5(job.uuid, f"{unit.pk} {day}")


def _visit(job: ImportJob, unit: Unit, day: date, rows: list[LogRow]) -> Loaded:
    """The visit of a unit's day, with what its readings tell; nothing is written."""
    company, member = job.company, job.member
    row = Visit(
        company=company, id=_id_of(job, unit, day), unit=unit, technician=member, scheduled_for=min(row.at for row in rows),
        complaint="maintenance", notes=f"Taken in from {job.name}.", rules=company.rules, finished_at=max(row.at for row in rows),
        finished_by=member, frozen={"plate": unit.plate, "fitted": unit.fitted, "contactor_fitted": unit.contactor_fitted},
    )  # fmt: skip
    readings = tuple(
        Event(str(uuid5(row.id, str(one.line))), Kind.READING, core.Reading(one.point, one.value), one.at, seq=place)
        for place, one in enumerate(rows)
    )
    loaded = loaded_of(row, _judged_by(company, unit, ()), Read(readings), {member.pk: member.shown_name})
    keep_told(row, loaded)
    row.find_text = find_text_of(row, member.shown_name)
    return loaded


def _write(job: ImportJob, unit: Unit, day: date, rows: list[LogRow]) -> None:
    """A visit's events, by a device of its own."""
    visit = _id_of(job, unit, day)
    first, last = min(row.at for row in rows), max(row.at for row in rows)
    opened = Opened(first, "maintenance", notes=f"Taken in from {job.name}.")
    readings = [
        New(uuid5(visit, str(one.line)), core.Reading(one.point, one.value), one.at) for one in sorted(rows, key=lambda one: one.at)
    ]
    with ledger_of(own_writer(job.member, f"log {visit}")) as ledger:
        ledger.write_events(
            Subject(unit.site_id, unit.pk, visit),
            [New(uuid5(visit, "opened"), opened, first), *readings, New(uuid5(visit, "finished"), Finished(), last)],
        )
