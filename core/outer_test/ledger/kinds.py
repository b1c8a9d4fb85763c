"""What can be written down of a visit or a unit: one dataclass a kind.

A new kind is a dataclass here, a line in `KINDS`, and what `fold` makes of it. A body is never changed once written; a kind that
must change its shape gets a version, and old versions are read for ever.
"""

from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum
from math import isfinite
from typing import Any, Final, Literal

from outer_test.judgement import HouseRules
from outer_test.ledger.at_most import at_most
from outer_test.ledger.conclusion import Conclusion
from outer_test.ledger.unit_kinds import Archived, Merged, PartFitted, PlateRead, UnitAdded, UnitNotes
from outer_test.measurement import FieldProblem, Record, quantity
from outer_test.plain_data import read_as
from outer_test.visit import (
    ANSWERS,
    RUN_EVENTS,
    Answer,
    Complaint,
    Conditions,
    Lifted,
    Note,
    PowerEvent,
    Reading,
    Repair,
    RunEvent,
    aware,
    check_seen,
)

STOPPED: Final = "stopped"  # nobody watches any more: what has not come by then did not come
VERSION: Final = 1


class Kind(StrEnum):
    """What an event is."""

    OPENED = "opened"
    PLANNED = "planned"
    CANCELLED = "cancelled"
    CORRECTED = "corrected"
    READING = "reading"
    SEEN = "seen"
    POWER = "power"
    LIFTED = "lifted"
    ENDED = "ended"
    STAMP = "stamp"
    ANSWER = "answer"
    PART = "part"
    TAKEN_BACK = "taken-back"
    WIRE = "wire"
    NOTE = "note"
    CONDITIONS = "conditions"
    RULES = "rules"
    SIGNATURE = "signature"
    FINISHED = "finished"
    REOPENED = "reopened"
    CONCLUSION = "conclusion"
    UNIT = "unit"
    PLATE = "plate"
    FITTED = "fitted"
    UNIT_NOTES = "unit-notes"
    ARCHIVED = "archived"
    MERGED = "merged"


@dataclass(frozen=True, slots=True)
class Opened(Record):
    """A visit to a unit was put on the list. `notes` are the office's."""

    scheduled_for: datetime
    complaint: Literal[Complaint, ""] = ""
    began: Literal["", "suddenly", "slowly"] = ""
    notes: str = ""
    return_of: str = ""


@dataclass(frozen=True, slots=True)
class Planned(Record):
    """When a visit is to be, and whose it is: a member's key. One that was cancelled is on again."""

    scheduled_for: datetime
    technician: int

    def __post_init__(self) -> None:
        aware("scheduled_for", self.scheduled_for)


@dataclass(frozen=True, slots=True)
class Cancelled(Record):
    """The visit will not be, and why."""

    reason: str

    def __post_init__(self) -> None:
        at_most("reason", self.reason, 300, least=1)


@dataclass(frozen=True, slots=True)
class Corrected(Record):
    """What a visit is for, as it turned out to be: the complaint, how it began, and the office's notes."""

    complaint: Literal[Complaint, ""] = ""
    began: Literal["", "suddenly", "slowly"] = ""
    notes: str = ""

    def __post_init__(self) -> None:
        at_most("notes", self.notes, 2000)


@dataclass(frozen=True, slots=True)
class SeenAt(Record):
    """A thing seen at a point that is looked at."""

    point: str
    value: str

    def __post_init__(self) -> None:
        check_seen(self.point, self.value)


@dataclass(frozen=True, slots=True)
class Ended(Record):
    """How a line of the not-put-back list ended; `line` is the event that lifted it. All but `back` need a reason."""

    line: str
    how: Literal["back", "retired", "left"]
    why: str = ""

    def __post_init__(self) -> None:
        if self.how != "back" and not self.why.strip():
            raise FieldProblem("why", "say why it is not put back")
        at_most("why", self.why, 300)


@dataclass(frozen=True, slots=True)
class Stamp(Record):
    """One event of a watched defrost, `s` seconds after it was forced; `run` is the event that forced it."""

    run: str
    event: Literal[RunEvent, "stopped"]
    s: float = quantity("s", -3600, 1e5, required=True)


@dataclass(frozen=True, slots=True)
class Answered(Record):
    """What was said of an event of a run that was not stamped: it happened, it did not, or nobody looked."""

    run: str
    event: RunEvent
    answer: Answer

    def __post_init__(self) -> None:
        if self.event not in RUN_EVENTS or self.answer not in ANSWERS:
            raise FieldProblem("answer", f"Use one of: {', '.join(ANSWERS)}.")


