"""This unit's circuit, made from its plate: dual or two singles, start kit, one or two contactors, what the board reads."""

from dataclasses import dataclass, field

from outer_test.circuit.graph import Circuit, Link, LinkKind, Part, PartKind, Wire, WireGroup
from outer_test.measurement import say
from outer_test.nameplate import Plate, RunCapacitor
from outer_test.visit import Visit, capacitor_sections, has_start_capacitor, is_dual


@dataclass(slots=True)
class _Bench:
    """The circuit while it is put together."""

    parts: list[Part] = field(default_factory=list)
    wires: list[Wire] = field(default_factory=list)
    links: list[Link] = field(default_factory=list)

    def add(self, name: str, kind: PartKind, label: str, terminals: str, detail: str = "") -> None:
        self.parts.append(Part(name, kind, label, tuple(terminals.split()), detail))

    def join(self, a: str, b: str, group: WireGroup = "line") -> None:
        self.wires.append(Wire(f"{a}–{b}", a, b, group))

    def link(self, part: str, ends: str, kind: LinkKind) -> None:
        first, second = ends.split()
        self.links.append(Link(f"{part}.{first}", f"{part}.{second}", kind))


def make_circuit(visit: Visit) -> Circuit:
    """The circuit graph of this visit's unit, as far as its plate and fitted parts tell.

    >>> circuit = make_circuit(Visit())
    >>> circuit.problems(), circuit.part("capacitor").terminals
    ([], ('C', 'HERM', 'FAN'))
    """
    bench = _Bench()
    plate = visit.plate
    _line_side(bench, plate)
    _motors(bench, visit)
    _capacitors(bench, visit)
    _start_device(bench, visit)
    _control(bench, plate)
    return Circuit(tuple(bench.parts), tuple(bench.wires), tuple(bench.links))


def _line_side(bench: _Bench, plate: Plate) -> None:
    legs = (1, 2, 3) if plate.phase == 3 else (1, 2)
    names = " ".join(f"L{leg}" for leg in legs)
    bench.add("ground", "ground", "ground", "G")
    bench.link("ground", "G G", "bar")
    size = f"{say(plate.protection_a)} A" if plate.protection_a is not None else ""
    bench.add("disconnect", "disconnect", "disconnect", f"{names} {' '.join(str(leg) for leg in legs)}", size)
    poles = plate.contactor.poles or len(legs)
    volts = f"{say(plate.contactor.coil_v)} V coil" if plate.contactor.coil_v is not None else "24 V coil"
    for name in _contactors(plate):
        bench.add(name, "contactor", name.replace("2", " 2"), f"{names} {' '.join(f'T{leg}' for leg in legs)} A B", volts)
        for leg in legs:
            bench.link(name, f"L{leg} T{leg}", "contact" if leg <= poles else "bar")
        bench.link(name, "A B", "coil")
    for leg in legs:
        bench.link("disconnect", f"L{leg} {leg}", "fuse")
        bench.join(f"disconnect.{leg}", f"contactor.L{leg}")
        if plate.compressor.stages == 2:
            bench.join(f"contactor.L{leg}", f"contactor2.L{leg}")


def _contactors(plate: Plate) -> tuple[str, ...]:
    return ("contactor", "contactor2") if plate.compressor.stages == 2 else ("contactor",)


