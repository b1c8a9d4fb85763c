"""What events add up to: the core's visit."""

from collections.abc import Iterable, Sequence
from dataclasses import replace

from outer_test.assessment import power_of
from outer_test.ledger.event import Event, in_order
from outer_test.ledger.kinds import STOPPED, Kind
from outer_test.ledger.proof import proof_doubt
from outer_test.rules.defrost import timed_out_in_a_row
from outer_test.visit import (
    POINTS,
    Answer,
    BoardWire,
    DefrostEvent,
    Lifted,
    LiftedEnd,
    PowerEvent,
    PowerState,
    Reading,
    RunEvent,
    Seen,
    Visit,
)


def visit_of(events: Iterable[Event], known: Visit) -> Visit:
    """The visit that these events add up to.

    events: of one visit, those that stand, in any order. known: what was known of unit and company beside them.

    Power is nowhere written with a reading: it follows from what comes before it. A correction takes the time and the state
    of what it corrects. Same events, same visit.

    >>> visit_of([], Visit()) == Visit()
    True
    """
    every = placed(in_order(events))
    effective = in_effect(every)
    told = {event.kind for event in effective}
    visit = replace(
        known,
        power=_power(effective),
        proof_doubt=proof_doubt(effective, known),
        readings=_readings(every, known),
        seen=_seen(effective),
        lifted=lifted_of(effective),
        repairs=tuple(replace(event.body, at=event.at, id=event.id) for event in standing(effective, Kind.PART)),
        board_wires=_wires(effective),
        notes=tuple(replace(event.body, at=event.at) for event in effective if event.kind is Kind.NOTE),
    )
    for event in effective if told & {Kind.CONDITIONS, Kind.RULES, Kind.CORRECTED} else ():
        if event.kind is Kind.CONDITIONS:
            visit = replace(visit, conditions=event.body)
        elif event.kind is Kind.RULES:
            visit = replace(visit, rules=event.body.rules)
        elif event.kind is Kind.CORRECTED:
            visit = replace(visit, complaint=event.body.complaint or None, began=event.body.began or None)
    return _with_defrost(visit, effective, known) if Kind.STAMP in told else visit


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
    gone = _superseded(events)
    return [event for event in events if event.id not in gone]


def _superseded(events: Iterable[Event]) -> set[str]:
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


def _power(events: Iterable[Event]) -> tuple[PowerEvent, ...]:
    return tuple(replace(event.body, at=event.at) for event in events if event.kind is Kind.POWER)


def _seen(events: Iterable[Event]) -> dict[str, str | Seen]:
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


def _readings(events: Sequence[Event], known: Visit) -> tuple[Reading, ...]:
    """The readings, each with the power as it was at its own place. One that came with its power (a file's) keeps that."""
    gone = _superseded(events)
    found: list[Reading] = []
    before: list[Event] = []
    state: PowerState | None = None
    for event in events:
        if event.kind is Kind.READING:
            if event.body.power is None and state is None:
                state = _state_before(before, [reading for reading in found if reading.id not in gone], known)
            found.append(replace(event.body, at=event.at, id=event.id, power=event.body.power or state))
        if event.id not in gone:
            before.append(event)
            state = None if _may_change_power(event) else state
    return tuple(found)


def _state_before(events: Sequence[Event], readings: Sequence[Reading], known: Visit) -> PowerState:
    said = {"power": _power(events), "seen": _seen(events), "lifted": lifted_of(events), "proof_doubt": proof_doubt(events, known)}
    return power_of(replace(known, readings=tuple(readings), **said)).state  # type: ignore[arg-type]


def _may_change_power(event: Event) -> bool:
    if event.kind in (Kind.READING, Kind.SEEN):
        point = POINTS[event.body.point]
        return point.station == "safe" or point.unit == "v"
    return event.kind in (Kind.POWER, Kind.LIFTED, Kind.ENDED)


def _wires(events: Iterable[Event]) -> tuple[BoardWire, ...]:
    """The map as it stands: the latest line of each wire, in the order the wires were first written."""
    latest = {event.body.of or event.id: event.body for event in events if event.kind is Kind.WIRE}
    return tuple(
        BoardWire(line.terminal, line.colour, line.goes_to, line.new_terminal, line.on_old, wire)
        for wire, line in latest.items()
        if not line.gone
    )


def _with_defrost(visit: Visit, events: Sequence[Event], known: Visit) -> Visit:
    """The watched defrost: the run begun last, what was said of it, and how many before it ended by time."""
    run = latest_run(events)
    runs = list(dict.fromkeys(event.body.run for event in events if event.kind is Kind.STAMP))
    stamps = standing(events, Kind.STAMP)
    earlier = [[_stamped(event) for event in stamps if event.body.run == one and event.body.event != STOPPED] for one in runs[:-1]]
    said: dict[RunEvent, Answer] = {
        event.body.event: event.body.answer for event in events if event.kind is Kind.ANSWER and event.body.run == runs[-1]
    }
    return replace(
        visit,
        defrost_run=tuple(_stamped(event) for event in run if event.body.event != STOPPED),
        defrost_forced_at=next((event.at for event in run if event.body.event == "forced"), None),
        defrost_seen=said,
        defrost_watched_s=max((event.body.s for event in run if event.body.event == STOPPED), default=None),
        timed_out_before=timed_out_in_a_row(earlier, known.plate.defrost, known.timed_out_before),
    )


def _stamped(event: Event) -> DefrostEvent:
    return DefrostEvent(event.body.s, event.body.event)
