"""Stamping the events of a watched defrost: by hand, or by the simulated board through the same door."""

from collections.abc import Iterator
from datetime import datetime
from typing import Any
from uuid import UUID

from accounts.models import Company
from ledger.models import EventRow
from ledger.writer import Made, Writer
from outer_test.ledger import STOPPED, Answered, Event, Kind, Stamp, TakenBack, latest_run
from outer_test.measurement import FieldProblem
from outer_test.rules.defrost import QUESTIONS
from outer_test.twin import Fault, FaultKey, defrost_faults, fault_of, make_unit, watch_defrost, with_fault
from outer_test.visit import ANSWERS, RUN_EVENTS, DefrostEvent
from visits.load import Loaded, find_visit, load_visit
from visits.write import of_kind, write_on_visit

MOST_S = 4 * 3600
NO_FAULT = "none"


def stamp(writer: Writer, visit_id: UUID, made: Made, event: Any) -> Loaded:
    """Keep one stamp of the run at hand; `forced` begins one. Raises NoSuchVisit, FieldProblem."""
    if event not in (*RUN_EVENTS, STOPPED):
        raise FieldProblem("event", f"Use one of: {', '.join((*RUN_EVENTS, STOPPED))}.")

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        if event == "forced":
            yield "", Stamp(str(made.id), "forced", 0.0), 0
            return
        forced = next((one for one in latest_run(known.of(Kind.STAMP, Kind.TAKEN_BACK)) if one.body.event == "forced"), None)
        if forced is None:
            raise FieldProblem("event", "Force the defrost first: the other times count from there.")
        seconds = _seconds_between(writer, forced, made.at or writer.now)
        if not 0 <= seconds <= MOST_S:
            raise FieldProblem("at", "This is before the defrost was forced, or hours after it.")
        yield "", Stamp(forced.body.run, event, round(seconds, 1)), 0

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.STAMP))


def _seconds_between(writer: Writer, forced: Event, at: datetime) -> float:
    """By the device's own clock where both were stamped on it: how far that is from the server's says nothing then."""
    row = EventRow.objects.of(writer.company).filter(uuid=forced.id).values_list("device", "device_at").first()
    if row is not None and row[0] == writer.device and row[1] is not None:
        return float((at - row[1]).total_seconds())
    ahead = 0.0 if writer.device_now is None else (writer.device_now - writer.now).total_seconds()
    return (at - forced.at).total_seconds() - ahead


def undo_stamp(writer: Writer, visit_id: UUID, made: Made, gone: UUID) -> Loaded:
    """Take a stamp back; it stays on record. Raises NoSuchVisit, FieldProblem."""

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        if any(event.kind is Kind.TAKEN_BACK and event.body.of == str(gone) for event in known.events):
            return
        if not any(event.id == str(gone) for event in latest_run(known.of(Kind.STAMP, Kind.TAKEN_BACK))):
            raise FieldProblem("stamp", "There is no such stamp in this run.")
        yield "", TakenBack(str(gone)), 0

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.TAKEN_BACK))


def answer(writer: Writer, visit_id: UUID, made: Made, event: Any, said: Any) -> Loaded:
    """Keep what was said of an event of the run at hand that was not stamped. Raises NoSuchVisit, FieldProblem."""
    if event not in RUN_EVENTS:
        raise FieldProblem("event", f"Use one of: {', '.join(RUN_EVENTS)}.")
    if said not in ANSWERS:
        raise FieldProblem("answer", f"Use one of: {', '.join(ANSWERS)}.")

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        run = latest_run(known.of(Kind.STAMP, Kind.TAKEN_BACK))
        if not run:
            raise FieldProblem("event", "Force the defrost first: answers belong to a run.")
        yield "", Answered(run[0].body.run, event, said), 0

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.ANSWER))


def simulate(writer: Writer, visit_id: UUID, made: Made, fault: str) -> Loaded:
    """Let the simulated board stamp a whole defrost, with a fault put in. Raises NoSuchVisit, FieldProblem."""

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        events, watched = _run(known, fault)
        run = str(made.id)
        happened = {event.event for event in events}
        stamps = [Stamp(run, event.event, event.s) for event in events]
        unseen = [Answered(run, event, "no") for event in QUESTIONS if event not in happened]  # the simulated board is watched whole
        for place, body in enumerate((*stamps, Stamp(run, STOPPED, watched), *unseen)):
            yield "" if place == 0 else str(place), body, place

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.STAMP))


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
