"""Where the probes go for each reading, in this unit's own circuit."""

from dataclasses import dataclass

from outer_test.circuit.build import capacitor_part
from outer_test.circuit.graph import Circuit
from outer_test.visit import Visit, capacitor_sections


@dataclass(frozen=True, slots=True)
class Probe:
    """Red and black terminals for a reading, or the wire that goes through the clamp."""

    point: str
    red: str = ""
    black: str = ""
    clamp: str = ""


_PAIRS = {
    "safe.line.v": ("contactor.L1", "contactor.L2"), "safe.l1_ground.v": ("contactor.L1", "ground.G"),
    "safe.l2_ground.v": ("contactor.L2", "ground.G"), "safe.load.v": ("contactor.T1", "contactor.T2"),
    "safe.load_l1_ground.v": ("contactor.T1", "ground.G"), "safe.load_l2_ground.v": ("contactor.T2", "ground.G"),
    "safe.control.v": ("board.R", "board.C"), "contactor.coil.ohm": ("contactor.A", "contactor.B"),
    "contactor.coil.v": ("contactor.A", "contactor.B"), "contactor.line.v": ("contactor.L1", "contactor.L2"),
    "contactor.load.v": ("contactor.T1", "contactor.T2"), "contactor.pole1.drop_v": ("contactor.L1", "contactor.T1"),
    "contactor.pole2.drop_v": ("contactor.L2", "contactor.T2"), "line.disconnect.v": ("disconnect.L1", "disconnect.L2"),
    "line.l1_l2.v": ("disconnect.1", "disconnect.2"), "line.l1_ground.v": ("disconnect.1", "ground.G"),
    "line.l2_ground.v": ("disconnect.2", "ground.G"), "line.fuse1.ohm": ("disconnect.L1", "disconnect.1"),
    "line.fuse2.ohm": ("disconnect.L2", "disconnect.2"), "line.fuse1.v": ("disconnect.L1", "disconnect.1"),
    "line.fuse2.v": ("disconnect.L2", "disconnect.2"), "line.starting.v": ("contactor.T1", "contactor.T2"),
    "control.r_c.v": ("indoor.R", "indoor.C"), "control.stat_r_c.v": ("indoor.R", "indoor.C"), "control.stat_y.v": ("indoor.Y", "indoor.C"),
    "control.y_in.v": ("board.Y", "board.C"), "control.y_out.v": ("board.YO", "board.C"), "lead.c.ohm": ("contactor.T1", "compressor.C"),
    "lead.r.ohm": ("contactor.T2", "compressor.R"), "safe.start.vdc": ("start_capacitor.1", "start_capacitor.2"),
    "cap.start.uf": ("start_capacitor.1", "start_capacitor.2"), "line.l2_l3.v": ("disconnect.2", "disconnect.3"),
    "line.l1_l3.v": ("disconnect.1", "disconnect.3"), "winding.insulation.mohm": ("compressor.C", "ground.G"),
    "defrost.switch.ohm": ("coil_switch.1", "coil_switch.2"), "defrost.coil_sensor.ohm": ("coil_sensor.1", "coil_sensor.2"),
    "defrost.ambient_sensor.ohm": ("ambient_sensor.1", "ambient_sensor.2"), "defrost.valve_coil.ohm": ("valve.1", "valve.2"),
    "defrost.valve_coil.v": ("valve.1", "valve.2"), "contactor2.coil.ohm": ("contactor2.A", "contactor2.B"),
    "contactor2.coil.v": ("contactor2.A", "contactor2.B"), "contactor2.pole1.drop_v": ("contactor2.L1", "contactor2.T1"),
    "contactor2.pole2.drop_v": ("contactor2.L2", "contactor2.T2"),
}  # fmt: skip
_CLAMPED_AT = {
    "amps.compressor.peak_a": "compressor.C", "amps.compressor.run_a": "compressor.C", "amps.fan.run_a": "fan.C",
    "amps.total.run_a": "disconnect.1", "contactor.pole1.a": "contactor.L1", "contactor.pole2.a": "contactor.L2",
    "contactor2.pole1.a": "contactor2.L1", "contactor2.pole2.a": "contactor2.L2",
    "cap.herm.load_a": "compressor.S", "cap.fan.load_a": "fan.S",
}  # fmt: skip


def probes(visit: Visit, circuit: Circuit) -> tuple[Probe, ...]:
    """The probe spots of every reading whose terminals this unit's circuit has.

    >>> from outer_test.circuit.build import make_circuit
    >>> spots = {one.point: one for one in probes(Visit(), make_circuit(Visit()))}
    >>> spots["cap.herm.uf"].red, spots["cap.herm.uf"].black, spots["amps.fan.run_a"].clamp
    ('capacitor.HERM', 'capacitor.C', 'contactor.T1–fan.C')
    """
    there = circuit.terminals()
    pairs = _PAIRS | _MOTOR_PAIRS | _capacitor_pairs(visit)
    clamped = ((point, circuit.wire_at(terminal)) for point, terminal in _CLAMPED_AT.items())
    return (
        *(Probe(point, *ends) for point, ends in pairs.items() if there.issuperset(ends)),
        *(Probe(point, clamp=wire.name) for point, wire in clamped if wire is not None),
    )


def _motor_pairs() -> dict[str, tuple[str, str]]:
    pairs: dict[str, tuple[str, str]] = {}
    for motor, part in (("winding", "compressor"), ("fan_winding", "fan")):
        for one, two in ("cr", "cs", "rs"):
            pairs[f"{motor}.{one}_{two}.ohm"] = (f"{part}.{one.upper()}", f"{part}.{two.upper()}")
        for one in "crs":
            pairs[f"{motor}.{one}_ground.ohm"] = (f"{part}.{one.upper()}", "ground.G")
    return pairs


_MOTOR_PAIRS = _motor_pairs()


def _capacitor_pairs(visit: Visit) -> dict[str, tuple[str, str]]:
    pairs: dict[str, tuple[str, str]] = {}
    sections = capacitor_sections(visit)
    for section in sections:
        part = capacitor_part(visit, section) if len(sections) == 2 else f"capacitor_{section}"
        ends = (f"{part}.{section.upper()}", f"{part}.C")
        for point in (f"cap.{section}.uf", f"cap.{section}.load_v", f"safe.c_{section}.vdc", f"cap.new_{section}.uf"):
            pairs[point] = ends
    pairs["safe.herm_fan.vdc"] = ("capacitor.HERM", "capacitor.FAN")
    herm = capacitor_part(visit, "herm") if len(sections) == 2 else "capacitor_herm"
    pairs["lead.s.ohm"] = (f"{herm}.HERM", "compressor.S")
    return pairs
