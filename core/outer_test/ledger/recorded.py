"""What is on record of a visit: what was known beside it, its events, and who wrote them. The server and a device hold the same."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Self

from outer_test.ledger.closing import Closing, closing
from outer_test.ledger.conflicts import Conflict, conflicts
from outer_test.ledger.event import Event, in_order, known_to
from outer_test.ledger.fold import folded
from outer_test.ledger.kinds import Kind
from outer_test.ledger.readings_then import ReadingsThen
from outer_test.ledger.standing import lifted_of, placed
from outer_test.visit import Thing, Visit, things_off


@dataclass(frozen=True)
class Recorded:
    """A visit's events and what was known beside them.

    known: plate, parts, meters and rules as they stood before anything was written. names: how people are named, by key.
    unreadable: how many events this version cannot read. grown_from: the same before more was written on it, for speed alone.
    """

    known: Visit
    events: tuple[Event, ...]
    names: Mapping[int, str] = field(default_factory=dict)
    unreadable: int = 0
    grown_from: Self | None = field(default=None, repr=False, compare=False)

    @cached_property
    def closing(self) -> Closing:
        """What ended the visit, and which of its events count."""
        return closing(self.events)

    @cached_property
    def visit(self) -> Visit:
        """The visit that the events which count add up to."""
        return folded(self.readings_then)

    @cached_property
    def readings_then(self) -> ReadingsThen:
        """The readings with the power as it was at each."""
        return ReadingsThen.of(self._placed, self.known, self.grown_from.readings_then if self.grown_from is not None else None)

    @property
    def off(self) -> frozenset[Thing]:
        """What is off or bridged now."""
        return things_off(Visit(lifted=lifted_of(in_order(self.closing.counting))))

    @property
    def conflicts(self) -> tuple[Conflict, ...]:
        """What two people did on it without knowing of each other."""
        return conflicts(self.events)

    @property
    def cancelled(self) -> str:
        """Why the visit will not be, empty where it will."""
        last = next((event for event in reversed(in_order(self.events)) if event.kind in (Kind.PLANNED, Kind.CANCELLED)), None)
        return last.body.reason if last is not None and last.kind is Kind.CANCELLED else ""

    @property
    def place(self) -> int:
        """The last place of the ledger that it knows of."""
        return max((event.place for event in self.events), default=0)

    def of(self, *kinds: Kind) -> list[Event]:
        """The events of these kinds that count, each where it stands."""
        return [event for event in self._placed if event.kind in kinds]

    @cached_property
    def _placed(self) -> list[Event]:
        return placed(in_order(self.closing.counting))

    def name_of(self, event: Event) -> str:
        """Who wrote it, empty where that is not known."""
        return self.names.get(event.by or 0, "")

    def as_known_to(self, device: str, after: int | None) -> Self:
        """The visit as a device knew it when it wrote."""
        return replace(self, events=tuple(known_to(self.events, device, after)))

    def with_events(self, events: Sequence[Event]) -> Self:
        """The visit with more written on it.

        >>> Recorded(Visit(), ()).with_events([]).place
        0
        """
        return replace(self, events=(*self.events, *events), grown_from=self.grown_from or self)
