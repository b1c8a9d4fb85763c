"""Units: the plate as read, and a new visit."""

from dataclasses import dataclass, field
from uuid import UUID

from django.http import HttpResponse
from ninja import Body, Router

from api.answer import answer
from api.problems import Problem
from api.signed_in import Asking
from outer_test.plate import Contactor, Plate
from outer_test.visit import Complaint, FittedCapacitor
from visits.load import find_visit, load_visit
from visits.open_visit import open_visit
from visits.shapes import Round
from visits.show import show_round
from visits.write_plate import PlateAsRead, write_plate

router = Router(tags=["units"])


@dataclass(frozen=True, slots=True)
class PlateRead:
    """A plate as read on a visit, with the client's UUID and why it was read again."""

    id: UUID
    visit: UUID
    plate: Plate
    fitted: tuple[FittedCapacitor, ...] = field(default=())
    contactor_fitted: Contactor | None = None
    why: str = ""


@dataclass(frozen=True, slots=True)
class NewVisit:
    """A visit to open, with the client's UUID."""

    id: UUID
    complaint: Complaint
    began: str = ""


@dataclass(frozen=True, slots=True)
class Opened:
    """The visit that was opened."""

    id: UUID


@router.put("/{unit_id}/plate", response={200: Round, 404: Problem, 409: Problem, 422: Problem})
def read_plate(request: Asking, unit_id: UUID, body: Body[PlateRead]) -> HttpResponse:
    """Keep a newly read plate. The one before stays in the unit's history."""
    read = PlateAsRead(body.plate, body.fitted, body.contactor_fitted, body.why)
    write_plate(request.auth, body.visit, unit_id, body.id, read)
    row = find_visit(request.auth.company, body.visit)
    return answer(Round, show_round(load_visit(request.auth.company, row)))


@router.post("/{unit_id}/visits", response={200: Opened, 404: Problem, 409: Problem, 422: Problem})
def new_visit(request: Asking, unit_id: UUID, body: Body[NewVisit]) -> Opened:
    """Open a visit to this unit now."""
    return Opened(open_visit(request.auth, unit_id, body.id, body.complaint, body.began).id)
