"""The shapes of what a company's zip holds."""

from dataclasses import dataclass, field
from datetime import date, datetime
from uuid import UUID

from accounts.instruments import Instrument
from outer_test.judgement import HouseRules
from outer_test.measurement import Accuracy
from outer_test.nameplate import Contactor, Defrost, Plate
from outer_test.visit import FittedCapacitor, MeterUnit, StockPart


@dataclass(frozen=True, slots=True)
class UnitIn:
    """A unit as the zip has it."""

    id: UUID
    site: str
    address: str
    label: str
    serial: str = ""
    plate: Plate = Plate()
    fitted: tuple[FittedCapacitor, ...] = ()
    contactor_fitted: Contactor | None = None
    notes: str = ""
    archived: str = ""
    tag: str = ""


@dataclass(frozen=True, slots=True)
class PartIn:
    """A part that was put in."""

    id: UUID
    unit: UUID
    part: str
    at: datetime
    note: str = ""


@dataclass(frozen=True, slots=True)
class VisitAbout:
    """What a visit's row keeps beside its file."""

    unit: UUID
    scheduled_for: datetime
    technician: str = ""
    notes: str = ""
    finished_at: datetime | None = None
    finish_reason: str = ""
    return_of: UUID | None = None


@dataclass(frozen=True, slots=True)
class PhotoAbout:
    """What a photo is of."""

    id: UUID
    unit: UUID
    at: datetime
    visit: UUID | None = None
    part: UUID | None = None
    about: str = ""


@dataclass(frozen=True, slots=True)
class MeterIn:
    """A meter; an older zip gives one accuracy where a newer one lists its ranges."""

    accuracy: dict[MeterUnit, Accuracy | tuple[Accuracy, ...]] = field(default_factory=dict)
    due: date | None = None
    retired: bool = False

    def called(self, name: str) -> Instrument:
        """The company's own shape of it."""
        ranges = {unit: one if isinstance(one, tuple) else (one,) for unit, one in self.accuracy.items()}
        return Instrument(name, ranges, self.due, self.retired)


@dataclass(frozen=True, slots=True)
class CompanyIn:
    """The company's own settings, held to what the API holds them to."""

    name: str
    letterhead: str = ""
    rules: HouseRules = HouseRules()
    meters: dict[str, MeterIn] | None = None
    van_stock: tuple[StockPart, ...] = ()
    boards: dict[str, Defrost] | None = None
