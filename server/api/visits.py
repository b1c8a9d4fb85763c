"""The day's list, and everything that is read from or written on one visit."""

from dataclasses import dataclass
from typing import Literal
from uuid import UUID

from django.http import HttpResponse
from ninja import Body, Router

from api.answer import answer, answer_round
from api.problems import Problem
from api.signed_in import Asking, writer_of
from ledger.writer import Made
from outer_test.entry import LeftOver, Typed, TypedProblem, parse_line, parse_typed
from outer_test.measurement import FieldProblem
from outer_test.visit import POINTS, write_visit
from visits.ending import finish, reopen
from visits.lists import add_lifted, claim_power, end_lifted
from visits.load import find_visit, load_visit
from visits.readings import entry_of, write_entries
from visits.remarks import judge_by_current_rules, write_note
from visits.shapes import Round, Today, VisitShown
from visits.show import show_round, show_visit
from visits.today import today

router = Router(tags=["visits"])
REFUSALS = {401: Problem, 403: Problem, 404: Problem, 409: Problem, 422: Problem, 503: Problem}
MOST_ON_A_LINE = 2000


@dataclass(frozen=True, slots=True, kw_only=True)
class TypedReading(Made):
    """One reading as typed, or a thing seen."""

    point: str
    typed: str
    meter: str = ""
    by: Literal["", "inrush", "max-hold"] = ""
    fitted: Literal["", "none", "two-wire", "relay"] = ""
    turns: int = 1
    top: float | None = None
    supersedes: UUID | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class TypedLine(Made):
    """An entry line as typed."""

    text: str
    meter: str = ""
    station: str = ""


@dataclass(frozen=True, slots=True)
class LineKept:
    """What became of an entry line: the points kept, and what was not understood."""

    kept: tuple[str, ...]
    left_over: tuple[LeftOver, ...]
    rest: str
    round: Round


@dataclass(frozen=True, slots=True, kw_only=True)
class PowerSaid(Made):
    """What the power is said to be."""

    state: Literal["live", "dead-claimed"]


@dataclass(frozen=True, slots=True, kw_only=True)
class NewNote(Made):
    """A note on the visit."""

    text: str


@dataclass(frozen=True, slots=True, kw_only=True)
class LiftedWhat(Made):
    """Something lifted, pulled or jumpered."""

    what: str


@dataclass(frozen=True, slots=True, kw_only=True)
class LiftedHow(Made):
    """How a line ends; all but `back` need a reason."""

    how: Literal["back", "retired", "left"]
    why: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Why(Made):
    """Why a visit is finished with lines still open, empty where there are none; or why it is opened again."""

    reason: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Asked(Made):
    """Something asked for that needs no more words."""


@router.get("/today", response={200: Today, 401: Problem})
def days_list(request: Asking) -> HttpResponse:
    """Today's visits of the company, the asker's own first."""
    return answer(today(request.auth))


@router.get("/visits/{visit_id}", response={200: VisitShown, 401: Problem, 404: Problem})
def one_visit(request: Asking, visit_id: UUID) -> HttpResponse:
    """A visit whole."""
    company = request.auth.company
    return answer(show_visit(company, load_visit(company, find_visit(company, visit_id)), request.auth.pk))


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
    entry = entry_of(
        body.point, typed.value, meter=body.meter or None, by=body.by or None, fitted=body.fitted or None, turns=body.turns, top=body.top,
        supersedes=str(body.supersedes) if body.supersedes else None, unit_said=typed.unit_said,
    )  # fmt: skip
    return answer_round(write_entries(writer_of(request), visit_id, body, [entry]), request.auth.pk)


@router.post("/visits/{visit_id}/line", response={200: LineKept, **REFUSALS})
def keep_line(request: Asking, visit_id: UUID, body: Body[TypedLine]) -> HttpResponse:
    """Understand an entry line and keep what was understood; the rest is given back to stay in the line."""
    if len(body.text) > MOST_ON_A_LINE:
        raise FieldProblem("text", f"Use up to {MOST_ON_A_LINE} characters.")
    parsed = parse_line(body.text, body.station)
    entries = [
        entry_of(item.point, item.value, meter=body.meter or None, by=item.by or None, fitted=item.fitted or None, turns=item.turns)
        for item in parsed.items
    ]
    loaded = write_entries(writer_of(request), visit_id, body, entries)
    kept = tuple(item.point for item in parsed.items)
    return answer(LineKept(kept, parsed.left_over, parsed.rest, show_round(loaded, request.auth.pk)))


@router.post("/visits/{visit_id}/power", response={200: Round, **REFUSALS})
def say_power(request: Asking, visit_id: UUID, body: Body[PowerSaid]) -> HttpResponse:
    """Say that the unit is live, or claim it dead. Dead is only ever proved by readings."""
    return answer_round(claim_power(writer_of(request), visit_id, body, body.state), request.auth.pk)


@router.post("/visits/{visit_id}/notes", response={200: Round, **REFUSALS})
def note_on(request: Asking, visit_id: UUID, body: Body[NewNote]) -> HttpResponse:
    """Keep a note on the visit."""
    return answer_round(write_note(writer_of(request), visit_id, body, body.text), request.auth.pk)


@router.post("/visits/{visit_id}/lifted", response={200: Round, **REFUSALS})
def lift(request: Asking, visit_id: UUID, body: Body[LiftedWhat]) -> HttpResponse:
    """Add a line to the not-put-back list."""
    return answer_round(add_lifted(writer_of(request), visit_id, body, body.what), request.auth.pk)


@router.post("/visits/{visit_id}/lifted/{line_id}/end", response={200: Round, **REFUSALS})
def put_back(request: Asking, visit_id: UUID, line_id: UUID, body: Body[LiftedHow]) -> HttpResponse:
    """End a line of the not-put-back list."""
    return answer_round(end_lifted(writer_of(request), visit_id, body, line_id, body.how, body.why), request.auth.pk)


@router.post("/visits/{visit_id}/finish", response={200: Round, **REFUSALS})
def finish_visit(request: Asking, visit_id: UUID, body: Body[Why]) -> HttpResponse:
    """Finish the visit. With lines still open it needs a reason, which prints on the sheet."""
    return answer_round(finish(writer_of(request), visit_id, body, body.reason), request.auth.pk)


@router.post("/visits/{visit_id}/reopen", response={200: Round, **REFUSALS})
def reopen_visit(request: Asking, visit_id: UUID, body: Body[Why]) -> HttpResponse:
    """Open a finished visit again, for a reason; what arrived after its end counts from then on."""
    return answer_round(reopen(writer_of(request), visit_id, body, body.reason), request.auth.pk)


@router.post("/visits/{visit_id}/rejudge", response={200: Round, **REFUSALS})
def judge_anew(request: Asking, visit_id: UUID, body: Body[Asked]) -> HttpResponse:
    """Judge an open visit by the company's house rules as they stand now; which ones it had before stays on record."""
    return answer_round(judge_by_current_rules(writer_of(request), visit_id, body), request.auth.pk)
