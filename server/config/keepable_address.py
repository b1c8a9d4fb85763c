"""An address names something on record: one with a NUL character in it can name nothing."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse

from api.problems import NO_ADDRESS, refusal


class KeepableAddress:
    """Middleware: no view is asked for what no database can hold."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, or 404 where the address holds a NUL character."""
        if "\x00" in request.path or "%00" in request.META.get("QUERY_STRING", ""):
            return refusal(404, NO_ADDRESS)
        return self.get_response(request)
