"""Every point a reading can be taken at: its unit, its station, whether it is dead or live work."""

from dataclasses import dataclass
from typing import Literal

Power = Literal["dead", "live", "any"]
Kind = Literal["number", "seen"]

UNIT_SIGN = {
    "uf": "µF", "v": "V", "vdc": "V d.c.", "a": "A", "ohm": "Ω", "mohm": "MΩ", "f": "°F", "s": "s", "h": "h",
    "psi": "psi", "dif": "°F", "flashes": "flashes", "": "",
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Point:
    """A place to measure or look at. `unit` is the last word of a measured point's name."""

    name: str
    station: str
    power: Power
    kind: Kind = "number"
    unit: str = ""
    choices: tuple[str, ...] = ()
    ceiling: float | None = None  # above this a typed value is taken for a slip, not a reading

    @property
    def sign(self) -> str:
        """The unit as written on a screen."""
        return UNIT_SIGN[self.unit]


MAY_BE_NEGATIVE = ("f", "vdc", "psi", "dif")

# Far above anything a residential outdoor unit shows, so that only slips of the key or the meter's prefix are caught.
_CEILING = {
    "uf": 200.0,
    "v": 1000.0,
    "vdc": 1000.0,
    "a": 600.0,
    "ohm": 1e8,
    "mohm": 1e6,
    "f": 400.0,
    "s": 3600.0,
    "h": 9e4,
    "psi": 1000.0,
    "dif": 200.0,
    "flashes": 60.0,
}
_CEILING_AT = {"cap.start.uf": 1200.0}


def _measured(station: str, power: Power, names: str) -> dict[str, Point]:
    points = {}
    for name in names.split():
        unit = name.replace("_", ".").rsplit(".", 1)[-1]
        points[name] = Point(name, station, power, "number", unit, (), _CEILING_AT.get(name, _CEILING[unit]))
    return points


def _seen(station: str, power: Power, **choices: str) -> dict[str, Point]:
    return {
        (name := key.replace("__", ".")): Point(name, station, power, "seen", "", tuple(words.split())) for key, words in choices.items()
    }


POINTS: dict[str, Point] = {
    **_seen("safe", "any", safe__tester_before="yes no", safe__tester_after="yes no"),
    **_measured(
        "safe", "any",
        "safe.line.v safe.l1_ground.v safe.l2_ground.v safe.load.v safe.load_l1_ground.v safe.load_l2_ground.v "
        "safe.control.v safe.bus.vdc safe.c_herm.vdc safe.c_fan.vdc safe.herm_fan.vdc safe.start.vdc",
    ),
    **_seen(
        "look", "any",
        look__capacitor__case="flat dished bulged leaking",
        look__contactor__faces="clean blackened pitted discoloured burnt welded",
        look__contactor2__faces="clean blackened pitted discoloured burnt welded",
        look__contactor__insects="none found",
        look__wiring="sound rubbed burnt loose",
        look__coil__face="clear dirty frosted iced",
        look__sensor__seat="seated slipped",
        look__board__lights="dark steady flashing",
        look__board__colour="red amber green blue white",
    ),
    **_measured("look", "any", "look.board.flashes"),
    **_measured("capacitors", "dead", "cap.herm.uf cap.fan.uf cap.start.uf cap.new_herm.uf cap.new_fan.uf"),
    **_measured("run", "live", "cap.herm.load_a cap.herm.load_v cap.fan.load_a cap.fan.load_v"),
    **_measured("contactor", "dead", "contactor.coil.ohm contactor2.coil.ohm"),
    **_measured(
        "power", "live",
        "contactor.coil.v contactor.line.v contactor.load.v contactor.pole1.drop_v contactor.pole2.drop_v "
        "contactor.pole1.a contactor.pole2.a contactor.pole1.f contactor.pole2.f",
    ),
    **_measured(
        "power", "live",
        "contactor2.coil.v contactor2.pole1.drop_v contactor2.pole2.drop_v "
        "contactor2.pole1.a contactor2.pole2.a contactor2.pole1.f contactor2.pole2.f",
    ),
    **_seen("power", "live", contactor__armature="in out", contactor2__armature="in out"),
    **_measured(
        "windings", "dead",
        "winding.c_r.ohm winding.c_s.ohm winding.r_s.ohm winding.t1_t2.ohm winding.t2_t3.ohm winding.t1_t3.ohm "
        "winding.c_ground.ohm winding.r_ground.ohm winding.s_ground.ohm winding.leads.ohm "
        "lead.c.ohm lead.r.ohm lead.s.ohm winding.insulation.mohm winding.shell.f winding.off_h "
        "fan_winding.c_r.ohm fan_winding.c_s.ohm fan_winding.r_s.ohm fan_winding.t1_t2.ohm fan_winding.t2_t3.ohm "
        "fan_winding.t1_t3.ohm fan_winding.c_ground.ohm fan_winding.r_ground.ohm fan_winding.s_ground.ohm "
        "fan_winding.leads.ohm fan_winding.insulation.mohm fan_winding.shell.f fan_winding.off_h",
    ),
    **_seen("windings", "dead", winding__at="plug terminals", fan_winding__at="plug terminals"),
    **_measured("power", "dead", "line.fuse1.ohm line.fuse2.ohm control.fuse.ohm"),
    **_seen("power", "any", line__breaker="on tripped off"),
    **_seen("power", "live", control__delay="over waiting", control__pressure="closed open", control__float="closed open"),
    **_measured(
        "power", "live",
        "line.disconnect.v line.l1_l2.v line.l1_ground.v line.l2_ground.v line.l2_l3.v line.l1_l3.v line.fuse1.v line.fuse2.v "
        "line.starting.v control.r_c.v control.stat_r_c.v control.stat_y.v control.y_in.v control.y_out.v",
    ),
    **_measured(
        "run", "live",
        "amps.compressor.peak_a amps.compressor.start_s amps.compressor.run_a amps.fan.run_a amps.total.run_a "
        "amps.element1.a amps.element2.a amps.element3.a amps.element4.a aux.line.v",
    ),
    **_seen("run", "live", start__result="started hummed tripped nothing", amps__stage="low high"),
    **_seen("run", "any", start__equalised="yes no"),
    **_measured(
        "run", "live",
        "record.suction.psi record.liquid.psi record.superheat.dif record.subcooling.dif record.air_in.f record.air_out.f",
    ),
    **_measured("run", "dead", "cap.blower.uf"),
    **_seen("run", "any", record__cleaning="done none", record__warranty="in out unknown"),
    **_seen(
        "button", "dead", button__terminals="tight loose", button__sensors="tied loose none",
    ),
    **_seen("button", "any", button__panels="on off"),
    **_seen("button", "live", button__final_run="good trouble"),
    **_measured("defrost", "dead", "defrost.switch.ohm defrost.valve_coil.ohm"),
    **_measured("defrost", "any", "defrost.coil.f defrost.ambient.f defrost.coil_sensor.ohm defrost.ambient_sensor.ohm"),
    **_measured("defrost", "live", "defrost.valve_coil.v defrost.aux_call.v defrost.control.v"),
    **_measured("defrost", "live", "defrost.coil_sensor.vdc defrost.ambient_sensor.vdc"),
    **_seen("defrost", "any", defrost__ice="yes no", defrost__just_ran="yes no", defrost__rested="yes no"),
    **_seen(
        "defrost", "dead", swap__indoor="off plug", swap__photo="taken", swap__settings="copied", swap__jumper="moved not-needed",
        swap__sensors="new kept retired",
    ),
    **_seen("defrost", "live", defrost__call="yes no", defrost__pins="right unsure"),
}  # fmt: skip
