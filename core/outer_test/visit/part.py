"""Parts beside the plate: found fitted, put in on a visit, and on the van."""

from dataclasses import dataclass, replace
from datetime import datetime
from typing import Literal

from outer_test.judgement import Part
from outer_test.measurement import FieldProblem, Record, quantity


def aware(name: str, at: datetime | None) -> None:
    """Refuse a time without its offset. Raises FieldProblem.

    >>> aware("at", None)
    """
    if at is not None and at.tzinfo is None:
        raise FieldProblem(name, "needs its offset from UTC, as in 2027-01-14T09:42:00Z")


@dataclass(frozen=True, slots=True)
class Repair(Record):
    """A part put in on this visit: its own rating, what it measured in the hand, and where the old one went.

    From `at` on the part's readings are the new part's. `section` is what a run capacitor serves; `put_back` says that the old
    part went in again.
    """

    part: Part
    at: datetime | None = None
    section: Literal["both", "herm", "fan"] = "both"
    uf: float | None = quantity("µF", 0.5, 1500)
    fan_uf: float | None = quantity("µF", 0.5, 200)
    vac: float | None = quantity("V a.c.", 100, 660)
    tolerance_pct: float | None = quantity("%", 0.5, 25)
    amps: float | None = quantity("A", 0.1, 200)
    put_back: bool = False
    old_goes: Literal["", "scrap", "customer", "warranty", "kept"] = ""
    note: str = ""
    id: str | None = None

    def __post_init__(self) -> None:
        Record.__post_init__(self)
        aware("at", self.at)


@dataclass(frozen=True, slots=True)
class FittedCapacitor(Record):
    """A run capacitor found in the unit, by its own label.

    `section` is what it serves. A dual used as a single serves `herm` or `fan` with its other section in `unused_uf`.
    `add_on` marks a part strapped in parallel.
    """

    section: Literal["both", "herm", "fan"]
    uf: float | None = quantity("µF", 0.5, 200, doc="HERM section of a dual")
    fan_uf: float | None = quantity("µF", 0.5, 200, doc="FAN section of a dual")
    unused_uf: float | None = quantity("µF", 0.5, 200)
    vac: float | None = quantity("V a.c.", 100, 660)
    tolerance_pct: float | None = quantity("%", 0.5, 25)
    duty: Literal["run", "start"] = "run"
    add_on: bool = False


@dataclass(frozen=True, slots=True)
class StockPart(Record):
    """A capacitor on the van."""

    uf: float = quantity("µF", 0.5, 1500, required=True)
    vac: float = quantity("V a.c.", 100, 660, required=True)
    fan_uf: float | None = quantity("µF", 0.5, 200, doc="FAN section of a dual; absent on a single")
    duty: Literal["run", "start"] = "run"
    count: int = quantity("pieces", 0, 1000, default=1)

    def is_what(self, repair: Repair) -> bool:
        """Whether this is the part that a repair put in: the same duty, µF and volts.

        >>> StockPart(uf=45, vac=440, fan_uf=5).is_what(Repair(Part.RUN_CAPACITOR, uf=45, fan_uf=5, vac=440))
        True
        """
        duty = {Part.RUN_CAPACITOR: "run", Part.START_CAPACITOR: "start"}.get(repair.part)
        uf, fan_uf = (repair.fan_uf, None) if repair.section == "fan" else (repair.uf, repair.fan_uf if repair.section == "both" else None)
        return (self.duty, self.uf, self.fan_uf, self.vac) == (duty, uf, fan_uf, repair.vac)


def left_on_van(stock: tuple[StockPart, ...], repair: Repair, taken: int = 1) -> tuple[StockPart, ...]:
    """A van's stock after a repair took a part from it; taken: -1 where the repair is taken off the record again. A part that the van
    had none of came from elsewhere and changes nothing.

    >>> put_in = Repair(Part.RUN_CAPACITOR, section="fan", fan_uf=5, vac=440)
    >>> [part.count for part in left_on_van((StockPart(uf=5, vac=440, count=3),), put_in)]
    [2]
    """
    return tuple(replace(part, count=max(part.count - taken, 0)) if part.is_what(repair) else part for part in stock)
