"""What stands in one dataclass and not in another, in words: for somebody whose change was overtaken."""

from dataclasses import fields
from enum import Enum
from typing import Any

LONGEST, MOST = 60, 6


def differences(stands: Any, other: Any) -> str:
    """The fields of `stands` that `other` says differently, with what they say; "the same" where there are none.

    >>> from outer_test.measurement import Accuracy
    >>> differences(Accuracy(pct=1.0, counts=3), Accuracy(pct=2.0, counts=3))
    'pct 1.0'
    """
    told = [
        f"{field.name.replace('_', ' ')} {_words(getattr(stands, field.name))}"
        for field in fields(stands)
        if getattr(stands, field.name) != getattr(other, field.name)
    ]
    more = f", and {len(told) - MOST} more" if len(told) > MOST else ""
    return ", ".join(told[:MOST]) + more if told else "the same"


def _words(value: Any) -> str:
    if isinstance(value, tuple):
        return ", ".join(_words(one) for one in value)[:LONGEST] or "none"
    text = "not entered" if value is None else str(value.value) if isinstance(value, Enum) else str(value)
    return text[:LONGEST]
