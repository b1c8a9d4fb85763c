"""What the API says of a visit: dataclasses that become its schema."""

from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from outer_test.assessment import Assessment
from outer_test.circuit import Ladder
from outer_test.diagnosis import Diagnosis, Expected
from outer_test.judgement import Verdict
from outer_test.ledger import ConflictKind
from outer_test.nameplate import Contactor, Plate
from outer_test.procedure import Station
from outer_test.round import PathStep
from outer_test.rules.defrost import FrostOutlook, Lane, SwapGuide, WhichWay
from outer_test.visit import Conditions, FittedCapacitor, Repair
from visits.plate import Revision


@dataclass(frozen=True, slots=True)
class EntryShown:
    """A reading or a thing seen, as kept. `stands` is false for history: superseded, or read again later.

    `clock_wrong`: its device's clock could not be so, and `at` is when it arrived.
    """

    id: UUID
    point: str
    value: str
    unit: str
    by: str
    fitted: str
    turns: int
    at: datetime
    by_whom: str
    power: str
    stands: bool
    supersedes: UUID | None
    meter: str
    clock_wrong: bool


@dataclass(frozen=True, slots=True)
class LiftedShown:
    """A line of the not-put-back list, with how it ended."""

    id: UUID
    what: str
    at: datetime
    by_whom: str
    how: str
    why: str
    ended_at: datetime | None


@dataclass(frozen=True, slots=True)
class PowerShown:
    """What was said of the power, and when."""

    id: UUID
    state: str
    at: datetime
    by_whom: str


@dataclass(frozen=True, slots=True)
class StampShown:
    """One stamp of the run at hand, `s` seconds after it was forced."""

    id: UUID
    event: str
    s: float
    at: datetime
    by_whom: str


@dataclass(frozen=True, slots=True)
class EventAsked:
    """An event of the run at hand that was not stamped: what is asked of it, and what was answered (empty where nothing was)."""

    event: str
    question: str
    answer: str


@dataclass(frozen=True, slots=True)
class NewPartShown:
    """A part put in on this visit, what it is rated, and where the old one goes."""

    id: UUID
    at: datetime
    by_whom: str
    repair: Repair


@dataclass(frozen=True, slots=True)
class DefrostShown:
    """The defrost bench: whether the coil frosts now, how to make this board defrost today, what it should do, and what was stamped."""

    way: WhichWay
    outlook: FrostOutlook | None
    lanes: tuple[Lane, ...]
    stamps: tuple[StampShown, ...]
    asked: tuple[EventAsked, ...]
    limit_s: float | None
    stopped: bool
    swap: SwapGuide


@dataclass(frozen=True, slots=True)
class NoteShown:
    """A note a technician wrote on the visit."""

    id: UUID
    text: str
    at: datetime
    by_whom: str


@dataclass(frozen=True, slots=True)
class WaitingShown:
    """Something that arrived after the visit was finished: it counts once the visit is opened again."""

    id: UUID
    what: str
    value: str
    at: datetime
    by_whom: str


@dataclass(frozen=True, slots=True)
class ConflictShown:
    """What two people did without knowing of each other: who is overtaken, and by whom."""

    kind: ConflictKind
    about: str
    stands_by: str
    stands_at: datetime
    overtaken: str
    overtaken_at: datetime
    mine: bool


@dataclass(frozen=True, slots=True)
class Round:
    """All of a visit that changes while it is worked: the round, its findings, what is lifted, the power.

    `caught` is what is wrong with taking a reading now, by the power that its step asks for. `expected` is what a sound unit of
    this plate would read, by point. `place` is the ledger's last place that it knows of. `waiting` came after the end, `conflicts`
    is what two people did without knowing of each other, `unreadable` counts what this version of the app cannot read.
    """

    place: int

    stations: tuple[Station, ...]
    path: tuple[PathStep, ...]
    caught: dict[str, str]
    assessment: Assessment
    diagnosis: Diagnosis
    expected: dict[str, Expected]
    entries: tuple[EntryShown, ...]
    lifted: tuple[LiftedShown, ...]
    parts: tuple[NewPartShown, ...]
    notes: tuple[NoteShown, ...]
    power_log: tuple[PowerShown, ...]
    plate: Plate
    fitted: tuple[FittedCapacitor, ...]
    contactor_fitted: Contactor | None
    ladder: Ladder
    defrost: DefrostShown | None
    conditions: Conditions
    finished_at: datetime | None
    finished_by: str
    finish_reason: str
    waiting: tuple[WaitingShown, ...]
    conflicts: tuple[ConflictShown, ...]
    unreadable: int


@dataclass(frozen=True, slots=True)
class MeterChoice:
    """A meter that readings of this visit can be taken with; `overdue` where its calibration day has passed."""

    name: str
    overdue: bool


@dataclass(frozen=True, slots=True)
class ReadBefore:
    """What a point read, or what was seen there, on an earlier visit."""

    value: str
    at: datetime


@dataclass(frozen=True, slots=True)
class VisitShown:
    """A visit whole. `before` is what its unit's points read on earlier visits, the latest first."""

    id: UUID
    company: str
    site: str
    address: str
    unit_id: UUID
    unit: str
    serial: str
    technician: str
    scheduled_for: datetime
    complaint: str
    began: str
    notes: str
    schools: dict[str, str]
    meters: tuple[MeterChoice, ...]
    rules_are_current: bool
    round: Round
    plate_history: tuple[Revision, ...]
    before: dict[str, tuple[ReadBefore, ...]]


@dataclass(frozen=True, slots=True)
class TodayVisit:
    """A line of the day's list; `problem` is what keeps its visit from being read, `overtaken` counts what the asker wrote and
    somebody else, not knowing of it, wrote otherwise."""

    id: UUID
    site: str
    address: str
    unit: str
    technician: str
    mine: bool
    scheduled_for: datetime
    complaint: str
    overall: Verdict
    readings: int
    open_lines: int
    finished_at: datetime | None
    problem: str
    overtaken: int


@dataclass(frozen=True, slots=True)
class UnitChoice:
    """A unit a visit can be opened for."""

    id: UUID
    site: str
    unit: str


@dataclass(frozen=True, slots=True)
class Today:
    """The day's visits, and the units another could be opened for."""

    company: str
    visits: tuple[TodayVisit, ...]
    units: tuple[UnitChoice, ...]
