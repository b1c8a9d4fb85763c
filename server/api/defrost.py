"""The simulated board, which stamps a defrost of the demo's units."""

from dataclasses import dataclass
from uuid import UUID

from django.conf import settings
from ninja import Body, Router

from api.problems import Refused
from api.signed_in import Asking, writer_of
from api.visits import REFUSALS, Saved
from ledger.writer import Made
from outer_test.visit import DefrostEvent
from visits.defrost import faults_to_put_in, simulate, simulated_run

router = Router(tags=["defrost"])


@dataclass(frozen=True, slots=True, kw_only=True)
class Simulated(Made):
    """A whole defrost for the simulated board to stamp; the UUID is the run's."""

    fault: str = "none"


@dataclass(frozen=True, slots=True)
class Rehearsal:
    """A simulated run: its events in s after it was forced, and how long it was watched, s."""

    events: tuple[DefrostEvent, ...]
    watched_s: float


@dataclass(frozen=True, slots=True)
class FaultToPutIn:
    """A fault the simulated board can have: its key, and what it is in plain words."""

    fault: str
    says: str


@router.post("/{visit_id}/defrost/simulated", response={200: Saved, **REFUSALS})
def simulated(request: Asking, visit_id: UUID, body: Body[Simulated]) -> Saved:
    """Let the simulated board run and stamp a whole defrost. Only where the demo is: a real visit records real runs."""
    _need_demo()
    simulate(writer_of(request), visit_id, body, body.fault)
    return Saved(body.id)


@router.get("/{visit_id}/defrost/simulated", response={200: Rehearsal, **REFUSALS})
def rehearsed(request: Asking, visit_id: UUID, fault: str = "none") -> Rehearsal:
    """What the simulated board would do on this unit, second by second, for a page to stamp at its own speed."""
    _need_demo()
    events, watched = simulated_run(request.auth.company, visit_id, fault)
    return Rehearsal(events, watched)


@router.get("/{visit_id}/defrost/faults", response={200: list[FaultToPutIn], **REFUSALS})
def faults(request: Asking, visit_id: UUID) -> list[FaultToPutIn]:
    """The faults that would show in a defrost of this unit."""
    _need_demo()
    return [FaultToPutIn(one.key, one.says) for one in faults_to_put_in(request.auth.company, visit_id)]


def _need_demo() -> None:
    if not settings.DEMO:
        raise Refused(403, "The simulated board is for practice on the demo.")
