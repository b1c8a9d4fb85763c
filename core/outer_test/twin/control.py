"""The low-voltage side as a network: transformer, its fuse, thermostat, float switch, wires, board and coils; and what they pull in.

It meets the line side only in what its coils do to contacts. The transformer is fed indoors, on a circuit of its own.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from math import pi

from outer_test.twin.network import GROUND, Network
from outer_test.twin.unit import Unit

# Branches indoors, which the drawing of the outdoor unit keeps in one box.
CONTROL_FUSE = "transformer.R–indoor.F"
STAT_WIRE = "indoor.F–indoor.R"
COMMON_WIRE = "transformer.C–indoor.C"
STAT_CONTACT = "indoor.R–stat.Y"
FLOAT = "stat.Y–indoor.Y"
_TRANSFORMER_V, _TRANSFORMER_OHM = 27.0, 1.0 + 0.6j  # 40 VA [M]
_STRAY_F = 4e-11  # between two conductors of a thermostat cable [M]
METER_S = 1e-7 + 2j * pi * 60 * 1e-10  # 10 MΩ beside 100 pF
PULLS_IN, CHATTERS = 0.80, 0.68  # of a coil's rated volts [P: IEC 60947-4-1, from memory; the lower one T]
_COIL_OHM, _OPEN_GAP, _SEALED = 11.0, 1.6, 5.0  # a 24 V contactor coil: ohms, and reactance over ohms before and after pulling in [M]
_DEAD_COIL = 5.0  # times a sound coil's ohms: no current that pulls anything in
_VALVE_OHM = 17.0 + 45j
_BOARD_OHM = 200.0


@dataclass(frozen=True, slots=True)
class ControlState:
    """Who calls and what has moved: cooling or heating call, stage 2, which contactors are in, whether the valve is energised."""

    call: bool = True
    second_stage: bool = False
    armatures: tuple[str, ...] = ()
    valve: bool = False
    board_passes: bool = True


@dataclass(frozen=True, slots=True)
class Control:
    """The low-voltage side of a unit in one state."""

    unit: Unit
    state: ControlState

    def reads(self, a: str, b: str, meter: complex = METER_S) -> float:
        """What a meter shows between two terminals, V: it loads the circuit a little, and a broken wire a lot."""
        return self.reads_at({"": (a, b)}, meter)[""]

    def reads_at(self, points: Mapping[str, tuple[str, str]], meter: complex = METER_S) -> dict[str, float]:
        """What the same meter shows at each of several points, one after the other.

        Source: Thévenin's theorem: V ÷ (1 + Z × what the meter lets through).
        """
        volts, ohms = control_network(self.unit, self.state).seen_from(*points.values())
        return {point: abs(volts[place] / (1 + ohms[place][place] * meter)) for place, point in enumerate(points)}


def control_network(unit: Unit, state: ControlState) -> Network:
    """The network of the low-voltage side.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> control = Control(make_unit(Plate()), ControlState())
    >>> 23 < control.reads("contactor.A", "contactor.B") < 28
    True
    """
    network = Network()
    network.source(
        "transformer.R",
        "transformer.C",
        unit.value("transformer.volts", _TRANSFORMER_V),
        unit.value("transformer.ohm", 1.0) * _TRANSFORMER_OHM,
    )
    network.join("transformer.C", GROUND, 100.0)
    network.join("transformer.R", "indoor.F", 1 / unit.ohm(CONTROL_FUSE, "switch"))
    network.join("indoor.F", "indoor.R", 1 / unit.ohm(STAT_WIRE, "control wire"))
    network.join("transformer.C", "indoor.C", 1 / unit.ohm(COMMON_WIRE, "control wire"))
    stray = 2j * pi * 60 * _STRAY_F
    for call, contact in (("Y", state.call), ("Y2", state.call and state.second_stage)):
        if f"indoor.{call}" in unit.circuit.terminals():
            network.join("indoor.R", f"stat.{call}", 1 / unit.ohm(f"indoor.R–stat.{call}", "switch") if contact else 1e-9)
            network.join(f"stat.{call}", f"indoor.{call}", 1 / unit.ohm(f"stat.{call}–indoor.{call}", "switch"))
            network.join("indoor.R", f"indoor.{call}", stray)
    for wire in unit.circuit.wires:
        if wire.group == "control":
            network.join(_own(wire.a), _own(wire.b), 1 / unit.ohm(wire.name, "control wire") + stray)
    _board(network, unit, state)
    for name in ("contactor", "contactor2"):
        if unit.circuit.part(name) is not None:
            network.join(f"{name}.A", f"{name}.B", 1 / coil_impedance(unit, name, name in state.armatures))
    return network


def _own(terminal: str) -> str:
    """The board's R is fed from the indoor side of the thermostat's cable, where the fuse ends."""
    return "indoor.F" if terminal == "indoor.R" else terminal


def _board(network: Network, unit: Unit, state: ControlState) -> None:
    network.join("board.R", "board.C", 1 / unit.value("board.ohm", _BOARD_OHM))
    network.join("board.Y", "board.YO", 1 / unit.ohm("board.Y–board.YO", "relay") if state.board_passes else 1e-9)
    valve = unit.plate.valve or "O"
    network.join("valve.1", "valve.2", 1 / valve_impedance(unit))
    network.join("board.R", f"board.{valve}", 1 / unit.ohm("board valve relay", "relay") if state.valve else 1e-9)


def coil_impedance(unit: Unit, name: str, sealed: bool) -> complex:
    """A contactor coil's impedance, Ω: little reactance while the gap is open, much once it has pulled in."""
    ohms, sound = ohms_of(unit, name), sound_ohms(unit)
    return complex(ohms, min(ohms, sound) * (_SEALED if sealed else _OPEN_GAP))


def ohms_of(unit: Unit, name: str) -> float:
    """A contactor coil's ohms, as a meter reads them with its leads off.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> ohms_of(make_unit(Plate()), "contactor")
    11.0
    """
    return unit.value(f"{name}.coil.ohm", sound_ohms(unit))


def sound_ohms(unit: Unit) -> float:
    """A usual coil's ohms for its rated volts: the same watts at any voltage."""
    return _COIL_OHM * (rated_coil_volts(unit) / 24) ** 2


def rated_coil_volts(unit: Unit) -> float:
    """The coil's rated volts."""
    return unit.plate.contactor.coil_v or 24.0


def valve_impedance(unit: Unit) -> complex:
    """The reversing valve's coil, Ω."""
    ohms = unit.value("valve.coil.ohm", _VALVE_OHM.real)
    return complex(ohms, _VALVE_OHM.imag * min(ohms / _VALVE_OHM.real, 1.0))


def armature(unit: Unit, name: str, state: ControlState) -> str:
    """What a contactor does with its call: in, out or chatters. A line-voltage coil has its call where the low one has.

    >>> from outer_test.nameplate import Plate
    >>> from outer_test.twin.unit import make_unit
    >>> armature(make_unit(Plate()), "contactor", ControlState())
    'in'
    """
    if unit.value(f"{name}.welded"):
        return "in"
    if ohms_of(unit, name) > _DEAD_COIL * sound_ohms(unit):
        return "out"
    share = Control(unit, state).reads(f"{name}.A", f"{name}.B") / 24.0
    if share < CHATTERS or unit.value(f"{name}.stuck"):
        return "out"
    return "in" if share >= PULLS_IN * unit.value(f"{name}.pull_in", 1.0) else "chatters"
