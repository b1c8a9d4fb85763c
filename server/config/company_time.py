"""Days and clocks go by the zone of the company that asks: the API sets it as it knows who asks, and here it ends."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse
from django.utils import timezone


class CompanyTime:
    """Middleware: no request inherits the zone of the one before it."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer; local time is the server's again afterwards."""
        try:
            return self.get_response(request)
        finally:
            timezone.deactivate()
