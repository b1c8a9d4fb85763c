"""Days and clocks go by the zone of the company that asks."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse
from django.utils import timezone

from accounts.models import Member
from accounts.time_zone import zone_of


class CompanyTime:
    """Middleware: while a member's request is answered, local time is their company's."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, made in the company's zone."""
        if not isinstance(request.user, Member):
            return self.get_response(request)
        with timezone.override(zone_of(request.user.company)):
            return self.get_response(request)
