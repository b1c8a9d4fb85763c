"""The readings, each with the power as it was at its own place: nobody writes that down, it follows from everything before."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import takewhile
from typing import Self

from outer_test.assessment import power_of
from outer_test.ledger.event import Event
from outer_test.ledger.kinds import Kind
from outer_test.ledger.proof import proof_doubt
from outer_test.ledger.standing import lifted_of, power_said, seen_of, superseded
from outer_test.rules.make_safe import reads_live
from outer_test.visit import POINTS, PowerState, Reading, Visit


@dataclass(frozen=True, slots=True)
class ReadingsThen:
    """The readings among these events by id, each with the power at its place, and from what that was found.

    events: each in its place. known: what was known of unit and company beside them.
    """

    events: Sequence[Event]
    known: Visit
    readings: Mapping[str, Reading]

    @classmethod
    def of(cls, events: Sequence[Event], known: Visit, earlier: Self | None = None) -> Self:
        """Find them. earlier: what was found of the same visit before more was written: the readings of the same beginning are taken
        from it, for finding the power again takes longer the more was read."""
        readings: dict[str, Reading] = {}
        if earlier is not None and earlier.known is known:
            same = _same(events, earlier.events)
            readings = {event.id: earlier.readings[event.id] for event in same if event.kind is Kind.READING}
        _find(events, known, readings)
        return cls(events, known, readings)


def _same(events: Sequence[Event], earlier: Sequence[Event]) -> list[Event]:
    """The first events, as far as they are the same and corrected alike."""
    gone, before = superseded(events), superseded(earlier)

    def alike(pair: tuple[Event, Event]) -> bool:
        event, other = pair
        return (event.id, event.at, event.id in gone) == (other.id, other.at, other.id in before)

    return [event for event, _ in takewhile(alike, zip(events, earlier, strict=False))]


def _find(events: Sequence[Event], known: Visit, readings: dict[str, Reading]) -> None:
    """Add the readings that are not there yet. One that came with its power (a file's) keeps that."""
    gone = superseded(events)
    telling: list[Reading] = []  # those that can say what the power is: nothing else is looked at for it
    before: list[Event] = []
    state: PowerState | None = None
    said: PowerState | None = None
    for event in events:
        if event.kind is Kind.READING:
            if event.id not in readings:
                if event.body.power is None:
                    state = state or _state_before(before, telling, known)
                readings[event.id] = replace(event.body, at=event.at, id=event.id, power=event.body.power or state)
            elif event.body.power is None:
                state = readings[event.id].power
        if event.id in gone:
            continue
        before.append(event)
        if event.kind is Kind.READING and _tells_power(event.body.point):
            telling.append(readings[event.id])
        if event.kind is Kind.POWER:
            said = event.body.state
        if _may_change_power(event, read_live=state == "live" != said):
            state = None


def _state_before(events: Sequence[Event], readings: Sequence[Reading], known: Visit) -> PowerState:
    said = {"power": power_said(events), "seen": seen_of(events), "lifted": lifted_of(events), "proof_doubt": proof_doubt(events, known)}
    return power_of(replace(known, readings=tuple(readings), **said)).state  # type: ignore[arg-type]


def _tells_power(point: str) -> bool:
    return POINTS[point].station == "safe" or POINTS[point].unit == "v"


def _may_change_power(event: Event, read_live: bool) -> bool:
    """Whether the power may be another after this. read_live: it is live by a reading alone, which a later one may take back."""
    if event.kind is Kind.READING:
        point = event.body.point
        return POINTS[point].station == "safe" or reads_live(point, event.body.value) or (read_live and _tells_power(point))
    if event.kind is Kind.SEEN:
        return POINTS[event.body.point].station == "safe"
    return event.kind in (Kind.POWER, Kind.LIFTED, Kind.ENDED)
