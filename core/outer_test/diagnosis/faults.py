"""What can be wrong with a unit, and what each fault makes its tests turn out to be (handbook section 13).

The chances here are a model assumption of ours [M]: a table of how a fault shows at each test. Chances not named are a healthy
unit's. One fault at a time, and the pairs that go together.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from outer_test.diagnosis.fault_key import FaultKey as K
from outer_test.diagnosis.observations import Test as T
from outer_test.judgement import Part
from outer_test.visit import Section

Chances = Mapping[T, Mapping[str, float]]

# How a sound unit's tests turn out; what is left over is shared among its other outcomes.
HEALTHY: dict[T, dict[str, float]] = {
    T.CASE: {"flat": 0.80, "dished": 0.17, "bulged": 0.02, "leaking": 0.01},
    T.CAP_HERM: {"good": 0.993, "low": 0.002, "open": 0.001, "high": 0.003, "shorted": 0.001},
    T.CAP_FAN: {"good": 0.993, "low": 0.002, "open": 0.001, "high": 0.003, "shorted": 0.001},
    T.CAP_START: {"good": 0.993, "low": 0.002, "open": 0.001, "high": 0.003, "shorted": 0.001},
    T.LEADS: {"good": 0.99, "bad": 0.01},
    T.GROUND: {"good": 0.995, "grounded": 0.005},
    T.PAIRS: {"good": 0.975, "open": 0.004, "overload": 0.005, "open at the plug": 0.006, "shorted": 0.01},
    T.FAN_GROUND: {"good": 0.995, "grounded": 0.005},
    T.FAN_PAIRS: {"good": 0.985, "open": 0.005, "overload": 0.005, "shorted": 0.005},
    T.FACES: {"clean": 0.55, "blackened": 0.30, "pitted": 0.12, "discoloured": 0.02, "burnt": 0.006, "welded": 0.004},
    T.INSECTS: {"none": 0.96, "found": 0.04},
    T.WIRING: {"sound": 0.94, "rubbed": 0.03, "burnt": 0.01, "loose": 0.02},
    T.COIL_OHM: {"good": 0.99, "open": 0.005, "shorted": 0.005},
    T.COIL2_OHM: {"good": 0.99, "open": 0.005, "shorted": 0.005},
    T.BREAKER: {"on": 0.97, "tripped": 0.01, "off": 0.02},
    T.FUSES: {"good": 0.99, "blown": 0.01},
    T.DISCONNECT: {"alive": 0.99, "dead": 0.01},
    T.LINE: {"alive": 0.97, "low": 0.02, "dead": 0.01},
    T.LINE_SIDE: {"alive": 0.99, "dead": 0.01},
    T.POLES: {"good": 0.97, "dropping": 0.02, "open": 0.01},
    T.ARMATURE: {"in": 0.97, "out": 0.02, "chatters": 0.01},
    T.R_C: {"alive": 0.985, "low": 0.01, "dead": 0.005},
    T.CONTROL_FUSE: {"good": 0.99, "bad": 0.01},
    T.STAT: {"alive": 0.985, "low": 0.01, "dead": 0.005},
    T.STAT_Y: {"alive": 0.97, "low": 0.01, "dead": 0.02},
    T.FLOAT: {"closed": 0.98, "open": 0.02},
    T.PRESSURE: {"closed": 0.98, "open": 0.02},
    T.Y_IN: {"alive": 0.97, "low": 0.01, "dead": 0.02},
    T.Y_OUT: {"alive": 0.96, "low": 0.01, "dead": 0.03},
    T.COIL_V: {"alive": 0.96, "low": 0.015, "dead": 0.025},
    T.START: {"started": 0.97, "hummed": 0.01, "tripped": 0.01, "nothing": 0.01},
    T.PEAK: {"normal": 0.97, "locked": 0.01, "held": 0.01, "none": 0.01},
    T.COMPRESSOR_A: {"good": 0.93, "high": 0.03, "low": 0.02, "none": 0.01, "locked": 0.01},
    T.FAN_STATE: {"runs": 0.96, "slow": 0.01, "hums": 0.01, "pushed": 0.01, "still": 0.01},
    T.FAN_A: {"good": 0.96, "high": 0.03, "none": 0.01},
    T.COIL_FACE: {"clear": 0.70, "dirty": 0.12, "frosted": 0.14, "iced": 0.04},
    T.SEAT: {"seated": 0.98, "slipped": 0.02},
    T.SWITCH: {"good": 0.99, "stuck open": 0.005, "stuck closed": 0.005},
    T.COIL_SENSOR: {"good": 0.994, "off": 0.002, "open": 0.004},
    T.AMBIENT_SENSOR: {"good": 0.994, "off": 0.002, "open": 0.004},
    T.VALVE_COIL: {"good": 0.99, "open": 0.005, "shorted": 0.005},
    T.RUN_START: {"yes": 0.996, "no": 0.004},
    T.VALVE_PROOF: {"shifts": 0.995, "no": 0.005},
    T.RUN_VALVE: {"yes": 0.995, "no": 0.005},
    T.RUN_FAN: {"yes": 0.995, "no": 0.005},
    T.RUN_AUX: {"yes": 0.995, "no": 0.005},
    T.RUN_END: {"good": 0.95, "by time": 0.04, "ran on": 0.01},
    T.AUX: {"good": 0.99, "bad": 0.01},
}


def surely(outcome: str, chance: float = 0.96) -> dict[str, float]:
    """Chances of a test that nearly always turns out one way.

    >>> surely("blown")
    {'blown': 0.96}
    """
    return {outcome: chance}


_NOTHING_RUNS: Chances = {
    T.START: {"nothing": 0.93, "hummed": 0.03, "tripped": 0.02, "started": 0.02},
    T.PEAK: surely("none"), T.COMPRESSOR_A: surely("none"), T.FAN_A: surely("none"), T.FAN_STATE: surely("still", 0.95),
}  # fmt: skip
_NO_CALL: Chances = {**_NOTHING_RUNS, T.COIL_V: surely("dead"), T.ARMATURE: surely("out")}
_NO_SUPPLY: Chances = {**_NOTHING_RUNS, T.LINE: surely("dead", 0.9), T.LINE_SIDE: surely("dead", 0.9)}
_COMPRESSOR_ONLY: Chances = {
    T.START: {"nothing": 0.6, "hummed": 0.3, "tripped": 0.08, "started": 0.02},
    T.COMPRESSOR_A: surely("none", 0.9),
}
_HUMS: Chances = {
    T.START: {"hummed": 0.80, "tripped": 0.10, "started": 0.08, "nothing": 0.02},
    T.PEAK: {"locked": 0.85, "normal": 0.10, "held": 0.05},
    T.COMPRESSOR_A: {"locked": 0.45, "none": 0.35, "high": 0.15, "good": 0.05},
}  # fmt: skip
_FAN_STOPPED: Chances = {T.FAN_STATE: {"hums": 0.4, "still": 0.4, "pushed": 0.15, "slow": 0.05}}


@dataclass(frozen=True, slots=True)
class Fault:
    """Something that can be wrong: its key, the part it is in, what it is in plain words, and how its tests turn out.

    share: how often it is the cause beside the others, by complaint; `""` stands for any other. confirmed_by: the outcomes that
    confirm it, each alone; empty where it is never accused. mends: what mends it. after: the reading that proves the repair. section: of the run capacitor, where it is that.
    """

    key: K
    part: Part | None
    says: str
    shows: Chances
    share: Mapping[str, float]
    confirmed_by: tuple[tuple[T, str], ...] = ()
    mends: str = ""
    after: str = ""
    section: Section | None = None


def _share(usual: float, **by: float) -> dict[str, float]:
    return {"": usual, **{name.replace("_", "-"): value for name, value in by.items()}}


FAULTS: tuple[Fault, ...] = (
    Fault(K.HERM_WEAK, Part.RUN_CAPACITOR, "The run capacitor's HERM section is weak.",
          {**_HUMS, T.CAP_HERM: {"low": 0.95, "open": 0.02}, T.CASE: {"flat": 0.53, "dished": 0.14, "bulged": 0.27, "leaking": 0.06}, T.START: {"hummed": 0.45, "tripped": 0.05, "started": 0.5},
           T.PEAK: {"locked": 0.5, "normal": 0.45}, T.COMPRESSOR_A: {"high": 0.6, "good": 0.25, "locked": 0.1}},
          _share(4, hums_no_start=14, high_bill=5, compressor_stopped=6, trips_breaker=3, maintenance=8),
          ((T.CAP_HERM, "low"), (T.CASE, "bulged"), (T.CASE, "leaking")), "Replace the run capacitor.", "cap.new_herm.uf", "herm"),
    Fault(K.HERM_OPEN, Part.RUN_CAPACITOR, "The run capacitor's HERM section is open or shorted.",
          {**_HUMS, T.CAP_HERM: {"open": 0.8, "shorted": 0.15, "low": 0.04}, T.CASE: {"flat": 0.4, "dished": 0.1, "bulged": 0.44, "leaking": 0.06}},
          _share(2, hums_no_start=14, compressor_stopped=8, trips_breaker=4),
          ((T.CAP_HERM, "open"), (T.CAP_HERM, "shorted"), (T.CASE, "bulged"), (T.CASE, "leaking")), "Replace the run capacitor.", "cap.new_herm.uf", "herm"),
    Fault(K.FAN_SECTION_WEAK, Part.RUN_CAPACITOR, "The run capacitor's FAN section is weak or open.",
          {**_FAN_STOPPED, T.CAP_FAN: {"low": 0.7, "open": 0.25, "shorted": 0.03}, T.CASE: {"flat": 0.5, "dished": 0.12, "bulged": 0.35},
           T.FAN_A: {"high": 0.5, "good": 0.3, "none": 0.2}},
          _share(2, fan_stopped=16, high_bill=3, maintenance=5), ((T.CAP_FAN, "low"), (T.CAP_FAN, "open"), (T.CAP_FAN, "shorted"), (T.CASE, "bulged")),
          "Replace the run capacitor.", "cap.new_fan.uf", "fan"),
    Fault(K.START_CAPACITOR_WEAK, Part.START_CAPACITOR, "The start capacitor is weak or open.",
          {**_HUMS, T.CAP_START: {"low": 0.7, "open": 0.28}}, _share(0.5, hums_no_start=5),
          ((T.CAP_START, "low"), (T.CAP_START, "open")), "Replace the start capacitor.", "cap.start.uf"),
    Fault(K.GROUNDED, Part.COMPRESSOR, "A winding of the compressor is grounded.",
          {T.GROUND: surely("grounded", 0.97), T.BREAKER: surely("tripped", 0.8), T.START: {"tripped": 0.7, "nothing": 0.2, "hummed": 0.1}, T.FUSES: {"good": 0.6, "blown": 0.4}},
          _share(0.7, trips_breaker=14, hums_no_start=2, nothing_at_all=1), ((T.GROUND, "grounded"),), "Replace the compressor; acid test first.", "record.acid"),
    Fault(K.RUN_OPEN, Part.COMPRESSOR, "A winding of the compressor is open.",
          {**_COMPRESSOR_ONLY, T.PAIRS: {"open": 0.9, "open at the plug": 0.06, "overload": 0.03}, T.PEAK: {"none": 0.6, "held": 0.3}},
          _share(0.5, compressor_stopped=5, hums_no_start=2), ((T.PAIRS, "open"),), "Replace the compressor; acid test first.", "record.acid"),
    Fault(K.OVERLOAD_OPEN, Part.COMPRESSOR, "The compressor's internal overload is open: it is hot.",
          {**_COMPRESSOR_ONLY, T.PAIRS: {"overload": 0.9, "open at the plug": 0.06, "open": 0.02}, T.PEAK: surely("none", 0.9)},
          _share(1, compressor_stopped=8, blows_cold=1), (), "Let it cool an hour or more, and find what made it hot.", "winding.c_r.ohm"),
    Fault(K.SHORTED_TURNS, Part.COMPRESSOR, "A winding of the compressor has shorted turns.",
          {T.PAIRS: {"shorted": 0.8, "good": 0.18}, T.COMPRESSOR_A: {"high": 0.6, "locked": 0.3}, T.START: {"tripped": 0.5, "hummed": 0.3, "started": 0.2}, T.BREAKER: {"tripped": 0.6, "on": 0.4}},
          _share(0.3, trips_breaker=3, hums_no_start=1), (), "Replace the compressor; acid test first.", "record.acid"),
    Fault(K.LOCKED, Part.COMPRESSOR, "The compressor is locked or tight.",
          {**_HUMS}, _share(0.5, hums_no_start=5, trips_breaker=2), (), "A start kit as a test, by the house rule; then plan its replacement.", "record.acid"),
    Fault(K.LEAD_OPEN, Part.COMPRESSOR_LEAD, "A compressor lead is open or burnt.",
          {**_COMPRESSOR_ONLY, T.LEADS: surely("bad", 0.97), T.PAIRS: {"open at the plug": 0.75, "good": 0.2}, T.WIRING: {"sound": 0.4, "burnt": 0.5, "loose": 0.1},
           T.START: {"nothing": 0.4, "hummed": 0.5, "tripped": 0.05}, T.PEAK: {"none": 0.4, "held": 0.5, "locked": 0.1}},
          _share(0.8, hums_no_start=5, compressor_stopped=5), ((T.LEADS, "bad"),), "Mend or replace the lead.", "lead.c.ohm"),
    Fault(K.FAN_GROUNDED, Part.FAN_MOTOR, "A winding of the fan motor is grounded.",
          {T.FAN_GROUND: surely("grounded", 0.97), T.BREAKER: surely("tripped", 0.7), **_FAN_STOPPED},
          _share(0.4, trips_breaker=5, fan_stopped=3), ((T.FAN_GROUND, "grounded"),), "Replace the fan motor with its capacitor.", "fan_winding.c_ground.ohm"),
    Fault(K.FAN_OPEN, Part.FAN_MOTOR, "A winding of the fan motor is open.",
          {T.FAN_PAIRS: {"open": 0.95}, T.FAN_STATE: {"still": 0.7, "hums": 0.3}, T.FAN_A: {"none": 0.7, "high": 0.2}},
          _share(0.5, fan_stopped=8), ((T.FAN_PAIRS, "open"),), "Replace the fan motor with its capacitor.", "fan_winding.c_r.ohm"),
    Fault(K.FAN_TIGHT, Part.FAN_MOTOR, "The fan motor's bearing is tight.",
          {T.FAN_STATE: {"slow": 0.5, "hums": 0.3, "still": 0.15}, T.FAN_A: {"high": 0.8, "good": 0.2}},
          _share(0.6, fan_stopped=7, high_bill=1), (), "Replace the fan motor with its capacitor.", "amps.fan.run_a"),
    Fault(K.COIL_OPEN, Part.CONTACTOR, "The contactor's coil is open.",
          {**_NOTHING_RUNS, T.COIL_OHM: surely("open", 0.97), T.ARMATURE: surely("out")}, _share(0.8, nothing_at_all=6),
          ((T.COIL_OHM, "open"),), "Replace the contactor.", "contactor.coil.ohm"),
    Fault(K.COIL_SHORTED, Part.CONTACTOR, "The contactor's coil is shorted; it pulls the control voltage down.",
          {**_NOTHING_RUNS, T.COIL_OHM: surely("shorted", 0.97), T.ARMATURE: surely("out"), T.COIL_V: {"low": 0.6, "dead": 0.38}, T.R_C: {"low": 0.4, "dead": 0.3, "alive": 0.3},
           T.CONTROL_FUSE: {"bad": 0.6, "good": 0.4}, T.Y_OUT: {"low": 0.5, "dead": 0.3, "alive": 0.2}, T.Y_IN: {"low": 0.4, "dead": 0.3, "alive": 0.3}},
          _share(0.5, nothing_at_all=4), ((T.COIL_OHM, "shorted"),), "Replace the contactor, then look at the control fuse.", "contactor.coil.ohm"),
    Fault(K.STUCK_OPEN, Part.CONTACTOR, "The contactor is mechanically stuck: volts on a sound coil and no pull-in.",
          {**_NOTHING_RUNS, T.ARMATURE: surely("out", 0.98), T.INSECTS: {"none": 0.7, "found": 0.3}}, _share(0.6, nothing_at_all=4),
          ((T.ARMATURE, "out"),), "Clear insects and dirt; else replace the contactor.", "contactor.coil.ohm"),
    Fault(K.PITTED, Part.CONTACTOR, "A contactor pole does not close: pitted or burnt faces.",
          {T.POLES: surely("open", 0.97), T.FACES: {"pitted": 0.5, "burnt": 0.42, "clean": 0.04}, T.START: {"hummed": 0.5, "nothing": 0.5},
           T.PEAK: {"none": 0.6, "held": 0.3}, T.COMPRESSOR_A: surely("none", 0.9), T.FAN_STATE: {"still": 0.5, "hums": 0.4}},
          _share(1, nothing_at_all=5, hums_no_start=4, compressor_stopped=2), ((T.POLES, "open"), (T.FACES, "burnt")), "Replace the contactor.", "contactor.coil.ohm"),
    Fault(K.INSECT, Part.CONTACTOR, "Insects keep the contactor's faces apart.",
          {T.POLES: surely("open", 0.9), T.INSECTS: surely("found", 0.97), T.START: {"hummed": 0.45, "nothing": 0.5}, T.COMPRESSOR_A: surely("none", 0.9), T.ARMATURE: {"in": 0.6, "out": 0.2, "chatters": 0.2}},
          _share(0.7, nothing_at_all=4, hums_no_start=3), ((T.INSECTS, "found"),), "Power off and proved dead, clean the insects out, then look at the faces.", "look.contactor.faces"),
    Fault(K.WELDED, Part.CONTACTOR, "The contactor is welded shut.",
          {T.FACES: surely("welded", 0.97)}, _share(0.3, high_bill=1), ((T.FACES, "welded"),), "Replace the contactor.", "contactor.coil.ohm"),
    Fault(K.WORN, Part.CONTACTOR, "A contactor pole drops too much: worn faces or a loose screw.",
          {T.POLES: surely("dropping", 0.97), T.FACES: {"pitted": 0.5, "discoloured": 0.2, "burnt": 0.1, "blackened": 0.2}},
          _share(1, maintenance=2, high_bill=2), (), "Tighten dead and read it again; then the contactor.", "contactor.pole1.drop_v"),
    Fault(K.SECOND_COIL_OPEN, Part.SECOND_CONTACTOR, "The second contactor's coil is open or shorted.",
          {T.COIL2_OHM: {"open": 0.7, "shorted": 0.28}}, _share(0.3), ((T.COIL2_OHM, "open"), (T.COIL2_OHM, "shorted")), "Replace the second contactor.", "contactor2.coil.ohm"),
    Fault(K.FUSE_BLOWN, Part.FUSE, "A fuse in the disconnect is blown.",
          {**_NO_SUPPLY, T.FUSES: surely("blown", 0.98), T.START: {"nothing": 0.6, "hummed": 0.4}, T.LINE: {"dead": 0.9, "low": 0.08}},
          _share(0.8, nothing_at_all=8, trips_breaker=8), ((T.FUSES, "blown"),), "Find what blew it first, dead; then another of the same size.", "line.fuse1.ohm"),
    Fault(K.BREAKER_TRIPPED, Part.BREAKER, "The indoor breaker has tripped or is off.",
          {**_NO_SUPPLY, T.BREAKER: {"tripped": 0.8, "off": 0.19}, T.DISCONNECT: surely("dead")}, _share(0.5, nothing_at_all=7, trips_breaker=6),
          (), "Found sound dead first: it tripped for a reason.", "winding.c_ground.ohm"),
    Fault(K.SUPPLY_LOST, Part.SUPPLY, "Line voltage, or one leg of it, is lost before the unit.",
          {**_NO_SUPPLY, T.DISCONNECT: surely("dead", 0.9), T.START: {"nothing": 0.6, "hummed": 0.4}}, _share(0.3, nothing_at_all=4, hums_no_start=1),
          (), "Follow it back point by point; an electrician's work beyond the disconnect.", "line.disconnect.v"),
    Fault(K.DISCONNECT_OPEN, Part.DISCONNECT, "The disconnect itself does not pass the voltage.",
          {**_NO_SUPPLY}, _share(0.3, nothing_at_all=3), (), "Power off at the breaker; look at its blades.", "line.l1_l2.v"),
    Fault(K.WHIP_OPEN, Part.WIRE, "The wire between disconnect and contactor is open.",
          {**_NOTHING_RUNS, T.LINE_SIDE: surely("dead", 0.97), T.WIRING: {"sound": 0.4, "burnt": 0.5, "loose": 0.1}}, _share(0.3, nothing_at_all=2), (),
          "Power off, prove dead, look at the whip and its terminals.", "contactor.line.v"),
    Fault(K.LOW_LINE, Part.SUPPLY, "Line voltage is low.",
          {T.LINE: surely("low", 0.97), T.COMPRESSOR_A: {"high": 0.7, "good": 0.3}, T.START: {"started": 0.7, "hummed": 0.3}, T.R_C: {"alive": 0.7, "low": 0.3}},
          _share(0.4, hums_no_start=2, high_bill=1), (), "The utility or an electrician.", "line.l1_l2.v"),
    Fault(K.NO_CONTROL_VOLTS, Part.CONTROL_SUPPLY, "No control voltage: the transformer or its supply.",
          {**_NO_CALL, T.R_C: {"dead": 0.9, "low": 0.09}, T.STAT: surely("dead", 0.95), T.STAT_Y: surely("dead"), T.Y_IN: surely("dead"), T.Y_OUT: surely("dead")},
          _share(0.5, nothing_at_all=5), (), "Follow it back: indoor switch, transformer.", "control.r_c.v"),
    Fault(K.CONTROL_FUSE_BLOWN, Part.CONTROL_FUSE, "The control fuse is blown.",
          {**_NO_CALL, T.CONTROL_FUSE: surely("bad", 0.98), T.STAT: surely("dead", 0.95), T.STAT_Y: surely("dead"), T.Y_IN: surely("dead"), T.Y_OUT: surely("dead")},
          _share(0.5, nothing_at_all=5), ((T.CONTROL_FUSE, "bad"),), "Find the short first: contactor coil, valve coil, a rubbed wire.", "control.fuse.ohm"),
    Fault(K.R_WIRE_BROKEN, Part.CONTROL_WIRE, "A thermostat wire, R or C, is broken.",
          {**_NO_CALL, T.STAT: {"dead": 0.95, "low": 0.04}, T.STAT_Y: surely("dead"), T.Y_IN: surely("dead"), T.Y_OUT: surely("dead")},
          _share(0.3, nothing_at_all=3), (), "Mend the wire.", "control.stat_r_c.v"),
    Fault(K.NO_CALL, Part.THERMOSTAT, "The thermostat does not call.",
          {**_NO_CALL, T.STAT_Y: surely("dead", 0.97), T.Y_IN: surely("dead"), T.Y_OUT: surely("dead")}, _share(0.4, nothing_at_all=5), (),
          "Jumper R to Y at its base to prove it, and put the jumper on the list.", "control.stat_y.v"),
    Fault(K.FLOAT_OPEN, Part.FLOAT_SWITCH, "The float switch is open: the drain pan is full.",
          {**_NO_CALL, T.FLOAT: surely("open", 0.98), T.Y_IN: surely("dead"), T.Y_OUT: surely("dead")}, _share(0.4, nothing_at_all=4), ((T.FLOAT, "open"),),
          "Clear the drain.", "control.float"),
    Fault(K.PRESSURE_OPEN, Part.PRESSURE_SWITCH, "A pressure switch is open: charge or airflow.",
          {**_NO_CALL, T.PRESSURE: surely("open", 0.97), T.Y_IN: {"dead": 0.4, "alive": 0.6}, T.Y_OUT: {"dead": 0.6, "alive": 0.4}}, _share(0.5, nothing_at_all=4, compressor_stopped=3),
          ((T.PRESSURE, "open"),), "Find why: charge, airflow, then the switch.", "control.pressure"),
    Fault(K.Y_WIRE_BROKEN, Part.CONTROL_WIRE, "The Y wire from indoors is broken.",
          {**_NO_CALL, T.Y_IN: surely("dead", 0.97), T.Y_OUT: surely("dead")}, _share(0.4, nothing_at_all=4), (), "Mend the wire.", "control.y_in.v"),
    Fault(K.NO_Y_OUT, Part.DEFROST_BOARD, "The board does not pass Y on.",
          {**_NO_CALL, T.Y_OUT: {"dead": 0.8, "low": 0.18}}, _share(0.4, nothing_at_all=3, compressor_stopped=2), (),
          "The board, ordered as the house rule says.", "control.y_out.v"),
    Fault(K.COIL_WIRE_BROKEN, Part.CONTROL_WIRE, "The wire to the contactor's coil, or a joint in it, is poor or broken.",
          {**_NOTHING_RUNS, T.COIL_V: {"dead": 0.6, "low": 0.38}, T.ARMATURE: {"out": 0.85, "chatters": 0.12}}, _share(0.4, nothing_at_all=3), (),
          "Mend the wire or its joint.", "contactor.coil.v"),
    Fault(K.NEVER_STARTS, Part.DEFROST_BOARD, "The defrost board never starts a defrost.",
          {T.RUN_START: surely("no", 0.97), T.COIL_FACE: surely("iced", 0.7)}, _share(0.5, iced_over=6, never_defrosts=10), ((T.RUN_START, "no"),),
          "The board, ordered as the house rule says.", "defrost.call"),
    Fault(K.FAN_RELAY_STUCK, Part.BOARD_FAN_RELAY, "The board's fan relay does not open in defrost.",
          {T.RUN_FAN: surely("no", 0.97)}, _share(0.3, noisy_defrost=4, iced_over=2), ((T.RUN_FAN, "no"),), "The board, ordered as the house rule says.", "defrost.call"),
    Fault(K.NO_W, Part.DEFROST_BOARD, "The board does not call aux heat in defrost.",
          {T.RUN_AUX: surely("no", 0.97)}, _share(0.4, blows_cold=5), ((T.RUN_AUX, "no"),), "The board, ordered as the house rule says.", "defrost.aux_call.v"),
    Fault(K.STUCK_OPEN_SWITCH, Part.COIL_SWITCH, "The coil switch does not close.",
          {T.SWITCH: surely("stuck open", 0.97), T.COIL_FACE: surely("iced", 0.7)}, _share(0.6, iced_over=8, never_defrosts=8),
          ((T.SWITCH, "stuck open"),), "Replace the coil switch.", "defrost.switch.ohm"),
    Fault(K.STUCK_CLOSED_SWITCH, Part.COIL_SWITCH, "The coil switch does not open.",
          {T.SWITCH: surely("stuck closed", 0.97), T.RUN_END: {"by time": 0.95}}, _share(0.5, defrosts_too_often=8, noisy_defrost=2, high_bill=1),
          ((T.SWITCH, "stuck closed"),), "Replace the coil switch.", "defrost.switch.ohm"),
    Fault(K.OPEN_SENSOR, Part.COIL_SENSOR, "The coil sensor is open or shorted.",
          {T.COIL_SENSOR: surely("open", 0.97), T.COIL_FACE: surely("iced", 0.5)}, _share(0.4, iced_over=5, never_defrosts=5),
          ((T.COIL_SENSOR, "open"),), "Replace both sensors together.", "defrost.coil_sensor.ohm"),
    Fault(K.DRIFTED, Part.COIL_SENSOR, "The coil sensor is off its curve.",
          {T.COIL_SENSOR: surely("off", 0.97), T.RUN_END: {"by time": 0.6, "good": 0.4}}, _share(0.6, iced_over=5, defrosts_too_often=6, never_defrosts=5),
          ((T.COIL_SENSOR, "off"),), "Replace both sensors together.", "defrost.coil_sensor.ohm"),
    Fault(K.SLIPPED, Part.COIL_SENSOR, "The coil sensor is out of its well.",
          {T.SEAT: surely("slipped", 0.98), T.COIL_SENSOR: {"off": 0.5, "good": 0.5}, T.RUN_END: {"by time": 0.7, "good": 0.3}, T.COIL_FACE: surely("iced", 0.5)},
          _share(0.5, iced_over=6, never_defrosts=3), ((T.SEAT, "slipped"),), "Seat it, tie it, read it again.", "look.sensor.seat"),
    Fault(K.AMBIENT_DRIFTED, Part.AMBIENT_SENSOR, "The ambient sensor is open or off its curve.",
          {T.AMBIENT_SENSOR: {"off": 0.7, "open": 0.28}}, _share(0.3, defrosts_too_often=4, never_defrosts=3), ((T.AMBIENT_SENSOR, "off"), (T.AMBIENT_SENSOR, "open")),
          "Replace both sensors together.", "defrost.ambient_sensor.ohm"),
    Fault(K.VALVE_COIL_OPEN, Part.VALVE_COIL, "The reversing valve's coil is open or shorted.",
          {T.VALVE_COIL: {"open": 0.77, "shorted": 0.228}, T.RUN_VALVE: surely("no", 0.95), T.VALVE_PROOF: surely("no", 0.95)}, _share(0.5, blows_cold=6, never_defrosts=2), ((T.VALVE_COIL, "open"), (T.VALVE_COIL, "shorted")),
          "Replace the valve's coil.", "defrost.valve_coil.ohm"),
    Fault(K.VALVE_STUCK, Part.REVERSING_VALVE, "The reversing valve does not shift.",
          {T.RUN_VALVE: surely("no", 0.97), T.VALVE_PROOF: surely("no", 0.95)}, _share(0.3, blows_cold=4, iced_over=1, never_defrosts=1), ((T.VALVE_PROOF, "no"),), "Replace the valve: refrigerant work.", "defrost.valve_proof"),
    Fault(K.ELEMENT_OPEN, Part.AUX_ELEMENT, "An aux heat element, its limit or its fuse is open.",
          {T.AUX: surely("bad", 0.97)}, _share(0.3, blows_cold=4), ((T.AUX, "bad"),), "Find which of the three is open, power off.", "amps.element1.a"),
    Fault(K.LOW_CHARGE, None, "Low charge or a dirty coil: pressures tell which.",
          {T.COMPRESSOR_A: {"low": 0.5, "good": 0.4, "high": 0.1}, T.COIL_FACE: {"clear": 0.35, "dirty": 0.25, "iced": 0.35}, T.RUN_END: {"by time": 0.5, "good": 0.5}},
          _share(2, blows_cold=8, iced_over=5, high_bill=6, defrosts_too_often=5), (), "Pressures, superheat and subcooling.", "record.suction.psi"),
)  # fmt: skip
NOTHING_SHARE = {"": 8.0, "maintenance": 80.0, "hums-no-start": 2.0, "nothing-at-all": 2.0, "trips-breaker": 4.0}
