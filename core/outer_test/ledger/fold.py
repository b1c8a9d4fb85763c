"""What events add up to: the core's visit."""

from collections.abc import Iterable, Sequence
from dataclasses import replace

from outer_test.ledger.event import Event, in_order
from outer_test.ledger.kinds import STOPPED, Kind
from outer_test.ledger.proof import proof_doubt
from outer_test.ledger.readings_then import ReadingsThen
from outer_test.ledger.standing import in_effect, latest_run, lifted_of, placed, power_said, seen_of, standing
from outer_test.rules.defrost import timed_out_in_a_row
from outer_test.visit import Answer, BoardWire, DefrostEvent, RunEvent, Visit


def visit_of(events: Iterable[Event], known: Visit) -> Visit:
    """The visit that these events add up to.

    events: of one visit, those that stand, in any order. known: what was known of unit and company beside them.

    Power is nowhere written with a reading: it follows from what comes before it. A correction takes the time and the state
    of what it corrects. Same events, same visit.

    >>> visit_of([], Visit()) == Visit()
    True
    """
    return folded(ReadingsThen.of(placed(in_order(events)), known))


def folded(then: ReadingsThen) -> Visit:
    """The same, where the events are each in its place and their readings were found.

    >>> folded(ReadingsThen.of([], Visit())) == Visit()
    True
    """
    known, effective = then.known, in_effect(then.events)
    told = {event.kind for event in effective}
    visit = replace(
        known,
        power=power_said(effective),
        proof_doubt=proof_doubt(effective, known),
        readings=tuple(then.readings.values()),
        seen=seen_of(effective),
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
