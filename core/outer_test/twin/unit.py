"""One unit as the twin holds it: its circuit, its motors, and every figure a fault can change, by name.

Figures are in `values`: ohms of a branch of the circuit by the branch's own name (`contactor.L1–contactor.T1`), the rest under
names of their own. What the plate does not tell is a usual unit's [M].
"""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache

from outer_test.circuit import Circuit, make_circuit
from outer_test.nameplate import Compressor, Contactor, Fan, Plate, RunCapacitor, StartCapacitor
from outer_test.twin.motor import Motor, shorted
from outer_test.twin.parameters import Drive, compressor, fan
from outer_test.visit import Visit, capacitor_sections, has_start_capacitor

OPEN_OHM = 1e8
_MOST_LRA = 1500.0
SOUND_OHM = 5e9  # insulation of a sound motor
# Branches that faults, points and tests name.
POLE = {leg: f"contactor.L{leg}–contactor.T{leg}" for leg in (1, 2, 3)}
FUSE = {leg: f"disconnect.L{leg}–disconnect.{leg}" for leg in (1, 2, 3)}
WHIP = {leg: f"disconnect.{leg}–contactor.L{leg}" for leg in (1, 2, 3)}
BREAKER = {leg: f"panel.{leg}–breaker.{leg}" for leg in (1, 2, 3)}
FEEDER = {leg: f"breaker.{leg}–disconnect.L{leg}" for leg in (1, 2, 3)}
_USUAL_OHM = {
    "wire": 0.006, "fuse": 0.002, "breaker": 0.004, "feeder": 0.03, "contact": 0.0015, "bar": 0.0005, "relay": 0.01, "lead": 0.02,
    "control wire": 0.4, "switch": 0.1,
}  # fmt: skip
_LEADS = ("compressor.C", "compressor.R", "compressor.S", "compressor.T1", "compressor.T2", "compressor.T3")


@dataclass(frozen=True, slots=True)
class Unit:
    """A unit with its figures. `plate` has its gaps filled; `compressor` is None for three phase and inverter, `fan` for electronic."""

    plate: Plate
    circuit: Circuit
    compressor: Drive | None
    fan: Drive | None
    values: Mapping[str, float]

    def ohm(self, branch: str, kind: str = "wire") -> float:
        """A branch's ohms: as a fault left them, else usual for its kind."""
        return self.values.get(branch, _USUAL_OHM[kind])

    def value(self, name: str, usual: float = 0.0) -> float:
        """A figure by name, or what is usual."""
        return self.values.get(name, usual)

    def with_values(self, changes: Mapping[str, float]) -> "Unit":
        """The same unit with some figures changed."""
        return replace(self, values={**self.values, **changes})

    @property
    def volts(self) -> float:
        """The highest rated volts of the plate."""
        return max(self.plate.volts)

    @property
    def hz(self) -> float:
        """Line frequency."""
        return float(self.plate.hz or 60)

    def compressor_motor(self) -> Motor:
        """The compressor's motor with what is wrong in its windings."""
        assert self.compressor is not None
        own = shorted(self.compressor.motor, self.value("compressor.shorted"))
        return replace(own, r1=own.r1 + self.value("compressor.run.ohm"), r1a=own.r1a + self.value("compressor.start.ohm"))

    def fan_motor(self) -> Motor:
        """The fan's motor with what is wrong in its windings."""
        assert self.fan is not None
        own = shorted(self.fan.motor, self.value("fan.shorted"))
        return replace(own, r1=own.r1 + self.value("fan.run.ohm"), r1a=own.r1a + self.value("fan.start.ohm"))


def is_lead(branch: str) -> bool:
    """Whether a branch is one of the compressor's leads.

    >>> is_lead("contactor.T1–compressor.C")
    True
    """
    return branch.endswith(_LEADS)


