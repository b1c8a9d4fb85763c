"""A visit that came whole, as the events it is made of: the way back of `fold`."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any

from outer_test.judgement import HouseRules
from outer_test.ledger.kinds import STOPPED, Answered, Ended, Rules, SeenAt, Stamp, Wire
from outer_test.visit import Conditions, Visit


@dataclass(frozen=True, slots=True)
class Unfolded:
    """One event of a visit that came whole: its own name in the file or one made from its place, its body, and its time."""

    name: str
    body: Any
    at: datetime


def unfold(visit: Visit, at: datetime) -> list[Unfolded]:
    """The events that add up to this visit, in the order they happened. at: the time of what has none.

    Bodies name other events by the names given here; `renamed` puts a ledger's ids in their place.

    >>> from datetime import UTC
    >>> unfold(Visit(), datetime(2027, 1, 4, tzinfo=UTC))
    []
    """
    return sorted(_events(visit, at), key=lambda event: event.at)


def _events(visit: Visit, at: datetime) -> Iterator[Unfolded]:
    if visit.rules != HouseRules():
        yield Unfolded("rules", Rules(visit.rules), at)
    if visit.conditions != Conditions():
        yield Unfolded("conditions", visit.conditions, at)
    for place, power in enumerate(visit.power):
        yield Unfolded(f"power {place}", replace(power, at=None), power.at or at)
    for place, line in enumerate(visit.lifted):
        yield Unfolded(line.id or f"lifted {place}", replace(line, at=None, end=None, id=None), line.at or at)
    for place, reading in enumerate(visit.readings):
        yield Unfolded(reading.id or f"reading {place}", replace(reading, at=None, id=None), reading.at or at)
    for name in visit.seen:
        yield Unfolded(f"seen {name}", SeenAt(name, visit.saw(name) or ""), visit.saw_at(name) or at)
    for place, line in enumerate(visit.lifted):
        if line.end is not None:
            ended = line.end.at or at
            yield Unfolded(f"end {place}", Ended(line.id or f"lifted {place}", line.end.how, line.end.why), max(ended, line.at or at))
    yield from _defrost(visit, visit.defrost_forced_at or at)
    for place, repair in enumerate(visit.repairs):
        yield Unfolded(repair.id or f"part {place}", replace(repair, at=None, id=None), repair.at or at)
    for place, wire in enumerate(visit.board_wires):
        body = Wire(wire.terminal, wire.colour, wire.goes_to, wire.new_terminal, wire.on_old)
        yield Unfolded(wire.id or f"wire {place}", body, at)
    for place, note in enumerate(visit.notes):
        yield Unfolded(f"note {place}", replace(note, at=None), note.at or at)


def _defrost(visit: Visit, forced: datetime) -> Iterator[Unfolded]:
    for place, event in enumerate(visit.defrost_run):
        yield Unfolded(f"stamp {place}", Stamp("run", event.event, event.s), forced)
    if visit.defrost_watched_s is not None:
        yield Unfolded("stamp stopped", Stamp("run", STOPPED, visit.defrost_watched_s), forced)
    for event_name, answer in visit.defrost_seen.items():
        yield Unfolded(f"answer {event_name}", Answered("run", event_name, answer), forced)


def renamed(body: Any, id_of: Callable[[str], str]) -> Any:
    """A body with the names of other events put into a ledger's ids.

    >>> renamed(Ended("lifted 0", "back"), str.upper)
    Ended(line='LIFTED 0', how='back', why='')
    """
    changed = {name: id_of(value) for name in ("supersedes", "line", "run") if (value := getattr(body, name, None))}
    return replace(body, **changed) if changed else body
