"""Parts put in on a visit."""

from dataclasses import dataclass, field
from uuid import UUID

from django.http import HttpResponse
from ninja import Body, Router

from api.answer import answer_round
from api.signed_in import Asking, writer_of
from api.visits import REFUSALS
from ledger.writer import Made
from outer_test.entry import TypedProblem, parse_typed
from outer_test.measurement import FieldProblem
from outer_test.visit import Repair
from visits.parts import not_put_in, put_in
from visits.shapes import Round

router = Router(tags=["parts"])


@dataclass(frozen=True, slots=True, kw_only=True)
class NewPart(Made):
    """A part put in; `in_hand` is what a run capacitor's sections measured, as typed, by `herm` and `fan`."""

    repair: Repair
    in_hand: dict[str, str] = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True)
class TakenOff(Made):
    """Taking a part off the record."""


@router.post("/{visit_id}/parts", response={200: Round, **REFUSALS})
def part_in(request: Asking, visit_id: UUID, body: Body[NewPart]) -> HttpResponse:
    """Keep a part that was put in, its rating and its readings in the hand, in one step."""
    values = {}
    for section, typed in body.in_hand.items():
        if section not in ("herm", "fan"):
            raise FieldProblem("in_hand", "Use the sections herm and fan.")
        if not typed.strip():
            continue
        try:
            values[section] = parse_typed(typed, f"cap.new_{section}.uf").value
        except TypedProblem as problem:
            raise FieldProblem(f"in_hand.{section}", str(problem)) from None
    return answer_round(put_in(writer_of(request), visit_id, body, body.repair, values), request.auth.pk)


@router.post("/{visit_id}/parts/{part_id}/undo", response={200: Round, **REFUSALS})
def part_not_in(request: Asking, visit_id: UUID, part_id: UUID, body: Body[TakenOff]) -> HttpResponse:
    """Take a part off the record that was never put in."""
    return answer_round(not_put_in(writer_of(request), visit_id, body, part_id), request.auth.pk)
