"""Argon2 for passwords, few at a time: each takes 19 MB and a core for a moment, and strangers can ask for as many as they like."""

from collections.abc import Iterator
from contextlib import contextmanager
from threading import BoundedSemaphore

from django.contrib.auth.hashers import Argon2PasswordHasher

WAIT_S = 5.0
AT_ONCE = 4  # looked at, or waiting for it, so that most of a process's threads stay free for everybody else
_AT_WORK = BoundedSemaphore(1)
_WAITING = BoundedSemaphore(AT_ONCE)


class TooBusy(Exception):
    """More passwords are being looked at than this process takes on."""


@contextmanager
def room_to_hash() -> Iterator[None]:
    """One hash at a time, a few waiting. Raises TooBusy for the rest, at once."""
    if not _WAITING.acquire(blocking=False):
        raise TooBusy
    try:
        if not _AT_WORK.acquire(timeout=WAIT_S):
            raise TooBusy
        try:
            yield
        finally:
            _AT_WORK.release()
    finally:
        _WAITING.release()


class OneAtATime(Argon2PasswordHasher):
    """Argon2id, 19 MiB, two passes, one core, one hash at a time in a process. Raises TooBusy.

    Source: OWASP Password Storage Cheat Sheet, its figures for Argon2id, from memory. A sign-in by an older hash writes it anew.
    """

    memory_cost, time_cost, parallelism = 19 * 1024, 2, 1

    def encode(self, password: str, salt: str) -> str:
        """The hash to keep."""
        with room_to_hash():
            return super().encode(password, salt)

    def verify(self, password: str, encoded: str) -> bool:
        """Whether this is the password that was hashed."""
        with room_to_hash():
            return super().verify(password, encoded)
