"""What stands at each terminal while the unit is live: as in a sound unit with a call, stopped where a reading says it stops."""

from collections import deque
from collections.abc import Collection, Mapping
from decimal import Decimal

from outer_test.circuit.graph import Circuit, Link
from outer_test.circuit.ladder.drawn import Live
from outer_test.circuit.off import legs_open, wires_off
from outer_test.measurement import Measured
from outer_test.visit import POINTS, Visit, inputs_of, things_off

_DEAD_V, _DEAD_LOW_V = Decimal(30), Decimal(15)
# Volts that tell whether anything arrives at their probes, and under what they say that nothing does.
_TELLS = {
    **dict.fromkeys(("line.disconnect.v", "line.l1_l2.v", "contactor.line.v", "contactor.load.v"), _DEAD_V),
    **dict.fromkeys(("control.r_c.v", "control.stat_y.v", "control.y_in.v", "control.y_out.v", "contactor.coil.v"), _DEAD_LOW_V),
}
_SOURCES = {"disconnect.L1": Live.L1, "disconnect.L2": Live.L2, "disconnect.L3": Live.L3, "indoor.R": Live.LOW}
# The side that a reading is taken against.
_COMMON = ("C", "B", "G")
_FUSES = {"1": "line.fuse1.ohm", "2": "line.fuse2.ohm"}


def energised(circuit: Circuit, visit: Visit) -> dict[str, Live]:
    """What stands at each terminal of a unit that is live. Coils, windings and capacitors are where it ends.

    >>> from outer_test.circuit.build import make_circuit
    >>> found = energised(make_circuit(Visit()), Visit())
    >>> found["contactor.L1"].value, found.get("contactor.T1")
    ('L1', None)
    """
    things, readings = things_off(visit), inputs_of(visit).latest
    dead, off, open_legs = _read_dead(readings), wires_off(circuit, things), legs_open(things)
    ways: dict[str, list[str]] = {}
    pairs = [(wire.a, wire.b) for wire in circuit.wires if wire.name not in off]
    pairs += [(link.a, link.b) for link in circuit.links if _passes(link, visit, readings, open_legs)]
    for one, two in pairs:
        ways.setdefault(one, []).append(two)
        ways.setdefault(two, []).append(one)
    found: dict[str, Live] = {}
    there = circuit.terminals()
    for source, live in _SOURCES.items():
        if source in there and source not in dead:
            _spread(source, live, ways, dead, found)
    return found


def _spread(source: str, live: Live, ways: Mapping[str, list[str]], dead: Collection[str], found: dict[str, Live]) -> None:
    waiting = deque([source])
    while waiting:
        at = waiting.popleft()
        if at in found:
            continue
        found[at] = live
        waiting.extend(way for way in ways.get(at, ()) if way not in dead)


def _read_dead(readings: Mapping[str, Measured]) -> frozenset[str]:
    """The terminals at which a reading found nothing."""
    ends: set[str] = set()
    for point, least in _TELLS.items():
        reading, spots = readings.get(point), POINTS[point].probes
        if spots is not None and reading is not None and reading.number is not None and reading.number < least:
            ends.update(end for end in spots if end.rpartition(".")[2] not in _COMMON)
    return frozenset(ends)


def _passes(link: Link, visit: Visit, readings: Mapping[str, Measured], open_legs: Collection[str]) -> bool:
    """Whether what stands at one end of a link stands at its other end too."""
    part, _, own = link.a.partition(".")
    match link.kind:
        case "fuse":
            fuse = readings.get(_FUSES.get(own[1:], ""))
            return own[1:] not in open_legs and not (fuse is not None and fuse.number is None and fuse.value.kind != "closed")
        case "contact":
            return visit.saw(f"{part}.armature") == "in"
        case "bar":
            return part != "ground"
        case "relay":
            return part == "board" and not (own == "F1" and visit.saw("fan.state") == "still")
        case "switch":
            return part == "indoor"
        case _:
            return False
