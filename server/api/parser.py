"""Reading request bodies: JSON that can be kept, or a clear 400."""

from typing import Any

from django.http import HttpRequest
from ninja.parser import Parser

from outer_test.plain_data import parse


class KeepableParser(Parser):
    """JSON by the core's own reader: no NaN, no NUL character, no half of a surrogate pair."""

    def parse_body(self, request: HttpRequest) -> Any:
        """The body as Python values. Raises ReadProblem (a ValueError), which the API answers with 400."""
        return parse(request.body)
