"""The visit sheet to hand over: as a page (its PDF is made by the worker: files.made)."""

from uuid import UUID

from django.http import HttpResponse
from ninja import Router

from api.documented import a_file
from api.problems import Problem
from api.signed_in import Asking
from files.report import report_html
from visits.load import find_visit, load_visit

router = Router(tags=["sheet"])


@router.get("/{visit_id}/report", response={200: str, 401: Problem, 404: Problem}, openapi_extra=a_file("text/html"))
def report(request: Asking, visit_id: UUID) -> HttpResponse:
    """The sheet as a page: the customer's, and the technical one."""
    company = request.auth.company
    return HttpResponse(report_html(company, load_visit(company, find_visit(company, visit_id))))
