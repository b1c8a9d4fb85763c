"""The defrost bench: stamps by hand, and the simulated board that stamps through the same door."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from django.conf import settings
from django.http import HttpResponse
from ninja import Body, Router

from api.answer import answer
from api.problems import Refused
from api.signed_in import Asking
from api.visits import REFUSALS, aware
from outer_test.visit import Conditions
from visits.shapes import Round
from visits.show import show_round
from visits.write_conditions import write_conditions
from visits.write_defrost import Stamp, simulate, stamp, undo_stamp

router = Router(tags=["defrost"])


@dataclass(frozen=True, slots=True)
class NewStamp:
    """An event of the defrost at hand, with the client's UUID and time."""

    id: UUID
    event: str
    at: datetime | None = None


@dataclass(frozen=True, slots=True)
class Undo:
    """A stamp to take back."""

    id: UUID
    stamp: UUID


@dataclass(frozen=True, slots=True)
class Simulated:
    """A whole defrost for the simulated board to stamp; the UUID is the run's."""

    id: UUID
    fault: str = "none"


@router.post("/{visit_id}/defrost/stamps", response={200: Round, **REFUSALS})
def keep_stamp(request: Asking, visit_id: UUID, body: Body[NewStamp]) -> HttpResponse:
    """Stamp an event; `forced` begins a new run, `stopped` says that nobody watches any more."""
    return answer(Round, show_round(stamp(request.auth, visit_id, Stamp(body.id, body.event, aware(body.at)))))


@router.post("/{visit_id}/defrost/undo", response={200: Round, **REFUSALS})
def take_back(request: Asking, visit_id: UUID, body: Body[Undo]) -> HttpResponse:
    """Take a stamp back."""
    return answer(Round, show_round(undo_stamp(request.auth, visit_id, body.id, body.stamp)))


@router.put("/{visit_id}/conditions", response={200: Round, **REFUSALS})
def keep_conditions(request: Asking, visit_id: UUID, body: Body[Conditions]) -> HttpResponse:
    """Keep the day's outdoor and indoor temperature, °F, and the outdoor humidity, %."""
    return answer(Round, show_round(write_conditions(request.auth, visit_id, body)))


@router.post("/{visit_id}/defrost/simulated", response={200: Round, **REFUSALS})
def simulated(request: Asking, visit_id: UUID, body: Body[Simulated]) -> HttpResponse:
    """Let the simulated board run and stamp a whole defrost. Only where the demo is: a real visit records real runs."""
    if not settings.DEMO:
        raise Refused(403, "The simulated board is for practice on the demo.")
    return answer(Round, show_round(simulate(request.auth, visit_id, body.id, body.fault)))
