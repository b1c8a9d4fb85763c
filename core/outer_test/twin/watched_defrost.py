"""One forced defrost of a unit, watched to its end: the events a person would stamp, and how long it was watched."""

from functools import lru_cache

from outer_test.nameplate import Plate
from outer_test.twin.faults import FAULTS, FaultKey, of_a_defrost, with_fault
from outer_test.twin.unit import Unit, make_unit
from outer_test.twin.winter import Weather, changes, winter
from outer_test.visit import DefrostEvent

MOST_S, WATCHED_AFTER_S, NO_START_S = 1500, 90, 150
FROST_KG = 1.3  # on a 3-ton coil when it is forced [M]
_PINS_HELD_S = 4


def watch_defrost(
    unit: Unit, weather: Weather | None = None, frost_kg: float = FROST_KG, step: int = 1
) -> tuple[tuple[DefrostEvent, ...], float]:
    """Force a defrost on this unit and watch it: its events in s after it was forced, and how long it was watched, s.

    step: seconds from one look to the next. Raises ValueError for a plate without a defrost control. Source: [M], as `winter`.

    >>> from outer_test.nameplate import AuxHeat, Defrost, Plate
    >>> from outer_test.twin.unit import make_unit
    >>> events, watched = watch_defrost(make_unit(Plate(defrost=Defrost(control="demand"), aux_heat=AuxHeat(kind="electric"))))
    >>> [one.event for one in events][:4]
    ['forced', 'valve-shift', 'fan-off', 'aux-on']
    """
    if unit.plate.defrost.control is None:
        raise ValueError("this plate names no defrost control")
    now = winter(unit, weather)
    now.coil.frost_kg = frost_kg * now.coil.size.covered / 3.0
    events = [DefrostEvent(0.0, "forced")]
    before = now.second(float(step))
    began = ended = None
    switched = unit.plate.defrost.control == "time-temperature"
    for second in range(step, MOST_S, step):
        after = now.second(float(step), "force" if second <= _PINS_HELD_S else "none")
        for name in changes(before, after):
            if (name == "ended" and ended is not None) or (name == "switch-open" and not switched):
                continue
            events.append(DefrostEvent(float(second), name))  # type: ignore[arg-type]
        if after.defrosting and began is None:
            began = second
        if before.defrosting and not after.defrosting and ended is None:
            ended = second
        before = after
        if ended is not None and second > ended + WATCHED_AFTER_S:
            return tuple(events), float(second)
        if began is None and second > NO_START_S:
            return tuple(events), float(second)
    return tuple(events), float(MOST_S)


@lru_cache(maxsize=64)
def defrost_faults(plate: Plate) -> tuple[FaultKey, ...]:
    """The faults that change what is seen of a forced defrost of this plate's unit; kept per plate. Empty without a defrost control.

    >>> from outer_test.nameplate import Defrost
    >>> FaultKey.FAN_RELAY_STUCK in defrost_faults(Plate(defrost=Defrost(control="demand")))
    True
    """
    if plate.defrost.control is None:
        return ()
    unit = make_unit(plate)
    sound = _seen(unit)
    return tuple(
        fault.key for fault in FAULTS if of_a_defrost(fault.variants[0].changes(unit)) and _seen(with_fault(unit, fault.key)) != sound
    )


def _seen(unit: Unit) -> list[tuple[float, str]]:
    return [(one.s, one.event) for one in watch_defrost(unit, step=2)[0]]
