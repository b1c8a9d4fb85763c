"""Finishing a visit, and opening it again."""

from collections.abc import Iterator
from typing import Any
from uuid import UUID

from ledger.writer import Made, Writer
from outer_test.ledger import Finished, Kind, Reopened
from outer_test.measurement import FieldProblem
from outer_test.procedure import FinishProblem, check_finish
from visits.load import Loaded
from visits.write import of_kind, write_on_visit


def finish(writer: Writer, visit_id: UUID, made: Made, reason: str) -> Loaded:
    """Finish a visit; with lines still open, as far as the device knew, only by force, with a reason that prints on the sheet.

    Raises NoSuchVisit, FieldProblem. Finishing a visit that one knows to be finished changes nothing.
    """

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        if known.closing.finish is not None:
            return
        try:
            check_finish(known.visit, reason)
        except FinishProblem as problem:
            raise FieldProblem("reason", f"{problem}. Put it back, or say why it stays off.") from None
        yield "", Finished(reason.strip()), 0

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.FINISHED))


def reopen(writer: Writer, visit_id: UUID, made: Made, reason: str) -> Loaded:
    """Open a finished visit again: what waited counts from then on. Raises NoSuchVisit, FieldProblem."""

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        event = Reopened(reason.strip())
        if known.closing.finish is not None:
            yield "", event, 0

    return write_on_visit(writer, visit_id, made, bodies, of_kind(Kind.REOPENED))
