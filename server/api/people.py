"""The people of a company: who they are, how they come in, their sign-ins, and the record of changes."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from django.http import HttpRequest
from django.utils import timezone
from ninja import Body, Router

from accounts.audit import latest_changes
from accounts.browsers import browser_in_words
from accounts.models import Invitation, Member
from accounts.people import (
    NewMember,
    accept,
    change,
    end_session,
    invitation,
    invite,
    members_of,
    offer_reset,
    open_links,
    sign_ins,
    withdraw,
)
from api.company import need_lead
from api.problems import Problem
from api.session import Session, begin_session, shown_session
from api.signed_in import Asking, need_csrf

router = Router(tags=["people"])
coming_in = Router(tags=["people"])
REFUSALS = {401: Problem, 403: Problem, 404: Problem, 422: Problem}
LISTED = timedelta(days=90)


@dataclass(frozen=True, slots=True)
class PersonShown:
    """A member of the company."""

    id: int
    name: str
    username: str
    role: str
    active: bool
    last_in: datetime | None
    me: bool


@dataclass(frozen=True, slots=True)
class LinkShown:
    """An open link, without its secret."""

    id: int
    what: str
    made_by: str
    expires_at: datetime


@dataclass(frozen=True, slots=True)
class SignInShown:
    """A sign-in; `browser` names it as people do, `here` is the asker's own session, `open` one that has not ended."""

    id: int
    name: str
    at: datetime
    address: str
    browser: str
    open: bool
    here: bool


@dataclass(frozen=True, slots=True)
class ChangeShown:
    """A line of the record of changes."""

    at: datetime
    by_whom: str
    what: str


@dataclass(frozen=True, slots=True)
class PeopleShown:
    """The people, and for leads the open links, all sign-ins and the record of changes; technicians see their own sign-ins."""

    people: tuple[PersonShown, ...]
    links: tuple[LinkShown, ...]
    sign_ins: tuple[SignInShown, ...]
    changes: tuple[ChangeShown, ...]
    may_change: bool


@dataclass(frozen=True, slots=True)
class Role:
    """A role to invite somebody to."""

    role: str


@dataclass(frozen=True, slots=True)
class PersonChange:
    """What a member is from now on."""

    role: str
    active: bool


@dataclass(frozen=True, slots=True)
class InviteLink:
    """A link's secret end, shown once."""

    token: str


@dataclass(frozen=True, slots=True)
class ComingIn:
    """Who comes in by a link."""

    token: str
    password: str
    username: str = ""
    first_name: str = ""
    last_name: str = ""


@dataclass(frozen=True, slots=True)
class LinkSays:
    """What a link is for; `handle` is what stands behind the @ of a sign-in name."""

    company: str
    handle: str
    role: str
    reset_of: str


def _people(request: Asking) -> PeopleShown:
    me, company = request.auth, request.auth.company
    lead = me.role == Member.Role.LEAD
    return PeopleShown(
        tuple(
            PersonShown(one.pk, one.shown_name, one.username, one.role, one.is_active, one.last_login, one.pk == me.pk)
            for one in members_of(company)
        ),
        tuple(_link(link) for link in open_links(company, timezone.now())) if lead else (),
        tuple(
            SignInShown(
                one.pk,
                one.member.shown_name,
                one.at,
                one.address,
                browser_in_words(one.agent),
                one.ended_at is None,
                one.session_key == request.session.session_key,
            )
            for one in sign_ins(company, None if lead else me, timezone.now() - LISTED)
        ),
        tuple(ChangeShown(one.at, one.by_whom, one.what) for one in (latest_changes(company) if lead else ())),
        lead,
    )


def _link(one: Invitation) -> LinkShown:
    what = f"new password for {one.reset_of.shown_name}" if one.reset_of is not None else f"new {one.role}"
    return LinkShown(one.pk, what, one.made_by.shown_name, one.expires_at)


@router.get("", response={200: PeopleShown, 401: Problem})
def people(request: Asking) -> PeopleShown:
    """The company's people."""
    return _people(request)


@router.post("/links", response={200: InviteLink, **REFUSALS})
def new_link(request: Asking, body: Body[Role]) -> InviteLink:
    """A link that lets a new member in once, within a week. Leads only; its end is shown this once."""
    need_lead(request)
    return InviteLink(invite(request.auth, body.role))


@router.delete("/links/{link_id}", response={200: PeopleShown, **REFUSALS})
def no_link(request: Asking, link_id: int) -> PeopleShown:
    """Withdraw a link."""
    need_lead(request)
    withdraw(request.auth, link_id)
    return _people(request)


@router.put("/{member_id}", response={200: PeopleShown, **REFUSALS})
def change_person(request: Asking, member_id: int, body: Body[PersonChange]) -> PeopleShown:
    """Give a member a role, deactivate or reactivate them. Leads only."""
    need_lead(request)
    change(request.auth, member_id, body.role, body.active)
    return _people(request)


@router.post("/{member_id}/reset", response={200: InviteLink, **REFUSALS})
def new_password_link(request: Asking, member_id: int) -> InviteLink:
    """A link by which a member sets a new password. Leads only; its end is shown this once."""
    need_lead(request)
    return InviteLink(offer_reset(request.auth, member_id))


@router.delete("/sign-ins/{sign_in_id}", response={200: PeopleShown, **REFUSALS})
def end_elsewhere(request: Asking, sign_in_id: int) -> PeopleShown:
    """End a session from elsewhere: one's own, or as lead anybody's of the company."""
    end_session(request.auth, sign_in_id)
    return _people(request)


@coming_in.get("", auth=None, response={200: LinkSays, 404: Problem})
def what_link(request: HttpRequest, token: str) -> LinkSays:
    """What a link is for. Open to whoever has it."""
    found = invitation(token[:200])
    return LinkSays(found.company.name, found.company.handle, found.role, "" if found.reset_of is None else found.reset_of.shown_name)


@coming_in.post("", auth=None, response={200: Session, 403: Problem, 404: Problem, 422: Problem})
def come_in(request: HttpRequest, body: Body[ComingIn]) -> Session:
    """Come in by a link, or set a new password by it, and be signed in."""
    need_csrf(request)
    member = accept(body.token[:200], NewMember(body.username, body.first_name, body.last_name, body.password[:1000]))
    begin_session(request, member)
    return shown_session(member)
