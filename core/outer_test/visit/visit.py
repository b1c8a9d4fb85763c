"""One visit to one unit: everything that was read, seen, switched and lifted. The visit file has this very shape."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field
from datetime import date, datetime
from enum import StrEnum
from typing import Literal, get_args

from outer_test.judgement import HouseRules
from outer_test.measurement import Accuracy, FieldProblem, Record, ValueProblem, parse_value, quantity
from outer_test.nameplate import Contactor, Plate
from outer_test.visit.part import FittedCapacitor, Repair, StockPart, aware
from outer_test.visit.points import MAY_BE_NEGATIVE, POINTS
from outer_test.visit.thing import Thing, thing_of, words_for

Complaint = Literal[
    "nothing-at-all", "hums-no-start", "trips-breaker", "fan-stopped", "compressor-stopped", "iced-over",
    "blows-cold", "never-defrosts", "defrosts-too-often", "noisy-defrost", "high-bill", "maintenance",
]  # fmt: skip
MeterUnit = Literal["uf", "v", "vdc", "a", "ohm", "mohm", "f", "s"]
PowerClaim = Literal["unknown", "live", "dead-claimed"]
# The events of a watched defrost that can be stamped, in the order they are expected.
RunEvent = Literal[
    "forced", "contactor-open", "contactor-close", "valve-shift", "fan-off", "aux-on", "outdoor-line-warm", "switch-open", "ended",
    "fan-on", "valve-back", "aux-off",
]  # fmt: skip
RUN_EVENTS: tuple[RunEvent, ...] = get_args(RunEvent)
# What was answered of an event that was not stamped: did it happen?
Answer = Literal["yes", "no", "did-not-look"]
ANSWERS: tuple[Answer, ...] = get_args(Answer)
PEAK_BY = ("inrush", "max-hold")
PEAK_FITTED = ("none", "two-wire", "relay")
PowerState = Literal["unknown", "live", "dead-claimed", "dead-proved"]


class ProofDoubt(StrEnum):
    """What keeps a proof of death from counting, by who wrote what on which device (handbook section 4)."""

    TWO_DEVICES = "two-devices"
    INTERRUPTED = "interrupted"
    LIVE_WORD = "live-word"


@dataclass(frozen=True, slots=True)
class Reading(Record):
    """One value at one point. `value` is text, because its digits carry the resolution."""

    point: str
    value: str
    meter: str | None = None
    at: datetime | None = None
    by: Literal["inrush", "max-hold"] | None = None
    fitted: Literal["none", "two-wire", "relay"] | None = None
    turns: int = quantity("turns", 1, 100, default=1)
    unit_said: bool = False  # the unit was said with it or confirmed by a tap
    top: float | None = quantity("the unit", 1e-9, 1e12, doc="top of the range in use, which OL is above")
    power: PowerState | None = None  # the unit's power when it was taken, as recorded then
    id: str | None = None
    supersedes: str | None = None

    def __post_init__(self) -> None:
        Record.__post_init__(self)
        aware("at", self.at)
        point = POINTS.get(self.point)
        if point is None or point.kind != "number":
            raise FieldProblem("point", f'"{self.point[:60]}" is not a point where a value is measured')
        try:
            value = parse_value(self.value)
        except ValueProblem as problem:
            raise FieldProblem("value", str(problem)) from None
        if value.kind in ("closed", "open") and point.unit != "ohm":
            raise FieldProblem("value", f"{value.kind} is a beep test's answer; {self.point} takes {point.sign}")
        if value.number is not None and value.number < 0 and point.unit not in MAY_BE_NEGATIVE:
            raise FieldProblem("value", f"{self.value} {point.sign}: cannot be negative")


@dataclass(frozen=True, slots=True)
class Seen(Record):
    """A thing seen, with its time."""

    value: str
    at: datetime | None = None

    def __post_init__(self) -> None:
        aware("at", self.at)


@dataclass(frozen=True, slots=True)
class PowerEvent(Record):
    """What somebody said of the power. *Dead (proved)* is never said: readings prove it."""

    state: PowerClaim
    at: datetime | None = None

    def __post_init__(self) -> None:
        aware("at", self.at)


@dataclass(frozen=True, slots=True)
class LiftedEnd(Record):
    """How a line of the not-put-back list ended; all but `back` need a reason."""

    how: Literal["back", "retired", "left"]
    at: datetime | None = None
    why: str = ""

    def __post_init__(self) -> None:
        aware("at", self.at)
        if self.how != "back" and not self.why.strip():
            raise FieldProblem("why", "say why it is not put back")


@dataclass(frozen=True, slots=True)
class Lifted(Record):
    """A lifted wire, jumper, removed panel, pulled fuse or the like: one line until it ends.

    `thing` names what it is; `what` is how it was put, and is all there is for what has no name of its own.
    """

    what: str = ""
    at: datetime | None = None
    end: LiftedEnd | None = None
    id: str | None = None
    thing: Thing | None = None

    def __post_init__(self) -> None:
        aware("at", self.at)
        if not self.what.strip() and self.thing is None:
            raise FieldProblem("what", "say what was lifted, pulled or jumpered")

    @property
    def means(self) -> Thing | None:
        """The thing this line names, by its key or by its words; None for free words."""
        return self.thing if self.thing is not None else thing_of(self.what)

    @property
    def words(self) -> str:
        """What the line says on a list."""
        return self.what if self.what.strip() or self.thing is None else words_for(self.thing)


@dataclass(frozen=True, slots=True)
class Conditions(Record):
    """The day's temperatures."""

    outdoor_f: float | None = quantity("°F", -60, 140)
    indoor_f: float | None = quantity("°F", 20, 120)
    outdoor_rh: float | None = quantity("%", 0, 100)


