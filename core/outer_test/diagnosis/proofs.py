"""What confirms a fault before its part is accused, and the reading that proves the repair (handbook section 13).

A proof is a set of tests that must all have turned out so; a fault may have several, each enough alone. One without is never accused:
it only leads. What a proof asks beyond its outcomes (at the terminals, twice, 22 V on the coil) stands in `accuse`.
"""

from collections.abc import Mapping

from outer_test.diagnosis.observations import Observed
from outer_test.diagnosis.things_tested import TESTED
from outer_test.diagnosis.things_tested import Test as T
from outer_test.twin import FaultKey as K

Proof = Mapping[T, str]
_SOUND = "good"
_BULGED: tuple[Proof, ...] = ({T.CASE: "bulged"}, {T.CASE: "leaking"})
_MOTOR_SOUND: Proof = {T.GROUND: "good", T.PAIRS: "good", T.LEADS: "good", T.START: "hummed", T.STARTING_V: "normal", T.LINE: "alive"}

# A sound reading at the plug has the terminals in it.
WIDER = {T.GROUND: T.GROUND_AT_PLUG, T.PAIRS: T.PAIRS_AT_PLUG}

PROOFS: dict[K, tuple[Proof, ...]] = {
    K.HERM_WEAK: ({T.CAP_HERM: "low"}, *_BULGED),
    K.HERM_OPEN: ({T.CAP_HERM: "open"}, {T.CAP_HERM: "shorted"}, *_BULGED),
    K.HERM_WRONG: ({T.CAP_HERM: "high"},),
    K.FAN_SECTION_WEAK: ({T.CAP_FAN: "low"}, *_BULGED),
    K.FAN_SECTION_OPEN: ({T.CAP_FAN: "open"}, {T.CAP_FAN: "shorted"}, *_BULGED),
    K.FAN_SECTION_WRONG: ({T.CAP_FAN: "high"},),
    K.WIRES_SWAPPED: tuple({T.CAP_HERM: "good", T.CAP_FAN: "good", T.FAN_A: amps, T.LOAD_SIDE: "alive"} for amps in ("high", "far over")),
    K.START_CAPACITOR_WEAK: ({T.CAP_START: "low"}, {T.CAP_START: "open"}),
    K.RELAY_STUCK_OPEN: ({T.RELAY_CONTACT: "open"},),
    K.RELAY_STUCK_CLOSED: ({T.KIT_A: "stays"},),
    K.RELAY_COIL_OPEN: ({T.RELAY_COIL: "open"},),
    K.CAP_TO_CASE: ({T.CAP_TO_CASE: "bad"},),
    K.HEATER_GROUNDED: ({T.HEATER_TO_GROUND: "bad"},),
    K.GROUNDED: ({T.GROUND: "grounded"},),
    K.HARNESS_GROUNDED: ({T.GROUND_AT_PLUG: "grounded", T.GROUND: "good"},),
    K.RUN_OPEN: ({T.PAIRS: "open"},),
    K.START_OPEN: ({T.PAIRS: "start open"}, {T.PAIRS: "open"}),  # three like windings: a phase, whichever
    K.SHORTED_TURNS: (
        {T.PAIRS: "shorted"},
        {T.BASELINE: "under", T.COMPRESSOR_A: "high"},
        {T.BASELINE: "under", T.COMPRESSOR_A: "far over"},
        {T.PEAK: "over", T.COMPRESSOR_A: "far over", T.CAP_HERM: "good"},
        {T.PEAK: "over", T.COMPRESSOR_A: "locked", T.CAP_HERM: "good"},
        {T.PEAK: "over", T.START: "hummed", T.GROUND: "good", T.CAP_HERM: "good"},
        {T.PEAK: "over", T.RESET: "trips", T.GROUND: "good", T.CAP_HERM: "good"},
    ),
    K.OVERLOAD_OPEN: ({T.PAIRS: "overload"},),  # left to cool, never accused: `without_a_part`
    K.OVERLOAD_FAILED: ({T.PAIRS: "stays open"},),
    K.BREAKER_WORN: ({T.RESET: "trips", T.PEAK: "normal", T.GROUND: "good", T.PAIRS: "good"},),
    K.LOCKED: (_MOTOR_SOUND,),
    K.TIGHT: (_MOTOR_SOUND,),
    K.LEAD_OPEN: ({T.LEADS: "open"},),
    K.LEAD_JOINT: ({T.LEADS: "high"},),
    K.FAN_GROUNDED: ({T.FAN_GROUND: "grounded"},),
    K.FAN_OPEN: ({T.FAN_PAIRS: "open"}, {T.FAN_FED: "alive", T.FAN_A: "none", T.FAN_STATE: "still"}),
    K.FAN_SHORTED: ({T.FAN_PAIRS: "shorted"}, {T.FAN_A: "far over", T.CAP_FAN: "good", T.FAN_GROUND: "good"}),
    K.FAN_TIGHT: tuple(
        {T.CAP_FAN: "good", T.FAN_PAIRS: "good", T.FAN_GROUND: "good", T.FAN_STATE: state} for state in ("slow", "hums", "still")
    ),
    K.COIL_OPEN: ({T.COIL_OHM: "open"},),
    K.COIL_SHORTED: ({T.COIL_OHM: "shorted"},),
    K.STUCK_OPEN: ({T.ARMATURE: "out", T.COIL_OHM: "good"},),
    # Alive into it and dead out of it with the armature in: line voltage stands across the pole.
    K.PITTED: (
        {T.POLES: "open"},
        {T.FACES: "burnt"},
        {T.ARMATURE: "in", T.LINE_SIDE: "alive", T.LOAD_SIDE: "dead", T.INSECTS: "none"},
        {T.ARMATURE: "in", T.LINE_SIDE: "alive", T.LOAD_SIDE: "low", T.INSECTS: "none"},
    ),
    K.INSECT: ({T.INSECTS: "found"},),
    K.WELDED: ({T.FACES: "welded"},),
    # A loose screw drops as much, and its faces stay clean: the look tells them apart.
    # Tightened, dead, and read again it is the pole (`accuse`).
    K.WORN: (*({T.POLES: "dropping", T.FACES: seen} for seen in ("pitted", "discoloured", "burnt")), {T.POLES: "dropping"}),
    K.SECOND_COIL_OPEN: ({T.COIL2_OHM: "open"}, {T.COIL2_OHM: "shorted"}),
    K.SECOND_PITTED: ({T.POLES2: "open"}, {T.FACES2: "burnt"}),
    K.FUSE_BLOWN: ({T.FUSES: "blown"},),
    K.SUPPLY_LOST: ({T.DISCONNECT: "dead", T.BREAKER: "on"},),
    K.DISCONNECT_OPEN: tuple({T.DISCONNECT: "alive", T.LINE: after, T.FUSES: "good"} for after in ("dead", "low")),
    # On three phases a lost leg still reads half the volts through the motors.
    K.WHIP_OPEN: ({T.LINE: "alive", T.LINE_SIDE: "dead"}, {T.WHIP_DROP: "dropping"}),
    K.WHIP_JOINT: ({T.WHIP_DROP: "dropping"},),
    K.LOW_LINE: ({T.DISCONNECT: "low"},),
    K.LEG_LOST: ({T.DISCONNECT: "dead", T.BREAKER: "on"}, {T.LEGS: "one", T.DISCONNECT: "dead"}),
    K.DISCONNECT_HOT: ({T.DISCONNECT: "alive", T.LINE: "low", T.FUSES: "good"}, {T.DISCONNECT_DROP: "dropping", T.FUSES: "good"}),
    K.WEAK_PULL: ({T.ARMATURE: "chatters", T.COIL_V: "alive", T.COIL_OHM: "good"},),
    K.TRANSFORMER_WEAK: ({T.R_C: "low", T.COIL_OHM: "good"},),
    K.C_WIRE_BROKEN: (
        {T.STAT_Y: "alive", T.Y_IN: "dead", T.BOARD_R_C: "dead"},
        {T.R_C: "alive", T.CONTROL_FUSE: "good", T.STAT: "dead", T.BOARD_R_C: "dead"},
    ),
    K.NO_CALL: ({T.STAT: "alive", T.STAT_Y: "dead"},),
    K.COIL_WIRE_JOINT: ({T.Y_OUT: "alive", T.COIL_V: "low", T.COIL_OHM: "good"},),
    K.BOARD_R_LOST: ({T.R_C: "alive", T.Y_IN: "alive", T.BOARD_R_C: "dead"},),
    K.FAN_WIRE: ({T.FAN_OUT: "alive", T.FAN_FED: "dead"},),
    K.FAN_RELAY_OPEN: ({T.LOAD_SIDE: "alive", T.FAN_OUT: "dead"},),
    K.NO_CONTROL_VOLTS: ({T.R_C: "dead", T.COIL_OHM: "good"},),
    K.CONTROL_FUSE_BLOWN: ({T.CONTROL_FUSE: "bad"},),
    K.R_WIRE_BROKEN: ({T.R_C: "alive", T.CONTROL_FUSE: "good", T.STAT: "dead"},),
    K.Y_WIRE_BROKEN: ({T.STAT_Y: "alive", T.FLOAT: "closed", T.Y_IN: "dead"},),
    K.COIL_WIRE_BROKEN: ({T.Y_OUT: "alive", T.PRESSURE: "closed", T.COIL_V: "dead"},),
    K.FLOAT_OPEN: ({T.FLOAT: "open"},),
    K.PRESSURE_OPEN: ({T.PRESSURE: "open"},),
    K.NO_Y_OUT: ({T.Y_OUT: "dead"}, {T.Y_OUT: "low"}),
    K.Y_RELAY_BURNT: ({T.Y_OUT: "low"},),
    K.NEVER_STARTS: ({T.RUN_START: "no"},),
    K.NEVER_ENDS: ({T.RUN_END: "ran on"},),
    K.FAN_RELAY_STUCK: ({T.RUN_FAN: "no"},),
    K.NO_W: ({T.RUN_AUX: "no"}, {T.W_FED: "no", T.RUN_START: "yes"}),
    # An O valve is to be on in defrost, a B valve in heating; what the thermostat does in heating is not the board's.
    K.VALVE_RELAY_OPEN: (
        {T.VALVE_FED: "no", T.VALVE_COIL: "good", T.VALVE_PROOF: "shifts"},
        {T.VALVE_REST: "no", T.STAT_VALVE: "yes", T.VALVE_COIL: "good", T.VALVE_PROOF: "shifts"},
    ),
    K.VALVE_RELAY_STUCK: ({T.VALVE_FED: "no", T.VALVE_COIL: "good"}, {T.VALVE_REST: "no", T.STAT_VALVE: "yes"}),
    K.VALVE_WIRE: (
        {T.VALVE_FED: "no", T.VALVE_COIL: "good", T.VALVE_PROOF: "no"},
        {T.VALVE_REST: "no", T.STAT_VALVE: "yes", T.VALVE_COIL: "good", T.VALVE_PROOF: "no"},
    ),
    K.STAT_REVERSED: ({T.STAT_VALVE: "no", T.VALVE_REST: "no"},),
    K.STUCK_OPEN_SWITCH: ({T.SWITCH_COLD: "stuck open"},),
    K.STUCK_CLOSED_SWITCH: ({T.SWITCH_WARM: "stuck closed"},),
    K.SWITCH_OFF_MARKS: ({T.SWITCH_COLD: "stuck open"}, {T.SWITCH_WARM: "stuck closed"}),
    K.SWITCH_LOOSE: ({T.SEAT: "slipped"},),
    K.OPEN_SENSOR: ({T.COIL_SENSOR: "open"},),
    K.SHORTED_SENSOR: ({T.COIL_SENSOR: "shorted"},),
    K.DRIFTED: ({T.COIL_SENSOR: "off"},),
    K.SLIPPED: ({T.SEAT: "slipped"},),
    K.AMBIENT_OPEN: ({T.AMBIENT_SENSOR: "open"}, {T.AMBIENT_SENSOR: "shorted"}),
    K.AMBIENT_DRIFTED: ({T.AMBIENT_SENSOR: "off"},),
    K.VALVE_COIL_OPEN: ({T.VALVE_COIL: "open"},),
    K.VALVE_COIL_SHORTED: ({T.VALVE_COIL: "shorted"},),
    K.VALVE_STUCK: ({T.VALVE_PROOF: "no", T.VALVE_COIL: "good"},),
    K.VALVE_HALF_WAY: ({T.VALVE_PROOF: "no", T.VALVE_COIL: "good", T.VALVE_FED: "yes"},),
    K.DIRTY_COIL: tuple({T.COIL_FACE: "dirty", T.COMPRESSOR_A: amps} for amps in ("high", "far over")),
    K.ELEMENT_OPEN: ({T.AUX: "bad"},),
    K.SEQUENCER_STUCK: ({T.AUX_IDLE: "on"},),
    K.BLOWER_DEAD: ({T.BLOWER: "still"},),
}


