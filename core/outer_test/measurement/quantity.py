"""Numbers with a unit and bounds as dataclass fields, checked when the object is made.

The bounds are data on the field, so that the visit file's schema and the API's can print them without a second copy.
"""

import math
from dataclasses import MISSING, field, fields
from functools import cache
from typing import Any


class FieldProblem(ValueError):
    """A field out of its bounds. `field` is its name, `message` what to write beside it."""

    def __init__(self, name: str, message: str) -> None:
        super().__init__(f"{name}: {message}")
        self.field, self.message = name, message


def sentence(words: str) -> str:
    """What is said of a field, as a sentence of its own beside that field.

    >>> sentence("must be from 1 to 200 A, not 900")
    'Must be from 1 to 200 A, not 900.'
    """
    ended = words if words[-1:] in ".!?" else f"{words}."
    first = ended.split(" ", 1)[0]
    return ended[:1].upper() + ended[1:] if first.isalpha() else ended  # a file's name is left as it is


def quantity(unit: str, low: float, high: float, default: Any = None, doc: str = "", required: bool = False) -> Any:
    """A numeric dataclass field in `unit`, from `low` to `high` inclusive; None is allowed where it is the default."""
    about = {"unit": unit, "low": low, "high": high, "doc": doc}
    return field(default=MISSING if required else default, metadata=about)


@cache
def _bounds(cls: Any) -> tuple[tuple[str, str, float, float], ...]:
    return tuple((f.name, f.metadata["unit"], f.metadata["low"], f.metadata["high"]) for f in fields(cls) if f.metadata)


class Record:
    """Base of the dataclasses that come from outside: their `quantity` fields are held to their bounds when made.

    Raises FieldProblem for a number out of bounds or not finite. Unknown keys are refused too, wherever a file or a
    request is read into a subclass (`__pydantic_config__` is only data to this package).

    >>> from dataclasses import dataclass
    >>> @dataclass(frozen=True)
    ... class Fuse(Record):
    ...     amps: float | None = quantity("A", 1, 200)
    >>> Fuse(amps=900)
    Traceback (most recent call last):
    ...
    outer_test.measurement.quantity.FieldProblem: amps: must be from 1 to 200 A, not 900
    """

    __slots__ = ()
    __pydantic_config__ = {"extra": "forbid"}

    def __post_init__(self) -> None:
        for name, unit, low, high in _bounds(type(self)):  # type: ignore[arg-type]
            number = getattr(self, name)
            for one in number if isinstance(number, tuple) else (number,):
                if one is not None and not (math.isfinite(one) and low <= one <= high):
                    raise FieldProblem(name, f"must be from {low:g} to {high:g} {unit}, not {one:g}".replace("  ", " "))
