"""Reading request bodies: JSON that can be kept, or a clear 400."""

import json
from typing import Any

from django.http import HttpRequest
from ninja.parser import Parser


class KeepableParser(Parser):
    """JSON whose every text PostgreSQL can hold: no NUL character, no half of a surrogate pair."""

    def parse_body(self, request: HttpRequest) -> Any:
        """The body as Python values. Raises ValueError, which the API answers with 400."""
        body = json.loads(request.body)
        text = json.dumps(body, ensure_ascii=False, allow_nan=False)
        text.encode()  # half a surrogate pair cannot be encoded
        if "\\u0000" in text:
            raise ValueError("NUL characters cannot be kept")
        return body
