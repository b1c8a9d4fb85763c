"""The people of a company: let in by a link, given a role, deactivated, given a new password."""

import re
import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any
from uuid import UUID

from django.contrib.auth.password_validation import validate_password
from django.contrib.sessions.models import Session
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.db.models import QuerySet
from django.utils import timezone

from accounts.audit import note
from accounts.models import Company, Invitation, Member, SignIn
from accounts.tokens import hash_of
from outer_test.measurement import FieldProblem

LASTS = timedelta(days=7)
NAME_TAKEN = "This name is taken. Choose another."
MOST_OPEN = 100
_NAME = re.compile(r"[\w.+-]{2,100}")
# A link is worth what its maker is: a lead who was deactivated, or is a lead no more, lets nobody in.
_BY_A_LEAD: dict[str, Any] = {"made_by__is_active": True, "made_by__role": Member.Role.LEAD}


class NoSuchInvitation(LookupError):
    """The link is spent, withdrawn, too old, or was never one."""


class NoSuchMember(LookupError):
    """This company has no such member."""


@dataclass(frozen=True, slots=True)
class NewMember:
    """Who comes in by a link, under a name of their own within the company; for a new password only the password counts."""

    username: str
    first_name: str
    last_name: str
    password: str


def members_of(company: Company) -> QuerySet[Member]:
    """The company's people, those who may sign in first."""
    return Member.objects.filter(company=company).order_by("-is_active", "username")


def open_links(company: Company, now: datetime) -> QuerySet[Invitation]:
    """The links that still let somebody in, newest first."""
    links = Invitation.objects.of(company).filter(used_at=None, withdrawn_at=None, expires_at__gt=now, **_BY_A_LEAD)
    return links.select_related("made_by", "reset_of").order_by("-made_at")


def invite(lead: Member, role: str) -> str:
    """A link's token for a new member of this role, shown once. Raises FieldProblem."""
    if role not in Member.Role.values:
        raise FieldProblem("role", f"Use one of: {', '.join(Member.Role.values)}.")
    return _make(lead, role, None)


def offer_reset(lead: Member, member_id: int) -> str:
    """A link's token by which a member sets a new password. Raises NoSuchMember."""
    member = member_of(lead.company, member_id)
    return _make(lead, member.role, member)


def _make(lead: Member, role: str, reset_of: Member | None) -> str:
    if open_links(lead.company, timezone.now()).count() >= MOST_OPEN:
        raise FieldProblem("role", "Too many open links. Withdraw some first.")
    token = secrets.token_urlsafe(32)
    Invitation.objects.of(lead.company).create(
        company=lead.company, token_hash=hash_of(token), role=role, reset_of=reset_of, made_by=lead, expires_at=timezone.now() + LASTS
    )
    note(lead, f"made a link for {'a new password of ' + reset_of.shown_name if reset_of else 'a new ' + role}")
    return token


def invitation(token: str) -> Invitation:
    """The open invitation behind a link. Raises NoSuchInvitation. The token is the only thing known of who asks, so it is
    looked for in every company."""
    found: Invitation | None = (
        Invitation._base_manager.filter(
            token_hash=hash_of(token), used_at=None, withdrawn_at=None, expires_at__gt=timezone.now(), **_BY_A_LEAD
        )
        .select_related("company", "reset_of")
        .first()
    )
    if found is None or (found.reset_of is not None and not found.reset_of.is_active):
        raise NoSuchInvitation
    return found


@transaction.atomic
def accept(token: str, new: NewMember) -> Member:
    """Come in by a link, or set a new password by it; either way it is spent. Raises NoSuchInvitation, FieldProblem."""
    found = invitation(token)
    Invitation._base_manager.select_for_update().get(pk=found.pk)
    found = invitation(token)
    member = found.reset_of or _fresh(found, new)
    try:
        validate_password(new.password, member)
    except ValidationError as problem:
        raise FieldProblem("password", " ".join(problem.messages)) from None
    member.set_password(new.password)
    try:
        with transaction.atomic():
            member.save()
    except IntegrityError:  # somebody came in by this name in the same moment
        raise FieldProblem("username", NAME_TAKEN) from None
    if found.reset_of is not None:
        end_all_sessions(member)
    found.used_at = timezone.now()
    found.save(update_fields=["used_at"])
    note(member, "set a new password" if found.reset_of is not None else f"came in as {found.role}")
    return member


def _fresh(found: Invitation, new: NewMember) -> Member:
    typed = new.username.strip()
    if not _NAME.fullmatch(typed):
        raise FieldProblem("username", "Use 2 to 100 letters, digits and . + - _ only.")
    username = f"{typed}@{found.company.handle}"
    if Member.objects.filter(username__iexact=username).exists():
        raise FieldProblem("username", NAME_TAKEN)
    for name, text in (("first_name", new.first_name), ("last_name", new.last_name)):
        if len(text.strip()) > 150:
            raise FieldProblem(name, "Use up to 150 characters.")
    return Member(
        username=username, first_name=new.first_name.strip(), last_name=new.last_name.strip(), company=found.company, role=found.role
    )  # fmt: skip


