"""Judging a visit by the house rules as they stand now."""

from uuid import UUID

from ledger.writer import Made, Writer
from outer_test.ledger import Kind, Rules
from visits.load import Loaded
from visits.write import of_kind, write_on_visit


def judge_by_current_rules(writer: Writer, visit_id: UUID, made: Made) -> Loaded:
    """Judge an open visit by the company's present house rules; the change is kept. Raises NoSuchVisit."""
    return write_on_visit(writer, visit_id, made, lambda _: [("", Rules(writer.company.house_rules), 0)], of_kind(Kind.RULES))
