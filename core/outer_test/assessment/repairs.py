"""What a repair makes of the readings: as found before it, as left after it (handbook section 14)."""

from collections.abc import Iterable
from dataclasses import replace
from datetime import datetime

from outer_test.judgement import Part
from outer_test.visit import POINTS, Measures, Repair, Visit, measures

# Evidence of a part that another point's part name does not show.
_ALSO = {
    Part.COMPRESSOR: (Part.COMPRESSOR_LEAD,),
    Part.DEFROST_BOARD: (Part.BOARD_FAN_RELAY,),
    Part.CONTACTOR: (),
}


def repairs_of(visit: Visit) -> tuple[Repair, ...]:
    """The parts put in on this visit, in order. A file without the event: a new part measured in the hand, and a start or load
    reading after it, say that it is in.

    >>> repairs_of(Visit())
    ()
    """
    if visit.repairs:
        return visit.repairs
    found = []
    for section in ("herm", "fan"):
        new = next((reading for reading in reversed(visit.readings) if reading.point == f"cap.new_{section}.uf"), None)
        if new is not None and new.at is not None and _ran_after(visit, new.at):
            found.append(Repair(Part.RUN_CAPACITOR, new.at, section))
    return tuple(found)


def read_in_hand(visit: Visit) -> frozenset[str]:
    """The capacitor points that a new part's reading in the hand stands for, once it is in.

    >>> from outer_test.visit import Reading
    >>> new = Reading("cap.new_herm.uf", "55.3")
    >>> sorted(read_in_hand(Visit(readings=(new,), repairs=(Repair(Part.RUN_CAPACITOR, section="herm"),))))
    ['cap.herm.uf']
    """
    serves = {repair.section for repair in repairs_of(visit) if repair.part is Part.RUN_CAPACITOR and not repair.put_back}
    read = {reading.point for reading in visit.readings}
    return frozenset(
        f"cap.{section}.uf" for section in ("herm", "fan") if serves & {section, "both"} and f"cap.new_{section}.uf" in read
    )  # fmt: skip


def _ran_after(visit: Visit, at: datetime) -> bool:
    running = any(reading.at is not None and reading.at > at and POINTS[reading.point].station == "run" for reading in visit.readings)
    return running or ((started := visit.saw_at("start.result")) is not None and started > at)


def as_found(visit: Visit) -> Visit:
    """The visit as it was before the first part went in; the visit itself where none did.

    >>> as_found(Visit()) == Visit()
    True
    """
    repairs = repairs_of(visit)
    if not repairs:
        return visit
    first = min((repair.at for repair in repairs if repair.at is not None), default=None)
    readings = tuple(
        reading for reading in visit.readings if measures(reading.point) is not Measures.NEW_PART and _before(reading.at, first)
    )
    seen = {name: one for name, one in visit.seen.items() if _before(visit.saw_at(name), first)}
    power = tuple(event for event in visit.power if _before(event.at, first))
    return replace(visit, readings=readings, seen=seen, power=power, repairs=())


def _before(at: datetime | None, first: datetime | None) -> bool:
    return at is None or first is None or at < first


def as_left(visit: Visit) -> Visit:
    """The visit without what the new parts made history: the old part's readings, and what ran before it went in.

    >>> as_left(Visit()) == Visit()
    True
    """
    repairs = repairs_of(visit)
    if not repairs:
        return visit
    last = max((repair.at for repair in repairs if repair.at is not None), default=None)
    readings = tuple(reading for reading in visit.readings if not _is_history(reading.point, reading.at, repairs, last))
    seen = {name: one for name, one in visit.seen.items() if not _is_history(name, visit.saw_at(name), repairs, last)}
    return replace(visit, readings=readings, seen=seen, fitted=() if _replaced(repairs, Part.RUN_CAPACITOR) else visit.fitted)


def _replaced(repairs: Iterable[Repair], part: Part) -> bool:
    return any(repair.part is part and not repair.put_back for repair in repairs)


def _is_history(name: str, at: datetime | None, repairs: tuple[Repair, ...], last: datetime | None) -> bool:
    """Whether what was read or seen at a point is of the old part, or of the unit as it ran with it."""
    point = POINTS[name]
    if measures(name) is Measures.NEW_PART:
        return False
    if point.station == "run" and last is not None and at is not None and at < last:
        return True
    return any(_is_of(repair, name) and _precedes(at, repair.at, point.power == "live") for repair in repairs)


def _precedes(at: datetime | None, fitted: datetime | None, is_live: bool) -> bool:
    """Without times what is measured dead came before the new part, and what is read running after it."""
    return not is_live if at is None or fitted is None else at < fitted


def _is_of(repair: Repair, name: str) -> bool:
    """Whether a point is read on the part that was replaced."""
    part = POINTS[name].part
    if repair.part is Part.RUN_CAPACITOR and part is Part.RUN_CAPACITOR:
        other = {"herm": "cap.fan", "fan": "cap.herm"}.get(repair.section)
        return other is None or not name.startswith(other)
    return part is repair.part or part in _ALSO.get(repair.part, ())
