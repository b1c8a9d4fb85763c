"""The circuit as the findings leave it: which parts and wires are proven, suspect, or not yet looked at."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from outer_test.circuit.graph import Circuit, Wire
from outer_test.circuit.ladder.drawn import State
from outer_test.judgement import Finding, Verdict
from outer_test.visit import POINTS, Point

CAPACITORS = ("capacitor", "capacitor_herm", "capacitor_fan")


@dataclass(frozen=True, slots=True)
class Standing:
    """Parts (or a section of one, as `capacitor.HERM`) and wires by name, where the findings say something of them; what is not here was not looked at yet."""

    parts: Mapping[str, State]
    wires: Mapping[str, State]


def standing_of(circuit: Circuit, findings: Iterable[Finding]) -> Standing:
    """What the findings say of a circuit. A `bad` or `stop` makes suspect, a `good` or `watch` proves.

    >>> from outer_test.circuit.build import make_circuit
    >>> from outer_test.visit import Visit
    >>> standing_of(make_circuit(Visit()), ()).parts
    {}
    """
    parts: dict[str, State] = {}
    wires: dict[str, State] = {}
    for finding in findings:
        state, point = _state(finding.verdict), POINTS.get(finding.point)
        if state is None or point is None:
            continue
        for name in point.tells_of:
            _mark(parts, name, state)
        for wire in _wires(circuit, point):
            _mark(wires, wire.name, state)
    return Standing(parts, wires)


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
