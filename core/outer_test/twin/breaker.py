"""The breaker that feeds a unit: what opens it, and whether it holds when it is closed once."""

from dataclasses import replace

from outer_test.twin.line import Solved
from outer_test.twin.unit import BREAKER, SOUND_OHM, Unit

# Of the breaker's size: what opens it within the start itself, and what does so on a path to ground, of its leg's amps [M].
_AT_ONCE, _TRIPS_AT = 5.0, 2.5
_USUAL_A, _GROUNDED_OHM = 40.0, 1000.0
_TO_GROUND = ("harness.ground", "cap.case", "heater.ground")


def _breaker_a(unit: Unit) -> float:
    """The breaker's size, A: the plate's MOP, or a usual one [M]."""
    return unit.plate.mop or _USUAL_A


def trips(unit: Unit, solved: Solved) -> bool:
    """Whether a path to ground in the compressor draws so many times the breaker's size that it opens at once."""
    ground = unit.value("compressor.ground", SOUND_OHM)
    return ground < _GROUNDED_OHM and abs(solved.volts.get("compressor.C", 0j)) / ground > _TRIPS_AT * _breaker_a(unit) / 10


def closed(unit: Unit) -> Unit:
    """The same unit with its breaker closed.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.line import Solved
    >>> from outer_test.twin.unit import make_unit
    >>> tripped = make_unit(Plate()).with_values({"breaker.tripped": 1, BREAKER[1]: 1e9})
    >>> closed(tripped).value("breaker.tripped"), BREAKER[1] in closed(tripped).values
    (0.0, False)
    """
    gone = {"breaker.tripped", "breaker.off", *BREAKER.values()}
    return replace(unit, values={name: value for name, value in unit.values.items() if name not in gone})


def holds(unit: Unit, tripped: bool, peak_a: float) -> bool:
    """Whether the closed breaker of this unit holds. tripped: on a path to ground of the compressor. peak_a: of the start, A."""
    grounded = unit.value("fan.ground", SOUND_OHM) < _GROUNDED_OHM or any(unit.value(one) for one in _TO_GROUND)
    return not (unit.value("breaker.worn") or tripped or grounded or peak_a > _AT_ONCE * _breaker_a(unit))
