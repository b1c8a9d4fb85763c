"""The front end's page: the same built file for every address the router knows; and what is said where there is no answer."""

import sys

from django.conf import settings
from django.db import InterfaceError, OperationalError
from django.http import FileResponse, HttpRequest, HttpResponse, HttpResponseBase
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

from api.problems import NO_ADDRESS, WENT_WRONG, of_database, refusal


@require_safe
@never_cache
@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponseBase:
    """Serve the built page, and set the CSRF cookie that the API's writes need."""
    built = settings.WEB_DIST / "index.html"
    if not built.is_file():
        return HttpResponse("The front end is not built. Run ./start, or npm run build in web/.", status=503, content_type="text/plain")
    return FileResponse(built.open("rb"), content_type="text/html; charset=utf-8")


def not_found(request: HttpRequest, exception: Exception) -> HttpResponse:
    """What no address answers: the API in its own shape, all else in a line."""
    if request.path.startswith("/api/"):
        return refusal(404, NO_ADDRESS)
    return HttpResponse(NO_ADDRESS, status=404, content_type="text/plain; charset=utf-8")


def failed(request: HttpRequest) -> HttpResponse:
    """What fails before a view is reached, such as a database that is away while it is asked who this is: as a view would say it."""
    problem = sys.exc_info()[1]
    status, message = 500, WENT_WRONG
    if isinstance(problem, (OperationalError, InterfaceError)):
        status, (_, message) = of_database(problem)
    if request.path.startswith("/api/"):
        return refusal(status, message)
    return HttpResponse(message, status=status, content_type="text/plain; charset=utf-8")
