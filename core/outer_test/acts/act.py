"""An act: what a person did on a screen, and what it writes down. Server and device make the same events of the same act."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import Any, ClassVar
from uuid import UUID, uuid5

from outer_test.ledger import Event, Kind, Recorded
from outer_test.measurement import Record

# What an act writes: a name within the act ("" is the act itself, with its own id), a body, and where it stands beside the act.
Body = tuple[str, Any, int]


@dataclass(frozen=True, slots=True)
class Moment:
    """When an act was done and where: its id, the time by the device's own clock, the device, and how far that clock is ahead, s."""

    id: str
    at: datetime
    device: str = ""
    ahead_s: float = 0.0


class Act(Record):
    """Base of the acts: dataclasses whose `kind` is their name in JSON."""

    __slots__ = ()
    writes: ClassVar[tuple[Kind, ...]] = ()

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """What it writes on a visit that its device knew as `known`. Raises FieldProblem where it cannot be so."""
        raise NotImplementedError

    def same(self, event: Event) -> bool:
        """Whether an event with this act's id is this act, sent again."""
        return event.kind in self.writes

    @property
    def rest(self) -> tuple[str, tuple[tuple[str, str], ...]]:
        """What of it was not understood and stays to be typed again, and why, piece by piece."""
        return "", ()


def named(act: str, name: str) -> str:
    """The id of what an act writes besides itself.

    >>> named("0d2b6a0a-7f6e-4c52-9a5e-2f4a2b8f7c11", "")
    '0d2b6a0a-7f6e-4c52-9a5e-2f4a2b8f7c11'
    """
    return str(uuid5(UUID(act), name)) if name else act
