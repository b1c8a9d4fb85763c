"""What one unit of the twin shows to a technician through one meter: its readings with the meter's error, and what is seen."""

import random
from collections.abc import Mapping
from dataclasses import dataclass
from math import inf

from outer_test.rules.start_and_run import expected_amps
from outer_test.twin import Unit, Value, defrost_parts
from outer_test.visit import POINTS

LEADS_OHM = 0.12
TOP_OHM = 4e7
COLD_F, WARM_F, OUTDOOR_F = 24.0, 64.0, 36.0
_COLD_SHELL_F, _HOT_SHELL_F = "40", "165"
_DIGITS = {"v": 1, "a": 1, "uf": 1, "ohm": 1, "vdc": 1, "f": 0, "s": 2, "psi": 0, "dif": 0, "mohm": 0, "h": 0, "flashes": 0}
# What a sound unit answers where the twin has nothing to say.
_USUAL: dict[str, str] = {
    "winding.at": "terminals", "control.delay": "over", "control.display": "lit", "control.blower": "runs", "safe.tester_before": "yes",
    "safe.tester_after": "yes", "look.board.lights": "steady", "start.equalised": "yes", "defrost.rested": "yes", "defrost.ice": "no",
    "winding.off_h": "3", "record.suction.psi": "118", "record.liquid.psi": "340", "winding.leads.ohm": "0.1",
    "look.contactor2.faces": "clean", "amps.stage": "high", "button.final_run": "good", "record.acid": "clear",
    "contactor2.pole2.drop_v": "0.006", "contactor2.pole2.a": "7.9",
    "aux.line.v": "240", "start.freed": "no", "button.terminals": "tight",
}  # fmt: skip
_AT_PLUG = {"winding.c_r.ohm": "cr", "winding.c_s.ohm": "cs", "winding.r_s.ohm": "rs"}


@dataclass(slots=True)
class Answers:
    """What the unit shows, through one meter."""

    unit: Unit
    reads: Mapping[str, Value]
    looks: Mapping[str, str]
    gain: Mapping[str, float]
    chance: random.Random
    wrong: float
    coil_f: float = COLD_F
    at_plug: bool = True
    closed_once: bool = False

    def at(self, point: str) -> str | None:
        """What is entered at a point; None where this technician has no answer."""
        record = POINTS[point]
        if point == "winding.at":
            return "plug" if self.at_plug else "terminals"
        if point == "winding.shell.f":
            hot = self.unit.value("compressor.overload") and not self.unit.value("compressor.overload.stays")
            return _HOT_SHELL_F if hot else _COLD_SHELL_F
        value = self._value(point)
        if record.kind == "seen":
            return self.looks.get(point) or self._word(point, value)
        if point.startswith("safe."):
            return "0.1"
        if isinstance(value, str) or value is None:
            return _USUAL.get(point)
        if self.wrong and self.chance.random() < self.wrong:
            value = self.chance.choice([0.0, value * 0.4, value * 2.2, inf if record.unit == "ohm" else value * 0.1])
        return self._shown(value, record.unit)

    def _value(self, point: str) -> Value | None:
        if point.startswith(("defrost.", "look.sensor", "control.stat_valve")) and point != "defrost.control.v":
            return defrost_parts(self.unit, self.coil_f).get(point) if self.unit.plate.defrost.control is not None else None
        if point == "aux.idle.a" or point.startswith("amps.element"):
            draws = self.unit.value("element.stuck_on") if point == "aux.idle.a" else not self.unit.value("element.open")
            return float(expected_amps(self.unit.plate.aux_heat.elements[0])) if draws else 0.0
        if point == "amps.total.run_a":
            return float(self.reads["amps.compressor.run_a"]) + float(self.reads["amps.fan.run_a"])
        if self.at_plug and point.startswith("winding.") and "_ground" in point and self.unit.value("harness.ground"):
            return 5.0
        if self.at_plug and point in _AT_PLUG and any(self.reads.get(f"lead.{terminal}.ohm") == inf for terminal in _AT_PLUG[point]):
            return inf
        if point == "amps.compressor.peak_a" and "line.reset" in self.reads and not self.closed_once:
            return 0.0  # its breaker is still tripped
        return self.reads.get(point)

    def _word(self, point: str, value: Value | None) -> str | None:
        if value is None:
            value = _USUAL.get(point)
        if not isinstance(value, str):
            return None
        value = {"start.result": {"chatters": "nothing"}}.get(point, {}).get(value, value)
        return value if value in POINTS[point].choices else None

    def _shown(self, value: float, unit: str) -> str:
        if unit == "ohm" and value > TOP_OHM:
            return "OL"
        if unit == "uf" and value == inf:
            return "OL"
        if unit == "ohm" and value < 1000:
            value += LEADS_OHM  # the test leads are in it
        digits = _DIGITS.get(unit, 1) + (1 if (unit in ("v", "a") and value < 4) or (unit == "ohm" and value < 10) else 0)
        return f"{value * self.gain.get(unit, 1.0):.{digits}f}"