@lru_cache(maxsize=64)
def make_unit(plate: Plate) -> Unit:
    """The healthy unit of this plate. Kept per plate: fitting its motors is the dear part.

    >>> from outer_test.nameplate import Compressor
    >>> unit = make_unit(Plate(compressor=Compressor(rla=17.9, lra=96)))
    >>> unit.value("uf.herm") > 30, unit.plate.volts
    (True, (208.0, 230.0))
    """
    full = filled(plate)
    visit = Visit(plate=full)
    sections = capacitor_sections(visit)
    cap = full.run_capacitor or RunCapacitor()
    values: dict[str, float] = {"supply.volts": 1.035 * max(full.volts)}
    drive = air = None
    if "herm" in sections and cap.herm_uf is not None:
        values["uf.herm"] = cap.herm_uf
    if "fan" in sections and cap.fan_uf is not None:
        values["uf.fan"] = cap.fan_uf
    if has_start_capacitor(visit) and full.start_capacitor is not None:
        values["uf.start"] = ((full.start_capacitor.low_uf or 0) + (full.start_capacitor.high_uf or 0)) / 2
    elif full.start_device == "two-wire":
        values["uf.start"] = 2.0 * values.get("uf.herm", 45.0)
    volts, hz = max(full.volts), float(full.hz or 60)
    own = full.compressor
    if "uf.herm" in values and own.lra is not None and own.rla is not None:
        drive = compressor(volts, hz, own.lra, own.rla, values["uf.herm"], cap.vac, own.kind or "scroll", has_start_capacitor(visit))
    if "uf.fan" in values and full.fan.fla is not None:
        air = fan(volts, hz, full.fan.fla, values["uf.fan"], cap.vac)
    return Unit(full, make_circuit(visit), drive, air, values)


def filled(plate: Plate) -> Plate:
    """The plate with a usual unit's figures where it has none [M]: an unknown figure must not stop the twin.

    >>> filled(Plate()).compressor.rla
    15.0
    """
    volts = plate.volts or ((208.0, 230.0))
    own = plate.compressor
    rla = own.rla or (plate.mca / 1.4 if plate.mca else own.lra / 5.5 if own.lra else 15.0)
    kind = own.kind or "scroll"
    lra = own.lra or (None if kind == "inverter" else min(5.5 * rla, _MOST_LRA))
    asked = plate.run_capacitor or RunCapacitor()
    if asked.herm_uf is None and asked.fan_uf is None:
        asked = replace(asked, herm_uf=_usual_herm(rla), fan_uf=5.0)
    needs = _needs(plate)
    cap = replace(
        asked,
        herm_uf=asked.herm_uf or (_usual_herm(rla) if "herm" in needs else None),
        fan_uf=asked.fan_uf or (5.0 if "fan" in needs else None),
    )
    start = plate.start_capacitor
    if start is None and plate.start_device == "relay":
        start = StartCapacitor(low_uf=3 * (cap.herm_uf or 45), high_uf=3.6 * (cap.herm_uf or 45), vac=330)
    elif start is not None and (start.low_uf is None or start.high_uf is None):
        middle = start.low_uf or start.high_uf or 3.3 * (cap.herm_uf or 45)
        start = replace(start, low_uf=0.92 * middle, high_uf=1.08 * middle)
    return replace(
        plate, volts=volts, phase=plate.phase or 1, hz=plate.hz or 60,
        compressor=Compressor(rla, lra, kind, own.stages, own.winding),
        fan=Fan(plate.fan.fla or 1.2, plate.fan.kind, plate.fan.count, plate.fan.switched_by_board),
        run_capacitor=None if not needs else cap, start_capacitor=start,
        contactor=Contactor(plate.contactor.poles, plate.contactor.amps, plate.contactor.lra, plate.contactor.coil_v or 24.0),
    )  # fmt: skip


def _needs(plate: Plate) -> frozenset[str]:
    """The capacitor sections this unit has."""
    return frozenset(capacitor_sections(Visit(plate=plate)))


def _usual_herm(rla: float) -> float:
    """A usual run capacitor beside a compressor of so many amps, µF [T]: 35 at 11 A, 45 at 15, 70 at 23."""
    return min(max(round(3.05 * rla / 5) * 5.0, 15.0), 100.0)
