"""Faults put in against faults named: what a simulated technician ends with, in four classes, for tests and for the bench."""

import random
from collections.abc import Iterator
from dataclasses import dataclass, replace
from enum import StrEnum

from outer_test.diagnosis import TESTED, table_of
from outer_test.diagnosis.predict import LOOKED_AT, Way
from outer_test.diagnosis.shares import SHARES
from outer_test.judgement import Part
from outer_test.nameplate import AuxHeat, Compressor, Contactor, Defrost, Element, Fan, Plate, RunCapacitor, StartCapacitor
from outer_test.twin import FaultKey, fault_of
from outer_test.twin.control import CONTROL_FUSE
from visit_samples.simulated_technician import Ended, Technician, another_unit, complaint_of, fixed_order, follow

LEADS_FROM, SHOWS_BY = 0.5, 0.5  # of probability, and first among the faults; how far a test must move for a strength to be a trial
# What electricity cannot part: gauges tell (docs/model.md).
ALIKE = (frozenset({FaultKey.LOW_CHARGE, FaultKey.NOT_PUMPING, FaultKey.HIGH_CHARGE}),)


class Result(StrEnum):
    """What came of a visit to a unit whose fault is known."""

    RIGHT = "accused rightly, mended without a part, or found sound"
    LEADS = "first among the suspects"
    WRONG = "a healthy part accused"
    OPEN = "left open"


@dataclass(frozen=True, slots=True)
class Trial:
    """A unit with a fault put in (None: a sound one), by plate, variant and seed."""

    plate: Plate
    fault: FaultKey | None
    variant: int
    seed: str
    wrong: float = 0.0
    missing: float = 0.0

    def technician(self) -> Technician:
        """The technician beside this unit, drawn from the seed."""
        chance = random.Random(self.seed)
        unit = another_unit(as_it_stands(self.plate), chance)
        if self.fault is not None:
            unit = unit.with_values(fault_of(self.fault).variants[self.variant].changes(unit))
        return Technician(unit, self.fault, chance, self.wrong, self.missing, self.plate.defrost.control is not None)

    def run(self) -> tuple[Result, Ended]:
        """Follow *next* to the end."""
        beside = self.technician()
        ended = follow(beside, complaint_of(beside.unit, self.fault))
        return self.result(ended), ended

    def in_order(self) -> Ended:
        """Walk the order of the round instead."""
        beside = self.technician()
        return fixed_order(beside, complaint_of(beside.unit, self.fault))

    def result(self, ended: Ended) -> Result:
        """The class of an end."""
        accused = {one.part for one in ended.found.accused}
        if accused:
            return Result.RIGHT if accused <= self.true_parts() else Result.WRONG
        if ended.mended:
            return Result.RIGHT
        if self.fault is None:
            return Result.RIGHT if ended.sound else Result.OPEN
        first = next(one for one in ended.found.suspects if one.fault != "nothing wrong")
        alike = next((group for group in ALIKE if self.fault in group), frozenset({self.fault}))
        own = [one for one in ended.found.suspects if one.fault in alike or (one.part is not None and one.part in self.true_parts())]
        leads = first in own and sum(one.probability for one in own) >= LEADS_FROM
        return Result.LEADS if leads else Result.OPEN

    def true_parts(self) -> set[Part | None]:
        """The parts that may be named: the fault's own, what it took with it, and what needs the same hands."""
        if self.fault is None:
            return set()
        fault = fault_of(self.fault)
        parts = {fault.part}
        beside = self.technician().unit
        if CONTROL_FUSE in fault.variants[self.variant].changes(beside):
            parts.add(Part.CONTROL_FUSE)
        return parts | ({Part.SUPPLY, Part.BREAKER} if parts & {Part.SUPPLY, Part.BREAKER} else set())


DUAL = RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6)
TIMED = Defrost(control="time-temperature", minutes=90, closes_f=30, opens_f=55, limit_min=10, shift_delay=False)
DEMAND = Defrost(control="demand", limit_min=14, shift_delay=False, sensor_r25_ohm=10_000.0, sensor_b_k=3950.0)
_HEAT = AuxHeat(kind="electric", elements=(Element(4.8, 240.0),))
_BASE = Plate(
    volts=(208.0, 230.0), hz=60, phase=1, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2), run_capacitor=DUAL,
    contactor=Contactor(poles=2, amps=40, coil_v=24), valve="O", aux_heat=_HEAT, defrost=TIMED,
)  # fmt: skip


