"""Answers of dataclasses, written to JSON in one step by pydantic's own serializer."""

from functools import cache
from typing import Any

from django.http import HttpRequest, HttpResponse
from pydantic import TypeAdapter

from visits.load import Loaded
from visits.shapes import Round
from visits.show import show_round


@cache
def _adapter(shape: Any) -> TypeAdapter[Any]:
    return TypeAdapter(shape)


def answer(shape: type, value: Any) -> HttpResponse:
    """The value as a JSON response. `shape` is the dataclass the endpoint declares."""
    return HttpResponse(_adapter(shape).dump_json(value), content_type="application/json")


def round_for(request: HttpRequest, loaded: Loaded) -> Round:
    """A visit's round, without its steps where the asker has them: the header `Known-Plan` names the plan they are of."""
    return show_round(loaded, known_plan=request.headers.get("Known-Plan", ""))


def answer_round(request: HttpRequest, loaded: Loaded) -> HttpResponse:
    """A visit's round, for who just wrote on it; see `round_for`."""
    return answer(Round, round_for(request, loaded))
