"""Every request has an id, by which its answer and its log lines are found; each that failed is logged with its reason; all are counted."""

import logging
import time
from collections.abc import Callable
from uuid import UUID, uuid4

from django.conf import settings
from django.http import HttpRequest, HttpResponse

from accounts.models import Member
from config.logs import Asked, asked
from config.metrics import count_request

logger = logging.getLogger("outer_test.requests")
HEADER = "X-Request-ID"


class Watched:
    """Middleware, the outermost of ours."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, with the request's id."""
        of = Asked(str(uuid4()))
        token, begun = asked.set(of), time.monotonic()
        try:
            response = self.get_response(request)
            took = time.monotonic() - begun
            user = getattr(request, "user", None)
            of.member = user.pk if isinstance(user, Member) else None
            match = request.resolver_match
            of.visit = _visit(match.kwargs.get("visit_id")) if match is not None else ""
            route = match.route if match is not None else "none"
            if response.status_code >= 500:
                about = {"status": response.status_code, "route": route, "method": request.method, "ms": round(took * 1000)}
                reason = getattr(request, "failed_because", "")
                logger.error("answered with a failure", extra={"about": about | ({"reason": reason} if reason else {})})
            if settings.METRICS_TOKEN:
                count_request(str(request.method), route, response.status_code, took)
            response[HEADER] = of.request
            return response
        finally:
            asked.reset(token)


def _visit(said: object) -> str:
    """The visit's id, where what stands in the address is one: anything else is a stranger's words."""
    try:
        return str(UUID(str(said)))
    except ValueError:
        return ""
