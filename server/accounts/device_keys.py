"""The key by which a device stays signed in: random, changed at each use, kept only as a hash, ended with its sign-in."""

import secrets
from datetime import datetime, timedelta
from typing import Any

from django.db import transaction

from accounts.models import SignIn
from accounts.tokens import hash_of

LASTS = timedelta(days=90)
# Two requests of one moment may both bring the key that the first of them changed.
OVERLAP = timedelta(seconds=60)


def give_key(row: SignIn, now: datetime) -> str:
    """A new key for the device of this sign-in; the one before stays good for a moment. The row is saved."""
    key = secrets.token_urlsafe(32)
    row.key_before, row.key_hash = row.key_hash, hash_of(key)
    row.key_changed_at, row.key_until = now, now + LASTS
    row.save(update_fields=["key_before", "key_hash", "key_changed_at", "key_until"])
    return key


@transaction.atomic
def sign_in_of(key: str, now: datetime) -> SignIn | None:
    """The sign-in whose device has this key; None where it was ended, is too old, or never was one."""
    return _with_key(key, now, ended_at=None, member__is_active=True)


@transaction.atomic
def shut_out_of(key: str, now: datetime) -> SignIn | None:
    """The sign-in that a lead ended, of the device that has this key; None where there is none."""
    return _with_key(key, now, shut_out=True, ended_at__isnull=False)


def _with_key(key: str, now: datetime, **which: Any) -> SignIn | None:
    # The key is the only thing known of who asks, so it is looked for in every company.
    rows = SignIn._base_manager.select_for_update(of=("self",)).select_related("member__company")
    rows = rows.filter(key_until__gt=now, **which)
    told = hash_of(key)
    found: SignIn | None = rows.filter(key_hash=told).first()
    if found is None:
        found = rows.filter(key_before=told, key_changed_at__gt=now - OVERLAP).first()
    return found
