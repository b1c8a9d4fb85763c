"""A company's zip taken into an empty company: checked whole before anything is written, and written whole or not at all."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime
from pathlib import PurePosixPath
from typing import IO
from uuid import NAMESPACE_URL, UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.boards import check_board
from accounts.instruments import set_instruments
from accounts.letterhead import check_letterhead
from accounts.models import Company, Member
from files.checked_zip import CheckedZip
from files.company_shapes import CompanyIn, PartIn, PhotoAbout, UnitIn, VisitAbout
from files.photo_in import PhotoOf, PhotoProblem, keep_photo
from files.visit_in import write_whole
from fleet.models import Site, Unit
from fleet.parts import parts_of
from fleet.write_unit import find_text_of
from ledger.write import ledger_of
from ledger.writer import New, Subject, Writer, own_writer
from outer_test.history import PARTS
from outer_test.ledger import MOST_AHEAD, Archived, PartFitted, PlateRead, UnitAdded, UnitNotes
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem, present, sparse
from outer_test.visit import read_visit
from visits.models import Photo, Visit


@dataclass(frozen=True, slots=True)
class TakenIn:
    """What was taken in."""

    units: int
    visits: int
    photos: int


def take_in_company(member: Member, file: IO[bytes], beat: Callable[[int, int], None] = lambda *_: None) -> TakenIn:
    """Take a company's zip into the member's own company, which must have no unit yet. People are not in it: the visits become
    the member's, with who took them in their notes.

    Units and visits get ids of their own here, whoever else of this server has had this zip: so nothing of others can be learnt by one.

    beat: hears how many of how many files are taken in, and may raise to stop it. Raises FieldProblem (`file`); nothing is written then.
    """
    company = member.company
    if Unit.objects.of(company).exists():
        raise FieldProblem("file", "This company already has units. Import a zip into an empty company.")
    checked = CheckedZip(file)
    with transaction.atomic(), _nothing_left(company):
        _settings(member, checked.as_type("company.json", CompanyIn))
        units = {one.id: _unit(member, one) for one in checked.as_type("units.json", tuple[UnitIn, ...])}
        visits = _visits(member, checked, units, beat)
        _parts(member, units, checked.as_type("parts.json", tuple[PartIn, ...]))
        photos = _photos(member, checked, units, beat)
    return TakenIn(len(units), visits, photos)


@contextmanager
def _nothing_left(company: Company) -> Iterator[None]:
    """Where it fails, the photos that were stored go with the rows that the database takes back. The company had none before."""
    try:
        yield
    except BaseException:
        for photo in Photo.objects.of(company):
            photo.file.delete(save=False)
        raise


def _here(company: Company, known: UUID) -> UUID:
    """The id in this company of what the zip calls by this one."""
    return uuid5(NAMESPACE_URL, f"company {company.pk}: {known}")


def _settings(member: Member, about: CompanyIn) -> None:
    company = member.company
    meters, boards, plain = about.meters or {}, about.boards or {}, present(about)
    try:
        check_letterhead(about.letterhead)
        for name, board in boards.items():
            check_board(company, name, board)
        set_instruments(company, tuple(meter.called(name) for name, meter in meters.items()))
    except FieldProblem as problem:
        raise FieldProblem("file", f"company.json: {problem.field}: {problem.message}"[:300]) from None
    company.letterhead, company.rules = about.letterhead, plain["rules"]
    company.boards = {name: sparse(board) for name, board in boards.items()}
    company.save(update_fields=["letterhead", "rules", "boards"])
    member.van_stock = plain["van_stock"]
    member.save(update_fields=["van_stock"])


def _unit(member: Member, one: UnitIn) -> Unit:
    company = member.company
    try:
        added, _, _ = UnitAdded(one.site, one.address, one.label, one.serial), UnitNotes(one.notes), Archived(one.archived)
    except FieldProblem as problem:
        raise FieldProblem("file", f"units.json: {problem}") from None
    site, _ = Site.objects.of(company).get_or_create(company=company, name=one.site, address=one.address)
    plain = present(one)
    unit = Unit(
        id=_here(company, one.id), company=company, site=site, label=one.label, serial=one.serial, plate=plain["plate"],
        fitted=plain["fitted"], contactor_fitted=plain.get("contactor_fitted"), notes=one.notes, archived=one.archived,
    )  # fmt: skip
    if one.tag and len(one.tag) <= 32:  # the old stickers go on working
        unit.tag = one.tag
    unit.find_text = find_text_of(unit)
    unit.save(force_insert=True)
    _write_unit(own_writer(member, "zip"), unit, added, one)
    return unit


def _write_unit(writer: Writer, unit: Unit, added: UnitAdded, one: UnitIn) -> None:
    plate = PlateRead(one.plate, one.fitted, one.contactor_fitted)
    said = [added, *([plate] if plate != PlateRead() else []), *([UnitNotes(one.notes)] if one.notes else [])]
    said += [Archived(one.archived)] if one.archived else []
    with ledger_of(writer) as ledger:
        ledger.write_events(Subject(unit.site_id, unit.pk), [New(uuid5(unit.pk, str(place)), body) for place, body in enumerate(said)])


def _parts(member: Member, units: dict[UUID, Unit], parts: tuple[PartIn, ...]) -> None:
    """The parts that no visit tells of already: an older zip lists both."""
    told = {(known, one.part, one.at) for known, unit in units.items() for one in parts_of(member.company, unit)}
    for part in parts:
        if part.unit not in units or part.part not in PARTS:
            raise FieldProblem("file", "parts.json: names a unit or part that does not exist.")
        _not_ahead("parts.json", part.at)
        if (part.unit, part.part, part.at) in told:
            continue
        unit = units[part.unit]
        with ledger_of(own_writer(member, f"part {part.id}")) as ledger:
            ledger.write_events(Subject(unit.site_id, unit.pk), [New(part.id, PartFitted(part.part, part.note[:200], part.at))])


def _not_ahead(name: str, at: datetime) -> None:
    if at > timezone.now() + MOST_AHEAD:
        raise FieldProblem("file", f"{name[:60]}: a time in it lies ahead of now.")


def _visits(member: Member, checked: CheckedZip, units: dict[UUID, Unit], beat: Callable[[int, int], None]) -> int:
    names = [name for name in checked.names if name.startswith("visits/") and not name.endswith(".about.json")]
    company, answers = member.company, dict[UUID, UUID]()
    for place, name in enumerate(names):
        beat(place, len(names))
        about: VisitAbout = checked.as_type(name.replace(".json", ".about.json"), VisitAbout)
        try:
            visit, visit_id = read_visit(checked.read(name)), _here(company, UUID(PurePosixPath(name).stem))
        except (ReadProblem, ValueError) as problem:
            raise FieldProblem("file", f"{name[:60]}: {problem}"[:300]) from None
        _not_ahead(name, about.scheduled_for)
        if about.unit not in units:
            raise FieldProblem("file", f"{name[:60]}: names a unit that does not exist.")
        said = f"{about.notes}\nVisited by {about.technician}." if about.technician else about.notes
        write_whole(member, units[about.unit], visit_id, visit, about.scheduled_for, said.strip(), about.finish_reason[:300])
        if about.return_of is not None:
            answers[visit_id] = _here(company, about.return_of)
    for visit_id, answered in answers.items():
        row = Visit.objects.of(company).filter(id=answered).first()
        if row is not None:
            Visit.objects.of(company).filter(id=visit_id).update(return_of=row)
    return len(names)


def _photos(member: Member, checked: CheckedZip, units: dict[UUID, Unit], beat: Callable[[int, int], None]) -> int:
    names = [name for name in checked.names if name.startswith("photos/") and name.endswith(".jpg")]
    company = member.company
    parts = {known: {one.id for one in parts_of(company, unit)} for known, unit in units.items()} if names else {}
    for place, name in enumerate(names):
        beat(place, len(names))
        about: PhotoAbout = checked.as_type(name.replace(".jpg", ".about.json"), PhotoAbout)
        _not_ahead(name, about.at)
        if about.unit not in units:
            raise FieldProblem("file", f"{name[:60]}: names a unit that does not exist.")
        visit = Visit.objects.of(company).filter(id=_here(company, about.visit)).first() if about.visit is not None else None
        part = about.part if about.part is not None and about.part in parts.get(about.unit, set()) else None
        try:
            keep_photo(member, PhotoOf(units[about.unit], visit, part, about.about), about.id, checked.read(name), about.at)
        except PhotoProblem as problem:
            raise FieldProblem("file", f"{name[:60]}: {problem}") from None
    return len(names)
