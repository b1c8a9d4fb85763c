"""What the API says of a visit: dataclasses that become its schema."""

from dataclasses import dataclass
from datetime import date, datetime
from uuid import UUID

from outer_test.judgement import Verdict
from outer_test.ledger import RecordData
from outer_test.round import Round
from visits.plate import Revision


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
    """A visit whole. `before` is what its unit's points read on earlier visits, the latest first; `record` is what the round was
    made of, for a device to make the next one itself."""

    id: UUID
    company: str
    site: str
    address: str
    unit_id: UUID
    unit: str
    serial: str
    technician: str
    technician_key: int
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
    record: RecordData


@dataclass(frozen=True, slots=True)
class TodayVisit:
    """A line of the day's list; `cancelled` is why it will not be, `problem` is what keeps its visit from being read, `overtaken`
    counts what the asker wrote and somebody else, not knowing of it, wrote otherwise."""

    id: UUID
    site: str
    address: str
    unit: str
    serial: str
    technician: str
    technician_key: int
    mine: bool
    scheduled_for: datetime
    complaint: str
    began: str
    notes: str
    overall: Verdict
    readings: int
    open_lines: int
    finished_at: datetime | None
    problem: str
    overtaken: int
    cancelled: str


@dataclass(frozen=True, slots=True)
class UnitChoice:
    """A unit a visit can be opened for."""

    id: UUID
    site: str
    unit: str


@dataclass(frozen=True, slots=True)
class PersonChoice:
    """Somebody a visit can be given to."""

    key: int
    name: str


@dataclass(frozen=True, slots=True)
class Today:
    """A day's visits, the units another could be opened for, and whose it can be."""

    company: str
    day: date
    visits: tuple[TodayVisit, ...]
    units: tuple[UnitChoice, ...]
    people: tuple[PersonChoice, ...]
