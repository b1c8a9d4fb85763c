"""Stamping the events of a watched defrost: by hand, or by the simulated board through the same door."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID, uuid5

from django.db import transaction
from django.utils import timezone

from accounts.models import Company, Member
from outer_test.measurement import FieldProblem
from outer_test.rules.defrost import QUESTIONS
from outer_test.twin import Fault, FaultKey, defrost_faults, fault_of, make_unit, watch_defrost, with_fault
from outer_test.visit import ANSWERS, RUN_EVENTS, DefrostEvent, latest_run
from visits.load import Loaded, find_visit, load_visit, open_for_writing
from visits.models import DefrostAnswer, DefrostStamp, Visit
from visits.to_core import STOPPED

MOST_S = 4 * 3600
NO_FAULT = "none"


@dataclass(frozen=True, slots=True)
class Stamp:
    """One stamp: the client's UUID, the event, and when it happened; `forced` begins a run."""

    id: UUID
    event: str
    at: datetime | None = None


def stamp(member: Member, visit_id: UUID, new: Stamp) -> Loaded:
    """Keep one stamp of the run at hand. Raises NoSuchVisit, Finished, FieldProblem."""
    if new.event not in (*RUN_EVENTS, STOPPED):
        raise FieldProblem("event", f"Use one of: {', '.join((*RUN_EVENTS, STOPPED))}.")
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        loaded = load_visit(member.company, row)
        if any(one.uuid == new.id for one in loaded.log.stamps):
            return loaded
        at = new.at or timezone.now()
        forced = next((one for one in latest_run(loaded.log.stamps) if one.event == "forced"), None)
        if new.event == "forced":
            _write(member, row, new.id, new.id, "forced", 0.0, at)
            return load_visit(member.company, row)
        if forced is None:
            raise FieldProblem("event", "Force the defrost first: the other times count from there.")
        seconds = (at - forced.at).total_seconds()
        if not 0 <= seconds <= MOST_S:
            raise FieldProblem("at", "This is before the defrost was forced, or hours after it.")
        _write(member, row, new.id, forced.run, new.event, round(seconds, 1), at)
        return load_visit(member.company, row)


def undo_stamp(member: Member, visit_id: UUID, undo_id: UUID, stamp_id: UUID) -> Loaded:
    """Take a stamp back; it stays on record. Raises NoSuchVisit, Finished, FieldProblem."""
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        loaded = load_visit(member.company, row)
        gone = next((one for one in latest_run(loaded.log.stamps) if one.uuid == stamp_id), None)
        if gone is None:
            if any(one.undoes == stamp_id for one in loaded.log.stamps):
                return loaded
            raise FieldProblem("stamp", "There is no such stamp in this run.")
        _write(member, row, undo_id, gone.run, gone.event, gone.s, timezone.now(), gone.uuid)
        return load_visit(member.company, row)


def answer(member: Member, visit_id: UUID, answer_id: UUID, event: str, said: str) -> Loaded:
    """Keep what was said of an event of the run at hand that was not stamped. Raises NoSuchVisit, Finished, FieldProblem."""
    if event not in RUN_EVENTS:
        raise FieldProblem("event", f"Use one of: {', '.join(RUN_EVENTS)}.")
    if said not in ANSWERS:
        raise FieldProblem("answer", f"Use one of: {', '.join(ANSWERS)}.")
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        loaded = load_visit(member.company, row)
        standing = latest_run(loaded.log.stamps)
        if not standing:
            raise FieldProblem("event", "Force the defrost first: answers belong to a run.")
        if not any(one.uuid == answer_id for one in loaded.log.answers):
            DefrostAnswer.objects.of(member.company).create(
                company=member.company, uuid=answer_id, visit=row, member=member, at=timezone.now(), run=standing[0].run, event=event,
                answer=said,
            )  # fmt: skip
        return load_visit(member.company, row)


def simulate(member: Member, visit_id: UUID, run_id: UUID, fault: str) -> Loaded:
    """Let the simulated board stamp a whole defrost, with a fault put in. Raises NoSuchVisit, Finished, FieldProblem."""
    with transaction.atomic():
        row = open_for_writing(member, visit_id)
        loaded = load_visit(member.company, row)
        if any(one.run == run_id for one in loaded.log.stamps):
            return loaded
        events, watched = _run(loaded, fault)
        now = timezone.now()
        for place, one in enumerate(events):
            _write(member, row, uuid5(run_id, str(place)), run_id, one.event, one.s, now)
        _write(member, row, uuid5(run_id, STOPPED), run_id, STOPPED, watched, now)
        happened = {event.event for event in events}
        DefrostAnswer.objects.of(member.company).bulk_create(
            DefrostAnswer(
                company=member.company, uuid=uuid5(run_id, f"answer {event}"), visit=row, member=member, at=now, run=run_id, event=event,
                answer="no",
            )
            for event in QUESTIONS
            if event not in happened  # the simulated board is watched whole
        )  # fmt: skip
        return load_visit(member.company, row)


def simulated_run(company: Company, visit_id: UUID, fault: str) -> tuple[tuple[DefrostEvent, ...], float]:
    """What the simulated board would do on this visit's unit; nothing is written. Raises NoSuchVisit, FieldProblem."""
    return _run(load_visit(company, find_visit(company, visit_id)), fault)


def faults_to_put_in(company: Company, visit_id: UUID) -> tuple[Fault, ...]:
    """The faults that show in a defrost of this visit's unit. Raises NoSuchVisit."""
    return tuple(fault_of(key) for key in defrost_faults(load_visit(company, find_visit(company, visit_id)).visit.plate))


def _run(loaded: Loaded, fault: str) -> tuple[tuple[DefrostEvent, ...], float]:
    unit = make_unit(loaded.visit.plate)
    try:
        faulty = unit if fault == NO_FAULT else with_fault(unit, FaultKey(fault))
    except ValueError:
        raise FieldProblem("fault", "Use none, or one of the faults this unit can have.") from None
    try:
        return watch_defrost(faulty)
    except ValueError as problem:
        raise FieldProblem("fault", str(problem)) from None


def _write(
    member: Member, row: Visit, stamp_id: UUID, run: UUID, event: str, seconds: float, at: datetime, undoes: UUID | None = None
) -> None:
    DefrostStamp.objects.of(member.company).create(
        company=member.company, uuid=stamp_id, visit=row, member=member, at=at, run=run, event=event, s=seconds, undoes=undoes
    )