def _motors(bench: _Bench, visit: Visit) -> None:
    plate = visit.plate
    kind = plate.compressor.kind or "compressor"
    if plate.compressor.kind == "inverter":
        bench.add("drive", "drive", "motor module", "L1 L2 U V W", "d.c. bus")
        bench.link("drive", "L1 L2", "electronics")
        bench.add("compressor", "compressor", "compressor", "U V W", kind)
        for ends in ("U V", "V W", "U W"):
            bench.link("compressor", ends, "winding")
        for terminal in "UVW":
            bench.join(f"drive.{terminal}", f"compressor.{terminal}")
        bench.join("contactor.T1", "drive.L1")
        bench.join("contactor.T2", "drive.L2")
    elif plate.phase == 3:
        bench.add("compressor", "compressor", "compressor", "T1 T2 T3", kind)
        for ends in ("T1 T2", "T2 T3", "T1 T3"):
            bench.link("compressor", ends, "winding")
        for leg in (1, 2, 3):
            bench.join(f"contactor.T{leg}", f"compressor.T{leg}")
    else:
        second = " 2" if plate.compressor.stages == 2 else ""
        bench.add("compressor", "compressor", "compressor", f"C R S{second}", kind)
        for ends in ("C R", "C S"):
            bench.link("compressor", ends, "winding")
        bench.join("contactor.T1", "compressor.C")
        bench.join("contactor.T2", "compressor.R")
        if second:
            bench.link("compressor", "2 R", "coil")
            bench.join("contactor2.T1", "compressor.2")
    _fan(bench, visit)


def _fan(bench: _Bench, visit: Visit) -> None:
    plate = visit.plate
    if plate.fan.kind == "electronic":
        bench.add("fan", "fan", "fan", "C R", "electronic")
        bench.link("fan", "C R", "electronics")
        bench.join("contactor.T2", "fan.R")
    else:
        bench.add("fan", "fan", "fan", "C R S")
        bench.link("fan", "C R", "winding")
        bench.link("fan", "C S", "winding")
        bench.join("contactor.T2", "fan.R")
    bench.join("contactor.T1", "board.F1")
    bench.join("board.F2", "fan.C")


def capacitor_part(visit: Visit, section: str) -> str:
    """The name of the part that carries a section.

    >>> capacitor_part(Visit(), "fan")
    'capacitor'
    """
    return "capacitor" if is_dual(visit) else f"capacitor_{section}"


def _capacitors(bench: _Bench, visit: Visit) -> None:
    asked = visit.plate.run_capacitor or RunCapacitor()
    sections = capacitor_sections(visit)
    volts = f"{say(asked.vac)} V" if asked.vac is not None else ""
    value = {"herm": asked.herm_uf, "fan": asked.fan_uf}
    said = {name: say(uf) if uf is not None else "?" for name, uf in value.items()}
    if is_dual(visit) and len(sections) == 2:
        bench.add("capacitor", "dual-capacitor", f"{said['herm']} + {said['fan']} µF", "C HERM FAN", volts)
    else:
        for section in sections:
            bench.add(f"capacitor_{section}", "capacitor", f"{said[section]} µF", f"C {section.upper()}", volts)
    for section in sections:
        part = capacitor_part(visit, section) if len(sections) == 2 else f"capacitor_{section}"
        bench.link(part, f"C {section.upper()}", "capacitor")
        motor = "compressor.S" if section == "herm" else "fan.S"
        bench.join(f"{part}.{section.upper()}", motor)
    for part in dict.fromkeys(part.name for part in bench.parts if part.kind in ("dual-capacitor", "capacitor")):
        bench.join("contactor.T2", f"{part}.C")
    if "fan" not in sections and any(part.name == "fan" and "S" in part.terminals for part in bench.parts):
        _drop_terminal(bench, "fan", "S")
    if "herm" not in sections and any(part.name == "compressor" and "S" in part.terminals for part in bench.parts):
        bench.link("compressor", "R S", "winding")


def _drop_terminal(bench: _Bench, name: str, terminal: str) -> None:
    bench.parts = [
        Part(part.name, part.kind, part.label, tuple(own for own in part.terminals if own != terminal), part.detail)
        if part.name == name
        else part
        for part in bench.parts
    ]
    bench.links = [link for link in bench.links if f"{name}.{terminal}" not in (link.a, link.b)]


