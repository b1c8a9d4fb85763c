"""The line side as a network: supply, disconnect, contactors, leads, capacitors and motors, in the state they are in."""

from collections.abc import Mapping
from dataclasses import dataclass
from math import pi

from outer_test.circuit import Link
from outer_test.twin.motor import Motor
from outer_test.twin.network import GROUND, Network, between
from outer_test.twin.unit import BREAKER, FEEDER, OPEN_OHM, SOUND_OHM, Unit, is_lead

INSIDE = {"compressor": "compressor.inside", "fan": "fan.C"}
_SUPPLY_OHM = 0.015 + 0.01j  # of each half: transformer and service drop [M]
_HIGH_STAGE_OHM = 30.0  # what the second contactor feeds [M]
_HALF = complex(-0.5, 3**0.5 / 2)


@dataclass(frozen=True, slots=True)
class LineState:
    """What moves: which contactors are in, each motor's slip (None: its windings are left out), the start relay's contact."""

    armatures: tuple[str, ...] = ()
    compressor_slip: float | None = 1.0
    fan_slip: float = 1.0
    relay_closed: bool = True


@dataclass(frozen=True, slots=True)
class Solved:
    """The line side solved: volts of every terminal, and the motors' winding currents (main, start), A."""

    unit: Unit
    state: LineState
    volts: dict[str, complex]

    def across(self, a: str, b: str) -> float:
        """The volts between two terminals."""
        return between(self.volts, a, b)

    def through(self, wire: str, kind: str = "wire") -> float:
        """The amps in a wire, by its name."""
        a, _, b = wire.partition("–")
        return self.across(a, b) / self.unit.ohm(wire, "lead" if is_lead(wire) else kind)

    def windings(self, name: str) -> tuple[complex, complex]:
        """Main and start winding current of a capacitor motor, A."""
        motor, slip = _motor(self.unit, name, self.state)
        volts, inner = self.volts, INSIDE[name]
        main = volts.get(f"{name}.R", 0j) - volts.get(inner, 0j)
        start = volts.get(f"{name}.S", 0j) - volts.get(inner, 0j)
        mm, ms, sm, ss = motor.admittances(slip)
        return mm * main + ms * start, sm * main + ss * start

    def torque(self, name: str) -> float:
        """A motor's torque times its synchronous speed, W."""
        motor, slip = _motor(self.unit, name, self.state)
        return motor.power(slip, *self.windings(name))


def _motor(unit: Unit, name: str, state: LineState) -> tuple[Motor, float]:
    if name == "fan":
        return unit.fan_motor(), state.fan_slip
    return unit.compressor_motor(), 1.0 if state.compressor_slip is None else state.compressor_slip


def solve_line(unit: Unit, state: LineState, meters: Mapping[str, complex] | None = None) -> Solved:
    """The volts of the line side with these contactors in and the motors at these slips.

    meters: what a meter to ground adds at a terminal, S; it matters only where a leg is lost.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> dead = solve_line(make_unit(Plate()), LineState())
    >>> round(dead.across("disconnect.1", "disconnect.2")), round(dead.across("contactor.T1", "contactor.T2"), 1)
    (238, 0.0)
    """
    network = line_network(unit, state)
    for terminal, siemens in (meters or {}).items():
        network.join(terminal, GROUND, siemens)
    return Solved(unit, state, network.solve())


def line_network(unit: Unit, state: LineState) -> Network:
    """The network itself, for the solver and for the netlist. With `compressor_slip` None its windings are left out."""
    network = Network()
    _supply(network, unit)
    for wire in unit.circuit.wires:
        if wire.group == "line":
            network.join(wire.a, wire.b, 1 / unit.ohm(wire.name, "lead" if is_lead(wire.name) else "wire"))
    for link in unit.circuit.links:
        siemens = _inside(unit, state, link)
        if siemens:
            network.join(link.a, link.b, siemens)
    _compressor(network, unit, state)
    _fan(network, unit, state)
    for part in ("compressor", "fan"):
        terminal = "compressor.T1" if unit.plate.phase == 3 and part == "compressor" else f"{part}.C"
        if any(part == own.name and terminal.split(".")[1] in own.terminals for own in unit.circuit.parts):
            network.join(terminal, GROUND, 1 / unit.value(f"{part}.ground", SOUND_OHM))
    return network


