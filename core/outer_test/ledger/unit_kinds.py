"""What can be written down of a unit, on no visit or on any."""

from dataclasses import dataclass, field
from datetime import datetime

from outer_test.ledger.at_most import at_most
from outer_test.measurement import Record
from outer_test.nameplate import Contactor, Plate
from outer_test.visit import FittedCapacitor, aware


@dataclass(frozen=True, slots=True)
class UnitAdded(Record):
    """An outdoor unit and where it stands."""

    site: str
    address: str
    label: str
    serial: str = ""

    def __post_init__(self) -> None:
        for name, most in (("site", 120), ("address", 200), ("label", 80)):
            at_most(name, getattr(self, name), most, least=1)
        at_most("serial", self.serial, 40)


@dataclass(frozen=True, slots=True)
class PlateRead(Record):
    """A plate as it was read, the parts fitted by their own labels, and why it was read again."""

    plate: Plate = Plate()
    fitted: tuple[FittedCapacitor, ...] = field(default=())
    contactor_fitted: Contactor | None = None
    why: str = ""

    def __post_init__(self) -> None:
        at_most("why", self.why, 200)


@dataclass(frozen=True, slots=True)
class PartFitted(Record):
    """A part put into a unit outside of any visit: its name in the unit's file, and when it was put in where that was earlier."""

    part: str
    note: str = ""
    at: datetime | None = None

    def __post_init__(self) -> None:
        aware("at", self.at)
        at_most("note", self.note, 200)


@dataclass(frozen=True, slots=True)
class UnitNotes(Record):
    """The notes on a unit, from then on."""

    notes: str = ""

    def __post_init__(self) -> None:
        at_most("notes", self.notes, 4000)


@dataclass(frozen=True, slots=True)
class Archived(Record):
    """A unit is not looked after any more, and why; in use again where nothing is said."""

    why: str = ""

    def __post_init__(self) -> None:
        at_most("why", self.why, 200)


@dataclass(frozen=True, slots=True)
class Merged(Record):
    """Another unit turned out to be this one: what was read on it is this unit's."""

    unit: str