def _start_device(bench: _Bench, visit: Visit) -> None:
    plate, sections = visit.plate, capacitor_sections(visit)
    if not (has_start_capacitor(visit) or plate.start_device == "two-wire") or "herm" not in sections:
        return
    run = capacitor_part(visit, "herm") if len(sections) == 2 else "capacitor_herm"
    if plate.start_device == "two-wire":
        bench.add("start_kit", "start-kit", "start kit", "1 2", "two-wire")
        bench.link("start_kit", "1 2", "capacitor")
        bench.join(f"{run}.C", "start_kit.1")
        bench.join(f"{run}.HERM", "start_kit.2")
        return
    asked = plate.start_capacitor
    known = asked is not None and asked.low_uf is not None and asked.high_uf is not None
    band = f"{say(asked.low_uf or 0)}–{say(asked.high_uf or 0)} µF" if asked is not None and known else "? µF"
    bench.add("start_capacitor", "start-capacitor", band, "1 2", "start")
    bench.link("start_capacitor", "1 2", "capacitor")
    bench.add("relay", "start-relay", "potential relay", "1 2 5")
    bench.link("relay", "1 2", "relay")
    bench.link("relay", "2 5", "coil")
    bench.join(f"{run}.C", "start_capacitor.2")
    bench.join("start_capacitor.1", "relay.1")
    bench.join(f"{run}.HERM", "relay.2")
    bench.join("relay.5", "contactor.T1")


def _control(bench: _Bench, plate: Plate) -> None:
    """Every heat pump has a defrost board between Y and its contactor; which kind, and what it reads, is drawn where it is on record."""
    valve = plate.valve or "O"
    control = plate.defrost.control
    second = " Y2" if plate.compressor.stages == 2 else ""
    has_aux = plate.aux_heat.kind not in (None, "none")
    aux = " W" if has_aux else ""
    bench.add("indoor", "indoor", "indoors", f"R C Y {valve}{aux}{second}")
    bench.link("indoor", "R C", "electronics")
    bench.link("indoor", "R Y", "switch")
    minutes = f"{say(plate.defrost.minutes)} min" if plate.defrost.minutes is not None else ""
    ends, kind = _KINDS[control]
    bench.add("board", "board", "defrost board", f"R C Y {valve}{aux} YO F1 F2 {ends}", ", ".join(filter(None, (kind, minutes))))
    bench.link("board", "F1 F2", "relay")
    bench.link("board", "Y YO", "relay")
    for name in ("R", "C", "Y", valve, *aux.split()):
        bench.join(f"indoor.{name}", f"board.{name}", "control")
    bench.join("board.YO", "contactor.A", "control")
    bench.join("contactor.B", "board.C", "control")
    if second:
        bench.join("indoor.Y2", "contactor2.A", "control")
        bench.join("contactor2.B", "board.C", "control")
    bench.add("valve", "valve", "reversing valve", "1 2", f"on {valve}")
    bench.link("valve", "1 2", "coil")
    bench.join(f"board.{valve}", "valve.1", "control")
    bench.join("valve.2", "board.C", "control")
    _sensors(bench, control)


_KINDS = {None: ("", ""), "time-temperature": ("D1 D2", "time and temperature"), "demand": ("CS AS", "demand")}


def _sensors(bench: _Bench, control: str | None) -> None:
    if control is None:
        return
    if control == "time-temperature":
        bench.add("coil_switch", "coil-switch", "coil switch", "1 2")
        bench.link("coil_switch", "1 2", "switch")
        bench.join("board.D1", "coil_switch.1", "sensor")
        bench.join("board.D2", "coil_switch.2", "sensor")
        return
    for name, end, label in (("coil_sensor", "CS", "coil sensor"), ("ambient_sensor", "AS", "ambient sensor")):
        bench.add(name, "sensor", label, "1 2")
        bench.link(name, "1 2", "sensor")
        bench.join(f"board.{end}", f"{name}.1", "sensor")
        bench.join(f"{name}.2", "board.C", "sensor")
