"""A visit's readings ready to judge: each standing reading with its meter's band, by point."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass

from outer_test.measurement import Measured, accuracy_for, measured, parse_value
from outer_test.visit.points import POINTS
from outer_test.visit.visit import Reading, Visit, standing_readings


@dataclass(frozen=True, slots=True)
class Taken:
    """One standing reading and what it measured."""

    reading: Reading
    measured: Measured


@dataclass(frozen=True, slots=True)
class Inputs:
    """All standing readings of a visit: every kind of each point in order, and the latest by point."""

    visit: Visit
    kinds: tuple[Taken, ...]
    latest: Mapping[str, Measured]
    readings: Mapping[str, Reading]

    def get(self, point: str) -> Measured | None:
        """The latest reading at a point, whatever its tags."""
        return self.latest.get(point)

    def number(self, point: str) -> Measured | None:
        """The latest reading at a point where it is a number."""
        found = self.latest.get(point)
        return found if found is not None and found.number is not None else None


def inputs_of(visit: Visit, aside: Collection[Reading] = ()) -> Inputs:
    """Gather the standing readings. aside: readings that are evidence of nothing, as if they had not been taken.

    >>> inputs_of(Visit(readings=(Reading("cap.herm.uf", "50.4"),))).get("cap.herm.uf").number
    Decimal('50.4')
    """
    kinds = tuple(Taken(reading, measured_in(visit, reading)) for reading in standing_readings(visit, aside).values())
    latest: dict[str, Measured] = {}
    readings: dict[str, Reading] = {}
    for taken in kinds:
        point, before = taken.reading.point, readings.get(taken.reading.point)
        if before is None or before.at is None or taken.reading.at is None or taken.reading.at >= before.at:
            latest[point], readings[point] = taken.measured, taken.reading
    return Inputs(visit, kinds, latest, readings)


def measured_in(visit: Visit, reading: Reading) -> Measured:
    """A reading with the band of the meter it was taken with.

    >>> measured_in(Visit(), Reading("cap.herm.uf", "50.4")).half
    Decimal('1.208')
    """
    value = parse_value(reading.value)
    profile = visit.meters.get(reading.meter) if reading.meter is not None else None
    on_unit = profile.get(POINTS[reading.point].unit) if profile is not None else None  # type: ignore[call-overload]
    accuracy = None if on_unit is None else accuracy_for(on_unit, value, reading.top)
    return measured(value, accuracy, reading.top, reading.turns, POINTS[reading.point].unit)
