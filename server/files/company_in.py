"""A company's zip taken into an empty company: checked whole before anything is written, and written whole or not at all."""

import hashlib
import json
import zipfile
import zlib
from dataclasses import dataclass
from datetime import datetime
from pathlib import PurePosixPath
from typing import IO, Any
from uuid import UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.models import Company, Member
from files.company_out import FORMAT, VERSION
from files.photo_in import PhotoOf, PhotoProblem, keep_photo
from files.visit_in import write_whole
from fleet.models import Site, Unit
from fleet.parts import parts_of
from fleet.write_unit import find_text_of
from ledger.write import ledger_of
from ledger.writer import New, Subject, Writer, own_writer
from outer_test.history import PARTS
from outer_test.judgement import HouseRules
from outer_test.ledger import MOST_AHEAD, PartFitted, PlateRead, UnitAdded, UnitNotes
from outer_test.measurement import FieldProblem
from outer_test.nameplate import Contactor, Defrost, Plate
from outer_test.plain_data import ReadProblem, present, read_text
from outer_test.visit import FittedCapacitor, StockPart, read_visit
from visits.models import Visit

MOST_FILES, MOST_BYTES, MOST_EACH, MOST_RATIO = 200_000, 2_000_000_000, 20_000_000, 200


@dataclass(frozen=True, slots=True)
class UnitIn:
    """A unit as the zip has it."""

    id: UUID
    site: str
    address: str
    label: str
    serial: str = ""
    plate: Plate = Plate()
    fitted: tuple[FittedCapacitor, ...] = ()
    contactor_fitted: Contactor | None = None
    notes: str = ""
    tag: str = ""


@dataclass(frozen=True, slots=True)
class PartIn:
    """A part that was put in."""

    id: UUID
    unit: UUID
    part: str
    at: datetime
    note: str = ""


@dataclass(frozen=True, slots=True)
class VisitAbout:
    """What a visit's row keeps beside its file."""

    unit: UUID
    scheduled_for: datetime
    technician: str = ""
    notes: str = ""
    finished_at: datetime | None = None
    finish_reason: str = ""
    return_of: UUID | None = None


@dataclass(frozen=True, slots=True)
class PhotoAbout:
    """What a photo is of."""

    id: UUID
    unit: UUID
    at: datetime
    visit: UUID | None = None
    part: UUID | None = None
    about: str = ""


@dataclass(frozen=True, slots=True)
class CompanyIn:
    """The company's own settings."""

    name: str
    letterhead: str = ""
    rules: HouseRules = HouseRules()
    meters: dict[str, Any] | None = None
    van_stock: tuple[StockPart, ...] = ()
    boards: dict[str, Defrost] | None = None


@dataclass(frozen=True, slots=True)
class TakenIn:
    """What was taken in."""

    units: int
    visits: int
    photos: int


class _Checked:
    """The zip after its manifest, sizes, names and checksums were held to what they say."""

    def __init__(self, file: IO[bytes]) -> None:
        try:
            self.archive = zipfile.ZipFile(file)
        except zipfile.BadZipFile:
            raise FieldProblem("file", "This is not a zip file.") from None
        infos = self.archive.infolist()
        if len(infos) > MOST_FILES or sum(info.file_size for info in infos) > MOST_BYTES:
            raise FieldProblem("file", "The zip holds more than a company's files would.")
        for one in infos:
            path = PurePosixPath(one.filename)
            if path.is_absolute() or ".." in path.parts or "\\" in one.filename:
                raise FieldProblem("file", "The zip names a file outside itself.")
            if one.file_size > MOST_EACH or one.file_size > MOST_RATIO * max(one.compress_size, 1) + 10_000:
                raise FieldProblem("file", f"{one.filename[:60]}: unpacks to more than it should.")
        manifest = self.json("manifest.json")
        if not isinstance(manifest, dict) or manifest.get("format") != FORMAT or manifest.get("version") != VERSION:
            raise FieldProblem("file", f"This is not a {FORMAT} file of version {VERSION}.")
        listed = manifest.get("files")
        if not isinstance(listed, list) or not all(isinstance(one, dict) and isinstance(one.get("name"), str) for one in listed):
            raise FieldProblem("file", "Its manifest lists no files.")
        self.names = [one["name"] for one in listed]
        if {*self.names, "manifest.json"} != {info.filename for info in infos}:
            raise FieldProblem("file", "It holds other files than its manifest lists.")
        for one in listed:
            if hashlib.sha256(self.read(one["name"])).hexdigest() != one.get("sha256"):
                raise FieldProblem("file", f"{one['name'][:60]}: its checksum does not match.")

    def read(self, name: str) -> bytes:
        """A file's content, never more than it says of itself."""
        try:
            with self.archive.open(name) as file:
                content = file.read(MOST_EACH + 1)
        except (KeyError, zipfile.BadZipFile, RuntimeError, NotImplementedError, EOFError, zlib.error):
            raise FieldProblem("file", f"{name[:60]} cannot be read.") from None
        if len(content) > MOST_EACH:
            raise FieldProblem("file", f"{name[:60]}: unpacks to more than it should.")
        return content

    def json(self, name: str) -> Any:
        """A JSON file's value."""
        try:
            return json.loads(self.read(name))
        except (ValueError, RecursionError):
            raise FieldProblem("file", f"{name[:60]} is not JSON.") from None

    def as_type(self, name: str, shape: Any) -> Any:
        """A JSON file held to its shape."""
        try:
            return read_text(shape, self.read(name))
        except ReadProblem as problem:
            raise FieldProblem("file", f"{name[:60]}: {problem}"[:300]) from None


