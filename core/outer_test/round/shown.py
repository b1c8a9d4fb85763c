"""What a screen shows of a visit while it is worked, as data."""

from dataclasses import dataclass
from datetime import datetime

from outer_test.assessment import Assessment, Power, Stop
from outer_test.circuit import Ladder
from outer_test.customer import CustomerPage
from outer_test.diagnosis import Diagnosis, Expected
from outer_test.judgement import Finding, Verdict
from outer_test.ledger import ConflictKind
from outer_test.nameplate import Contactor, Plate
from outer_test.procedure import Station
from outer_test.round.path import PathStep
from outer_test.rules.defrost import FrostOutlook, Lane, SwapGuide, WhichWay
from outer_test.visit import Conditions, FittedCapacitor, Repair, RunEvent


@dataclass(frozen=True, slots=True)
class EntryShown:
    """A reading or a thing seen, as kept. `stands` is false for history: superseded, or read again later.

    `clock_wrong`: its device's clock could not be so, and `at` is when it arrived.
    """

    id: str
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
    supersedes: str | None
    meter: str
    clock_wrong: bool


@dataclass(frozen=True, slots=True)
class LiftedShown:
    """A line of the not-put-back list, with how it ended."""

    id: str
    what: str
    at: datetime
    by_whom: str
    how: str
    why: str
    ended_at: datetime | None


@dataclass(frozen=True, slots=True)
class PowerShown:
    """What was said of the power, and when."""

    id: str
    state: str
    at: datetime
    by_whom: str


@dataclass(frozen=True, slots=True)
class StampShown:
    """One stamp of the run at hand, `s` seconds after it was forced."""

    id: str
    event: str
    s: float
    at: datetime
    by_whom: str


@dataclass(frozen=True, slots=True)
class EventAsked:
    """An event of the run at hand that was not stamped: what is asked of it, and what was answered (empty where nothing was)."""

    event: RunEvent
    question: str
    answer: str


@dataclass(frozen=True, slots=True)
class NewPartShown:
    """A part put in on this visit, what it is rated, and where the old one goes."""

    id: str
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

    id: str
    text: str
    at: datetime
    by_whom: str


@dataclass(frozen=True, slots=True)
class WaitingShown:
    """Something that arrived after the visit was finished: it counts once the visit is opened again."""

    id: str
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
class SignedShown:
    """The signature that stands: who signed, when, and the strokes as they were drawn."""

    name: str
    at: datetime
    strokes: tuple[tuple[tuple[float, ...], ...], ...]


@dataclass(frozen=True, slots=True)
class Verdicts:
    """What of a `Round` and its assessment is shown first, for the rest takes longer: the power, what is off, stops and verdicts.

    `points` are those that were just written at, and those of the stops: of them alone are `entries` and `findings`.
    """

    points: tuple[str, ...]
    place: int
    caught: dict[str, str]
    entries: tuple[EntryShown, ...]
    lifted: tuple[LiftedShown, ...]
    power_log: tuple[PowerShown, ...]

    overall: Verdict
    findings: tuple[Finding, ...]
    power: Power
    stops: tuple[Stop, ...]
    open_lines: int


@dataclass(frozen=True, slots=True)
class Round:
    """All of a visit that changes while it is worked: the round, its findings, what is lifted, the power.

    `customer` is what the person whose unit it is reads. `caught` is what is wrong with taking a reading now, by the power that its
    step asks for. `expected` is what a sound unit of this plate would read, by point. `place` is the ledger's last place that it knows
    of. `waiting` came after the end, `conflicts` is what two people did without knowing of each other, `unreadable` counts what this
    version of the app cannot read. `cancelled` is why the visit will not be, empty where it will. `core` is the version that judged,
    `digest` what it came to in a few letters; `judged_otherwise` where the device that finished the visit saw another,
    `signed_otherwise` where the signature is for another.
    """

    place: int

    stations: tuple[Station, ...]
    path: tuple[PathStep, ...]
    caught: dict[str, str]
    assessment: Assessment
    diagnosis: Diagnosis
    customer: CustomerPage
    signature: SignedShown | None
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
    defrost: DefrostShown
    conditions: Conditions
    finished_at: datetime | None
    finished_by: str
    finish_reason: str
    cancelled: str
    core: str
    digest: str
    judged_otherwise: bool
    signed_otherwise: bool
    waiting: tuple[WaitingShown, ...]
    conflicts: tuple[ConflictShown, ...]
    unreadable: int