@dataclass(frozen=True, slots=True)
class Baseline(Record):
    """A winding pair as this unit read it before, with the shell's temperature then."""

    point: Literal["winding.c_r.ohm", "winding.c_s.ohm", "winding.r_s.ohm"]
    value: str
    shell_f: float = quantity("°F", -40, 300, required=True)
    at: datetime | None = None

    def __post_init__(self) -> None:
        Record.__post_init__(self)
        aware("at", self.at)
        try:
            number = parse_value(self.value).number
        except ValueProblem as problem:
            raise FieldProblem("value", str(problem)) from None
        if number is None or number <= 0:
            raise FieldProblem("value", "a baseline is a number above 0")


@dataclass(frozen=True, slots=True)
class ProvedCause(Record):
    """A fault by its key, and on how many of the company's finished visits with this complaint its repair proved it."""

    complaint: Complaint
    fault: str
    visits: int = quantity("visits", 1, 1e6, required=True)


@dataclass(frozen=True, slots=True)
class DefrostEvent(Record):
    """One event of a watched defrost, `s` seconds after it was forced."""

    s: float = quantity("s", -3600, 1e5, required=True)
    event: RunEvent = "forced"


@dataclass(frozen=True, slots=True)
class BoardWire(Record):
    """A wire of the old defrost board: its terminal, its colour, where it comes from, and its terminal on the new board.

    A terminal can hold several wires. `on_old`: it was put back on the old board, not on the new one.
    """

    terminal: str
    colour: str = ""
    goes_to: str = ""
    new_terminal: str = ""
    on_old: bool = False
    id: str | None = None

    def __post_init__(self) -> None:
        if not self.terminal.strip():
            raise FieldProblem("terminal", "say which terminal the wire is on")


@dataclass(frozen=True, slots=True)
class Note(Record):
    """What a technician wrote on the visit in their own words; no rule reads it."""

    text: str
    at: datetime | None = None

    def __post_init__(self) -> None:
        aware("at", self.at)
        if not self.text.strip():
            raise FieldProblem("text", "write something")


