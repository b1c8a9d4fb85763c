"""Planning: when a visit is and whose, what it is for, that it will not be; and what its unit is called."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import ClassVar, Literal

from outer_test.acts.act import Act, Body, Moment
from outer_test.ledger import Cancelled, Corrected, Kind, Planned, Recorded, UnitAdded
from outer_test.measurement import FieldProblem
from outer_test.visit import Complaint


def check_technician(technician: int, known: Recorded) -> None:
    """Raises FieldProblem for somebody who is none of the company's people."""
    if technician not in known.names:
        raise FieldProblem("technician", "Choose one of the company's people.")


@dataclass(frozen=True, slots=True, kw_only=True)
class PlanVisit(Act):
    """The visit is at this time, and this member's. One that was cancelled is on again."""

    kind: Literal["plan"] = "plan"
    scheduled_for: datetime
    technician: int
    writes: ClassVar[tuple[Kind, ...]] = (Kind.PLANNED,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The plan."""
        check_technician(self.technician, known)
        yield "", Planned(self.scheduled_for, self.technician), 0


@dataclass(frozen=True, slots=True, kw_only=True)
class CancelVisit(Act):
    """The visit will not be. What was read on it stays; one that is finished is not cancelled."""

    kind: Literal["cancel"] = "cancel"
    reason: str
    writes: ClassVar[tuple[Kind, ...]] = (Kind.CANCELLED,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The reason."""
        if known.closing.finish is not None:
            raise FieldProblem("reason", "This visit is finished.")
        yield "", Cancelled(self.reason.strip()), 0


@dataclass(frozen=True, slots=True, kw_only=True)
class CorrectVisit(Act):
    """What the visit is for, as it turned out to be."""

    kind: Literal["correct"] = "correct"
    complaint: Literal[Complaint, ""]
    began: Literal["", "suddenly", "slowly"] = ""
    notes: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.CORRECTED,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The correction."""
        yield "", Corrected(self.complaint, self.began, self.notes.strip()), 0


@dataclass(frozen=True, slots=True, kw_only=True)
class CorrectUnit(Act):
    """What a visit's unit is called, and where it stands; it stays the same unit, with all that was read on it."""

    kind: Literal["correct-unit"] = "correct-unit"
    site: str
    address: str
    label: str
    serial: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.UNIT,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The unit as it is called from now on."""
        yield "", UnitAdded(self.site.strip(), self.address.strip(), self.label.strip(), self.serial.strip()), 0
