"""Units: found, added, and the notes on them."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID, uuid4

from django.db.models import QuerySet

from accounts.audit import note
from accounts.models import Company
from accounts.versions import change_from
from fleet.models import Site, Unit
from ledger.read import events_of_units
from ledger.write import Ledger, ledger_of
from ledger.writer import New, Subject, Writer
from outer_test.ledger import Archived, Kind, PlateRead, UnitAdded, UnitNotes
from outer_test.plain_data import present

MOST_LISTED = 300


class NoSuchUnit(LookupError):
    """This company has no such unit."""


def find_unit(company: Company, unit_id: UUID) -> Unit:
    """The unit with its site, or the one that it turned out to be. Raises NoSuchUnit, also for another company's."""
    return _itself(Unit.objects.of(company).filter(id=unit_id))


def _itself(units: "QuerySet[Unit]") -> Unit:
    unit = units.select_related("site", "same_as__site").first()
    if unit is None:
        raise NoSuchUnit
    return unit.same_as or unit


def ids_of(unit: Unit) -> list[UUID]:
    """The ids that what was written of this unit can stand under: its own, and those of units that turned out to be it."""
    return [unit.pk, *Unit.objects.of(unit.company).filter(same_as=unit).values_list("pk", flat=True)]


def units_in_use(company: Company) -> "QuerySet[Unit]":
    """The units that are looked after."""
    rows: QuerySet[Unit] = Unit.objects.of(company).filter(archived="", same_as=None).select_related("site")
    return rows


def units_by_place(company: Company, only: Sequence[UUID] = ()) -> list[Unit]:
    """These units, or the first of all, by site and label."""
    rows = units_in_use(company).order_by("site__name", "label")
    return list(rows.filter(id__in=only) if only else rows[:MOST_LISTED])


def unit_by_tag(company: Company, tag: str) -> Unit:
    """The unit whose sticker says this. Raises NoSuchUnit."""
    return _itself(Unit.objects.of(company).filter(tag=tag))


def add_unit(writer: Writer, new: New) -> Unit:
    """Add a unit, with its site; a site of the same name and address is the same site. The same UUID adds one."""
    about: UnitAdded = new.body
    company = writer.company
    with ledger_of(writer) as ledger:
        site = _site_of(company, about)
        unit: Unit
        unit, made = Unit.objects.of(company).get_or_create(
            company=company, id=new.id, defaults={"site": site, "label": about.label.strip(), "serial": about.serial.strip()}
        )
        if made:
            unit.find_text = find_text_of(unit)
            unit.save(update_fields=["find_text"])
            ledger.write_events(Subject(site.pk, unit.pk), [new])
    return unit


def _site_of(company: Company, about: UnitAdded) -> Site:
    site: Site
    site, _ = Site.objects.of(company).get_or_create(company=company, name=about.site.strip(), address=about.address.strip())
    return site


def call_unit(unit: Unit, about: UnitAdded) -> None:
    """Make what a unit is called from now on, and where it stands, its own; the row is saved."""
    unit.site, unit.label, unit.serial = _site_of(unit.company, about), about.label.strip(), about.serial.strip()
    unit.find_text = find_text_of(unit)
    unit.save(update_fields=["site", "label", "serial", "find_text"])


def write_archived(ledger: Ledger, unit: Unit, new: New) -> None:
    """Write that a unit is not looked after any more, or that it is again; the row is saved."""
    about: Archived = new.body
    ledger.write_events(Subject(unit.site_id, unit.pk), [new])
    unit.archived = about.why
    unit.save(update_fields=["archived"])


def carry(unit: Unit, read: PlateRead) -> None:
    """Make the plate that was read the unit's own; the row is saved."""
    unit.plate, unit.fitted, unit.contactor_fitted = present(read.plate), present(read.fitted), present(read.contactor_fitted)
    unit.save(update_fields=["plate", "fitted", "contactor_fitted"])


def find_text_of(unit: Unit) -> str:
    """What a unit is found by."""
    return " ".join(filter(None, (unit.site.name, unit.site.address, unit.label, unit.serial)))


def notes_of(unit: Unit) -> str:
    """What `accounts.versions` calls a unit's notes."""
    return f"notes {unit.pk}"


def write_notes(writer: Writer, unit_id: UUID, notes: str, seen: int) -> Unit:
    """Keep the unit's notes, made from version `seen`; what they said before stays on record. Raises NoSuchUnit, FieldProblem,
    Overtaken."""
    with ledger_of(writer) as ledger:
        unit = find_unit(writer.company, unit_id)
        change_from(writer.member, notes_of(unit), seen, unit.notes or "nothing")
        ledger.write_events(Subject(unit.site_id, unit.pk), [New(uuid4(), UnitNotes(notes.strip()))])
        unit.notes = notes.strip()
        unit.save(update_fields=["notes"])
        note(writer.member, f"changed the notes of {unit}")
    return unit


@dataclass(frozen=True, slots=True)
class NotesThen:
    """A unit's notes as somebody wrote them."""

    at: datetime
    by_whom: str
    notes: str


def notes_before(unit: Unit, names: Mapping[int, str]) -> list[NotesThen]:
    """What a unit's notes said over time, the latest first. names: of the company's people."""
    read = events_of_units(unit.company, ids_of(unit), [Kind.UNIT_NOTES])
    return [NotesThen(one.at, names.get(one.by or 0, ""), one.body.notes) for one in reversed(read.events)]