@dataclass(frozen=True, slots=True)
class Visit(Record):
    """Everything `assess` looks at. Each part may be absent."""

    format: Literal["outer-test-visit"] = "outer-test-visit"
    version: Literal[1, 2] = 2
    plate: Plate = Plate()
    fitted: tuple[FittedCapacitor, ...] = ()
    rules: HouseRules = HouseRules()
    contactor_fitted: Contactor | None = None
    meters: Mapping[str, Mapping[MeterUnit, Accuracy | tuple[Accuracy, ...]]] = field(default_factory=dict)
    calibration_due: dict[str, date] = field(default_factory=dict)
    baseline: tuple[Baseline, ...] = ()
    experience: tuple[ProvedCause, ...] = ()
    van_stock: tuple[StockPart, ...] = ()
    conditions: Conditions = Conditions()
    complaint: Complaint | None = None
    began: Literal["suddenly", "slowly"] | None = None
    power: tuple[PowerEvent, ...] = ()
    proof_doubt: ProofDoubt | None = None
    readings: tuple[Reading, ...] = ()
    seen: Mapping[str, str | Seen] = field(default_factory=dict)
    lifted: tuple[Lifted, ...] = ()
    defrost_run: tuple[DefrostEvent, ...] = ()
    defrost_forced_at: datetime | None = None
    defrost_seen: Mapping[RunEvent, Answer] = field(default_factory=dict)
    timed_out_before: int = quantity("defrosts", 0, 1000, default=0, doc="that ended by time in a row before the one watched")
    repairs: tuple[Repair, ...] = ()
    board_wires: tuple[BoardWire, ...] = ()
    notes: tuple[Note, ...] = ()
    defrost_watched_s: float | None = quantity("s", 0, 1e5, doc="how long the defrost was watched; to the last event where absent")

    def __post_init__(self) -> None:
        Record.__post_init__(self)
        aware("defrost_forced_at", self.defrost_forced_at)
        for name, seen in self.seen.items():
            check_seen(name, seen if isinstance(seen, str) else seen.value)
        for index, reading in enumerate(self.readings):
            if reading.meter is not None and reading.meter not in self.meters:
                raise FieldProblem(f"readings.{index}.meter", f'"{reading.meter[:40]}" is not among the meters')

    def saw(self, point: str) -> str | None:
        """The word recorded at a looked-at point, or None."""
        seen = self.seen.get(point)
        return seen.value if isinstance(seen, Seen) else seen

    def saw_at(self, point: str) -> datetime | None:
        """When it was seen, where that was recorded."""
        seen = self.seen.get(point)
        return seen.at if isinstance(seen, Seen) else None


def check_seen(name: str, word: str) -> None:
    """Hold a looked-at point and its word to the catalogue. Raises FieldProblem.

    >>> check_seen("look.capacitor.case", "puffy")
    Traceback (most recent call last):
    ...
    outer_test.measurement.quantity.FieldProblem: look.capacitor.case: is one of flat, dished, bulged, leaking, not "puffy"
    """
    point = POINTS.get(name)
    if point is None or point.kind != "seen":
        raise FieldProblem("seen", f'"{name[:60]}" is not a point that is looked at')
    if word not in point.choices:
        raise FieldProblem(name, f'is one of {", ".join(point.choices)}, not "{word[:40]}"')


def superseded(visit: Visit) -> frozenset[str]:
    """The ids of the readings that others supersede.

    >>> superseded(Visit(readings=(Reading("cap.herm.uf", "50", id="1"), Reading("cap.herm.uf", "54.1", supersedes="1"))))
    frozenset({'1'})
    """
    return frozenset(reading.supersedes for reading in visit.readings if reading.supersedes is not None)


def standing_readings(visit: Visit, aside: Collection[Reading] = ()) -> dict[str, Reading]:
    """The reading that stands at each point, by point name and tags; the others are history.

    A reading is told apart by point, `by` and `fitted`. The latest of a kind stands: by its time where both have one,
    else by its place in the list. One that another supersedes never stands, nor one of `aside`.

    >>> v = Visit(readings=(Reading("cap.herm.uf", "50"), Reading("cap.herm.uf", "54.1")))
    >>> standing_readings(v)["cap.herm.uf"].value
    '54.1'
    """
    gone = superseded(visit)
    stand: dict[str, Reading] = {}
    for reading in visit.readings:
        if (reading.id is not None and reading.id in gone) or reading in aside:
            continue
        key = "|".join(filter(None, (reading.point, reading.by, reading.fitted)))
        before = stand.get(key)
        if before is None or before.at is None or reading.at is None or reading.at >= before.at:
            stand[key] = reading
    return stand
