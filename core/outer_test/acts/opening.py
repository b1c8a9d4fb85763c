"""Adding a unit, and opening a visit to one: what they begin is not there yet, so nothing is written on it by them."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import ClassVar, Literal

from outer_test.acts.act import Act, Body, Moment
from outer_test.ledger import Kind, Recorded, UnitAdded
from outer_test.measurement import FieldProblem
from outer_test.visit import Complaint, aware


@dataclass(frozen=True, slots=True, kw_only=True)
class AddUnit(Act):
    """An outdoor unit and where it stands. The id it is done on is the unit's own."""

    kind: Literal["unit"] = "unit"
    site: str
    address: str
    label: str
    serial: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.UNIT,)

    def __post_init__(self) -> None:
        UnitAdded(self.site, self.address, self.label, self.serial)  # holds each to its length

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """Nothing on a visit."""
        return iter(())


@dataclass(frozen=True, slots=True, kw_only=True)
class OpenVisit(Act):
    """A visit to a unit, now and its opener's where nothing else is said. The id it is done on is the visit's own."""

    kind: Literal["open"] = "open"
    unit: str
    complaint: Complaint
    began: Literal["", "suddenly", "slowly"] = ""
    scheduled_for: datetime | None = None
    technician: int | None = None
    notes: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.OPENED,)

    def __post_init__(self) -> None:
        aware("scheduled_for", self.scheduled_for)
        if len(self.notes) > 2000:
            raise FieldProblem("notes", "Use up to 2000 characters.")

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """Nothing yet: the server writes who opened it, by which rules, and what the last visit left off."""
        return iter(())
