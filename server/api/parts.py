"""Parts put in on a visit."""

from dataclasses import dataclass, field
from uuid import UUID

from django.http import HttpResponse
from ninja import Body, Router

from api.answer import answer_round
from api.signed_in import Asking
from api.visits import REFUSALS
from outer_test.entry import TypedProblem, parse_typed
from outer_test.measurement import FieldProblem
from outer_test.visit import Repair
from visits.shapes import Round
from visits.write_parts import not_put_in, put_in

router = Router(tags=["parts"])


@dataclass(frozen=True, slots=True)
class NewPart:
    """A part put in, with the client's UUID; `in_hand` is what a run capacitor's sections measured, as typed, by `herm` and `fan`."""

    id: UUID
    repair: Repair
    in_hand: dict[str, str] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class TakenOff:
    """The client's UUID of taking a part off the record."""

    id: UUID


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
    return answer_round(put_in(request.auth, visit_id, body.id, body.repair, values))


@router.post("/{visit_id}/parts/{part_id}/undo", response={200: Round, **REFUSALS})
def part_not_in(request: Asking, visit_id: UUID, part_id: UUID, body: Body[TakenOff]) -> HttpResponse:
    """Take a part off the record that was never put in."""
    return answer_round(not_put_in(request.auth, visit_id, body.id, part_id))
