"""Finished, reopened, and what waits: what was done after the end counts only once the visit is open again."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Final

from outer_test.ledger.event import Event
from outer_test.ledger.kinds import Kind

# What belongs to a finished visit too, and the plate, which is the unit's.
_AFTER_THE_END: Final = frozenset({
    Kind.SIGNATURE, Kind.FINISHED, Kind.REOPENED, Kind.CONCLUSION, Kind.OPENED, Kind.PLANNED, Kind.CORRECTED, Kind.PLATE,
})  # fmt: skip


@dataclass(frozen=True, slots=True)
class Closing:
    """What ended the visit, None while it is open; the events that count, and those that wait for it to be reopened."""

    finish: Event | None
    counting: tuple[Event, ...]
    waiting: tuple[Event, ...]


def closing(events: Iterable[Event]) -> Closing:
    """How a visit stands by its place in the ledger: a reading is never lost to a finish it did not know of.

    What was done before the end and arrived after it, from another device or a dead spot, is folded in; only a clock that cannot
    be so makes it wait.

    >>> closing([])
    Closing(finish=None, counting=(), waiting=())
    """
    every = list(events)
    finish: Event | None = None
    for event in sorted(every, key=lambda event: event.place):
        if event.kind is Kind.FINISHED:
            finish = finish or event
        elif event.kind is Kind.REOPENED:
            finish = None
    if finish is None:
        return Closing(None, tuple(every), ())
    late = {event.id for event in every if _is_late(event, finish)}
    return Closing(
        finish,
        tuple(event for event in every if event.id not in late),
        tuple(event for event in every if event.id in late),
    )


def _is_late(event: Event, finish: Event) -> bool:
    if event.place <= finish.place or event.kind in _AFTER_THE_END:
        return False
    return event.clock_wrong or event.at >= finish.at