def withdraw(lead: Member, invitation_id: int) -> None:
    """Make a link worthless. Raises NoSuchInvitation."""
    changed = Invitation.objects.of(lead.company).filter(pk=invitation_id, used_at=None).update(withdrawn_at=timezone.now())
    if not changed:
        raise NoSuchInvitation
    note(lead, "withdrew a link")


def member_of(company: Company, member_id: int) -> Member:
    """The company's member. Raises NoSuchMember."""
    member: Member | None = Member.objects.filter(company=company, pk=member_id).first()
    if member is None:
        raise NoSuchMember
    return member


@transaction.atomic
def change(lead: Member, member_id: int, role: str, active: bool) -> Member:
    """Give a member a role, deactivate or reactivate them. Somebody always stays lead. Raises NoSuchMember, FieldProblem."""
    if role not in Member.Role.values:
        raise FieldProblem("role", f"Use one of: {', '.join(Member.Role.values)}.")
    leads = Member.objects.select_for_update().filter(company=lead.company, role=Member.Role.LEAD, is_active=True)
    others = [lead for lead in leads if lead.pk != member_id]
    member = member_of(lead.company, member_id)
    if not others and (role != Member.Role.LEAD or not active):
        raise FieldProblem("role", "Somebody has to stay lead. Make another lead first.")
    said = [] if member.role == role else [f"made {member.shown_name} a {role}"]
    said += [] if member.is_active == active else [f"{'reactivated' if active else 'deactivated'} {member.shown_name}"]
    member.role, member.is_active = role, active
    member.save(update_fields=["role", "is_active"])
    if not active:
        end_all_sessions(member, shut_out=True)
    for one in said:
        note(lead, one)
    return member


def record_sign_in(member: Member, session_key: str, device: UUID, address: str, agent: str) -> SignIn:
    """Write a sign-in down with its session, so that it can be ended from elsewhere."""
    row: SignIn = SignIn.objects.of(member.company).create(
        company=member.company, member=member, address=address[:45], agent=agent[:200], session_key=session_key, device=device
    )
    return row


def record_sign_out(member: Member, session_key: str | None) -> None:
    """Write down that a session ended by signing out."""
    SignIn.objects.of(member.company).filter(session_key=session_key, ended_at=None).update(ended_at=timezone.now())


def sign_ins(company: Company, member: Member | None, since: datetime) -> list[SignIn]:
    """Sign-ins of the company, newest first; of one member where given."""
    rows = SignIn.objects.of(company).filter(at__gte=since).select_related("member").order_by("-at")
    return list((rows.filter(member=member) if member is not None else rows)[:200])


def end_session(asker: Member, sign_in_id: int) -> None:
    """End a session from elsewhere: one's own, or as lead anybody's of the company. Raises NoSuchMember."""
    found = SignIn.objects.of(asker.company).filter(pk=sign_in_id).select_related("member").first()
    if found is None or (found.member_id != asker.pk and asker.role != Member.Role.LEAD):
        raise NoSuchMember
    Session.objects.filter(session_key=found.session_key).delete()
    by_a_lead = found.member_id != asker.pk
    SignIn.objects.of(asker.company).filter(pk=found.pk, ended_at=None).update(ended_at=timezone.now(), shut_out=by_a_lead)
    if by_a_lead:
        note(asker, f"ended a session of {found.member.shown_name}")


@transaction.atomic
def set_own_password(member: Member, new: str, session_key: str) -> None:
    """Set a member's own password anew; their sign-ins elsewhere end. Raises FieldProblem (`new`)."""
    try:
        validate_password(new, member)
    except ValidationError as problem:
        raise FieldProblem("new", " ".join(problem.messages)) from None
    member.set_password(new)
    member.save(update_fields=["password"])
    end_all_sessions(member, but=session_key)
    note(member, "changed their password")


def session_changed(member: Member, before: str, now: str) -> None:
    """A sign-in goes on under another session key, as it does after a new password."""
    SignIn.objects.of(member.company).filter(session_key=before, ended_at=None).update(session_key=now)


def end_all_sessions(member: Member, but: str = "", shut_out: bool = False) -> None:
    """End every session of a member, except one where it is named. shut_out: by a lead, whose yes what waits there needs then."""
    rows = SignIn.objects.of(member.company).filter(member=member, ended_at=None).exclude(session_key=but)
    Session.objects.filter(session_key__in=list(rows.values_list("session_key", flat=True))).delete()
    rows.update(ended_at=timezone.now(), shut_out=shut_out)
