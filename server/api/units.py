"""Units: the plate as read, and a new visit."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from django.http import HttpResponse
from django.utils import timezone
from ninja import Body, Router

from accounts.versions import version_of
from api.answer import answer
from api.company import need_lead
from api.problems import Problem
from api.signed_in import Asking, writer_of
from fleet.models import Unit
from fleet.parts import fit_part, parts_of
from fleet.write_unit import NotesThen, find_unit, notes_before, notes_of, unit_by_tag, write_notes
from ledger.writer import Made, New
from outer_test.circuit import Ladder, ladder_of
from outer_test.history import PARTS, PointHistory
from outer_test.ledger import PartFitted
from outer_test.nameplate import Plate
from visits.in_order import archive_unit, bring_back, merge_places, merge_units
from visits.keep import VisitThen, refresh_standing, unit_record
from visits.load import member_names
from visits.to_core import core_unit

router = Router(tags=["units"])


@dataclass(frozen=True, slots=True)
class Opened:
    """The visit that was opened."""

    id: UUID


@dataclass(frozen=True, slots=True)
class PartShown:
    """A part that was put in."""

    id: UUID
    part: str
    at: datetime
    note: str
    by_whom: str


@dataclass(frozen=True, slots=True)
class UnitFile:
    """A unit's file: what it is, what was put into it, its visits and what each point read over the years."""

    id: UUID
    site: str
    address: str
    label: str
    serial: str
    archived: str
    notes: str
    notes_version: int
    notes_before: tuple[NotesThen, ...]
    plate: Plate
    ladder: Ladder
    parts: tuple[PartShown, ...]
    part_names: tuple[str, ...]
    visits: tuple[VisitThen, ...]
    points: tuple[PointHistory, ...]


@dataclass(frozen=True, slots=True)
class Notes:
    """A unit's notes, made from this version of them."""

    notes: str
    version: int


@dataclass(frozen=True, slots=True, kw_only=True)
class PartPutIn(Made):
    """A part that was put in; `at` is now where it is left out."""

    part: str
    note: str = ""


@dataclass(frozen=True, slots=True)
class WhyArchived:
    """Why a unit is not looked after any more."""

    why: str


@dataclass(frozen=True, slots=True)
class Into:
    """The unit that this one is, or beside which it stands."""

    into: UUID


def _file(request: Asking, unit: Unit) -> HttpResponse:
    company = request.auth.company
    record = unit_record(company, unit)
    visit = core_unit(unit)
    names = member_names(company)
    parts = [PartShown(one.id, one.part, one.at, one.note, names.get(one.by or 0, "")) for one in reversed(parts_of(company, unit))]
    shown = UnitFile(
        unit.id, unit.site.name, unit.site.address, unit.label, unit.serial, unit.archived, unit.notes, version_of(company, notes_of(unit)),
        tuple(notes_before(unit, names)), visit.plate, ladder_of(visit, (), "unknown"), tuple(parts), PARTS, record.visits,
        record.points,
    )  # fmt: skip
    return answer(shown)


@router.get("/by-tag/{tag}", response={200: Opened, 401: Problem, 404: Problem})
def by_tag(request: Asking, tag: str) -> Opened:
    """The unit whose sticker says this."""
    return Opened(unit_by_tag(request.auth.company, tag).id)


@router.get("/{unit_id}", response={200: UnitFile, 401: Problem, 404: Problem})
def unit_file(request: Asking, unit_id: UUID) -> HttpResponse:
    """A unit's file: plate, parts, visits, and every point's history with its drift."""
    return _file(request, find_unit(request.auth.company, unit_id))


@router.put("/{unit_id}/notes", response={200: UnitFile, 404: Problem, 409: Problem, 422: Problem})
def keep_notes(request: Asking, unit_id: UUID, body: Body[Notes]) -> HttpResponse:
    """Keep the unit's notes."""
    return _file(request, write_notes(writer_of(request), unit_id, body.notes, body.version))


@router.post("/{unit_id}/parts", response={200: UnitFile, 404: Problem, 409: Problem, 422: Problem})
def part_put_in(request: Asking, unit_id: UUID, body: Body[PartPutIn]) -> HttpResponse:
    """Record a part that was put in: its readings begin a new line."""
    unit = fit_part(writer_of(request), unit_id, New(body.id, PartFitted(body.part, body.note.strip(), body.at)))
    refresh_standing(request.auth.company, unit, core_unit(unit), timezone.now())
    return _file(request, unit)


IN_ORDER = {200: UnitFile, 401: Problem, 403: Problem, 404: Problem, 422: Problem}


@router.post("/{unit_id}/archive", response=IN_ORDER)
def archive(request: Asking, unit_id: UUID, body: Body[WhyArchived]) -> HttpResponse:
    """The unit is not looked after any more: on no list, its file kept. Leads only."""
    need_lead(request)
    return _file(request, archive_unit(writer_of(request), unit_id, body.why))


@router.post("/{unit_id}/back", response=IN_ORDER)
def back_in_use(request: Asking, unit_id: UUID) -> HttpResponse:
    """The unit is looked after again. Leads only."""
    need_lead(request)
    return _file(request, bring_back(writer_of(request), unit_id))


@router.post("/{unit_id}/merge", response=IN_ORDER)
def merge(request: Asking, unit_id: UUID, body: Body[Into]) -> HttpResponse:
    """The unit was entered twice: the other takes over all that was read on it. Leads only."""
    need_lead(request)
    return _file(request, merge_units(writer_of(request), unit_id, body.into))


@router.post("/{unit_id}/merge-place", response=IN_ORDER)
def merge_place(request: Asking, unit_id: UUID, body: Body[Into]) -> HttpResponse:
    """The unit's place goes by two names: all its units stand where the other unit stands. Leads only."""
    need_lead(request)
    return _file(request, merge_places(writer_of(request), unit_id, body.into))
