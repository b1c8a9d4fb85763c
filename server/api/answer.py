"""Answers of dataclasses, written to JSON in one step by pydantic's own serializer."""

from functools import cache
from typing import Any

from django.http import HttpResponse
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


def answer_round(loaded: Loaded) -> HttpResponse:
    """A visit's round, for who just wrote on it."""
    return answer(Round, show_round(loaded))
