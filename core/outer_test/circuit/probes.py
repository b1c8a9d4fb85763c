"""Where the probes go for each reading, in this unit's own circuit."""

from dataclasses import dataclass

from outer_test.circuit.build import capacitor_part
from outer_test.circuit.graph import Circuit
from outer_test.visit import POINTS, Visit, capacitor_sections


@dataclass(frozen=True, slots=True)
class Probe:
    """Red and black terminals for a reading, or the wire that goes through the clamp."""

    point: str
    red: str = ""
    black: str = ""
    clamp: str = ""


def probes(visit: Visit, circuit: Circuit) -> tuple[Probe, ...]:
    """The probe spots of every reading whose terminals this unit's circuit has.

    >>> from outer_test.circuit.build import make_circuit
    >>> spots = {one.point: one for one in probes(Visit(), make_circuit(Visit()))}
    >>> spots["cap.herm.uf"].red, spots["cap.herm.uf"].black, spots["amps.fan.run_a"].clamp
    ('capacitor.HERM', 'capacitor.C', 'board.F2–fan.C')
    """
    there, carrier = circuit.terminals(), _carriers(visit)
    spots: list[Probe] = []
    for point in POINTS.values():
        if point.probes is not None:
            red, black = (_own(end, carrier) for end in point.probes)
            if there.issuperset((red, black)):
                spots.append(Probe(point.name, red, black))
        elif point.clamp_at and (wire := circuit.wire_at(point.clamp_at)) is not None:
            spots.append(Probe(point.name, clamp=wire.name))
    return tuple(spots)


def _carriers(visit: Visit) -> dict[str, str]:
    """The capacitor that carries each section of this unit."""
    sections = capacitor_sections(visit)
    named = {section: capacitor_part(visit, section) if len(sections) == 2 else f"capacitor_{section}" for section in ("herm", "fan")}
    return {"herm": named["herm"], "fan_section": named["fan"]}


def _own(terminal: str, carrier: dict[str, str]) -> str:
    part, _, own = terminal.partition(".")
    return f"{carrier.get(part, part)}.{own}"
