"""The defrost bench: stamps by hand, and the simulated board that stamps through the same door."""

from dataclasses import dataclass
from uuid import UUID

from django.conf import settings
from django.http import HttpResponse
from ninja import Body, Router

from api.answer import answer_round
from api.problems import Refused
from api.signed_in import Asking, writer_of
from api.visits import REFUSALS
from ledger.writer import Made
from outer_test.ledger import Wire
from outer_test.visit import Conditions, DefrostEvent
from visits.board import map_wire
from visits.defrost import answer, faults_to_put_in, simulate, simulated_run, stamp, undo_stamp
from visits.remarks import write_one
from visits.shapes import Round

router = Router(tags=["defrost"])


@dataclass(frozen=True, slots=True, kw_only=True)
class NewStamp(Made):
    """An event of the defrost at hand."""

    event: str


@dataclass(frozen=True, slots=True, kw_only=True)
class NewAnswer(Made):
    """What was seen of an event that was not stamped."""

    event: str
    answer: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Undo(Made):
    """A stamp to take back."""

    stamp: UUID


@dataclass(frozen=True, slots=True, kw_only=True)
class Simulated(Made):
    """A whole defrost for the simulated board to stamp; the UUID is the run's."""

    fault: str = "none"


@dataclass(frozen=True, slots=True, kw_only=True)
class NewWire(Made):
    """A wire of the old board."""

    terminal: str
    colour: str = ""
    goes_to: str = ""
    new_terminal: str = ""
    on_old: bool = False
    of: UUID | None = None
    gone: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class ConditionsRead(Made):
    """The day's temperatures, °F, and the outdoor humidity, %."""

    conditions: Conditions


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


@router.post("/{visit_id}/defrost/stamps", response={200: Round, **REFUSALS})
def keep_stamp(request: Asking, visit_id: UUID, body: Body[NewStamp]) -> HttpResponse:
    """Stamp an event; `forced` begins a new run, `stopped` says that nobody watches any more."""
    return answer_round(stamp(writer_of(request), visit_id, body, body.event), request.auth.pk)


@router.post("/{visit_id}/defrost/undo", response={200: Round, **REFUSALS})
def take_back(request: Asking, visit_id: UUID, body: Body[Undo]) -> HttpResponse:
    """Take a stamp back."""
    return answer_round(undo_stamp(writer_of(request), visit_id, body, body.stamp), request.auth.pk)


@router.post("/{visit_id}/defrost/answers", response={200: Round, **REFUSALS})
def keep_answer(request: Asking, visit_id: UUID, body: Body[NewAnswer]) -> HttpResponse:
    """Answer what is asked of an event that was not stamped: yes, no, or did-not-look. The latest answer stands."""
    return answer_round(answer(writer_of(request), visit_id, body, body.event, body.answer), request.auth.pk)


@router.post("/{visit_id}/conditions", response={200: Round, **REFUSALS})
def keep_conditions(request: Asking, visit_id: UUID, body: Body[ConditionsRead]) -> HttpResponse:
    """Keep the day's outdoor and indoor temperature, °F, and the outdoor humidity, %."""
    return answer_round(write_one(writer_of(request), visit_id, body, body.conditions), request.auth.pk)


@router.post("/{visit_id}/defrost/wires", response={200: Round, **REFUSALS})
def map_board_wire(request: Asking, visit_id: UUID, body: Body[NewWire]) -> HttpResponse:
    """Write a line of the wire map of a board that is swapped: a new wire, or a correction of one."""
    of = "" if body.of is None else str(body.of)
    wire = Wire(body.terminal, body.colour, body.goes_to, body.new_terminal, body.on_old, of, body.gone)
    return answer_round(map_wire(writer_of(request), visit_id, body, wire), request.auth.pk)


@router.post("/{visit_id}/defrost/simulated", response={200: Round, **REFUSALS})
def simulated(request: Asking, visit_id: UUID, body: Body[Simulated]) -> HttpResponse:
    """Let the simulated board run and stamp a whole defrost. Only where the demo is: a real visit records real runs."""
    _need_demo()
    return answer_round(simulate(writer_of(request), visit_id, body, body.fault), request.auth.pk)


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
