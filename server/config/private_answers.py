"""What the API answers is for who asked: no cache on the way, or in a browser that somebody else uses next, keeps it."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse


class PrivateAnswers:
    """Middleware, for the API alone."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, not to be stored."""
        response = self.get_response(request)
        if request.path.startswith("/api/"):
            response["Cache-Control"] = "no-store"
            response.headers.setdefault("X-Content-Type-Options", "nosniff")
        return response
