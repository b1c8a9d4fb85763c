"""A unit's table: for every fault it can have, how each test would turn out, from the twin; and what a sound one reads.

The table depends on the plate alone. It is made in slices, so that a page can keep answering meanwhile, and kept per plate.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from math import fsum

from outer_test.diagnosis.defrost_outcomes import defrost_outcomes
from outer_test.diagnosis.outcomes import Chances, outcomes
from outer_test.diagnosis.things_tested import TESTED, Test
from outer_test.nameplate import Plate
from outer_test.twin import FAULTS, Fault, FaultKey, Known, Unit, Value, make_unit, of_a_defrost, shown

# What is only seen, by its point.
LOOKED_AT = {
    "look.capacitor.case": Test.CASE, "look.contactor.faces": Test.FACES, "look.contactor.insects": Test.INSECTS,
    "look.contactor2.faces": Test.FACES2,
    "look.wiring": Test.WIRING, "look.coil.face": Test.COIL_FACE, "look.sensor.seat": Test.SEAT, "control.blower": Test.BLOWER,
}  # fmt: skip
_ODD = 0.003  # the share of a fault's units that turn out as a sound one may [M]
_NOTICED = 0.03
_GOOD: Chances = {"good": 1.0}
Row = Mapping[Test, Mapping[str, float]]


@dataclass(frozen=True, slots=True)
class Way:
    """One way or strength of a fault: its weight beside the others, and how its tests turn out.

    Tests not named turn out as on a sound unit.
    """

    weight: float
    shows: Row


@dataclass(frozen=True, slots=True)
class Slice:
    """One fault's row of the table. `measured`: whether anything measured on this unit would differ.

    A unit that lacks the part shows nothing.
    """

    fault: Fault
    ways: tuple[Way, ...]
    measured: bool


@dataclass(frozen=True, slots=True)
class Table:
    """What every fault of a unit would show, and what each point would read on a sound one, in the point's own unit."""

    rows: Mapping[FaultKey, Slice]
    sound: Mapping[str, Value]


def predict(plate: Plate) -> Iterator[Slice | None]:
    """The rows of a plate's table, one fault at a time; a None between is only a pause, for a page to answer in. Source: the twin.

    >>> row = next(one for one in predict(Plate()) if one is not None and one.fault.key is FaultKey.COIL_OPEN)
    >>> row.ways[0].shows[Test.COIL_OHM]["open"] > 0.9
    True
    """
    unit, known = make_unit(_what_counts(plate)), Known()
    yield from _rows(unit, shown(unit, known), known)


def table_of(plate: Plate) -> Table:
    """The whole table of a plate; plates that differ in nothing that counts share one, and it is kept.

    >>> len(table_of(Plate()).rows) == len(FAULTS)
    True
    """
    return _made(_what_counts(plate))


@lru_cache(maxsize=128)
def _made(plate: Plate) -> Table:
    unit, known = make_unit(plate), Known()
    sound = shown(unit, known)
    return Table({one.fault.key: one for one in _rows(unit, sound, known) if one is not None}, sound)


def _rows(unit: Unit, sound: Mapping[str, Value], known: Known) -> Iterator[Slice | None]:
    usual = {**outcomes(sound, unit), **defrost_outcomes(unit)}
    for fault in FAULTS:
        yield from _row(fault, unit, usual, known)


def _what_counts(plate: Plate) -> Plate:
    """The plate less what changes no prediction, so that plates alike share one table."""
    bare, own = Plate(), plate.defrost
    defrost = replace(
        bare.defrost, control=own.control, minutes=own.minutes, closes_f=own.closes_f, opens_f=own.opens_f, limit_min=own.limit_min,
        shift_delay=own.shift_delay, links=own.links, switch_in_air=own.switch_in_air,
    )  # fmt: skip
    aux = replace(bare.aux_heat, kind=plate.aux_heat.kind, elements=plate.aux_heat.elements)
    return replace(
        plate, mca=plate.mca if plate.compressor.rla is None else None, mop=None, branch_selection_a=None, protection_a=None,
        conductor_awg=None, conductor_metal="copper", made_year=None, made_week=None, blower_capacitor=None, aux_heat=aux, system=(),
        volts_min=None, volts_max=None, defrost=defrost, unreadable=(),
    )  # fmt: skip


def _row(fault: Fault, unit: Unit, usual: Row, known: Known) -> Iterator[Slice | None]:
    seen = {LOOKED_AT[point]: _spread(LOOKED_AT[point], chances) for point, chances in fault.looks.items() if point in LOOKED_AT}
    ways: list[Way] = []
    measured = False
    for variant in fault.variants:
        changes = variant.changes(unit)
        faulty = unit.with_values(changes)
        found = outcomes(shown(faulty, known), faulty)
        if of_a_defrost(changes):
            found |= defrost_outcomes(faulty)
        shows = {test: _spread(test, chances) for test, chances in found.items() if _differs(chances, usual.get(test, _GOOD))}
        measured = measured or bool(shows)
        ways.append(Way(variant.weight, shows | seen))
        yield None
    yield Slice(fault, tuple(ways), measured)


def _differs(one: Chances, other: Chances) -> bool:
    """Whether a test turns out noticeably otherwise."""
    return any(abs(one.get(outcome, 0.0) - other.get(outcome, 0.0)) > _NOTICED for outcome in {*one, *other})


def _spread(test: Test, own: Chances) -> Mapping[str, float]:
    """Chances of a fault, with a few units that turn out as sound ones do; what is left over falls on the outcomes not named."""
    sound = TESTED[test].sound
    named = fsum(own.get(outcome, 0.0) for outcome in sound)
    unnamed = [outcome for outcome in sound if outcome not in own]
    left = max(1.0 - named, 0.0) / len(unnamed) if unnamed else 0.0
    return {outcome: (1 - _ODD) * own.get(outcome, left) + _ODD * sound[outcome] for outcome in sound}
