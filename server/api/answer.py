"""Answers of dataclasses, written as the core writes them everywhere."""

import json
from typing import Any

from django.http import HttpResponse

from outer_test.plain_data import plain
from visits.load import Loaded
from visits.show import show_round


def answer(value: Any) -> HttpResponse:
    """The value, of the dataclass the endpoint declares, as a JSON response."""
    return HttpResponse(json.dumps(plain(value), ensure_ascii=False), content_type="application/json")


def answer_round(loaded: Loaded, asker: int | None = None) -> HttpResponse:
    """A visit's round, for who just wrote on it; asker: their key."""
    return answer(show_round(loaded, asker))
