"""The parts put into a unit: on its visits, and recorded by themselves."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID, uuid5

from accounts.models import Company
from fleet.models import Unit
from fleet.write_unit import find_unit, ids_of
from ledger.read import events_of_units
from ledger.write import ledger_of
from ledger.writer import New, Subject, Writer
from outer_test.history import PARTS, PartChanged, names_of
from outer_test.ledger import EARLIEST, Event, Kind, PartFitted
from outer_test.measurement import FieldProblem


@dataclass(frozen=True, slots=True)
class FittedPart:
    """A part in a unit's file: from then on its readings begin a new line."""

    id: UUID
    part: str
    at: datetime
    note: str
    by: int | None
    visit_part: bool = False


def parts_of(company: Company, unit: Unit) -> list[FittedPart]:
    """The parts put into a unit, oldest first, without those that were taken off the record again."""
    events = events_of_units(company, ids_of(unit), (Kind.FITTED, Kind.PART, Kind.TAKEN_BACK)).events
    gone = {event.body.of for event in events if event.kind is Kind.TAKEN_BACK}
    return sorted((part for event in events if event.id not in gone for part in _parts(event)), key=lambda part: part.at)


def _parts(event: Event) -> Iterator[FittedPart]:
    """What one event put in: two lines where a dual serves both sections, none where the old part went in again."""
    if event.kind is Kind.FITTED:
        yield FittedPart(UUID(event.id), event.body.part, event.body.at or event.at, event.body.note, event.by)
    elif event.kind is Kind.PART and not event.body.put_back:
        own = UUID(event.id)
        for part_id, name in zip((own, uuid5(own, "fan")), names_of(event.body), strict=False):
            yield FittedPart(part_id, name, event.at, event.body.note, event.by, True)


def parts_changed(company: Company, unit: Unit) -> Sequence[PartChanged]:
    """The parts put into a unit, oldest first, as its history asks for them."""
    return [PartChanged(one.part, one.at) for one in parts_of(company, unit)]


def fit_part(writer: Writer, unit_id: UUID, new: New) -> Unit:
    """Record a part that was put in outside of any visit. Raises NoSuchUnit, FieldProblem."""
    body: PartFitted = new.body
    if body.part not in PARTS:
        raise FieldProblem("part", f"Use one of: {', '.join(PARTS)}.")
    unit = find_unit(writer.company, unit_id)
    if body.at is not None and not EARLIEST <= body.at <= writer.now + timedelta(days=1):
        raise FieldProblem("at", "This time is in the future, or before the year 2000.")
    with ledger_of(writer) as ledger:
        ledger.write_events(Subject(unit.site_id, unit.pk), [new])
    return unit
