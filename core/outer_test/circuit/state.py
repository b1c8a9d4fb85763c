"""The circuit as the findings leave it: which parts and wires are proven, suspect, or not yet looked at."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from outer_test.circuit.build import make_circuit
from outer_test.circuit.graph import Circuit, Link, Part, Wire
from outer_test.circuit.probes import Probe, probes
from outer_test.judgement import Finding, Verdict
from outer_test.visit import Visit

State = Literal["proven", "not-yet", "suspect"]

# What a reading tells of: parts by the beginning of its point, and wires by a terminal they end at.
_PARTS: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("cap.herm.uf", ("capacitor", "capacitor_herm")), ("cap.fan.uf", ("capacitor", "capacitor_fan")), ("cap.start.uf", ("start_capacitor",)),
    ("cap.herm.load_a", ("capacitor", "capacitor_herm")), ("cap.fan.load_a", ("capacitor", "capacitor_fan")),
    ("look.capacitor.case", ("capacitor", "capacitor_herm", "capacitor_fan")), ("look.contactor2", ("contactor2",)),
    ("look.contactor", ("contactor",)),
    ("contactor.coil.ohm", ("contactor",)), ("contactor.pole", ("contactor",)), ("contactor.armature", ("contactor",)),
    ("contactor2.coil.ohm", ("contactor2",)), ("contactor2.pole", ("contactor2",)), ("contactor2.armature", ("contactor2",)),
    ("winding.", ("compressor",)), ("amps.compressor", ("compressor",)), ("fan_winding.", ("fan",)), ("amps.fan", ("fan",)),
    ("line.fuse", ("disconnect",)), ("control.y_out.v", ("board",)), ("control.r_c.v", ("indoor",)), ("defrost.switch", ("coil_switch",)),
    ("defrost.coil_sensor", ("coil_sensor",)), ("defrost.ambient_sensor", ("ambient_sensor",)), ("defrost.valve_coil.ohm", ("valve",)),
)  # fmt: skip
_WIRES: dict[str, tuple[tuple[str, str], ...]] = {
    "lead.c.ohm": (("contactor.T1", "compressor.C"),), "lead.r.ohm": (("contactor.T2", "compressor.R"),),
    "lead.s.ohm": (("HERM", "compressor.S"),), "cap.herm.load_a": (("HERM", "compressor.S"), ("contactor.T2", ".C")),
    "cap.fan.load_a": (("FAN", "fan.S"), ("contactor.T2", ".C")),
    "contactor.line.v": (("disconnect.1", "contactor.L1"), ("disconnect.2", "contactor.L2")),
    "amps.compressor.run_a": (("contactor.T1", "compressor.C"), ("contactor.T2", "compressor.R")),
    "amps.fan.run_a": (("", "fan.C"), ("contactor.T2", "fan.R"), ("contactor.T1", "board.F1")),
    "amps.total.run_a": (("disconnect.1", "contactor.L1"), ("disconnect.2", "contactor.L2")),
    "control.y_in.v": (("indoor.Y", "board.Y"), ("indoor.C", "board.C"), ("indoor.R", "board.R")),
    "contactor.coil.v": (("board.YO", "contactor.A"), ("contactor.B", "board.C"), ("indoor.Y", "contactor.A"), ("indoor.C", "contactor.B")),
    "contactor2.coil.v": (("indoor.Y2", "contactor2.A"), ("contactor2.B", "board.C"), ("indoor.C", "contactor2.B")),
    "defrost.valve_coil.v": (("board.", "valve.1"), ("valve.2", "board.C")),
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class PartShown:
    """A part and how it stands."""

    part: Part
    state: State


@dataclass(frozen=True, slots=True)
class WireShown:
    """A wire and how it stands."""

    wire: Wire
    state: State


@dataclass(frozen=True, slots=True)
class Cabinet:
    """What the drawing of a unit is made from: parts and wires with their state, inner links, and the probe spots."""

    parts: tuple[PartShown, ...]
    wires: tuple[WireShown, ...]
    links: tuple[Link, ...]
    probes: tuple[Probe, ...]


def cabinet(visit: Visit, findings: Iterable[Finding]) -> Cabinet:
    """The unit's circuit with what the findings say of it. A `bad` or `stop` makes suspect, a `good` or `watch` proves.

    >>> cabinet(Visit(), ()).parts[0].state
    'not-yet'
    """
    circuit = make_circuit(visit)
    parts: dict[str, State] = {}
    wires: dict[str, State] = {}
    for finding in findings:
        state = _state(finding.verdict)
        if state is None:
            continue
        for name in _parts_of(finding.point):
            _mark(parts, name, state)
        for wire in _wires_of(circuit, finding.point):
            _mark(wires, wire.name, state)
    return Cabinet(
        tuple(PartShown(part, parts.get(part.name, "not-yet")) for part in circuit.parts),
        tuple(WireShown(wire, wires.get(wire.name, "not-yet")) for wire in circuit.wires),
        circuit.links,
        probes(visit, circuit),
    )


def _state(verdict: Verdict | None) -> State | None:
    if verdict in (Verdict.BAD, Verdict.STOP):
        return "suspect"
    return "proven" if verdict in (Verdict.GOOD, Verdict.WATCH) else None


def _mark(states: dict[str, State], name: str, state: State) -> None:
    if states.get(name) != "suspect":
        states[name] = state


def _parts_of(point: str) -> tuple[str, ...]:
    return next((parts for prefix, parts in _PARTS if point.startswith(prefix)), ())


def _wires_of(circuit: Circuit, point: str) -> list[Wire]:
    ends = _WIRES.get(point, ())
    return [wire for wire in circuit.wires for one, two in ends if _joins(wire, one, two)]


def _joins(wire: Wire, one: str, two: str) -> bool:
    """Whether a wire runs between two ends, each given whole, by its part (`board.`) or by its terminal (`HERM`, `.C`)."""
    return (_is_end(wire.a, one) and _is_end(wire.b, two)) or (_is_end(wire.a, two) and _is_end(wire.b, one))


def _is_end(terminal: str, said: str) -> bool:
    if not said:
        return True
    if said.endswith("."):
        return terminal.startswith(said)
    if said.startswith(".") or "." not in said:
        return terminal.startswith("capacitor") and terminal.endswith(said)
    return terminal == said
