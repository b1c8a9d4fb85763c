"""The whole ladder of a visit's unit: both sections, how each part stands, what is live, and where the probes go."""

from collections.abc import Iterable, Mapping
from math import dist

from outer_test.circuit.build import make_circuit
from outer_test.circuit.energised import energised
from outer_test.circuit.graph import Circuit
from outer_test.circuit.ladder.drawn import Ladder, Place, ProbeSpot, Section, State
from outer_test.circuit.ladder.line_voltage import line_section
from outer_test.circuit.ladder.low_voltage import control_section
from outer_test.circuit.ladder.pen import Looks, Pen
from outer_test.circuit.off import legs_open, wires_off
from outer_test.circuit.probes import Probe, probes
from outer_test.circuit.state import standing_of
from outer_test.judgement import Finding
from outer_test.visit import PowerState, Visit, things_off


def ladder_of(visit: Visit, findings: Iterable[Finding], power: PowerState) -> Ladder:
    """Draw this unit as its plate tells it, with what the findings say of it. power: what is shown live is live only then.

    >>> drawn = ladder_of(Visit(), (), "unknown")
    >>> [section.title for section in drawn.sections]
    ['Line voltage', '24 V']
    """
    circuit = make_circuit(visit)
    stands = standing_of(circuit, findings)
    things = things_off(visit)
    looks = Looks(
        stands.parts, stands.wires, energised(circuit, visit) if power == "live" else {}, wires_off(circuit, things),
        _closed(circuit, visit, legs_open(things)),
    )  # fmt: skip
    spots = probes(visit, circuit)
    line, control = Pen(circuit, looks), Pen(circuit, looks)
    sections = (
        _section(line, "Line voltage", line_section(line), spots, "line"),
        _section(control, "24 V", control_section(control), spots, "control"),
    )
    return Ladder(sections, _says(circuit, stands.parts))


def _closed(circuit: Circuit, visit: Visit, open_legs: frozenset[str]) -> frozenset[str]:
    """The contacts known to be made, each written `part.terminal`."""
    poles = {link.a for link in circuit.links if link.kind == "contact" and visit.saw(f"{link.a.partition('.')[0]}.armature") == "in"}
    fuses = {link.a for link in circuit.links if link.kind == "fuse" and link.a[-1] not in open_legs}
    return frozenset(poles | fuses)


def _section(pen: Pen, title: str, height: float, spots: Iterable[Probe], name: str) -> Section:
    there = tuple(found for probe in spots if (found := _placed(pen, probe)) is not None)
    return Section(
        "line" if name == "line" else "control", title, height, tuple(pen.symbols), tuple(pen.strokes), tuple(pen.spots), tuple(pen.rungs),
        there,
    )  # fmt: skip


def _placed(pen: Pen, probe: Probe) -> ProbeSpot | None:
    """Where a reading's probes stand in this section; None where they do not."""
    if probe.clamp:
        clamp = _on_wire(pen, probe.clamp)
        if clamp is None:
            return None
        return ProbeSpot(probe.point, None, None, clamp, _rungs(pen, (clamp,)), f"Clamp on the wire {_spoken(probe.clamp)}.")
    # A terminal may be drawn on several rungs: the two that lie nearest to each other are meant.
    pairs = [
        (dist((red.x, red.y), (black.x, black.y)), Place(red.x, red.y), Place(black.x, black.y))
        for red in pen.spots
        for black in pen.spots
        if red.terminal == probe.red and black.terminal == probe.black
    ]
    if not pairs:
        return None
    _, red, black = min(pairs, key=lambda pair: pair[0])
    says = f"Red probe on {_spoken(probe.red)}, black on {_spoken(probe.black)}."
    return ProbeSpot(probe.point, red, black, None, _rungs(pen, (red, black)), says)


def _on_wire(pen: Pen, wire: str) -> Place | None:
    """The middle of a wire's longest straight piece."""
    pieces = [
        (dist((one.x, one.y), (two.x, two.y)), Place((one.x + two.x) / 2, (one.y + two.y) / 2))
        for stroke in pen.strokes
        if stroke.wire == wire
        for one, two in zip(stroke.places, stroke.places[1:], strict=False)
    ]
    return max(pieces, key=lambda piece: piece[0])[1] if pieces else None


def _rungs(pen: Pen, places: Iterable[Place]) -> tuple[str, ...]:
    return tuple(dict.fromkeys(rung.name for place in places for rung in pen.rungs if rung.top <= place.y <= rung.bottom))


def _spoken(terminal: str) -> str:
    return terminal.replace("_", " ").replace(".", " ")


def _says(circuit: Circuit, states: Mapping[str, State]) -> str:
    suspect = {name.partition(".")[0] for name, state in states.items() if state == "suspect"}
    suspects = ", ".join(part.label for part in circuit.parts if part.name in suspect)
    return f"Wiring of this unit: {', '.join(part.label for part in circuit.parts)}.{f' Suspect: {suspects}.' if suspects else ''}"