@dataclass(frozen=True, slots=True)
class TakenBack(Record):
    """A stamp, or a part that was never put in, is taken off the record again; its line stays."""

    of: str


@dataclass(frozen=True, slots=True)
class Wire(Record):
    """A line of the wire map of an old defrost board. `of` is the event that first named the wire, empty in that one.

    `gone` takes a wrong line off the map, `on_old` puts the wire back on the old board.
    """

    terminal: str = ""
    colour: str = ""
    goes_to: str = ""
    new_terminal: str = ""
    on_old: bool = False
    of: str = ""
    gone: bool = False

    def __post_init__(self) -> None:
        for name, most in (("terminal", 20), ("colour", 20), ("goes_to", 80), ("new_terminal", 20)):
            at_most(name, getattr(self, name), most)


@dataclass(frozen=True, slots=True)
class Rules(Record):
    """The house rules a visit is judged by from then on."""

    rules: HouseRules = HouseRules()


@dataclass(frozen=True, slots=True)
class Signature(Record):
    """A signature drawn on the screen: strokes of points (x, y), from 0 to 1, in a box one wide and a third high.

    `digest` is what the visit had come to as it was signed.
    """

    name: str
    strokes: tuple[tuple[tuple[float, float], ...], ...]
    digest: str = ""

    def __post_init__(self) -> None:
        at_most("digest", self.digest, 64)
        if not self.name.strip() or len(self.name) > 80:
            raise FieldProblem("name", "Say who signs. Use up to 80 characters.")
        points = [point for stroke in self.strokes for point in stroke]
        if not points:
            raise FieldProblem("strokes", "Sign in the box first.")
        if len(self.strokes) > 200 or len(points) > 5000:
            raise FieldProblem("strokes", "That is more than a signature.")
        if not all(isfinite(x) and isfinite(y) and 0 <= x <= 1 and 0 <= y <= 1 for x, y in points):
            raise FieldProblem("strokes", "Part of it lies outside the box.")


@dataclass(frozen=True, slots=True)
class Finished(Record):
    """The visit is finished; with lines still open, `reason` says why and prints on the sheet.

    `core` is the version that judged it where it was finished, `digest` what it came to there.
    """

    reason: str = ""
    core: str = ""
    digest: str = ""

    def __post_init__(self) -> None:
        at_most("reason", self.reason, 300)
        at_most("core", self.core, 20)
        at_most("digest", self.digest, 64)


@dataclass(frozen=True, slots=True)
class Reopened(Record):
    """A finished visit is open again; what waited counts from then on."""

    reason: str

    def __post_init__(self) -> None:
        at_most("reason", self.reason, 300, least=1)


KINDS: Final[dict[Kind, type[Any]]] = {
    Kind.OPENED: Opened, Kind.PLANNED: Planned, Kind.CANCELLED: Cancelled, Kind.CORRECTED: Corrected,
    Kind.READING: Reading, Kind.SEEN: SeenAt, Kind.POWER: PowerEvent, Kind.LIFTED: Lifted, Kind.ENDED: Ended,
    Kind.STAMP: Stamp, Kind.ANSWER: Answered, Kind.PART: Repair, Kind.TAKEN_BACK: TakenBack, Kind.WIRE: Wire, Kind.NOTE: Note,
    Kind.CONDITIONS: Conditions, Kind.RULES: Rules, Kind.SIGNATURE: Signature, Kind.FINISHED: Finished, Kind.REOPENED: Reopened,
    Kind.CONCLUSION: Conclusion,
    Kind.UNIT: UnitAdded, Kind.PLATE: PlateRead, Kind.FITTED: PartFitted, Kind.UNIT_NOTES: UnitNotes,
    Kind.ARCHIVED: Archived, Kind.MERGED: Merged,
}  # fmt: skip
_KIND_OF: Final = {body: kind for kind, body in KINDS.items()}


def kind_of(body: Any) -> Kind:
    """The kind of an event with this body.

    >>> kind_of(Note("dog in the yard"))
    <Kind.NOTE: 'note'>
    """
    return _KIND_OF[type(body)]


def read_body(kind: Kind, raw: Any) -> Any:
    """A body from its plain data. Raises ReadProblem where it has not the kind's shape.

    >>> read_body(Kind.NOTE, {"text": "dog in the yard"})
    Note(text='dog in the yard', at=None)
    """
    return read_as(KINDS[kind], raw)
