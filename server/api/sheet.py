"""The visit sheet to hand over: as a page, as PDF, and signed."""

from uuid import UUID

from django.http import HttpResponse
from ninja import Router

from api.documented import a_file
from api.problems import Problem
from api.signed_in import Asking
from files.report import report_html, report_pdf
from visits.load import find_visit, load_visit

router = Router(tags=["sheet"])


@router.get("/{visit_id}/report", response={200: str, 401: Problem, 404: Problem}, openapi_extra=a_file("text/html"))
def report(request: Asking, visit_id: UUID) -> HttpResponse:
    """The sheet as a page: the customer's, and the technical one."""
    company = request.auth.company
    return HttpResponse(report_html(company, load_visit(company, find_visit(company, visit_id))))


@router.get("/{visit_id}/report.pdf", response={200: bytes, 401: Problem, 404: Problem}, openapi_extra=a_file("application/pdf"))
def report_as_pdf(request: Asking, visit_id: UUID) -> HttpResponse:
    """The same page as PDF."""
    company = request.auth.company
    pdf = HttpResponse(report_pdf(company, load_visit(company, find_visit(company, visit_id))), content_type="application/pdf")
    pdf["Content-Disposition"] = f'inline; filename="visit-{visit_id}.pdf"'
    return pdf
