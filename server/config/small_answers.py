"""The API's answers go out compressed: a round is said in a fifth of its letters, where the signal is weak."""

from django.http import HttpRequest
from django.http.response import HttpResponseBase
from django.middleware.gzip import GZipMiddleware


class SmallAnswers(GZipMiddleware):
    """Django's own compression, for JSON alone: photos and zips are small already, and the front end is compressed as it is built."""

    def process_response(self, request: HttpRequest, response: HttpResponseBase) -> HttpResponseBase:
        """The answer, compressed where it is JSON and the asker takes it so."""
        if not response.headers.get("Content-Type", "").startswith("application/json"):
            return response
        return super().process_response(request, response)