def _like(**more: object) -> Plate:
    return replace(_BASE, **more)  # type: ignore[arg-type]


_SMALL = RunCapacitor(herm_uf=35, fan_uf=5, vac=370, tolerance_pct=6)
_SINGLES = RunCapacitor(herm_uf=40, fan_uf=5, vac=440, tolerance_pct=6, form="singles")
_HERM_ONLY = RunCapacitor(herm_uf=55, vac=440, tolerance_pct=6)
_FAN_ONLY = RunCapacitor(fan_uf=7.5, vac=440, tolerance_pct=6)
_START = StartCapacitor(low_uf=135, high_uf=162, vac=330)
_ELECTRONIC = Fan(fla=1.2, kind="electronic")
_SHIFTS = Defrost(control="demand", limit_min=14, shift_delay=True, sensor_r25_ohm=10_000.0)
_SCROLL_2 = Compressor(rla=17.9, lra=96, kind="scroll", stages=2)
_RECIPROCATING = Compressor(rla=12.0, lra=70, kind="reciprocating")
_ROTARY = Compressor(rla=9.0, lra=48, kind="rotary")
# Twelve shapes of plate, as the bench is asked for.
SHAPES: dict[str, Plate] = {
    "scroll, timed board": _BASE,
    "scroll, demand, valve B": _like(defrost=DEMAND, valve="B"),
    "board not recorded": _like(defrost=Defrost(), aux_heat=AuxHeat(kind="none")),
    "reciprocating, relay, singles": _like(
        compressor=_RECIPROCATING, run_capacitor=_SINGLES, start_device="relay", start_capacitor=_START, defrost=DEMAND
    ),
    "two-wire kit": _like(start_device="two-wire"),
    "small rotary, 370 V": _like(compressor=_ROTARY, run_capacitor=_SMALL, fan=Fan(fla=0.8)),
    "two contactors": _like(compressor=_SCROLL_2, defrost=DEMAND),
    "electronic fan": _like(fan=_ELECTRONIC, run_capacitor=_HERM_ONLY),
    "three phase": _like(phase=3, run_capacitor=_FAN_ONLY, contactor=Contactor(poles=3, amps=40, coil_v=24)),
    "inverter": _like(compressor=Compressor(rla=17.9, kind="inverter"), fan=_ELECTRONIC, run_capacitor=None, defrost=DEMAND),
    "single pole": _like(contactor=Contactor(poles=1, amps=30, coil_v=24)),
    "shift delay, gas": _like(defrost=_SHIFTS, aux_heat=AuxHeat(kind="gas")),
}


def as_it_stands(plate: Plate) -> Plate:
    """The plate of the unit in the yard: it has a defrost control, on record or not.

    >>> as_it_stands(SHAPES["board not recorded"]).defrost.control
    'time-temperature'
    """
    return plate if plate.defrost.control is not None else replace(plate, defrost=TIMED)


def trials(plate: Plate, seeds: int, wrong: float = 0.0, missing: float = 0.0) -> Iterator[Trial]:
    """Every fault this unit can show, in every way it shows, and as many sound units, by seed."""
    table = table_of(as_it_stands(plate))
    for seed in range(seeds):
        for way in range(4):
            yield Trial(plate, None, 0, f"sound {seed} {way}", wrong, missing)
        for key in SHARES:
            row = table.rows[key]
            if not row.measured:
                continue
            for variant, kind in enumerate(row.ways):
                if _shows(kind):
                    yield Trial(plate, key, variant, f"{key} {variant} {seed}", wrong, missing)


def _shows(way: Way) -> bool:
    """Whether a strength moves any reading far: one too faint to show is no trial."""
    return any(
        shows[outcome] - TESTED[test].sound[outcome] > SHOWS_BY
        for test, shows in way.shows.items()
        if test not in LOOKED_AT.values()
        for outcome in shows
    )