def _supply(network: Network, unit: Unit) -> None:
    volts, inner = unit.value("supply.volts"), complex(_SUPPLY_OHM) * unit.value("supply.ohm", 1.0)
    if unit.plate.phase == 3:
        legs = {1: 1 + 0j, 2: _HALF, 3: _HALF.conjugate()}
        for leg, turn in legs.items():
            network.source(f"panel.{leg}", GROUND, volts / 3**0.5 * turn, inner)
    else:
        network.source("panel.1", GROUND, volts / 2, inner)
        network.source("panel.2", GROUND, -volts / 2, inner)
        legs = {1: 1, 2: -1}
    for leg in legs:
        network.join(f"panel.{leg}", f"breaker.{leg}", 1 / unit.ohm(BREAKER[leg], "breaker"))
        network.join(f"breaker.{leg}", f"disconnect.L{leg}", 1 / unit.ohm(FEEDER[leg], "feeder"))


def _inside(unit: Unit, state: LineState, link: Link) -> complex:
    """The admittance of what joins two terminals inside a part of the line side; 0 for what is not of it."""
    part, name = link.a.partition(".")[0], f"{link.a}–{link.b}"
    if link.kind == "fuse":
        return 1 / (unit.ohm(name, "fuse") + unit.value(f"blade {name}"))
    if link.kind in ("contact", "bar") and part in ("contactor", "contactor2"):
        closed = part in state.armatures or link.kind == "bar" or unit.value(f"{name} welded")
        return 1 / (unit.ohm(name, link.kind) if closed else OPEN_OHM)
    if link.kind == "relay" and part == "board" and link.a == "board.F1":
        return 1 / unit.ohm(name, "relay")
    if link.kind == "relay" and part == "relay":
        return 1 / (unit.ohm(name, "relay") if state.relay_closed else OPEN_OHM)
    if link.kind == "coil" and part == "relay":
        return 1 / unit.ohm(name, "wire") if name in unit.values else 1 / complex(4000, 9000)
    if link.kind == "coil" and part == "compressor":
        return 1 / _HIGH_STAGE_OHM
    if link.kind == "capacitor":
        return _capacitor(unit, part, link.b, state)
    return 0j


def _capacitor(unit: Unit, part: str, end: str, state: LineState) -> complex:
    section = "start" if part in ("start_capacitor", "start_kit") else "fan" if end.partition(".")[2] == "FAN" else "herm"
    leak = 1 / unit.value(f"leak.{section}", OPEN_OHM)
    if part == "start_kit" and not state.relay_closed:
        return leak
    farads = unit.value(f"uf.{section}") * 1e-6
    return 2j * pi * unit.hz * farads * (1 - 0.01j) + leak  # a hundredth of loss [M]


def _compressor(network: Network, unit: Unit, state: LineState) -> None:
    if unit.compressor is not None:
        network.join("compressor.C", INSIDE["compressor"], 1 / unit.value("compressor.overload", 0.01))
        if state.compressor_slip is not None:
            _windings(network, unit, "compressor", state)
    elif unit.plate.phase == 3:
        for one, two in (("T1", "T2"), ("T2", "T3"), ("T1", "T3")):
            network.join(f"compressor.{one}", f"compressor.{two}", 1 / _three_phase(unit, f"{one}–{two}", state.compressor_slip or 1.0))
    elif unit.plate.compressor.kind == "inverter":
        load = 0.7 * (unit.plate.compressor.rla or 15.0) / unit.volts
        network.join("drive.L1", "drive.L2", load if (state.compressor_slip or 1.0) < 1 else 1e-4)


def _three_phase(unit: Unit, winding: str, slip: float) -> complex:
    """One of three windings: locked it draws LRA in the line, turning 0.8 × RLA at a power factor of 0.85 [M].

    What it takes to magnetise stays, what it pumps goes with its load.
    """
    own = unit.plate.compressor
    if slip >= 1:
        inner = unit.volts * 3**0.5 / (own.lra or 80.0) * complex(0.5, 0.866)
    else:
        inner = unit.volts * 3**0.5 / (0.8 * (own.rla or 15.0)) / complex(0.85 * unit.value("compressor.load", 1.0), -0.527)
    return inner + unit.value(f"winding {winding}")


def _fan(network: Network, unit: Unit, state: LineState) -> None:
    if unit.fan is not None:
        _windings(network, unit, "fan", state)
    elif unit.plate.fan.kind == "electronic" and any(part.name == "fan" for part in unit.circuit.parts):
        load = unit.value("fan.load", 1.0) * 0.7 * (unit.plate.fan.fla or 1.0) / unit.volts
        network.join("fan.C", "fan.R", load + 1e-9)


def _windings(network: Network, unit: Unit, name: str, state: LineState) -> None:
    motor, slip = _motor(unit, name, state)
    inner, run, start = INSIDE[name], f"{name}.R", f"{name}.S"
    mm, ms, sm, ss = motor.admittances(slip)
    network.steer(run, inner, run, inner, mm)
    network.steer(run, inner, start, inner, ms)
    network.steer(start, inner, run, inner, sm)
    network.steer(start, inner, start, inner, ss)
