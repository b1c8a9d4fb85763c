"""What the parts that a defrost leans on read after it, unit off and coil warm, and what its volts were while it ran."""

from math import inf

from outer_test.rules.defrost import curve_of
from outer_test.twin.control import valve_impedance
from outer_test.twin.dead_reads import Value
from outer_test.twin.unit import OPEN_OHM, Unit

WARM_F, AIR_F = 64.0, 36.0
_CLOSES_F, _OPENS_F = 30.0, 55.0
_FED_V, _CLOSED_OHM, _SHORTED_OHM = 25.6, 0.3, 40.0


def defrost_parts(unit: Unit, coil_f: float = WARM_F, air_f: float = AIR_F) -> dict[str, Value]:
    """Switch or sensors, the valve's coil, its volts and the aux call in defrost, and what is seen of them.

    coil_f, air_f: what a thermometer beside them reads, °F. `inf` is an open line. Source: [M], as `winter`.

    >>> from outer_test.nameplate import Defrost, Plate
    >>> from outer_test.twin.unit import make_unit
    >>> defrost_parts(make_unit(Plate(defrost=Defrost(control="time-temperature"))))["defrost.switch.ohm"]
    inf
    """
    ohm = valve_impedance(unit).real
    on_in_defrost = (unit.plate.valve or "O") == "O"
    volts = (on_in_defrost and not unit.value("valve.relay_open")) or bool(unit.value("valve.relay_stuck"))
    called = on_in_defrost == bool(unit.value("stat.reversed"))  # the thermostat's O or B, heating
    heating = (called and not unit.value("valve.relay_open")) or bool(unit.value("valve.relay_stuck"))
    reads: dict[str, Value] = {
        "defrost.valve_coil.ohm": inf if ohm >= OPEN_OHM / 10 else ohm,
        "defrost.valve_coil.v": _FED_V if volts and not unit.value("valve.wire") else 0.0,
        "defrost.valve_heating.v": _FED_V if heating and not unit.value("valve.wire") else 0.0,
        "control.stat_valve.v": _FED_V if called else 0.0,
        "defrost.aux_call.v": 0.0 if unit.value("board.no_w") else _FED_V,
        "defrost.coil.f": coil_f,
        "defrost.valve_proof": "no" if unit.value("valve.stuck") or unit.value("valve.half") or unit.value("valve.coil_dead") else "shifts",
        "look.sensor.seat": "slipped" if unit.value("sensor.slipped") or unit.value("switch.loose") else "seated",
    }
    if unit.plate.defrost.control == "time-temperature":
        reads["defrost.switch.ohm"] = _CLOSED_OHM if _switch_closed(unit, air_f if unit.value("switch.loose") else coil_f) else inf
    else:
        reads["defrost.ambient.f"] = air_f
        reads["defrost.coil_sensor.ohm"] = _sensor(unit, "sensor", coil_f)
        reads["defrost.ambient_sensor.ohm"] = _sensor(unit, "ambient", air_f)
    return reads


def _switch_closed(unit: Unit, at_f: float) -> bool:
    """A switch that was warm: closed only where it is stuck so, or as cold as it closes."""
    defrost = unit.plate.defrost
    closes = (defrost.closes_f if defrost.closes_f is not None else _CLOSES_F) + unit.value("switch.shift_f")
    opens = (defrost.opens_f if defrost.opens_f is not None else _OPENS_F) + unit.value("switch.shift_f")
    came_from_cold = unit.value("switch.shift_f") > 0 and at_f < opens
    return not unit.value("switch.open") and bool(unit.value("switch.closed") or at_f <= closes or came_from_cold)


def _sensor(unit: Unit, name: str, at_f: float) -> float:
    """A thermistor's ohms, unplugged: it is held by hand against the thermometer, in its well or out of it."""
    if unit.value(f"{name}.open"):
        return inf
    if unit.value(f"{name}.shorted"):
        return _SHORTED_OHM
    return curve_of(unit.plate.defrost).ohm(at_f + unit.value(f"{name}.drift_f"))
