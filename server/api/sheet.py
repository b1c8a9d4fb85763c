"""The visit sheet to hand over: as a page, and by a link for the customer. (Its PDF is made by the worker: files.made.)"""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from django.http import HttpResponse
from ninja import Router

from accounts.models import Company
from api.documented import a_file
from api.problems import Problem
from api.signed_in import Asking
from api.visits import REFUSALS
from files.customer_link import end_link, links_of, make_link
from files.report import report_html
from visits.load import find_visit, load_visit
from visits.models import Visit

router = Router(tags=["sheet"])


@dataclass(frozen=True, slots=True)
class CustomerLinkShown:
    """A link that shows the customer their page. Its address was shown once, to whoever made it."""

    id: int
    by_whom: str
    made_at: datetime
    expires_at: datetime


@dataclass(frozen=True, slots=True)
class CustomerLinks:
    """A visit's open links; whether a lead allows any; and the address of the one just made, else empty."""

    allowed: bool
    links: tuple[CustomerLinkShown, ...]
    address: str


@router.get("/{visit_id}/report", response={200: str, 401: Problem, 404: Problem}, openapi_extra=a_file("text/html"))
def report(request: Asking, visit_id: UUID) -> HttpResponse:
    """The sheet as a page: the customer's, and the technical one."""
    company = request.auth.company
    return HttpResponse(report_html(company, load_visit(company, find_visit(company, visit_id))))


def _links(company: Company, visit: Visit, address: str = "") -> CustomerLinks:
    rows = links_of(company, visit)
    links = tuple(CustomerLinkShown(row.pk, row.made_by.shown_name, row.made_at, row.expires_at) for row in rows)
    return CustomerLinks(company.customer_links, links, address)


@router.get("/{visit_id}/links", response={200: CustomerLinks, 401: Problem, 404: Problem})
def links(request: Asking, visit_id: UUID) -> CustomerLinks:
    """The visit's open links for the customer."""
    company = request.auth.company
    return _links(company, find_visit(company, visit_id))


@router.post("/{visit_id}/links", response={200: CustomerLinks, **REFUSALS})
def new_link(request: Asking, visit_id: UUID) -> CustomerLinks:
    """Make a link to the customer's page of a finished visit."""
    visit = find_visit(request.auth.company, visit_id)
    token = make_link(request.auth, visit)
    return _links(request.auth.company, visit, request.build_absolute_uri(f"/shared/{token}"))


@router.post("/{visit_id}/links/{link_id}/end", response={200: CustomerLinks, **REFUSALS})
def stop_link(request: Asking, visit_id: UUID, link_id: int) -> CustomerLinks:
    """End a link; whoever has it sees nothing any more."""
    visit = find_visit(request.auth.company, visit_id)
    end_link(request.auth, visit, link_id)
    return _links(request.auth.company, visit)
