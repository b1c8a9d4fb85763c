"""The fleet: who is to be watched, and finding a unit or a visit in a blink."""

from typing import Annotated

from django.http import HttpResponse
from django.utils import timezone
from ninja import Query, Router

from api.answer import answer
from api.problems import Problem
from api.signed_in import Asking
from outer_test.measurement import FieldProblem
from outer_test.visit import POINTS
from record.experience import ByComplaint, experience
from record.find import Found, find
from record.watch import WatchList, watch_list

router = Router(tags=["fleet"])
MOST_PAGES = 1000


@router.get("/watch", response={200: WatchList, 401: Problem, 422: Problem})
def watch(request: Asking, point: str = "", page: int = 0) -> HttpResponse:
    """Units ranked by what is wrong now and what fails first; and what a van should carry until the end of next month."""
    if point and point not in POINTS:
        raise FieldProblem("point", "There is no such reading.")
    if not 0 <= page <= MOST_PAGES:
        raise FieldProblem("page", f"Use a page from 0 to {MOST_PAGES}.")
    return answer(watch_list(request.auth, timezone.localdate(), point, page))


@router.get("/find", response={200: Found, 401: Problem})
def find_by_words(request: Asking, q: Annotated[str, Query(max_length=200)] = "") -> HttpResponse:
    """Units and visits that a few words fit; a misspelt word is found by likeness."""
    return answer(find(request.auth.company, q))


@router.get("/experience", response={200: list[ByComplaint], 401: Problem})
def what_was_wrong(request: Asking) -> list[ByComplaint]:
    """What was wrong by complaint, from finished visits whose repair proved it."""
    return list(experience(request.auth.company))
