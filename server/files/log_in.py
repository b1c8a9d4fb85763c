"""A file of readings: checked row by row and judged for a look, then kept whole in one transaction, or not at all."""

import io
from collections import Counter
from collections.abc import Iterable, Iterator
from dataclasses import asdict
from datetime import date
from typing import Any
from uuid import UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.audit import note
from accounts.models import Company
from files.job import beat, set_job
from fleet.models import Unit
from fleet.write_unit import units_in_use
from ledger.read import Read
from ledger.write import ledger_of
from ledger.writer import New, Subject, own_writer
from outer_test import visit as core
from outer_test.assessment import assess
from outer_test.entry import LogRow, Mapping, RowProblem, read_rows
from outer_test.ledger import MOST_AHEAD, Event, Finished, Kind, Opened
from outer_test.measurement import FieldProblem
from outer_test.plain_data import read_as
from visits.find_text import find_text_of
from visits.keep import keep_told, refresh_standing
from visits.load import Loaded, loaded_of
from visits.models import ImportJob, Visit
from visits.to_core import core_unit

MOST_ROWS, MOST_PROBLEMS, LOOK = 500_000, 200, 60
BEAT_ROWS, BEAT_VISITS = 2000, 100


def _rows(job: ImportJob) -> Iterator[LogRow | RowProblem]:
    with job.file.open("rb") as file:
        text = io.TextIOWrapper(file, encoding="utf-8-sig", errors="replace", newline="")
        yield from read_rows(iter(text), read_as(Mapping, job.mapping), timezone.get_current_timezone())


def _units(job: ImportJob) -> dict[str, Unit]:
    rows = units_in_use(job.company).exclude(serial="")
    found = {unit.serial.casefold(): unit for unit in rows}
    return {"": job.unit} | found if job.unit is not None else found


def _unit_of(row: LogRow, job: ImportJob, units: dict[str, Unit]) -> Unit | None:
    return job.unit if job.unit is not None else units.get(row.serial.casefold())


def check_log(job: ImportJob) -> None:
    """Hold every row to what a reading must be, and judge the first of them for a look. Nothing is kept. Raises Stopped, FieldProblem."""
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
    set_job(
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


def keep_log(job: ImportJob) -> None:
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
