"""The customer's page, for whoever has a link to it: no sign-in, no script, nothing of the company but this one visit."""

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from django.views.decorators.http import require_safe

from accounts.time_zone import zone_of
from files.customer_link import NoSuchLink, link_of
from files.report import customer_html
from visits.load import load_visit

GONE = "This page is not shown any more. Ask whoever sent it for a new link."


@require_safe
def shared_page(request: HttpRequest, token: str) -> HttpResponse:
    """The page, kept by nobody on the way and found by no search."""
    try:
        link = link_of(token)
    except NoSuchLink:
        response = HttpResponse(GONE, status=404, content_type="text/plain; charset=utf-8")
    else:
        with timezone.override(zone_of(link.company)):
            response = HttpResponse(customer_html(link.company, load_visit(link.company, link.visit), link.expires_at))
    response["Cache-Control"] = "no-store"
    response["X-Robots-Tag"] = "noindex, nofollow"
    response["Referrer-Policy"] = "no-referrer"
    return response