def met(test: T, outcome: str, outcomes: Mapping[T, str]) -> bool | None:
    """Whether a test turned out as a proof asks, itself or where its part is in another; None where it was not made.

    >>> met(T.GROUND, "good", {T.GROUND_AT_PLUG: "good"}), met(T.GROUND, "grounded", {T.GROUND_AT_PLUG: "grounded"})
    (True, None)
    """
    if test in outcomes:
        return outcomes[test] == outcome
    return True if outcome == _SOUND and outcomes.get(WIDER.get(test, test)) == _SOUND else None


# What else has to be on record before a proof counts, as `accuse` asks.
_SAFETIES = ("control.delay", "control.pressure")
TIGHTENED = "button.terminals"
_OTHER_COILS = ("contactor2.coil.ohm", "defrost.valve_coil.ohm")
_STARTS_BY = ("cap.herm.uf", "cap.start.uf", "line.disconnect.v", "line.l1_l2.v", "contactor.line.v")
_LOADED = ("start.result",)  # volts are lost on the way only where something draws
ALSO: dict[K, tuple[str, ...]] = {
    K.NO_Y_OUT: _SAFETIES, K.Y_RELAY_BURNT: _SAFETIES, K.STUCK_OPEN: ("contactor.coil.v",), K.GROUNDED: ("winding.at", "winding.r_ground.ohm"),
    K.NEVER_STARTS: ("defrost.coil.f", "defrost.switch.ohm", "control.r_c.v"), K.NO_W: ("defrost.aux_call.v", "defrost.coil.f", "defrost.switch.ohm", "defrost.coil_sensor.ohm"),
    K.FAN_RELAY_STUCK: ("defrost.coil.f", "defrost.switch.ohm", "defrost.coil_sensor.ohm"),
    K.NEVER_ENDS: ("defrost.coil.f", "defrost.switch.ohm", "defrost.coil_sensor.ohm"),
    K.WORN: (TIGHTENED,), K.TRANSFORMER_WEAK: _OTHER_COILS, K.NO_CONTROL_VOLTS: _OTHER_COILS,
    K.LOCKED: _STARTS_BY, K.TIGHT: _STARTS_BY, K.WHIP_JOINT: _LOADED, K.DISCONNECT_HOT: _LOADED,
}  # fmt: skip
# What a fault brings with it: the second is there too, and is accused as such.
BRINGS: dict[K, K] = {K.WIRE_CHAFED: K.CONTROL_FUSE_BLOWN}
# The reading that proves the repair; any other by the part's first test.
_ACID, _COIL, _BOARD = "record.acid", "contactor.coil.ohm", "defrost.call"
AFTER: dict[K, str] = {
    K.HERM_WEAK: "cap.new_herm.uf", K.HERM_OPEN: "cap.new_herm.uf", K.HERM_WRONG: "cap.new_herm.uf", K.FAN_SECTION_WEAK: "cap.new_fan.uf",
    K.FAN_SECTION_OPEN: "cap.new_fan.uf", K.FAN_SECTION_WRONG: "cap.new_fan.uf", K.WIRES_SWAPPED: "cap.herm.load_a", K.START_CAPACITOR_WEAK: "cap.start.uf",
    K.RELAY_STUCK_OPEN: "relay.contact.ohm", K.RELAY_STUCK_CLOSED: "amps.kit.a", K.RELAY_COIL_OPEN: "relay.coil.ohm",
    K.GROUNDED: _ACID, K.RUN_OPEN: _ACID, K.START_OPEN: _ACID, K.SHORTED_TURNS: _ACID, K.LOCKED: _ACID, K.TIGHT: _ACID, K.NOT_PUMPING: _ACID,
    K.OVERLOAD_OPEN: "winding.c_r.ohm", K.OVERLOAD_FAILED: _ACID, K.MODULE_DEAD: "start.result", K.LEAD_OPEN: "lead.c.ohm", K.LEAD_JOINT: "lead.c.ohm",
    K.CAP_TO_CASE: "cap.new_herm.uf", K.HEATER_GROUNDED: "heater.ground.ohm", K.HARNESS_GROUNDED: "winding.c_ground.ohm", K.FAN_GROUNDED: "fan_winding.c_ground.ohm", K.FAN_OPEN: "fan_winding.c_r.ohm",
    K.FAN_SHORTED: "fan_winding.c_r.ohm", K.FAN_TIGHT: "amps.fan.run_a", K.FAN_WRONG_WAY: "fan.state", K.FAN_WIRE: "fan.state",
    K.COIL_OPEN: _COIL, K.COIL_SHORTED: _COIL, K.STUCK_OPEN: _COIL, K.PITTED: _COIL, K.INSECT: "look.contactor.faces", K.WELDED: _COIL,
    K.WORN: "contactor.pole1.drop_v", K.WEAK_PULL: "contactor.armature", K.SECOND_COIL_OPEN: "contactor2.coil.ohm", K.SECOND_PITTED: "contactor2.coil.ohm",
    K.FUSE_BLOWN: "line.fuse1.ohm", K.BREAKER_TRIPPED: "line.reset", K.BREAKER_WORN: "line.disconnect.v", K.SUPPLY_LOST: "line.disconnect.v",
    K.LEG_LOST: "line.disconnect.v", K.DISCONNECT_OPEN: "line.l1_l2.v", K.DISCONNECT_HOT: "line.starting.v", K.WHIP_OPEN: "contactor.line.v",
    K.WHIP_JOINT: "line.starting.v", K.LOW_LINE: "line.l1_l2.v",
    K.NO_CONTROL_VOLTS: "control.r_c.v", K.TRANSFORMER_WEAK: "control.r_c.v", K.CONTROL_FUSE_BLOWN: "control.fuse.ohm", K.R_WIRE_BROKEN: "control.stat_r_c.v",
    K.C_WIRE_BROKEN: "contactor.coil.v", K.NO_CALL: "control.stat_y.v", K.FLOAT_OPEN: "control.float", K.PRESSURE_OPEN: "control.pressure",
    K.Y_WIRE_BROKEN: "control.y_in.v", K.WIRE_CHAFED: "control.fuse.ohm", K.COIL_WIRE_BROKEN: "contactor.coil.v", K.COIL_WIRE_JOINT: "contactor.coil.v",
    K.NO_Y_OUT: "control.y_out.v", K.Y_RELAY_BURNT: "control.y_out.v", K.BOARD_R_LOST: "defrost.control.v",
    K.NEVER_STARTS: _BOARD, K.NEVER_ENDS: _BOARD, K.TIMER_WRONG: _BOARD, K.FAN_RELAY_STUCK: _BOARD, K.FAN_RELAY_OPEN: "fan.state",
    K.NO_W: "defrost.aux_call.v", K.VALVE_RELAY_OPEN: "defrost.valve_coil.v", K.VALVE_RELAY_STUCK: "defrost.valve_heating.v",
    K.STAT_REVERSED: "control.stat_valve.v",
    K.STUCK_OPEN_SWITCH: "defrost.switch.ohm", K.STUCK_CLOSED_SWITCH: "defrost.switch.ohm", K.SWITCH_OFF_MARKS: "defrost.switch.ohm",
    K.SWITCH_LOOSE: "look.sensor.seat", K.OPEN_SENSOR: "defrost.coil_sensor.ohm", K.SHORTED_SENSOR: "defrost.coil_sensor.ohm",
    K.DRIFTED: "defrost.coil_sensor.ohm", K.SLIPPED: "look.sensor.seat", K.AMBIENT_OPEN: "defrost.ambient_sensor.ohm",
    K.AMBIENT_DRIFTED: "defrost.ambient_sensor.ohm", K.VALVE_COIL_OPEN: "defrost.valve_coil.ohm", K.VALVE_COIL_SHORTED: "defrost.valve_coil.ohm",
    K.VALVE_WIRE: "defrost.valve_coil.v", K.VALVE_STUCK: "defrost.valve_proof", K.VALVE_HALF_WAY: "defrost.valve_proof",
    K.ELEMENT_OPEN: "amps.element1.a", K.SEQUENCER_STUCK: "aux.idle.a", K.BLOWER_DEAD: "control.blower",
    K.LOW_CHARGE: "record.suction.psi", K.HIGH_CHARGE: "record.suction.psi", K.DIRTY_COIL: "look.coil.face",
}  # fmt: skip


def proved_at(key: K, evidence: Mapping[T, Observed]) -> str:
    """Where a mend of this fault is proved: where it was found, when that is one of several places; else the usual one.

    >>> seen = Observed(T.LEADS, "high", ("lead.r.ohm",), "")
    >>> proved_at(K.LEAD_JOINT, {T.LEADS: seen}), proved_at(K.LEAD_JOINT, {})
    ('lead.r.ohm', 'lead.c.ohm')
    """
    usual = AFTER[key]
    found = (seen for test, seen in evidence.items() if usual in TESTED[test].points and usual not in seen.points)
    return next((point for seen in found for point in seen.points if point in TESTED[seen.test].points), usual)
