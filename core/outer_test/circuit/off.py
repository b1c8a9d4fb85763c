"""Which wires of this unit a thing on the not-put-back list takes off, and what a wire is called when it is lifted."""

from collections.abc import Iterable

from outer_test.circuit.graph import Circuit, Wire
from outer_test.visit import Thing

# A thing by the terminals whose wires it takes off; `part.` for every terminal of a part. First come, first named.
_ENDS: dict[Thing, tuple[str, ...]] = {
    Thing.START_CAPACITOR_WIRES: ("start_capacitor.", "start_kit."),
    Thing.HERM_WIRES: ("capacitor.HERM", "capacitor_herm.HERM"),
    Thing.FAN_WIRE: ("capacitor.FAN", "capacitor_fan.FAN"),
    Thing.COMMON_WIRES: ("capacitor.C", "capacitor_herm.C", "capacitor_fan.C"),
    Thing.COIL_LEADS: ("contactor.A", "contactor.B"),
    Thing.SECOND_COIL_LEADS: ("contactor2.A", "contactor2.B"),
    Thing.COMPRESSOR_LEADS: ("compressor.",),
    Thing.COMPRESSOR_PLUG: ("compressor.",),
    Thing.FAN_LEADS: ("fan.",),
    Thing.VALVE_LEADS: ("valve.",),
    Thing.SWITCH_LEAD: ("coil_switch.1",),
    Thing.COIL_SENSOR_PLUG: ("coil_sensor.",),
    Thing.AMBIENT_SENSOR_PLUG: ("ambient_sensor.",),
    Thing.AUX_WIRE: ("board.W",),
    Thing.Y_WIRE: ("board.Y",),
    Thing.BOARD_PLUG: ("board.R", "board.C"),
}
# What opens a leg at the disconnect, by leg; none for every leg.
_LEGS = {Thing.DISCONNECT: "", Thing.FUSES: "", Thing.FUSE_1: "1", Thing.FUSE_2: "2"}


def wires_off(circuit: Circuit, things: Iterable[Thing]) -> frozenset[str]:
    """The names of the wires that are off while these things are.

    >>> from outer_test.circuit.build import make_circuit
    >>> from outer_test.visit import Visit
    >>> sorted(wires_off(make_circuit(Visit()), {Thing.FAN_WIRE}))
    ['capacitor.FAN–fan.S']
    """
    ends = tuple(end for thing in things for end in _ENDS.get(thing, ()))
    return frozenset(wire.name for wire in circuit.wires if _touches(wire, ends))


def thing_at(wire: Wire) -> Thing | None:
    """What goes on the list where this wire is lifted; None for a wire that no reading asks to lift.

    >>> thing_at(Wire("w", "capacitor.HERM", "compressor.S")).value
    'herm-wires'
    """
    return next((thing for thing, ends in _ENDS.items() if _touches(wire, ends)), None)


def legs_open(things: Iterable[Thing]) -> frozenset[str]:
    """The legs that are open at the disconnect.

    >>> sorted(legs_open({Thing.FUSE_2}))
    ['2']
    """
    named = {_LEGS[thing] for thing in things if thing in _LEGS}
    return frozenset("123") if "" in named else frozenset(named)


def _touches(wire: Wire, ends: Iterable[str]) -> bool:
    return any(_is_at(side, end) for end in ends for side in (wire.a, wire.b))


def _is_at(terminal: str, end: str) -> bool:
    """Whether a terminal is the one named, or one of the part where no terminal is."""
    (part, _, own), (named, _, pin) = terminal.partition("."), end.partition(".")
    return part == named and pin in ("", own)
