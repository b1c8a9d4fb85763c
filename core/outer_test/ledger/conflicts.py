"""Two people who did not know of each other: facts that stay in the history, and are told to the one who was overtaken."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from enum import StrEnum

from outer_test.ledger.event import Event, certainly_before, in_order
from outer_test.ledger.kinds import Kind
from outer_test.visit import Thing


class ConflictKind(StrEnum):
    """What two devices did without knowing of each other."""

    TWO_PLATES = "two-plates"
    LIFTED_TWICE = "lifted-twice"
    ENDED_TWICE = "ended-twice"
    FINISHED_TWICE = "finished-twice"
    LIFTED_AS_FINISHED = "lifted-as-finished"


@dataclass(frozen=True, slots=True)
class Conflict:
    """Two events that do not fit: the one that stands and the one that was overtaken, and what they are about in words."""

    kind: ConflictKind
    stands: Event
    overtaken: Event
    about: str = ""


def conflicts(events: Iterable[Event]) -> tuple[Conflict, ...]:
    """Everything on a visit that two devices did without knowing of each other and that does not go together.

    >>> conflicts([])
    ()
    """
    ordered = in_order(events)
    lines = {event.id: event.body.words for event in ordered if event.kind is Kind.LIFTED}
    return (*_plates(ordered), *_lifted(ordered), *_ended(ordered, lines), *_finished(ordered))


def _pairs(events: Sequence[Event]) -> Iterator[tuple[Event, Event]]:
    """Each event with the nearest later one that did not know of it."""
    for place, earlier in enumerate(events):
        later = next((one for one in events[place + 1 :] if _apart(earlier, one)), None)
        if later is not None:
            yield earlier, later


def _apart(one: Event, other: Event) -> bool:
    """Whether neither knew of the other, as far as both say."""
    if one.device == other.device or (one.after is None and other.after is None):
        return False
    return not certainly_before(one, other) and not certainly_before(other, one)


def _plates(events: Sequence[Event]) -> Iterator[Conflict]:
    for earlier, later in _pairs([event for event in events if event.kind is Kind.PLATE]):
        if earlier.body != later.body:
            yield Conflict(ConflictKind.TWO_PLATES, later, earlier)


def _lifted(events: Sequence[Event]) -> Iterator[Conflict]:
    """One thing on the list twice, as long as either line is open."""
    ended = {event.body.line for event in events if event.kind is Kind.ENDED}
    by_thing: dict[Thing | str, list[Event]] = {}
    for event in events:
        if event.kind is Kind.LIFTED:
            by_thing.setdefault(event.body.means or event.body.words, []).append(event)
    for same in by_thing.values():
        for earlier, later in _pairs(same):
            if not {earlier.id, later.id} <= ended:
                yield Conflict(ConflictKind.LIFTED_TWICE, earlier, later, later.body.words)


def _ended(events: Sequence[Event], lines: dict[str, str]) -> Iterator[Conflict]:
    by_line: dict[str, list[Event]] = {}
    for event in events:
        if event.kind is Kind.ENDED:
            by_line.setdefault(event.body.line, []).append(event)
    for line, same in by_line.items():
        for other in same[1:]:
            if other.body.how != same[0].body.how:
                yield Conflict(ConflictKind.ENDED_TWICE, same[0], other, lines.get(line, ""))


def _finished(events: Sequence[Event]) -> Iterator[Conflict]:
    """A second finish of the same end, and what was lifted by somebody when another, not knowing, finished."""
    ends = [event for event in events if event.kind is Kind.FINISHED]
    for earlier, later in _pairs(ends):
        yield Conflict(ConflictKind.FINISHED_TWICE, earlier, later)
    ended = {event.body.line for event in events if event.kind is Kind.ENDED}
    for finish in ends:
        for event in events:
            if event.kind is Kind.LIFTED and event.id not in ended and event.place < finish.place and _apart(event, finish):
                yield Conflict(ConflictKind.LIFTED_AS_FINISHED, event, finish, event.body.words)
