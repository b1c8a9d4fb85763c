"""An event of the ledger, and what is known of the order of two."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from outer_test.ledger.kinds import Kind


@dataclass(frozen=True, slots=True)
class Event:
    """One thing written down.

    `at` is its time: the device's, corrected by the device's offset and raised where it would fall within the device. `seq` counts
    on the device, `place` in the company's ledger. `after` is the last place the device knew of when it was made, None where it
    did not say. `clock_wrong`: the device's time could not be so, and `at` is its arrival. `device_at` is what the device's own
    clock said, None where it said nothing.
    """

    id: str
    kind: Kind
    body: Any
    at: datetime
    device: str = ""
    seq: int = 0
    place: int = 0
    after: int | None = None
    by: int | None = None
    clock_wrong: bool = False
    device_at: datetime | None = None


def order(event: Event) -> tuple[datetime, str, int]:
    """Where an event stands: by time, then device, then the device's own count."""
    return event.at, event.device, event.seq


def in_order(events: Iterable[Event]) -> list[Event]:
    """The events as they happened, whatever order they came in; one that came twice is there once.

    >>> from datetime import UTC
    >>> from outer_test.visit import Note
    >>> early, late = (Event(str(hour), Kind.NOTE, Note("x"), datetime(2027, 1, 4, hour, tzinfo=UTC)) for hour in (8, 9))
    >>> [event.id for event in in_order([late, early, late])]
    ['8', '9']
    """
    return sorted({event.id: event for event in events}.values(), key=order)


def certainly_before(earlier: Event, later: Event) -> bool:
    """Whether `earlier` was surely made before `later`: on one device by its count, else only where that device knew of it.

    Clocks prove nothing here: one that jumps looks like any other.

    >>> from datetime import UTC
    >>> from outer_test.visit import Note
    >>> at = datetime(2027, 1, 4, tzinfo=UTC)
    >>> one, other = Event("1", Kind.NOTE, Note("x"), at, "a", 1, place=7), Event("2", Kind.NOTE, Note("x"), at, "b", 1, place=8)
    >>> certainly_before(one, other)
    False
    """
    if earlier.device == later.device:
        return earlier.seq < later.seq
    return later.after is not None and earlier.place <= later.after


def known_to(events: Iterable[Event], device: str, after: int | None) -> list[Event]:
    """What a device knew when it wrote: its own, and what had reached it. A device that does not say is taken to know everything."""
    return [event for event in events if after is None or event.device == device or event.place <= after]
