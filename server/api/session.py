"""Signing in and out."""

from dataclasses import dataclass

from django.conf import settings
from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.http import HttpRequest
from django.middleware.csrf import get_token
from django.utils import timezone
from ninja import Body, Router

from accounts.attempts import attempt
from accounts.demo_people import DEMO_PASSWORD, DEMO_USERNAME
from accounts.device_keys import give_key
from accounts.models import Member
from accounts.people import record_sign_in, record_sign_out, session_changed, set_own_password
from api.problems import Problem, Refused
from api.signed_in import DEVICE, Asking, device_of, need_csrf

router = Router(tags=["session"])


@dataclass(frozen=True, slots=True)
class SignIn:
    """A name and its password."""

    username: str
    password: str


@dataclass(frozen=True, slots=True)
class NewPassword:
    """The password that was, and the one that is to be."""

    old: str
    new: str


@dataclass(frozen=True, slots=True)
class MemberShown:
    """Who is signed in."""

    name: str
    username: str
    role: str
    company: str


@dataclass(frozen=True, slots=True)
class Session:
    """Who is signed in, if anybody; and the demo sign-in, where this server offers one."""

    member: MemberShown | None
    demo: SignIn | None


def shown_session(member: Member | None) -> Session:
    """Who is signed in, as the API says it."""
    demo = SignIn(DEMO_USERNAME, DEMO_PASSWORD) if settings.DEMO else None
    if member is None:
        return Session(None, demo)
    return Session(MemberShown(member.shown_name, member.username, member.role, member.company.name), demo)


def begin_session(request: HttpRequest, member: Member) -> None:
    """Sign this member in, as another device than whoever was signed in before, and write it down."""
    request.session.pop(DEVICE, None)
    login(request, member, backend="accounts.backend.MemberBackend")
    address, agent = request.META.get("REMOTE_ADDR", ""), request.META.get("HTTP_USER_AGENT", "")
    row = record_sign_in(member, request.session.session_key or "", device_of(request), str(address), str(agent))
    request.device_key = give_key(row, timezone.now())  # type: ignore[attr-defined]


@router.get("", auth=None, response=Session)
def who(request: HttpRequest) -> Session:
    """Who is signed in. Open to everybody; gives the CSRF cookie that signing in needs."""
    get_token(request)
    return shown_session(request.user if isinstance(request.user, Member) else None)


@router.post("", auth=None, response={200: Session, 401: Problem, 403: Problem, 422: Problem, 429: Problem, 503: Problem})
def sign_in(request: HttpRequest, body: Body[SignIn]) -> Session:
    """Sign in. Five wrong passwords for a name from one address lock it there for a quarter of an hour."""
    need_csrf(request)
    if len(body.username) > 150 or len(body.password) > 1000:
        raise Refused(422, "Too long.", "username" if len(body.username) > 150 else "password")
    with attempt(body.username, str(request.META.get("REMOTE_ADDR", ""))) as tried:
        member = authenticate(request, username=body.username, password=body.password)
        tried.held = isinstance(member, Member)
    if not isinstance(member, Member):
        raise Refused(401, "This name and password do not match.", "password")
    begin_session(request, member)
    return shown_session(member)


@router.post("/password", response={200: Session, 401: Problem, 403: Problem, 422: Problem, 429: Problem, 503: Problem})
def change_password(request: Asking, body: Body[NewPassword]) -> Session:
    """Change one's own password. Wrong guesses of the old one lock the name, as they do at the sign-in."""
    member = request.auth
    if len(body.old) > 1000 or len(body.new) > 1000:
        raise Refused(422, "Too long.", "old" if len(body.old) > 1000 else "new")
    with attempt(member.username, str(request.META.get("REMOTE_ADDR", ""))) as tried:
        tried.held = authenticate(request, username=member.username, password=body.old) is not None
    if not tried.held:
        raise Refused(422, "This is not your password.", "old")
    before = request.session.session_key or ""
    set_own_password(member, body.new, before)
    update_session_auth_hash(request, member)
    session_changed(member, before, request.session.session_key or "")
    return shown_session(member)


@router.delete("", response=Session)
def sign_out(request: Asking) -> Session:
    """Sign out."""
    record_sign_out(request.auth, request.session.session_key)
    logout(request)
    request.device_key = ""  # type: ignore[attr-defined]
    return shown_session(None)
