"""The circuit as the findings leave it: which parts and wires are proven, suspect, or not yet looked at."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from outer_test.circuit.build import make_circuit
from outer_test.circuit.graph import Circuit, Link, Part, Wire
from outer_test.circuit.probes import Probe, probes
from outer_test.judgement import Finding, Verdict
from outer_test.visit import POINTS, Point, Visit

State = Literal["proven", "not-yet", "suspect"]
CAPACITORS = ("capacitor", "capacitor_herm", "capacitor_fan")


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
        point = POINTS.get(finding.point)
        if point is None:
            continue
        for name in point.tells_of:
            _mark(parts, name, state)
        for wire in _wires(circuit, point):
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


def _wires(circuit: Circuit, point: Point) -> list[Wire]:
    return [wire for wire in circuit.wires for one, two in point.proves if _joins(wire, one, two)]


def _joins(wire: Wire, one: str, two: str) -> bool:
    """Whether a wire runs between two ends, each given whole, by its part (`board.`) or by a capacitor's terminal (`HERM`, `.C`)."""
    return (_is_end(wire.a, one) and _is_end(wire.b, two)) or (_is_end(wire.a, two) and _is_end(wire.b, one))


def _is_end(terminal: str, end: str) -> bool:
    part, _, pin = end.rpartition(".")
    own_part, _, own_pin = terminal.rpartition(".")
    if not end:
        return True
    if not pin:
        return own_part == part
    if not part:
        return own_part in CAPACITORS and own_pin == pin
    return terminal == end
