"""Answers of dataclasses, written as the core writes them everywhere."""

import json
from typing import Any

from django.http import HttpResponse

from outer_test.plain_data import plain


def answer(value: Any) -> HttpResponse:
    """The value, of the dataclass the endpoint declares, as a JSON response."""
    return HttpResponse(json.dumps(plain(value), ensure_ascii=False), content_type="application/json")
