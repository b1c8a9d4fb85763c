"""Practice: the simulated board with a hidden fault, watched and called. Nothing of it is written anywhere."""

from dataclasses import dataclass

from ninja import Body, Router

from accounts.boards import board_profiles
from accounts.models import Company
from api.problems import Problem
from api.signed_in import Asking
from outer_test.measurement import FieldProblem
from outer_test.nameplate import Plate
from outer_test.practice import NOTHING_WRONG, Marked, drawn, faults_to_hide, mark, rehearse, unit_of
from outer_test.visit import DefrostEvent

router = Router(tags=["practice"])
_MOST_STAMPS = 100


@dataclass(frozen=True, slots=True)
class FaultToName:
    """A fault that the simulated unit can have: its key, and what it is in plain words."""

    fault: str
    says: str


@dataclass(frozen=True, slots=True)
class Practised:
    """What the simulated unit does: its events in s after it was forced, how long it is watched, s, and what could be wrong with it."""

    events: tuple[DefrostEvent, ...]
    watched_s: float
    faults: tuple[FaultToName, ...]


@dataclass(frozen=True, slots=True)
class Called:
    """What was stamped of it, and what it was called. fault: the one that was put in; empty: what this draw hid."""

    board: str
    draw: int
    stamps: tuple[DefrostEvent, ...]
    named: str
    fault: str = ""


@router.get("/defrost", response={200: Practised, 401: Problem, 422: Problem})
def practise(request: Asking, board: str, draw: int = 0, fault: str = "") -> Practised:
    """A forced defrost of a unit with this board. What is wrong with it is hidden by the draw, where no fault is asked for."""
    unit = _unit(request.auth.company, board)
    run = rehearse(unit, _hidden(unit, draw, fault))
    return Practised(run.events, run.watched_s, tuple(FaultToName(one.key, one.says) for one in faults_to_hide(unit)))


@router.post("/defrost", response={200: Marked, 401: Problem, 422: Problem})
def marked(request: Asking, body: Body[Called]) -> Marked:
    """What was wrong with it, whether it was called so, and what the stamps come to."""
    if len(body.stamps) > _MOST_STAMPS:
        raise FieldProblem("stamps", f"Send at most {_MOST_STAMPS} stamps.")
    unit = _unit(request.auth.company, body.board)
    return mark(unit, _hidden(unit, body.draw, body.fault), body.stamps, body.named)


def _unit(company: Company, board: str) -> Plate:
    profile = next((one for one in board_profiles(company) if one.name == board), None)
    if profile is None:
        raise FieldProblem("board", "Choose one of the boards on the list.")
    return unit_of(profile.defrost)


def _hidden(unit: Plate, draw: int, fault: str) -> str:
    if fault in ("", NOTHING_WRONG) or fault in {one.key for one in faults_to_hide(unit)}:
        return fault or drawn(unit, draw)
    raise FieldProblem("fault", "Choose one of the faults on the list.")
