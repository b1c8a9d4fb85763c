"""What stands of what was written: a row that was taken back does not, and of a defrost only the run begun last counts."""

from collections.abc import Iterable, Sequence
from typing import Any, Protocol, TypeVar
from uuid import UUID


class Written(Protocol):
    """A row of the record: its own id, and the id of the row it takes back, if it is there for that."""

    @property
    def uuid(self) -> UUID: ...  # noqa: D102
    @property
    def undoes(self) -> UUID | None: ...  # noqa: D102


class Stamped(Written, Protocol):
    """A stamp of a watched defrost: its run, and the seconds since that was forced."""

    @property
    def run(self) -> UUID: ...  # noqa: D102
    @property
    def s(self) -> float: ...  # noqa: D102


W = TypeVar("W", bound=Written)
S = TypeVar("S", bound=Stamped)


def not_taken_back(rows: Iterable[W]) -> list[W]:
    """The rows that stand, in their order.

    >>> from collections import namedtuple
    >>> Row = namedtuple("Row", "uuid undoes")
    >>> [row.uuid for row in not_taken_back([Row(1, None), Row(2, None), Row(3, 1)])]
    [2]
    """
    every: Sequence[W] = list(rows)
    gone: set[Any] = {one.undoes for one in every if one.undoes is not None}
    return [one for one in every if one.undoes is None and one.uuid not in gone]


def latest_run(stamps: Sequence[S]) -> list[S]:
    """The standing stamps of the run begun last, by their seconds."""
    if not stamps:
        return []
    latest = stamps[-1].run
    return sorted((one for one in not_taken_back(stamps) if one.run == latest), key=lambda one: one.s)
