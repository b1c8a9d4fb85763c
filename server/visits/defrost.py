"""The simulated board: it stamps a whole defrost through the door that a hand does."""

from collections.abc import Iterator
from typing import Any
from uuid import UUID

from accounts.models import Company
from ledger.writer import Made, Writer
from outer_test.ledger import STOPPED, Answered, Kind, Stamp
from outer_test.measurement import FieldProblem
from outer_test.rules.defrost import QUESTIONS
from outer_test.twin import Fault, FaultKey, defrost_faults, fault_of, make_unit, watch_defrost, with_fault
from outer_test.visit import DefrostEvent
from visits.load import Loaded, find_visit, load_visit
from visits.write import of_kind, write_on_visit

NO_FAULT = "none"


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
