"""Watching a defrost: stamps, what was seen of the rest, and the day it was watched on."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import ClassVar, Literal

from outer_test.acts.act import Act, Body, Moment
from outer_test.ledger import STOPPED, Answered, Event, Kind, Recorded, Stamp, TakenBack, latest_run
from outer_test.measurement import FieldProblem, quantity
from outer_test.visit import RUN_EVENTS, Answer, Conditions, RunEvent

MOST_S = 4 * 3600


@dataclass(frozen=True, slots=True, kw_only=True)
class NewStamp(Act):
    """An event of the defrost at hand; `forced` begins a new run, `stopped` says that nobody watches any more.

    `s` is given where somebody says afterwards when it was, in seconds after it was forced; else it is now.
    """

    kind: Literal["stamp"] = "stamp"
    event: str
    s: float | None = quantity("s", 0, MOST_S)
    writes: ClassVar[tuple[Kind, ...]] = (Kind.STAMP,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The stamp, by its seconds since the run was forced."""
        if self.event not in (*RUN_EVENTS, STOPPED):
            raise FieldProblem("event", f"Use one of: {', '.join((*RUN_EVENTS, STOPPED))}.")
        if self.event == "forced":
            yield "", Stamp(moment.id, "forced", 0.0), 0
            return
        forced = next((stamp for stamp in _run(known) if stamp.body.event == "forced"), None)
        if forced is None:
            raise FieldProblem("event", "Force the defrost first: the other times count from there.")
        seconds = _seconds_between(forced, moment) if self.s is None else self.s
        if not 0 <= seconds <= MOST_S:
            raise FieldProblem("at", "This is before the defrost was forced, or hours after it.")
        yield "", Stamp(forced.body.run, self.event, round(seconds, 1)), 0  # type: ignore[arg-type]


def _run(known: Recorded) -> list[Event]:
    return latest_run(known.of(Kind.STAMP, Kind.TAKEN_BACK))


def _seconds_between(forced: Event, moment: Moment) -> float:
    """By the device's own clock where both were stamped on it: how far that is off says nothing then."""
    if forced.device == moment.device and forced.device_at is not None:
        return (moment.at - forced.device_at).total_seconds()
    return (moment.at - forced.at).total_seconds() - moment.ahead_s


@dataclass(frozen=True, slots=True, kw_only=True)
class Undo(Act):
    """A stamp is taken back; its line stays on record."""

    kind: Literal["undo"] = "undo"
    stamp: str
    writes: ClassVar[tuple[Kind, ...]] = (Kind.TAKEN_BACK,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """Nothing where it was taken back already."""
        if any(event.kind is Kind.TAKEN_BACK and event.body.of == self.stamp for event in known.events):
            return
        if not any(event.id == self.stamp for event in _run(known)):
            raise FieldProblem("stamp", "There is no such stamp in this run.")
        yield "", TakenBack(self.stamp), 0


@dataclass(frozen=True, slots=True, kw_only=True)
class NewAnswer(Act):
    """What was seen of an event of the run at hand that was not stamped. The latest answer stands."""

    kind: Literal["answer"] = "answer"
    event: RunEvent
    answer: Answer
    writes: ClassVar[tuple[Kind, ...]] = (Kind.ANSWER,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The answer, of the run at hand."""
        run = _run(known)
        if not run:
            raise FieldProblem("event", "Force the defrost first: answers belong to a run.")
        yield "", Answered(run[0].body.run, self.event, self.answer), 0


@dataclass(frozen=True, slots=True, kw_only=True)
class ConditionsRead(Act):
    """The day's temperatures, °F, and the outdoor humidity, %."""

    kind: Literal["conditions"] = "conditions"
    conditions: Conditions
    writes: ClassVar[tuple[Kind, ...]] = (Kind.CONDITIONS,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The conditions as they are now."""
        yield "", self.conditions, 0
