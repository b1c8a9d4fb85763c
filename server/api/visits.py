"""The day's list, and everything that is read from or written on one visit."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal
from uuid import UUID, uuid5

from django.http import HttpResponse
from ninja import Body, Router

from api.answer import answer, answer_round
from api.problems import Problem, Refused
from api.signed_in import Asking
from outer_test.entry import LeftOver, Typed, TypedProblem, parse_line, parse_typed
from outer_test.measurement import FieldProblem
from outer_test.visit import POINTS, write_visit
from visits.load import find_visit, load_visit
from visits.shapes import Round, Today, VisitShown
from visits.show import show_round, show_visit
from visits.today import today
from visits.write_entries import NewEntry, write_entries
from visits.write_lists import add_lifted, claim_power, end_lifted, finish
from visits.write_notes import write_note
from visits.write_rules import judge_by_current_rules

router = Router(tags=["visits"])
REFUSALS = {401: Problem, 403: Problem, 404: Problem, 409: Problem, 422: Problem, 503: Problem}
MOST_ON_A_LINE = 2000


@dataclass(frozen=True, slots=True)
class TypedReading:
    """One reading as typed, or a thing seen, with the client's UUID. `at` is the client's time of typing."""

    id: UUID
    point: str
    typed: str
    at: datetime | None = None
    meter: str = ""
    by: str = ""
    fitted: str = ""
    turns: int = 1
    top: float | None = None
    supersedes: UUID | None = None


@dataclass(frozen=True, slots=True)
class TypedLine:
    """An entry line as typed."""

    id: UUID
    text: str
    at: datetime | None = None
    meter: str = ""
    station: str = ""


@dataclass(frozen=True, slots=True)
class LineKept:
    """What became of an entry line: the points kept, and what was not understood."""

    kept: tuple[str, ...]
    left_over: tuple[LeftOver, ...]
    rest: str
    round: Round


@dataclass(frozen=True, slots=True)
class PowerSaid:
    """What the power is said to be."""

    id: UUID
    state: Literal["live", "dead-claimed"]
    at: datetime | None = None


@dataclass(frozen=True, slots=True)
class NewNote:
    """A note on the visit, with the client's UUID."""

    id: UUID
    text: str
    at: datetime | None = None


@dataclass(frozen=True, slots=True)
class LiftedWhat:
    """Something lifted, pulled or jumpered."""

    id: UUID
    what: str
    at: datetime | None = None


@dataclass(frozen=True, slots=True)
class LiftedHow:
    """How a line ends; all but `back` need a reason."""

    id: UUID
    how: Literal["back", "retired", "left"]
    why: str = ""
    at: datetime | None = None


@dataclass(frozen=True, slots=True)
class FinishWhy:
    """The reason to finish with lines still open; empty where there are none."""

    reason: str = ""


@dataclass(frozen=True, slots=True)
class Asked:
    """Something asked for, with the client's UUID."""

    id: UUID


@router.get("/today", response={200: Today, 401: Problem})
def days_list(request: Asking) -> HttpResponse:
    """Today's visits of the company, the asker's own first."""
    return answer(today(request.auth))


@router.get("/visits/{visit_id}", response={200: VisitShown, 401: Problem, 404: Problem})
def one_visit(request: Asking, visit_id: UUID) -> HttpResponse:
    """A visit whole."""
    company = request.auth.company
    return answer(show_visit(company, load_visit(company, find_visit(company, visit_id))))


@router.get("/visits/{visit_id}/file", response={200: dict, 401: Problem, 404: Problem})
def visit_file(request: Asking, visit_id: UUID) -> HttpResponse:
    """The visit as a visit file (docs/visit.schema.json)."""
    company = request.auth.company
    loaded = load_visit(company, find_visit(company, visit_id))
    file = HttpResponse(write_visit(loaded.visit), content_type="application/json")
    file["Content-Disposition"] = f'attachment; filename="visit-{visit_id}.json"'
    return file


