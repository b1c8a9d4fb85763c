"""What is written on a visit as it is: a note, the day's conditions, the rules it is judged by, a signature."""

from typing import Any
from uuid import UUID

from ledger.writer import Made, Writer
from outer_test.ledger import Rules, kind_of
from outer_test.measurement import FieldProblem
from outer_test.visit import Note
from visits.load import Loaded
from visits.write import of_kind, write_on_visit

MOST = 1000


def write_note(writer: Writer, visit_id: UUID, made: Made, text: str) -> Loaded:
    """Keep a note. Raises NoSuchVisit, FieldProblem."""
    if not text.strip() or len(text) > MOST:
        raise FieldProblem("text", f"Use 1 to {MOST} characters.")
    return write_one(writer, visit_id, made, Note(text.strip()))


def judge_by_current_rules(writer: Writer, visit_id: UUID, made: Made) -> Loaded:
    """Judge an open visit by the company's present house rules; the change is kept. Raises NoSuchVisit."""
    return write_one(writer, visit_id, made, Rules(writer.company.house_rules))


def write_one(writer: Writer, visit_id: UUID, made: Made, body: Any) -> Loaded:
    """Write one event that nothing else bears on. Raises NoSuchVisit."""
    return write_on_visit(writer, visit_id, made, lambda _: [("", body, 0)], of_kind(kind_of(body)))
