"""Events and records as plain data, as server and device hand them to each other."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from outer_test.ledger.event import Event
from outer_test.ledger.kinds import Kind, read_body
from outer_test.ledger.recorded import Recorded
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem, read_as, sparse
from outer_test.visit import Visit

_KINDS = frozenset(kind.value for kind in Kind)


@dataclass(frozen=True, slots=True)
class EventData:
    """An event with its body as plain data: a kind that this version does not know is carried along all the same."""

    id: str
    kind: str
    body: dict[str, Any]
    at: datetime
    device: str
    seq: int
    place: int
    after: int | None
    by: int | None
    clock_wrong: bool
    device_at: datetime | None


@dataclass(frozen=True, slots=True)
class RecordData:
    """What a device needs to make a visit's round itself.

    place: the last place of the ledger that it holds. known: the core's visit before anything was written on it. names: how people
    are named, by key. me: the key of who asks. device: what the ledger calls this device.
    """

    place: int
    known: dict[str, Any]
    events: tuple[EventData, ...]
    names: dict[str, str]
    me: int
    device: str


def event_data(event: Event) -> EventData:
    """An event as plain data."""
    return EventData(
        event.id, event.kind.value, sparse(event.body), event.at, event.device, event.seq, event.place, event.after, event.by,
        event.clock_wrong, event.device_at,
    )  # fmt: skip


def known_data(known: Visit) -> dict[str, Any]:
    """What was known beside the events, as plain data.

    >>> known_data(Visit(complaint="hums-no-start"))
    {'complaint': 'hums-no-start'}
    """
    data: dict[str, Any] = sparse(known)
    return data


def events_from(data: Iterable[EventData]) -> tuple[tuple[Event, ...], int]:
    """The events that this version can read, and how many it cannot."""
    events: list[Event] = []
    unreadable = 0
    for one in data:
        try:
            body = read_body(Kind(one.kind), one.body) if one.kind in _KINDS else None
        except (ReadProblem, FieldProblem):
            body = None
        if body is None:
            unreadable += 1
            continue
        times = one.at, one.device, one.seq, one.place, one.after
        events.append(Event(one.id, Kind(one.kind), body, *times, one.by, one.clock_wrong, one.device_at))
    return tuple(events), unreadable


def recorded_from(data: RecordData) -> Recorded:
    """What is on record, from its plain data. Raises ReadProblem where what was known cannot be read."""
    events, unreadable = events_from(data.events)
    return Recorded(read_as(Visit, data.known), events, _by_key(data.names), unreadable)


def _by_key(names: Mapping[str, str]) -> dict[int, str]:
    return {int(key): name for key, name in names.items()}