@router.post("/visits/{visit_id}/readings", response={200: Round, **REFUSALS})
def keep_reading(request: Asking, visit_id: UUID, body: Body[TypedReading]) -> HttpResponse:
    """Keep one reading as typed and judge the visit anew. The same UUID sent again is the same reading."""
    point = POINTS.get(body.point)
    if point is None:
        raise FieldProblem("point", "There is no such reading.")
    try:
        typed = Typed(body.typed) if point.kind == "seen" else parse_typed(body.typed, body.point)
    except TypedProblem as problem:
        raise FieldProblem("typed", str(problem)) from None
    entry = NewEntry(
        body.id, body.point, typed.value, aware(body.at), body.meter, body.by, body.fitted, body.turns, body.top, body.supersedes,
        typed.unit_said,
    )  # fmt: skip
    return answer_round(write_entries(request.auth, visit_id, [entry]))


@router.post("/visits/{visit_id}/line", response={200: LineKept, **REFUSALS})
def keep_line(request: Asking, visit_id: UUID, body: Body[TypedLine]) -> HttpResponse:
    """Understand an entry line and keep what was understood; the rest is given back to stay in the line."""
    if len(body.text) > MOST_ON_A_LINE:
        raise FieldProblem("text", f"Use up to {MOST_ON_A_LINE} characters.")
    parsed = parse_line(body.text, body.station)
    entries = [
        NewEntry(
            uuid5(body.id, str(place)),
            item.point,
            item.value,
            aware(body.at),
            body.meter if item.kind == "number" else "",
            item.by,
            item.fitted,
            item.turns,
        )
        for place, item in enumerate(parsed.items)
    ]
    loaded = write_entries(request.auth, visit_id, entries)
    kept = tuple(item.point for item in parsed.items)
    return answer(LineKept(kept, parsed.left_over, parsed.rest, show_round(loaded)))


@router.post("/visits/{visit_id}/power", response={200: Round, **REFUSALS})
def say_power(request: Asking, visit_id: UUID, body: Body[PowerSaid]) -> HttpResponse:
    """Say that the unit is live, or claim it dead. Dead is only ever proved by readings."""
    return answer_round(claim_power(request.auth, visit_id, body.id, body.state, aware(body.at)))


@router.post("/visits/{visit_id}/notes", response={200: Round, **REFUSALS})
def note_on(request: Asking, visit_id: UUID, body: Body[NewNote]) -> HttpResponse:
    """Keep a note on the visit."""
    return answer_round(write_note(request.auth, visit_id, body.id, body.text, aware(body.at)))


@router.post("/visits/{visit_id}/lifted", response={200: Round, **REFUSALS})
def lift(request: Asking, visit_id: UUID, body: Body[LiftedWhat]) -> HttpResponse:
    """Add a line to the not-put-back list."""
    return answer_round(add_lifted(request.auth, visit_id, body.id, body.what, aware(body.at)))


@router.post("/visits/{visit_id}/lifted/{line_id}/end", response={200: Round, **REFUSALS})
def put_back(request: Asking, visit_id: UUID, line_id: UUID, body: Body[LiftedHow]) -> HttpResponse:
    """End a line of the not-put-back list."""
    return answer_round(end_lifted(request.auth, visit_id, line_id, body.id, body.how, body.why, aware(body.at)))


@router.post("/visits/{visit_id}/finish", response={200: Round, **REFUSALS})
def finish_visit(request: Asking, visit_id: UUID, body: Body[FinishWhy]) -> HttpResponse:
    """Finish the visit. With lines still open it needs a reason, which prints on the sheet."""
    return answer_round(finish(request.auth, visit_id, body.reason))


@router.post("/visits/{visit_id}/rejudge", response={200: Round, **REFUSALS})
def judge_anew(request: Asking, visit_id: UUID, body: Body[Asked]) -> HttpResponse:
    """Judge an open visit by the company's house rules as they stand now; which ones it had before stays on record."""
    return answer_round(judge_by_current_rules(request.auth, visit_id, body.id))


def aware(at: datetime | None) -> datetime | None:
    """The client's time, refused where it has no offset from UTC."""
    if at is not None and at.tzinfo is None:
        raise Refused(422, "needs its offset from UTC, as in 2027-01-14T09:42:00Z", "at")
    return at
