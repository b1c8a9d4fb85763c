"""The customer's page by a link: no sign-in, one finished visit, for a month, where a lead allows such links."""

import secrets
from datetime import datetime, timedelta

from django.db.models import QuerySet
from django.utils import timezone

from accounts.audit import note
from accounts.models import Company, Member
from accounts.tokens import hash_of
from outer_test.measurement import FieldProblem
from visits.models import CustomerLink, Visit

LASTS = timedelta(days=30)
MOST_OPEN = 10


class NoSuchLink(LookupError):
    """The link has ended, is too old, or was never one."""


def _good(links: QuerySet[CustomerLink], now: datetime) -> QuerySet[CustomerLink]:
    """Those that still show something. Nobody's link outlives their being deactivated, or the company's leave."""
    return links.filter(
        ended_at=None, expires_at__gt=now, made_by__is_active=True, company__customer_links=True, visit__finished_at__isnull=False
    ).select_related("made_by", "visit", "company")


def links_of(company: Company, visit: Visit) -> QuerySet[CustomerLink]:
    """A visit's open links, newest first."""
    return _good(CustomerLink.objects.of(company).filter(visit=visit), timezone.now()).order_by("-made_at")


def make_link(member: Member, visit: Visit) -> str:
    """A new link's token, shown once. Raises FieldProblem."""
    if not member.company.customer_links:
        raise FieldProblem("link", "A lead has to allow links for customers first, under Company.")
    if visit.finished_at is None:
        raise FieldProblem("link", "Finish the visit first: the customer reads what it came to.")
    if links_of(member.company, visit).count() >= MOST_OPEN:
        raise FieldProblem("link", "Too many open links to this visit. End some first.")
    token = secrets.token_urlsafe(32)
    CustomerLink.objects.of(member.company).create(
        company=member.company, token_hash=hash_of(token), visit=visit, made_by=member, expires_at=timezone.now() + LASTS
    )
    note(member, f"made a link for the customer to the visit of {timezone.localtime(visit.scheduled_for):%Y-%m-%d} to {visit.unit}")
    return token


def end_link(member: Member, visit: Visit, link: int) -> None:
    """End a link; ended twice it is ended once. Raises NoSuchLink."""
    if CustomerLink.objects.of(member.company).filter(visit=visit, pk=link).update(ended_at=timezone.now()) == 0:
        raise NoSuchLink
    note(member, f"ended a customer's link to {visit.unit}")


def link_of(token: str) -> CustomerLink:
    """The link a customer came by. Raises NoSuchLink."""
    link = _good(CustomerLink._base_manager.filter(token_hash=hash_of(token)), timezone.now()).first()
    if link is None:
        raise NoSuchLink
    return link
