"""What can be tested on a unit: where each test is entered, the minutes it takes, and how it turns out on sound units.

How sound units turn out is the spread among many of them, with what is merely odd: a model assumption of ours [M]. So are the
minutes. An outcome that is not named here does not exist; no test has more than eight.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum


class Test(StrEnum):
    """A thing that can be tested, by the trade's own name for it."""

    CASE = "capacitor case"
    CAP_HERM = "run capacitor, HERM"
    CAP_FAN = "run capacitor, FAN"
    CAP_START = "start capacitor"
    CAP_TO_CASE = "run capacitor to its case"
    HEATER_TO_GROUND = "crankcase heater to ground"
    LEADS = "compressor leads"
    GROUND = "compressor to ground"
    GROUND_AT_PLUG = "compressor to ground, at the plug"
    PAIRS = "compressor windings"
    BASELINE = "compressor windings, against their baseline"
    PAIRS_AT_PLUG = "compressor windings, at the plug"
    FAN_GROUND = "fan motor to ground"
    FAN_PAIRS = "fan motor windings"
    FACES = "contactor faces"
    INSECTS = "insects"
    WIRING = "wiring"
    COIL_OHM = "contactor coil"
    COIL2_OHM = "second contactor coil"
    RELAY_COIL = "potential relay's coil"
    RELAY_CONTACT = "potential relay's contact"
    BREAKER = "indoor breaker"
    RESET = "breaker closed once"
    FUSES = "fuses"
    DISCONNECT = "volts at the disconnect"
    LINE = "line volts"
    LEGS = "legs to ground"
    DISCONNECT_DROP = "volts lost in the disconnect"
    LINE_SIDE = "contactor line side"
    WHIP_DROP = "volts lost in the whip"
    LOAD_SIDE = "contactor load side"
    POLES = "contactor poles"
    POLES2 = "second contactor poles"
    FACES2 = "second contactor faces"
    ARMATURE = "armature"
    R_C = "R to C"
    CONTROL_FUSE = "control fuse"
    STAT = "R to C at the thermostat"
    STAT_Y = "Y at the thermostat"
    FLOAT = "float switch"
    PRESSURE = "pressure switches"
    Y_IN = "Y at the board"
    BOARD_R_C = "R to C at the board"
    Y_OUT = "Y out of the board"
    COIL_V = "volts at the coil"
    BLOWER = "indoor blower"
    START = "the start"
    PEAK = "start peak"
    START_TIME = "start time"
    STARTING_V = "volts while starting"
    KIT_A = "amps in the start device's wire"
    COMPRESSOR_A = "compressor amps"
    HERM_LOAD = "HERM under load"
    FAN_STATE = "outdoor fan"
    FAN_A = "fan amps"
    FAN_OUT = "volts at the board's fan terminal"
    FAN_FED = "volts at the fan motor"
    FAN_LOAD = "FAN under load"
    COIL_FACE = "outdoor coil"
    SEAT = "coil sensor's seat"
    SWITCH_COLD = "coil switch, cold"
    SWITCH_WARM = "coil switch, warm"
    COIL_SENSOR = "coil sensor"
    AMBIENT_SENSOR = "ambient sensor"
    VALVE_COIL = "valve coil"
    VALVE_FED = "volts at the valve"
    VALVE_REST = "volts at the valve, heating"
    STAT_VALVE = "O or B at the thermostat, heating"
    W_FED = "W in defrost"
    VALVE_PROOF = "valve proved by a jumper"
    RUN_START = "defrost started"
    RUN_VALVE = "valve shifted"
    RUN_FAN = "fan stopped in defrost"
    RUN_AUX = "aux heat in defrost"
    RUN_CONTACTOR = "contactor in defrost"
    RUN_END = "defrost ended"
    AUX = "aux elements"
    AUX_IDLE = "aux heat with no call"


@dataclass(frozen=True, slots=True)
class Tested:
    """Where a test is entered, in the order it is done (none where it comes with a watched defrost), its minutes, and the chances on sound units."""

    points: tuple[str, ...]
    minutes: float
    sound: Mapping[str, float]


def _at(points: str, minutes: float, **sound: float) -> Tested:
    return Tested(tuple(points.split()), minutes, {name.replace("_", " "): chance for name, chance in sound.items()})


