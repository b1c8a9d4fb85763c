"""Readings from a meter's log or a spreadsheet: the file, the mapping, a judged look, and then all of it or nothing."""

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Any
from uuid import UUID

from ninja import Body, File, Form, Router, UploadedFile

from api.problems import Problem
from api.signed_in import Asking
from api.visits import REFUSALS
from files.log_job import find_job, look_again, new_job, saved_before, start, stop
from fleet.write_unit import find_unit
from outer_test.entry import Mapping, RowProblem
from outer_test.visit import POINTS, title_of
from visits.models import ImportJob

router = Router(tags=["imports"])


@dataclass(frozen=True, slots=True)
class LookedAt:
    """One of the first rows, judged."""

    line: int
    unit: str
    at: str
    point: str
    value: str
    verdict: str
    why: str


@dataclass(frozen=True, slots=True)
class PointName:
    """A point that a name in the file can stand for."""

    point: str
    title: str


@dataclass(frozen=True, slots=True)
class SavedBefore:
    """When and by whom the same file was saved already."""

    at: datetime
    by_whom: str


@dataclass(frozen=True, slots=True)
class LookAgain:
    """Which line names the columns, from 1 (0: none does); and the unit all of the file is of, where it is of one."""

    heading: int
    unit: UUID | None = None


@dataclass(frozen=True, slots=True)
class JobShown:
    """A file on its way in: its first lines, its columns and what stands in them, the mapping, how far it is, what is wrong, and a
    judged look at its first rows."""

    id: UUID
    name: str
    unit: UUID | None
    unit_name: str
    saved_before: SavedBefore | None
    lines: tuple[str, ...]
    columns: tuple[str, ...]
    samples: tuple[tuple[str, ...], ...]
    mapping: Mapping
    state: str
    total: int
    done: int
    visits: int
    problem_count: int
    problems: tuple[RowProblem, ...]
    preview: tuple[LookedAt, ...]
    points: tuple[PointName, ...]


def _shown(job: ImportJob) -> JobShown:
    plain: dict[str, Any] = job.mapping
    before = saved_before(job)
    return JobShown(
        job.uuid, job.name, job.unit_id, "" if job.unit is None else str(job.unit),
        None if before is None else SavedBefore(before.beat, before.member.shown_name), tuple(job.lines), tuple(job.columns),
        tuple(map(tuple, job.samples)), Mapping(**plain), job.state, job.total, job.done, job.visits,
        job.problem_count, tuple(RowProblem(**problem) for problem in job.problems), tuple(LookedAt(**one) for one in job.preview),
        tuple(PointName(name, title_of(name)) for name in POINTS),
    )  # fmt: skip


@router.post("", response={200: JobShown, **REFUSALS, 413: Problem})
def bring(
    request: Asking, id: Annotated[UUID, Form()], file: Annotated[UploadedFile, File()], unit: Annotated[UUID | None, Form()] = None
) -> JobShown:
    """Bring a CSV file of up to 60 MB. For one unit where it is given; else each row names its unit by serial."""
    own = None if unit is None else find_unit(request.auth.company, unit)
    return _shown(new_job(request.auth, id, file.name or "a file", file, own))


@router.get("/{job_id}", response={200: JobShown, 401: Problem, 404: Problem})
def how_far(request: Asking, job_id: UUID) -> JobShown:
    """How far a file is on its way in."""
    return _shown(find_job(request.auth.company, job_id))


@router.post("/{job_id}/look", response={200: JobShown, **REFUSALS})
def look(request: Asking, job_id: UUID, body: Body[LookAgain]) -> JobShown:
    """Take another line for the heading, or another unit for every row; the columns are guessed anew."""
    company = request.auth.company
    look_again(find_job(company, job_id), body.heading, None if body.unit is None else find_unit(company, body.unit))
    return _shown(find_job(company, job_id))


@router.post("/{job_id}/check", response={200: JobShown, **REFUSALS})
def check(request: Asking, job_id: UUID, body: Body[Mapping]) -> JobShown:
    """Read the whole file by this mapping, row by row; nothing is kept yet."""
    start(find_job(request.auth.company, job_id), body)
    return _shown(find_job(request.auth.company, job_id))


@router.post("/{job_id}/keep", response={200: JobShown, **REFUSALS})
def keep(request: Asking, job_id: UUID) -> JobShown:
    """Keep every row, in one go: all of them or none."""
    start(find_job(request.auth.company, job_id), None)
    return _shown(find_job(request.auth.company, job_id))


@router.post("/{job_id}/cancel", response={200: JobShown, **REFUSALS})
def cancel(request: Asking, job_id: UUID) -> JobShown:
    """Stop it; nothing of it is kept."""
    stop(find_job(request.auth.company, job_id))
    return _shown(find_job(request.auth.company, job_id))
