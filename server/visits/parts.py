"""Parts put in on a visit: from then on the part's readings are the new part's (handbook section 14)."""

from collections.abc import Iterator
from dataclasses import replace
from typing import Any
from uuid import UUID

from ledger.writer import Made, Writer
from outer_test.ledger import Kind, TakenBack, standing
from outer_test.measurement import FieldProblem
from outer_test.visit import Reading, Repair
from visits.load import Loaded
from visits.write import of_kind, write_on_visit


def put_in(writer: Writer, visit_id: UUID, made: Made, repair: Repair, in_hand: dict[str, str] | None = None) -> Loaded:
    """Keep a part that was put in, its rating, and what it measured in the hand, in one step.

    in_hand: value text by section of a run capacitor, `herm` and `fan`. Raises NoSuchVisit, FieldProblem.
    """
    made = replace(made, at=made.at or repair.at)
    if len(repair.note) > 200:
        raise FieldProblem("note", "Use up to 200 characters.")

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        yield "", replace(repair, at=None, id=None), 0
        for place, (section, value) in enumerate((in_hand or {}).items(), 1):
            try:
                yield section, Reading(f"cap.new_{section}.uf", value), place
            except FieldProblem as problem:
                raise FieldProblem(f"in_hand.{section}", problem.message) from None

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.PART))


def not_put_in(writer: Writer, visit_id: UUID, made: Made, part: UUID) -> Loaded:
    """Take a part off the record that was never put in; the line stays. Raises NoSuchVisit, FieldProblem."""

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        if any(event.id == str(part) for event in standing(known.events, Kind.PART)):
            yield "", TakenBack(str(part)), 0
        elif not any(event.kind is Kind.PART and event.id == str(part) for event in known.events):
            raise FieldProblem("part", "This part was not put in on this visit.")

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.TAKEN_BACK))