T = Test
SELDOM = 0.1  # of sound units: what a result speaks against
_UF = {"good": 0.995, "low": 0.002, "open": 0.001, "high": 0.001, "shorted": 0.001}
_VOLTS = {"alive": 0.975, "low": 0.01, "dead": 0.015}
_RUN = {"yes": 0.995, "no": 0.005}
TESTED: dict[Test, Tested] = {
    T.CASE: _at("look.capacitor.case", 0.4, flat=0.80, dished=0.17, bulged=0.02, leaking=0.01),
    T.CAP_HERM: _at("cap.herm.uf", 2.0, **_UF),
    T.CAP_FAN: _at("cap.fan.uf", 2.0, **_UF),
    T.CAP_START: _at("cap.start.uf", 2.0, **_UF),
    T.CAP_TO_CASE: _at("cap.case_ground.ohm", 2.0, good=0.9998, bad=0.0002),
    T.HEATER_TO_GROUND: _at("heater.ground.ohm", 2.5, good=0.9998, bad=0.0002),
    T.LEADS: _at("lead.c.ohm lead.r.ohm lead.s.ohm", 3.0, good=0.9988, high=0.0007, open=0.0005),
    T.GROUND: _at("winding.at winding.c_ground.ohm winding.r_ground.ohm winding.s_ground.ohm", 3.0, good=0.995, grounded=0.005),
    T.GROUND_AT_PLUG: _at("", 3.0, good=0.994, grounded=0.006),
    T.PAIRS: _at("winding.c_r.ohm winding.c_s.ohm winding.r_s.ohm", 3.0, good=0.989, open=0.003, start_open=0.001, overload=0.004, stays_open=0.002, shorted=0.001),
    T.BASELINE: _at("", 3.0, same=0.985, under=0.005, over=0.01),
    T.PAIRS_AT_PLUG: _at("", 3.0, good=0.98, open=0.01, shorted=0.01),
    T.FAN_GROUND: _at("fan_winding.c_ground.ohm", 2.5, good=0.999, grounded=0.001),
    T.FAN_PAIRS: _at("fan_winding.c_r.ohm fan_winding.c_s.ohm fan_winding.r_s.ohm", 3.0, good=0.985, open=0.005, overload=0.005, shorted=0.005),
    T.FACES: _at("look.contactor.faces", 0.7, clean=0.55, blackened=0.30, pitted=0.12, discoloured=0.02, burnt=0.006, welded=0.004),
    T.FACES2: _at("look.contactor2.faces", 0.7, clean=0.55, blackened=0.30, pitted=0.12, discoloured=0.02, burnt=0.006, welded=0.004),
    T.INSECTS: _at("look.contactor.insects", 0.4, none=0.96, found=0.04),
    T.WIRING: _at("look.wiring", 1.0, sound=0.94, rubbed=0.03, burnt=0.01, loose=0.02),
    T.COIL_OHM: _at("contactor.coil.ohm", 2.0, good=0.998, open=0.001, shorted=0.001),
    T.COIL2_OHM: _at("contactor2.coil.ohm", 2.0, good=0.998, open=0.001, shorted=0.001),
    T.RELAY_COIL: _at("relay.coil.ohm", 2.0, good=0.99, open=0.01),
    T.RELAY_CONTACT: _at("relay.contact.ohm", 2.0, good=0.99, open=0.01),
    T.BREAKER: _at("line.breaker", 1.5, on=0.97, tripped=0.01, off=0.02),
    T.RESET: _at("", 2.0, holds=0.99, trips=0.01),
    T.FUSES: _at("line.fuse1.ohm line.fuse2.ohm", 3.0, good=0.996, blown=0.004),
    T.DISCONNECT: _at("line.disconnect.v", 1.0, alive=0.975, low=0.015, dead=0.01),
    T.LINE: _at("line.l1_l2.v line.l1_ground.v line.l2_ground.v", 1.0, alive=0.97, low=0.02, dead=0.01),
    T.LEGS: _at("", 1.0, both=0.985, one=0.005, none=0.01),
    T.DISCONNECT_DROP: _at("line.disconnect.v line.l1_l2.v", 2.0, good=0.9998, dropping=0.0002),
    T.LINE_SIDE: _at("contactor.line.v", 1.0, alive=0.99, dead=0.01),
    T.WHIP_DROP: _at("line.l1_l2.v contactor.line.v", 2.0, good=0.9998, dropping=0.0002),
    T.LOAD_SIDE: _at("contactor.load.v", 1.0, alive=0.975, low=0.01, dead=0.015),
    T.POLES: _at("contactor.pole1.drop_v contactor.pole2.drop_v", 1.5, good=0.9897, dropping=0.01, open=0.0003),
    T.POLES2: _at("contactor2.pole1.drop_v contactor2.pole2.drop_v", 1.5, good=0.9897, dropping=0.01, open=0.0003),
    T.ARMATURE: Tested(("contactor.armature",), 0.5, {"in": 0.97, "out": 0.02, "chatters": 0.01}),
    T.R_C: _at("control.r_c.v", 1.0, **_VOLTS),
    T.CONTROL_FUSE: _at("control.fuse.ohm", 2.0, good=0.996, bad=0.004),
    T.STAT: _at("control.stat_r_c.v", 4.0, **_VOLTS),
    T.STAT_Y: _at("control.stat_y.v", 4.0, alive=0.97, low=0.01, dead=0.02),
    T.FLOAT: _at("control.float", 1.5, closed=0.98, open=0.02),
    T.PRESSURE: _at("control.pressure", 1.5, closed=0.98, open=0.02),
    T.Y_IN: _at("control.y_in.v", 1.0, alive=0.97, low=0.01, dead=0.02),
    T.BOARD_R_C: _at("defrost.control.v", 1.6, **_VOLTS),
    T.Y_OUT: _at("control.y_out.v", 1.0, alive=0.96, low=0.01, dead=0.03),
    T.COIL_V: _at("contactor.coil.v", 1.0, alive=0.96, low=0.015, dead=0.025),
    T.BLOWER: _at("control.blower", 1.0, runs=0.98, still=0.02),
    T.START: _at("start.result", 2.0, started=0.97, hummed=0.01, tripped=0.01, nothing=0.01),
    T.PEAK: _at("amps.compressor.peak_a", 2.0, normal=0.969, over=0.001, locked=0.01, held=0.01, none=0.01),
    T.START_TIME: _at("amps.compressor.start_s", 2.0, good=0.95, long=0.05),
    T.STARTING_V: _at("line.starting.v", 2.0, normal=0.97, sags=0.02, dead=0.01),
    T.KIT_A: _at("amps.kit.a", 1.5, out=0.996, stays=0.004),
    T.COMPRESSOR_A: _at("amps.compressor.run_a", 1.0, good=0.9295, high=0.03, far_over=0.0005, low=0.02, none=0.01, locked=0.01),
    T.HERM_LOAD: _at("cap.herm.load_a cap.herm.load_v", 2.5, good=0.985, low=0.006, high=0.009),
    T.FAN_STATE: _at("fan.state", 0.4, runs=0.96, slow=0.01, hums=0.01, pushed=0.01, still=0.01),
    T.FAN_A: _at("amps.fan.run_a", 1.0, good=0.9545, high=0.03, far_over=0.0005, low=0.005, none=0.01),
    T.FAN_OUT: _at("fan.board.v", 1.5, alive=0.985, dead=0.015),
    T.FAN_FED: _at("fan.feed.v", 2.5, alive=0.985, dead=0.015),
    T.FAN_LOAD: _at("cap.fan.load_a cap.fan.load_v", 2.5, good=0.985, low=0.006, high=0.009),
    T.COIL_FACE: _at("look.coil.face", 0.4, clear=0.70, dirty=0.12, frosted=0.17, iced=0.01),
    T.SEAT: _at("look.sensor.seat", 0.8, seated=0.98, slipped=0.02),
    T.SWITCH_COLD: _at("defrost.coil.f defrost.switch.ohm", 3.0, good=0.99, stuck_open=0.01),
    T.SWITCH_WARM: _at("defrost.coil.f defrost.switch.ohm", 3.0, good=0.99, stuck_closed=0.01),
    T.COIL_SENSOR: _at("defrost.coil.f defrost.coil_sensor.ohm", 3.0, good=0.994, off=0.002, open=0.002, shorted=0.002),
    T.AMBIENT_SENSOR: _at("defrost.ambient.f defrost.ambient_sensor.ohm", 3.0, good=0.99, off=0.004, open=0.003, shorted=0.003),
    T.VALVE_COIL: _at("defrost.valve_coil.ohm", 2.0, good=0.995, open=0.003, shorted=0.002),
    T.VALVE_FED: _at("defrost.valve_coil.v", 6.0, yes=0.995, no=0.005),
    T.VALVE_REST: _at("defrost.valve_heating.v", 1.5, yes=0.999, no=0.001),
    T.STAT_VALVE: _at("control.stat_valve.v", 4.0, yes=0.999, no=0.001),
    T.W_FED: _at("defrost.aux_call.v", 6.0, yes=0.995, no=0.005),
    T.VALVE_PROOF: _at("defrost.valve_proof", 6.0, shifts=0.995, no=0.005),
    T.RUN_START: _at("defrost.call defrost.pins", 10.0, yes=0.998, no=0.002),
    T.RUN_VALVE: _at("", 10.0, **_RUN),
    T.RUN_FAN: _at("", 10.0, **_RUN),
    T.RUN_AUX: _at("", 10.0, **_RUN),
    T.RUN_CONTACTOR: _at("", 10.0, stays=0.99, drops=0.01),
    T.RUN_END: _at("", 10.0, good=0.95, by_time=0.04, ran_on=0.01),
    T.AUX: _at("aux.line.v amps.element1.a", 3.0, good=0.996, bad=0.004),
    T.AUX_IDLE: _at("aux.idle.a", 3.0, off=0.999, on=0.001),
}  # fmt: skip
# What is looked at or watched, not read off a meter.
SEEN_ONLY = frozenset({
    T.CASE, T.FACES, T.FACES2, T.INSECTS, T.WIRING, T.BREAKER, T.ARMATURE, T.FLOAT, T.PRESSURE, T.BLOWER, T.START, T.FAN_STATE, T.COIL_FACE, T.SEAT,
    T.VALVE_PROOF, T.RUN_START, T.RUN_VALVE, T.RUN_FAN, T.RUN_AUX, T.RUN_CONTACTOR, T.RUN_END,
})  # fmt: skip
