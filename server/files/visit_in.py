"""A visit file taken in: a finished visit with every line as the file has it, so that it goes out again the same."""

from datetime import datetime
from typing import Any
from uuid import UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.models import Member
from fleet.models import Unit
from fleet.write_unit import find_unit
from outer_test import visit as core
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem, sparse
from visits.find_text import find_text_of
from visits.keep import keep_told, refresh_standing
from visits.load import load_visit
from visits.models import (
    BoardWireLine,
    DefrostAnswer,
    DefrostStamp,
    Entry,
    LiftedEnding,
    LiftedLine,
    PartPutIn,
    PowerClaim,
    RulesChange,
    Visit,
    VisitNote,
)
from visits.to_core import STOPPED, about_part

MOST_LINES = 5000
_FROZEN = ("plate", "fitted", "contactor_fitted", "van_stock", "meters", "calibration_due")


class _Ids:
    """The file's own ids where they are UUIDs that this company has not used yet; else ids made from the new visit's."""

    def __init__(self, visit: UUID, taken: set[UUID]) -> None:
        self.visit, self.taken = visit, taken

    def of(self, name: str | None, place: str) -> UUID:
        try:
            own = UUID(str(name))
        except ValueError:
            return uuid5(self.visit, name or place)
        return uuid5(self.visit, str(own)) if own in self.taken else own


def take_in(member: Member, unit_id: UUID, visit_id: UUID, text: bytes) -> Visit:
    """Read a visit file into a unit's record. The same UUID takes it in once.

    Raises NoSuchUnit, and FieldProblem (`file`) with one clear line for a file that is none.
    """
    try:
        visit = core.read_visit(text)
    except ReadProblem as problem:
        raise FieldProblem("file", str(problem)) from None
    if len(visit.readings) + len(visit.seen) + len(visit.lifted) + len(visit.power) + len(visit.defrost_run) > MOST_LINES:
        raise FieldProblem("file", f"A visit has at most {MOST_LINES} lines.")
    unit = find_unit(member.company, unit_id)
    already: Visit | None = Visit.objects.of(member.company).filter(id=visit_id).first()
    return already or write_whole(member, unit, visit_id, visit, _when(visit))


def _when(visit: core.Visit) -> datetime:
    said = [*(reading.at for reading in visit.readings), *(one.at for one in visit.power), *(one.at for one in visit.lifted)]
    times = [at for at in said if at is not None]
    return min(times, default=timezone.now())


@transaction.atomic
def write_whole(member: Member, unit: Unit, visit_id: UUID, visit: core.Visit, at: datetime, **row_fields: Any) -> Visit:
    """Write a core visit as a finished one. row_fields: what the row keeps beside the file, such as notes.

    Raises FieldProblem where a value is longer than the record keeps it.
    """
    company = member.company
    plain = sparse(visit)
    row = Visit(
        company=company,
        id=visit_id,
        unit=unit,
        technician=member,
        scheduled_for=at,
        complaint=visit.complaint or "",
        began=visit.began or "",
        conditions=plain.get("conditions", {}),
        rules=plain.get("rules", {}),
        baseline=plain.get("baseline", []),
        frozen={name: plain[name] for name in _FROZEN if name in plain},
        finished_at=at,
        finished_by=member,
        has_board_wires=bool(visit.board_wires),
        timed_out_before=visit.timed_out_before,
        **row_fields,
    )
    row.save(force_insert=True)
    _write_lines(member, row, visit, at)
    loaded = load_visit(company, row)
    keep_told(row, loaded)
    row.find_text = find_text_of(row, member.shown_name)
    row.save(update_fields=["told", "overall", "find_text"])
    refresh_standing(company, unit, loaded.visit, at)
    return row


