"""Writing on a visit what is no reading: power, and what is off."""

from collections.abc import Iterator
from typing import Any
from uuid import UUID

from ledger.writer import Made, Writer
from outer_test.assessment import power_of
from outer_test.ledger import Ended, Kind
from outer_test.measurement import FieldProblem
from outer_test.procedure import LiftProblem, check_lift
from outer_test.visit import Lifted, PowerEvent, Thing, thing_of, words_for
from visits.load import Loaded
from visits.write import of_kind, write_on_visit


def claim_power(writer: Writer, visit_id: UUID, made: Made, state: Any) -> Loaded:
    """Say what the power is. Claiming it dead adds the pulled disconnect to the list. Raises NoSuchVisit."""

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        yield "", PowerEvent(state), 0
        if state == "dead-claimed" and Thing.DISCONNECT not in known.off:
            yield "lifted", Lifted(words_for(Thing.DISCONNECT), thing=Thing.DISCONNECT), 1

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.POWER))


def add_lifted(writer: Writer, visit_id: UUID, made: Made, what: str) -> Loaded:
    """Add a line to the not-put-back list. Raises NoSuchVisit, FieldProblem."""
    words = what.strip()
    if len(what) > 120:
        raise FieldProblem("what", "Use 1 to 120 characters.")

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        line = Lifted(words, thing=thing_of(words))
        try:
            check_lift(known.visit, line, power_of(known.visit).state)
        except LiftProblem as problem:
            raise FieldProblem("what", str(problem)) from None
        yield "", line, 0

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.LIFTED))


def end_lifted(writer: Writer, visit_id: UUID, made: Made, line: UUID, how: Any, why: str) -> Loaded:
    """End a line: back, retired, or left until the return visit. What is said of it first stands; what somebody who did not know of
    that says too is kept. Raises NoSuchVisit, FieldProblem.
    """

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        end = Ended(str(line), how, why.strip())
        if not any(event.id == str(line) and event.kind is Kind.LIFTED for event in known.events):
            raise FieldProblem("line", "There is no such line on this visit.")
        if not any(event.kind is Kind.ENDED and event.body.line == str(line) for event in known.events):
            yield "", end, 0

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.ENDED))
