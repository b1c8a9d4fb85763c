"""What stands among a visit's events: each in its place, without what was corrected, taken back or ended."""

from collections.abc import Iterable, Sequence
from dataclasses import replace

from outer_test.ledger.event import Event
from outer_test.ledger.kinds import Kind
from outer_test.visit import Lifted, LiftedEnd, PowerEvent, Seen


def placed(events: Sequence[Event]) -> list[Event]:
    """The events with each correction behind what it corrects, at that time. One that came with its power (a file's, an older
    record's) was judged where it stood, and stays there."""
    by_id = {event.id: event for event in events}
    origin = {event.id: _first(event, by_id) for event in events if event.kind is Kind.READING and event.body.power is None}
    where = {event.id: place for place, event in enumerate(events)}
    at = {event.id: origin.get(event.id, event) for event in events}
    moved = sorted(events, key=lambda event: (where[at[event.id].id], where[event.id]))
    return [event if at[event.id] is event else replace(event, at=at[event.id].at) for event in moved]


def in_effect(events: Sequence[Event]) -> list[Event]:
    """The events without the readings that others supersede."""
    gone = superseded(events)
    return [event for event in events if event.id not in gone]


def superseded(events: Iterable[Event]) -> set[str]:
    """The ids of the readings that others correct."""
    return {event.body.supersedes for event in events if event.kind is Kind.READING and event.body.supersedes}


def _first(event: Event, by_id: dict[str, Event]) -> Event:
    """The reading that a chain of corrections began with."""
    met = {event.id}
    while (before := by_id.get(event.body.supersedes or "")) is not None and before.id not in met and before.kind is Kind.READING:
        event = before
        met.add(event.id)
    return event


def standing(events: Iterable[Event], kind: Kind) -> list[Event]:
    """The events of a kind that were not taken back, in their order."""
    every = list(events)
    gone = {event.body.of for event in every if event.kind is Kind.TAKEN_BACK}
    return [event for event in every if event.kind is kind and event.id not in gone]


def latest_run(events: Iterable[Event]) -> list[Event]:
    """The standing stamps of the defrost begun last, by their seconds."""
    every = list(events)
    run = next((event.body.run for event in reversed(every) if event.kind is Kind.STAMP), None)
    return sorted((event for event in standing(every, Kind.STAMP) if event.body.run == run), key=lambda event: event.body.s)


def power_said(events: Iterable[Event]) -> tuple[PowerEvent, ...]:
    """What was said of the power, in order."""
    return tuple(replace(event.body, at=event.at) for event in events if event.kind is Kind.POWER)


def seen_of(events: Iterable[Event]) -> dict[str, str | Seen]:
    """What was seen last at each point, and when."""
    return {event.body.point: Seen(event.body.value, event.at) for event in events if event.kind is Kind.SEEN}


def lifted_of(events: Sequence[Event]) -> tuple[Lifted, ...]:
    """The lines of the list; a line ends once, by what was said of it first."""
    ends: dict[str, Event] = {}
    for event in events:
        if event.kind is Kind.ENDED:
            ends.setdefault(event.body.line, event)
    lines = (event for event in events if event.kind is Kind.LIFTED)
    return tuple(replace(line.body, at=line.at, id=line.id, end=_end(ends.get(line.id))) for line in lines)


def _end(event: Event | None) -> LiftedEnd | None:
    return None if event is None else LiftedEnd(event.body.how, event.at, event.body.why)
