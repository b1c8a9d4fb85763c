"""The day's list, and everything that is read from or written on one visit."""

from dataclasses import dataclass
from datetime import date
from uuid import UUID

from django.http import HttpResponse
from ninja import Body, Router

from api.answer import answer
from api.problems import Problem
from api.signed_in import Asking, device_of, writer_of
from ledger.writer import Made
from outer_test.visit import write_visit
from visits.load import find_visit, load_visit
from visits.rejudge import judge_by_current_rules
from visits.shapes import Today, VisitShown
from visits.show import show_visit
from visits.today import today

router = Router(tags=["visits"])
REFUSALS = {401: Problem, 403: Problem, 404: Problem, 409: Problem, 422: Problem, 503: Problem}


@dataclass(frozen=True, slots=True, kw_only=True)
class Asked(Made):
    """Something asked for that needs no more words."""


@dataclass(frozen=True, slots=True)
class Saved:
    """What was saved."""

    id: UUID


@router.get("/today", response={200: Today, 401: Problem, 422: Problem})
def days_list(request: Asking, day: date | None = None) -> HttpResponse:
    """A day's visits of the company, the asker's own first; today's where none is named."""
    return answer(today(request.auth, day))


@router.get("/visits/{visit_id}", response={200: VisitShown, 401: Problem, 404: Problem})
def one_visit(request: Asking, visit_id: UUID) -> HttpResponse:
    """A visit whole."""
    company = request.auth.company
    return answer(show_visit(company, load_visit(company, find_visit(company, visit_id)), request.auth.pk, device_of(request)))


@router.get("/visits/{visit_id}/file", response={200: dict, 401: Problem, 404: Problem})
def visit_file(request: Asking, visit_id: UUID) -> HttpResponse:
    """The visit as a visit file (docs/visit.schema.json)."""
    company = request.auth.company
    loaded = load_visit(company, find_visit(company, visit_id))
    file = HttpResponse(write_visit(loaded.visit), content_type="application/json")
    file["Content-Disposition"] = f'attachment; filename="visit-{visit_id}.json"'
    return file


@router.post("/visits/{visit_id}/rejudge", response={200: Saved, **REFUSALS})
def judge_anew(request: Asking, visit_id: UUID, body: Body[Asked]) -> Saved:
    """Judge an open visit by the company's house rules as they stand now; which ones it had before stays on record."""
    judge_by_current_rules(writer_of(request), visit_id, body)
    return Saved(body.id)
