"""Writing readings and things seen on a visit. Each write is sent safely twice: the client's UUID makes it one."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from outer_test import visit as core
from outer_test.assessment import power_of
from outer_test.measurement import FieldProblem
from outer_test.visit import POINTS, things_off, words_for
from visits.load import Loaded, load_visit, loaded_with, open_for_writing
from visits.models import Entry, LiftedLine, Visit


@dataclass(frozen=True, slots=True)
class NewEntry:
    """A reading or a thing seen to be written down: the client's UUID, the point, the exact value text, and its tags."""

    id: UUID
    point: str
    value: str
    at: datetime | None = None
    meter: str = ""
    by: str = ""
    fitted: str = ""
    turns: int = 1
    top: float | None = None
    supersedes: UUID | None = None
    unit_said: bool = False


def write_entries(member: Member, visit_id: UUID, entries: list[NewEntry]) -> Loaded:
    """Write readings and things seen, in order, and give back the visit as it then stands.

    Raises NoSuchVisit, Finished, FieldProblem. An entry whose UUID is already there is left as it is.
    """
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        before = load_visit(member.company, row)
        known = {entry.uuid: entry for entry in before.log.entries}
        fresh = [entry for entry in entries if not _already(entry, known)]
        if not fresh:
            return before
        state = power_of(before.visit).state
        now = timezone.now()
        rows = [_entry_row(member, row, entry, state, entry.at or now, known, before.visit.meters) for entry in fresh]
        Entry.objects.of(member.company).bulk_create(rows)
        return loaded_with(before, rows, _lift_for(member, row, before, fresh, now))


def _already(entry: NewEntry, known: dict[UUID, Entry]) -> bool:
    there = known.get(entry.id)
    if there is None:
        return False
    if (there.point, there.value) != (entry.point, entry.value):
        raise FieldProblem("id", "This id was already used for another reading.")
    return True


def _entry_row(
    member: Member, row: Visit, entry: NewEntry, state: str, at: datetime, known: dict[UUID, Entry], meters: Mapping[str, Any]
) -> Entry:
    point = POINTS.get(entry.point)
    if point is None:
        raise FieldProblem("point", f'"{entry.point[:60]}" is no point of a visit')
    if point.kind == "seen":
        core.check_seen(entry.point, entry.value)
    else:
        _check_tags(entry)
        core.Reading(entry.point, entry.value, at=at, turns=entry.turns, top=entry.top)
    if entry.meter and entry.meter not in meters:
        raise FieldProblem("meter", f'"{entry.meter[:40]}" is not among the company\'s meters')
    if entry.supersedes is not None and (entry.supersedes not in known or known[entry.supersedes].point != entry.point):
        raise FieldProblem("supersedes", "There is no such reading at this point of this visit.")
    return Entry(
        company=member.company, uuid=entry.id, visit=row, member=member, at=at, point=entry.point, value=entry.value,
        meter=entry.meter, by=entry.by, fitted=entry.fitted, turns=entry.turns, top=entry.top, power=state, supersedes=entry.supersedes,
        unit_said=entry.unit_said,
    )  # fmt: skip


def _check_tags(entry: NewEntry) -> None:
    """Hold the tags of a start peak to their words; no other point has any, and only amps are read in turns."""
    for name, value, words in (("by", entry.by, core.PEAK_BY), ("fitted", entry.fitted, core.PEAK_FITTED)):
        if value and (value not in words or entry.point != "amps.compressor.peak_a"):
            raise FieldProblem(name, f"Use one of: {', '.join(words)}; only for a start peak.")
    if entry.turns != 1 and POINTS[entry.point].unit != "a":
        raise FieldProblem("turns", "Turns through the jaw are for amps only.")


def _lift_for(member: Member, row: Visit, before: Loaded, fresh: list[NewEntry], now: datetime) -> list[LiftedLine]:
    """Add the lines that taking these readings means, unless they stand open; a correction lifts nothing again."""
    open_now = set(things_off(before.visit))
    added: list[LiftedLine] = []
    for entry in fresh:
        thing = POINTS[entry.point].lifts
        if thing is None or thing in open_now or entry.supersedes is not None:
            continue
        what = words_for(thing)
        added.append(
            LiftedLine(company=member.company, uuid=uuid5(entry.id, "lifted"), visit=row, member=member, at=entry.at or now, what=what)
        )
        open_now.add(thing)
    return list(LiftedLine.objects.of(member.company).bulk_create(added)) if added else []
