"""The fleet kept in order: a unit that is not looked after any more, one that was entered twice, a place that goes by two names.

Nothing that was read is deleted, and each is an event of the ledger.
"""

from uuid import UUID, uuid4

from django.db.models import Q

from accounts.audit import note
from fleet.models import Site, Unit, UnitStanding
from fleet.write_unit import call_unit, find_unit, write_archived
from ledger.write import Ledger, ledger_of
from ledger.writer import New, Subject, Writer
from outer_test.ledger import Archived, Merged, UnitAdded
from outer_test.measurement import FieldProblem
from visits.find_text import find_text_of as visit_text
from visits.keep import refresh_standing
from visits.models import ImportJob, Photo, Visit
from visits.to_core import core_unit


def archive_unit(writer: Writer, unit_id: UUID, why: str) -> Unit:
    """A unit is not looked after any more. It keeps its file, and can be brought back. Raises NoSuchUnit, FieldProblem (`why`)."""
    if not why.strip():
        raise FieldProblem("why", "Say why: taken down, sold with the house, another company's now.")
    return _archived(writer, unit_id, why.strip())


def bring_back(writer: Writer, unit_id: UUID) -> Unit:
    """A unit is looked after again. Raises NoSuchUnit."""
    return _archived(writer, unit_id, "")


def _archived(writer: Writer, unit_id: UUID, why: str) -> Unit:
    with ledger_of(writer) as ledger:
        unit = find_unit(writer.company, unit_id)
        if why and Visit.objects.of(writer.company).filter(unit=unit, finished_at=None, cancelled="").exists():
            raise FieldProblem("why", "It has an open visit. Finish or cancel that first.")
        if unit.archived != why:
            write_archived(ledger, unit, New(uuid4(), Archived(why)))
            note(writer.member, f"archived {unit}: {why}" if why else f"brought {unit} back into use")
    return unit


def merge_units(writer: Writer, unit_id: UUID, into: UUID) -> Unit:
    """A unit that was entered twice is one again: `into` takes over its visits, parts, notes, photos and sticker, and keeps its own plate.

    Raises NoSuchUnit, FieldProblem (`into`).
    """
    company = writer.company
    with ledger_of(writer) as ledger:
        twice, unit = find_unit(company, unit_id), find_unit(company, into)
        if twice.pk == unit.pk:
            raise FieldProblem("into", "Choose another unit.")
        if unit.archived:
            raise FieldProblem("into", "This unit is archived. Bring it back first.")
        ledger.write_events(Subject(unit.site_id, unit.pk), [New(uuid4(), Merged(str(twice.pk)))])
        for model in (Visit, Photo, ImportJob):
            model.objects.of(company).filter(unit=twice).update(unit=unit)
        Unit.objects.of(company).filter(Q(pk=twice.pk) | Q(same_as=twice)).update(same_as=unit)
        UnitStanding.objects.of(company).filter(unit=twice).delete()
        if not unit.serial and twice.serial:
            _call(ledger, unit, unit.site, twice.serial)
        _write_find_texts(unit)
        note(writer.member, f"merged {twice} into {unit}")
    latest = Visit.objects.of(company).filter(unit=unit, finished_at__isnull=False).order_by("-scheduled_for").first()
    if latest is not None:
        refresh_standing(company, unit, core_unit(unit), latest.scheduled_for)
    return unit


def merge_places(writer: Writer, unit_id: UUID, as_of: UUID) -> Unit:
    """A place that goes by two names is one: every unit there stands from now on where the unit `as_of` stands.

    Raises NoSuchUnit, FieldProblem (`into`).
    """
    company = writer.company
    with ledger_of(writer) as ledger:
        unit, there = find_unit(company, unit_id), find_unit(company, as_of)
        if unit.site_id == there.site_id:
            raise FieldProblem("into", "They stand at one place already.")
        moved, place = str(unit.site), there.site
        for one in Unit.objects.of(company).filter(site=unit.site_id).select_related("site"):
            _call(ledger, one, place, one.serial)
            _write_find_texts(one)
        note(writer.member, f"merged the place {moved} into {place}")
    return find_unit(company, unit_id)


def _call(ledger: Ledger, unit: Unit, place: Site, serial: str) -> None:
    called = UnitAdded(place.name, place.address, unit.label, serial)
    ledger.write_events(Subject(place.pk, unit.pk), [New(uuid4(), called)])
    call_unit(unit, called)


def _write_find_texts(unit: Unit) -> None:
    rows = list(Visit.objects.of(unit.company).filter(unit=unit).select_related("unit__site", "technician"))
    for row in rows:
        row.find_text = visit_text(row, row.technician.shown_name)
    Visit.objects.of(unit.company).bulk_update(rows, ["find_text"], batch_size=200)
