"""The visit sheet to hand over: as a page, as PDF, and signed."""

from dataclasses import dataclass
from uuid import UUID

from django.http import HttpResponse
from ninja import Body, Router

from api.problems import Problem
from api.signed_in import Asking, writer_of
from api.visits import REFUSALS
from files.report import report_html, report_pdf
from ledger.writer import Made
from outer_test.ledger import Signature
from visits.load import find_visit, load_visit
from visits.remarks import write_one

router = Router(tags=["sheet"])


@dataclass(frozen=True, slots=True, kw_only=True)
class SignatureBody(Made):
    """A signature."""

    name: str
    strokes: list[list[tuple[float, float]]]


@dataclass(frozen=True, slots=True)
class Kept:
    """What was kept."""

    id: UUID


@router.get("/{visit_id}/report", response={200: str, 401: Problem, 404: Problem})
def report(request: Asking, visit_id: UUID) -> HttpResponse:
    """The sheet as a page: the customer's, and the technical one."""
    company = request.auth.company
    return HttpResponse(report_html(company, load_visit(company, find_visit(company, visit_id))))


@router.get("/{visit_id}/report.pdf", response={200: bytes, 401: Problem, 404: Problem})
def report_as_pdf(request: Asking, visit_id: UUID) -> HttpResponse:
    """The same page as PDF."""
    company = request.auth.company
    pdf = HttpResponse(report_pdf(company, load_visit(company, find_visit(company, visit_id))), content_type="application/pdf")
    pdf["Content-Disposition"] = f'inline; filename="visit-{visit_id}.pdf"'
    return pdf


@router.post("/{visit_id}/signature", response={200: Kept, **REFUSALS})
def keep_signature(request: Asking, visit_id: UUID, body: Body[SignatureBody]) -> Kept:
    """Keep a signature drawn on the screen."""
    strokes = tuple(tuple((round(x, 4), round(y, 4)) for x, y in stroke) for stroke in body.strokes)
    write_one(writer_of(request), visit_id, body, Signature(body.name.strip(), strokes))
    return Kept(body.id)