def take_in_company(member: Member, file: IO[bytes]) -> TakenIn:
    """Take a company's zip into the member's own company, which must have no unit yet. People are not in it: the visits become
    the member's, with who took them in their notes.

    Raises FieldProblem (`file`); nothing is written then.
    """
    company = member.company
    if Unit.objects.of(company).exists():
        raise FieldProblem("file", "This company already has units. Import a zip into an empty company.")
    checked = _Checked(file)
    with transaction.atomic():
        _settings(company, checked.as_type("company.json", CompanyIn))
        units = {one.id: _unit(member, one) for one in checked.as_type("units.json", tuple[UnitIn, ...])}
        visits = _visits(member, checked, units)
        _parts(member, units, checked.as_type("parts.json", tuple[PartIn, ...]))
        photos = _photos(member, checked, units)
    return TakenIn(len(units), visits, photos)


def _settings(company: Company, about: CompanyIn) -> None:
    plain = present(about)
    company.letterhead = about.letterhead[:2000]
    for name in ("rules", "meters", "van_stock", "boards"):
        setattr(company, name, plain.get(name, [] if name == "van_stock" else {}))
    company.save(update_fields=["letterhead", "rules", "meters", "van_stock", "boards"])


def _unit(member: Member, one: UnitIn) -> Unit:
    company = member.company
    try:
        added = UnitAdded(one.site, one.address, one.label, one.serial)
    except FieldProblem as problem:
        raise FieldProblem("file", f"units.json: {problem}") from None
    site, _ = Site.objects.of(company).get_or_create(company=company, name=one.site, address=one.address)
    plain = present(one)
    unit = Unit(
        company=company, id=one.id, site=site, label=one.label, serial=one.serial, plate=plain["plate"], fitted=plain["fitted"],
        contactor_fitted=plain.get("contactor_fitted"), notes=one.notes[:4000],
    )  # fmt: skip
    if Unit._base_manager.filter(id=one.id).exists():
        raise FieldProblem("file", "units.json: one of its units is already in this database.")
    # The old stickers go on working, unless another company of this server has the tag.
    if one.tag and len(one.tag) <= 32 and not Unit._base_manager.filter(tag=one.tag).exists():
        unit.tag = one.tag
    unit.find_text = find_text_of(unit)
    unit.save(force_insert=True)
    _write_unit(own_writer(member, "zip"), unit, added, one)
    return unit


def _write_unit(writer: Writer, unit: Unit, added: UnitAdded, one: UnitIn) -> None:
    plate = PlateRead(one.plate, one.fitted, one.contactor_fitted)
    said = [added, *([plate] if plate != PlateRead() else []), *([UnitNotes(one.notes[:4000])] if one.notes else [])]
    with ledger_of(writer) as ledger:
        ledger.write_events(Subject(unit.site_id, unit.pk), [New(uuid5(unit.pk, str(place)), body) for place, body in enumerate(said)])


def _parts(member: Member, units: dict[UUID, Unit], parts: tuple[PartIn, ...]) -> None:
    """The parts that no visit tells of already: an older zip lists both."""
    told = {(unit.pk, one.part, one.at) for unit in units.values() for one in parts_of(member.company, unit)}
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


def _visits(member: Member, checked: _Checked, units: dict[UUID, Unit]) -> int:
    names = [name for name in checked.names if name.startswith("visits/") and not name.endswith(".about.json")]
    answers: dict[UUID, UUID] = {}
    for name in names:
        about: VisitAbout = checked.as_type(name.replace(".json", ".about.json"), VisitAbout)
        try:
            visit, visit_id = read_visit(checked.read(name)), UUID(PurePosixPath(name).stem)
        except (ReadProblem, ValueError) as problem:
            raise FieldProblem("file", f"{name[:60]}: {problem}"[:300]) from None
        _not_ahead(name, about.scheduled_for)
        if about.unit not in units:
            raise FieldProblem("file", f"{name[:60]}: names a unit that does not exist.")
        if Visit._base_manager.filter(id=visit_id).exists():
            raise FieldProblem("file", f"{name[:60]}: this visit is already in this database.")
        said = f"{about.notes}\nVisited by {about.technician}." if about.technician else about.notes
        write_whole(member, units[about.unit], visit_id, visit, about.scheduled_for, said.strip(), about.finish_reason[:300])
        if about.return_of is not None:
            answers[visit_id] = about.return_of
    for visit_id, answered in answers.items():
        row = Visit.objects.of(member.company).filter(id=answered).first()
        if row is not None:
            Visit.objects.of(member.company).filter(id=visit_id).update(return_of=row)
    return len(names)


def _photos(member: Member, checked: _Checked, units: dict[UUID, Unit]) -> int:
    names = [name for name in checked.names if name.startswith("photos/") and name.endswith(".jpg")]
    parts = {unit.pk: {one.id for one in parts_of(member.company, unit)} for unit in units.values()} if names else {}
    for name in names:
        about: PhotoAbout = checked.as_type(name.replace(".jpg", ".about.json"), PhotoAbout)
        _not_ahead(name, about.at)
        if about.unit not in units:
            raise FieldProblem("file", f"{name[:60]}: names a unit that does not exist.")
        visit = Visit.objects.of(member.company).filter(id=about.visit).first() if about.visit is not None else None
        part = about.part if about.part is not None and about.part in parts.get(about.unit, set()) else None
        try:
            keep_photo(member, PhotoOf(units[about.unit], visit, part, about.about), about.id, checked.read(name), about.at)
        except PhotoProblem as problem:
            raise FieldProblem("file", f"{name[:60]}: {problem}") from None
    return len(names)
