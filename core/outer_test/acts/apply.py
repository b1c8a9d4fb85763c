"""What acts do to what is on record: the device shows by it at once what the server will write down by it later."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Any, Final

from outer_test.acts.act import Act, Moment, named
from outer_test.acts.board_swap import NewWire
from outer_test.acts.defrost import ConditionsRead, NewAnswer, NewStamp, Undo
from outer_test.acts.off import LiftedHow, LiftedWhat, PowerSaid
from outer_test.acts.opening import AddUnit, OpenVisit
from outer_test.acts.parts import NewPart, TakenOff
from outer_test.acts.planning import CancelVisit, CorrectUnit, CorrectVisit, PlanVisit
from outer_test.acts.readings import TypedLine, TypedReading
from outer_test.acts.visit import FinishVisit, NewNote, PlateTyped, ReopenVisit, SignVisit
from outer_test.ledger import Event, Kind, Recorded, kind_of
from outer_test.measurement import FieldProblem, sentence
from outer_test.plain_data import ReadProblem, read_as

AnyAct = (
    TypedReading | TypedLine | PowerSaid | LiftedWhat | LiftedHow | NewPart | TakenOff | NewStamp | Undo | NewAnswer | ConditionsRead
    | NewWire | NewNote | PlateTyped | FinishVisit | ReopenVisit | SignVisit | AddUnit | OpenVisit
    | PlanVisit | CancelVisit | CorrectVisit | CorrectUnit
)  # fmt: skip
ACTS: Final[dict[str, type[Act]]] = {
    "reading": TypedReading, "line": TypedLine, "power": PowerSaid, "lifted": LiftedWhat, "end": LiftedHow, "part": NewPart,
    "part-undo": TakenOff, "stamp": NewStamp, "undo": Undo, "answer": NewAnswer, "conditions": ConditionsRead, "wire": NewWire,
    "note": NewNote, "plate": PlateTyped, "finish": FinishVisit, "reopen": ReopenVisit, "signature": SignVisit, "unit": AddUnit,
    "open": OpenVisit, "plan": PlanVisit, "cancel": CancelVisit, "correct": CorrectVisit, "correct-unit": CorrectUnit,
}  # fmt: skip
ROOM: Final = 1024  # between two counts of a device, for what one act means besides: the line that a reading lifts
NOT_YET: Final = 2**52  # places of what the server has not written yet: after all that it has


@dataclass(frozen=True, slots=True)
class Wrong:
    """What is wrong with an act, and at which of its fields."""

    field: str
    message: str


@dataclass(frozen=True, slots=True)
class Outcome:
    """What became of an act: nothing wrong, or each thing that is. `rest` is what of an entry line stays to be typed again."""

    id: str
    wrong: tuple[Wrong, ...] = ()
    rest: str = ""

    @property
    def refused(self) -> bool:
        """Whether nothing of it was written."""
        return bool(self.wrong) and not self.rest


def read_act(raw: Any) -> Act:
    """An act from its plain data. Raises ReadProblem, with everything that is wrong.

    >>> read_act({"kind": "note", "text": "dog in the yard"})
    NewNote(kind='note', text='dog in the yard')
    """
    kind = raw.get("kind") if isinstance(raw, dict) else None
    shape = ACTS.get(kind) if isinstance(kind, str) else None
    if shape is None:
        raise ReadProblem([("kind", "This version of the app does not know this kind of entry.")])
    return read_as(shape, raw)


def outcome_of(act: Act, act_id: str) -> Outcome:
    """What is to be said of an act that was written."""
    rest, pieces = act.rest
    return Outcome(act_id, tuple(Wrong(words, sentence(why)) for words, why in pieces), rest)


def outcome_refused(problem: ReadProblem | FieldProblem, act_id: str) -> Outcome:
    """What is to be said of an act that was not."""
    found = problem.found if isinstance(problem, ReadProblem) else [(problem.field, problem.message)]
    return Outcome(act_id, tuple(Wrong(field, sentence(message)) for field, message in found))


def events_of(act: Act, recorded: Recorded, moment: Moment, seq: int, after: int | None, by: int | None) -> list[Event]:
    """The events that an act makes on its own device. Raises FieldProblem.

    seq: the device's count. after: the last place of the ledger that it knew of. by: the key of who did it.
    """
    known = recorded if after is None else recorded.as_known_to(moment.device, after)
    return [
        Event(
            named(moment.id, name), kind_of(body), body, moment.at, moment.device, seq * ROOM + besides, NOT_YET + seq * ROOM + besides,
            after, by, False, moment.at,
        )
        for name, body, besides in act.bodies(known, moment)
    ]  # fmt: skip


def written(recorded: Recorded, act_id: str) -> Event | None:
    """What an act of this id wrote first, where it is on record already."""
    own = {act_id, named(act_id, "0")}
    return next((event for event in recorded.events if event.id in own), None)


def with_act(recorded: Recorded, act: Act, moment: Moment, seq: int, after: int | None, by: int | None) -> Recorded:
    """What is on record once an act is done. An act that is on record already changes nothing. Raises FieldProblem."""
    if written(recorded, moment.id) is not None:
        return recorded
    events = events_of(act, recorded, moment, seq, after, by)
    return _with_plate(recorded.with_events(events), events)


def _with_plate(recorded: Recorded, new: Iterable[Event]) -> Recorded:
    """The record with the plate that was just read: a plate is the unit's, and known beside its visits' events."""
    for event in new:
        if event.kind is Kind.PLATE:
            read = event.body
            known = replace(recorded.known, plate=read.plate, fitted=read.fitted, contactor_fitted=read.contactor_fitted)
            recorded = replace(recorded, known=known)
    return recorded
