"""How often a password may be tried: counted before it is looked at, in the database, so that a burst is counted too."""

import ipaddress
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime, timedelta

from django.db import transaction
from django.utils import timezone

from accounts.models import Attempts, Member, SignIn
from accounts.tokens import hash_of

WINDOW = timedelta(minutes=15)
# One name from one address; one address under any name; one name from addresses it never signed in from.
BY_PAIR, BY_ADDRESS, BY_STRANGERS = 5, 30, 50


class TooManyAttempts(Exception):
    """This password may not be tried any more for now."""


@dataclass(slots=True)
class Attempt:
    """A password about to be looked at. `held` is set by whoever looked where it was right."""

    held: bool = False


@contextmanager
def attempt(username: str, address: str) -> Iterator[Attempt]:
    """Count an attempt, let the password be looked at, and take the count back where it was right. Raises TooManyAttempts.

    A name is never locked for an address it has signed in from by what others try from elsewhere.
    """
    name, place = username.casefold(), _network(address)
    limits = {f"pair {name} {place}": BY_PAIR, f"address {place}": BY_ADDRESS}
    if not _has_used(name, address):
        limits[f"strangers {name}"] = BY_STRANGERS
    keys = {hash_of(what): most for what, most in limits.items()}
    _count(keys)
    tried = Attempt()
    try:
        yield tried
    except Exception:  # it was not looked at: too busy, or the database away
        _take_back(list(keys))
        raise
    if tried.held:
        _take_back(list(keys))


@transaction.atomic
def _count(keys: dict[str, int]) -> None:
    now = timezone.now()
    over = False
    for key, most in sorted(keys.items()):  # in one order, so that two attempts never wait for each other
        row = _row(key, now)
        over = over or row.count >= most
        row.count += 1
        row.save(update_fields=["count", "until"])
    if over:
        transaction.set_rollback(True)  # what is refused does not prolong the wait
        raise TooManyAttempts


def _row(key: str, now: datetime) -> Attempts:
    row, made = Attempts.objects.select_for_update().get_or_create(key=key, defaults={"until": now + WINDOW})
    if made:
        Attempts.objects.filter(until__lt=now).delete()
    elif row.until < now:
        row.count, row.until = 0, now + WINDOW
    return row


@transaction.atomic
def _take_back(keys: list[str]) -> None:
    for row in Attempts.objects.select_for_update().filter(key__in=keys).order_by("key"):
        row.count = max(row.count - 1, 0)
        row.save(update_fields=["count"])


def _has_used(name: str, address: str) -> bool:
    member = Member.objects.filter(username__iexact=name).select_related("company").first()
    return member is not None and SignIn.objects.of(member.company).filter(member=member, address=address).exists()


def _network(address: str) -> str:
    """The address, or the /64 network of an IPv6 address: whoever has one address of it has them all.

    >>> _network("2001:db8::1"), _network("192.0.2.7")
    ('2001:db8::/64', '192.0.2.7')
    """
    try:
        found = ipaddress.ip_address(address)
    except ValueError:
        return address
    return str(ipaddress.ip_network(f"{address}/64", strict=False)) if found.version == 6 else address
