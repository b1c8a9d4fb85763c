"""What a meter finds on a unit that is dead: capacitors, coils, fuses, windings, leads."""

from math import inf

from outer_test.twin.control import CONTROL_FUSE, ohms_of, valve_impedance
from outer_test.twin.unit import FUSE, OPEN_OHM, SOUND_OHM, Unit

Value = float | str


def _open(ohm: float) -> float:
    return inf if ohm >= OPEN_OHM / 10 else ohm


def dead_reads(unit: Unit) -> dict[str, Value]:
    """What every point of dead work reads, each part with its wires off; `inf` is an open line.

    >>> from outer_test.nameplate import Plate, RunCapacitor
    >>> from outer_test.twin.unit import make_unit
    >>> dead_reads(make_unit(Plate(run_capacitor=RunCapacitor(herm_uf=45, fan_uf=7.5, vac=440))))["cap.fan.uf"]
    7.5
    """
    reads: dict[str, Value] = {}
    for section in ("herm", "fan", "start"):
        if f"uf.{section}" in unit.values:
            leaks = unit.value(f"leak.{section}", OPEN_OHM) < 1000
            own = (
                {"herm": "fan", "fan": "herm"}.get(section, section) if unit.value("wires.swapped") else section
            )  # it sits on the other's wire
            reads[f"cap.{section}.uf"] = inf if leaks else unit.value(f"uf.{own}")
    for name in ("contactor", "contactor2"):
        if unit.circuit.part(name) is not None:
            reads[f"{name}.coil.ohm"] = _open(ohms_of(unit, name))
    reads["control.fuse.ohm"] = _open(unit.ohm(CONTROL_FUSE, "switch"))
    for leg in (1, 2):
        reads[f"line.fuse{leg}.ohm"] = _open(unit.ohm(FUSE[leg], "fuse"))
    if any(f"uf.{section}" in unit.values for section in ("herm", "fan")):
        reads["cap.case_ground.ohm"] = _to_ground(unit.value("cap.case"))
    reads["heater.ground.ohm"] = _to_ground(unit.value("heater.ground"))
    reads |= _windings(unit)
    if unit.circuit.part("relay") is not None:
        reads["relay.coil.ohm"] = _open(unit.value("relay.2–relay.5", 4000.0))
        reads["relay.contact.ohm"] = _open(unit.ohm("relay.1–relay.2", "relay"))
    if unit.circuit.part("valve") is not None:
        reads["defrost.valve_coil.ohm"] = _open(valve_impedance(unit).real)
    return reads


def _to_ground(broken_through: float) -> float:
    return 2.0 if broken_through else SOUND_OHM


def _windings(unit: Unit) -> dict[str, Value]:
    reads: dict[str, Value] = {}
    if unit.compressor is not None:
        reads |= _pairs("winding", unit, "compressor", unit.compressor.cold_r1, unit.compressor.cold_r1a)
        for terminal, wire in (("c", "contactor.T1–compressor.C"), ("r", "contactor.T2–compressor.R"), ("s", _s_lead(unit))):
            reads[f"lead.{terminal}.ohm"] = _open(unit.ohm(wire, "lead"))
    else:
        each = 0.05 * unit.volts / (unit.plate.compressor.lra or 80.0) * 8
        first = each * (1 - unit.value("compressor.shorted") / 2)  # of one phase, which two pairs have in them
        for pair, point, own in (("T1–T2", "c_r", first), ("T2–T3", "c_s", each), ("T1–T3", "r_s", first)):
            reads[f"winding.{point}.ohm"] = _open(own + unit.value(f"winding {pair}"))
        leads = [wire.name for wire in unit.circuit.wires if wire.b.split(".")[0] == "compressor"]
        reads |= {f"lead.{terminal}.ohm": _open(unit.ohm(wire, "lead")) for terminal, wire in zip("crs", leads, strict=False)}
    for terminal in "crs":
        reads[f"winding.{terminal}_ground.ohm"] = unit.value("compressor.ground", SOUND_OHM)
    if unit.fan is not None:
        reads |= _pairs("fan_winding", unit, "fan", unit.fan.cold_r1, unit.fan.cold_r1a)
    for terminal in "crs" if unit.fan is not None else "c":  # an electronic one is read at its line wire
        reads[f"fan_winding.{terminal}_ground.ohm"] = unit.value("fan.ground", SOUND_OHM)
    return reads


def _s_lead(unit: Unit) -> str:
    return next((wire.name for wire in unit.circuit.wires if wire.b == "compressor.S"), "capacitor.HERM–compressor.S")


def _pairs(group: str, unit: Unit, motor: str, main: float, start_ohm: float) -> dict[str, Value]:
    """The three pairs at the terminals: windings in series with what is open, the overload in the common."""
    shorted = 1 - unit.value(f"{motor}.shorted")
    run, second = main * shorted + unit.value(f"{motor}.run.ohm"), start_ohm + unit.value(f"{motor}.start.ohm")
    common = unit.value(f"{motor}.overload", 0.0)
    return {f"{group}.c_r.ohm": _open(run + common), f"{group}.c_s.ohm": _open(second + common), f"{group}.r_s.ohm": _open(run + second)}