def _write_lines(member: Member, row: Visit, visit: core.Visit, at: datetime) -> None:
    company = member.company
    base: dict[str, Any] = {"company": company, "visit": row, "member": member}
    named = [*(reading.id for reading in visit.readings), *(one.id for one in visit.lifted), *(wire.id for wire in visit.board_wires)]
    asked = [UUID(name) for name in named if name is not None and _is_uuid(name)]
    taken = {
        found
        for model in (Entry, LiftedLine, BoardWireLine)
        for found in model.objects.of(company).filter(uuid__in=asked).values_list("uuid", flat=True)
    }  # fmt: skip
    ids = _Ids(row.id, taken)
    entries = [
        Entry(
            **base, uuid=ids.of(one.id, f"reading {place}"), at=one.at or at, point=one.point, value=_short("value", one.value, 24),
            meter=_short("meter", one.meter or "", 40), by=one.by or "", fitted=one.fitted or "", turns=one.turns, top=one.top,
            power=one.power or "unknown", unit_said=one.unit_said,
            supersedes=None if one.supersedes is None else ids.of(one.supersedes, one.supersedes),
        )
        for place, one in enumerate(visit.readings)
    ]  # fmt: skip
    entries += [
        Entry(
            **base,
            uuid=uuid5(row.id, f"seen {name}"),
            at=visit.saw_at(name) or at,
            point=name,
            value=visit.saw(name) or "",
            power="unknown",
        )
        for name in visit.seen
    ]
    Entry.objects.of(company).bulk_create(entries)
    claims = [
        PowerClaim(**base, uuid=uuid5(row.id, f"power {place}"), at=one.at or at, state=one.state) for place, one in enumerate(visit.power)
    ]
    PowerClaim.objects.of(company).bulk_create(claims)
    lines = [
        LiftedLine(**base, uuid=ids.of(one.id, f"lifted {place}"), at=one.at or at, what=_short("what", one.words, 120))
        for place, one in enumerate(visit.lifted)
    ]
    LiftedLine.objects.of(company).bulk_create(lines)
    ends = [
        LiftedEnding(
            **base, uuid=uuid5(line.uuid, "end"), line=line, at=one.end.at or at, how=one.end.how, why=_short("why", one.end.why, 300)
        )
        for line, one in zip(lines, visit.lifted, strict=True)
        if one.end is not None
    ]
    LiftedEnding.objects.of(company).bulk_create(ends)
    _write_defrost(base, row, visit, at, ids)
    PartPutIn.objects.of(company).bulk_create(
        PartPutIn(**base, uuid=uuid5(row.id, f"part {place}"), at=one.at or at, part=one.part.value, about=about_part(one))
        for place, one in enumerate(visit.repairs)
    )
    if row.rules:
        RulesChange.objects.of(company).create(**base, uuid=uuid5(row.id, "rules"), at=at, rules=row.rules)


def _write_defrost(base: dict[str, Any], row: Visit, visit: core.Visit, at: datetime, ids: _Ids) -> None:
    run = uuid5(row.id, "run")
    forced = visit.defrost_forced_at or at
    stamps = [
        DefrostStamp(**base, uuid=uuid5(run, str(place)), at=forced, run=run, event=one.event, s=one.s)
        for place, one in enumerate(visit.defrost_run)
    ]
    if visit.defrost_watched_s is not None:
        stamps.append(DefrostStamp(**base, uuid=uuid5(run, STOPPED), at=forced, run=run, event=STOPPED, s=visit.defrost_watched_s))
    if visit.defrost_seen and not stamps:
        raise FieldProblem("file", "defrost_seen: answers need a run, and defrost_run is empty.")
    DefrostStamp.objects.of(row.company).bulk_create(stamps)
    DefrostAnswer.objects.of(row.company).bulk_create(
        DefrostAnswer(**base, uuid=uuid5(run, f"answer {event}"), at=forced, run=run, event=event, answer=said)
        for event, said in visit.defrost_seen.items()
    )
    wires = [
        BoardWireLine(
            **base, uuid=(own := ids.of(wire.id, f"wire {place}")), wire=own, at=at, on_old=wire.on_old,
            terminal=_short("terminal", wire.terminal, 20),
            colour=_short("colour", wire.colour, 20), goes_to=_short("goes_to", wire.goes_to, 80),
            new_terminal=_short("new_terminal", wire.new_terminal, 20),
        )
        for place, wire in enumerate(visit.board_wires)
    ]  # fmt: skip
    BoardWireLine.objects.of(row.company).bulk_create(wires)
    VisitNote.objects.of(row.company).bulk_create(
        VisitNote(**base, uuid=uuid5(row.id, f"note {place}"), at=note.at or at, text=note.text) for place, note in enumerate(visit.notes)
    )


def _is_uuid(text: str) -> bool:
    try:
        UUID(text)
    except ValueError:
        return False
    return True


def _short(name: str, text: str, most: int) -> str:
    if len(text) > most:
        raise FieldProblem("file", f"{name}: longer than {most} characters")
    return text
