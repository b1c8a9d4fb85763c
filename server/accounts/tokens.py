"""Secrets of which only a hash is kept: a link's token, a device's key."""

import hashlib


def hash_of(token: str) -> str:
    """What is kept of a secret in its place.

    >>> len(hash_of("a link's token"))
    64
    """
    return hashlib.sha256(token.encode()).hexdigest()
