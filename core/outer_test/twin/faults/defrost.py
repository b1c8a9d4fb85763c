"""What can be wrong with the defrost: board, switch, sensors, reversing valve; and with heat, charge and air."""

from outer_test.judgement import Part
from outer_test.twin.faults.fault import Fault, fault, way
from outer_test.twin.faults.key import FaultKey as K

_OPEN = 1e9
_BOARD = "The board, ordered as the house rule says."
_BOTH_SENSORS = "Replace both sensors together."
_ICED = {"look.coil.face": {"iced": 0.7, "frosted": 0.15, "clear": 0.12, "dirty": 0.03}}
_HALF_ICED = {"look.coil.face": {"iced": 0.5, "frosted": 0.25, "clear": 0.2, "dirty": 0.05}}
_SWITCH = "Replace the coil switch."

DEFROST: tuple[Fault, ...] = (
    fault(K.NEVER_STARTS, Part.DEFROST_BOARD, "The defrost board never starts a defrost.",
          "A heating call, right pins, hold and interval over, switch proved closed or sensors sound, 24 V at R and C, and no start.", _BOARD,
          way({"board.never_starts": 1}), looks=_ICED),
    fault(K.NEVER_ENDS, Part.DEFROST_BOARD, "The defrost board does not end a defrost.", "The switch opens, or the limit passes, and it runs on.", _BOARD, way({"board.never_ends": 1})),
    fault(K.TIMER_WRONG, Part.DEFROST_BOARD, "The board's clock is wrong: it defrosts far too seldom or too often.", "The time between two defrosts, compressor running, against its pins.",
          _BOARD, way({"board.timer": 0.1}), way({"board.timer": 4.0}), looks={"look.coil.face": {"iced": 0.4, "frosted": 0.2, "clear": 0.37, "dirty": 0.03}}),
    fault(K.FAN_RELAY_STUCK, Part.BOARD_FAN_RELAY, "The board's fan relay does not open in defrost.", "The fan runs on through a defrost that the board began.", _BOARD,
          way({"fan.relay_stuck": 1})),
    fault(K.FAN_RELAY_OPEN, Part.BOARD_FAN_RELAY, "The board's fan relay does not close: the fan has no feed.", "Line volts at the relay's one side and none at the other, no defrost on.", _BOARD,
          way({"fan.relay_open": 1, "board.F1–board.F2": _OPEN}), looks=_HALF_ICED),
    fault(K.NO_W, Part.DEFROST_BOARD, "The board does not call aux heat in defrost.", "Volts W to C at the board during a defrost.", _BOARD, way({"board.no_w": 1})),
    fault(K.VALVE_RELAY_OPEN, Part.DEFROST_BOARD, "The board does not energise the reversing valve.", "Volts at the valve's terminals on the board when it should be on, coil sound.", _BOARD,
          way({"valve.relay_open": 1})),
    fault(K.VALVE_RELAY_STUCK, Part.DEFROST_BOARD, "The board keeps the reversing valve energised.", "Volts at the valve's terminals on the board when it should be off.", _BOARD,
          way({"valve.relay_stuck": 1})),
    fault(K.STAT_REVERSED, Part.THERMOSTAT, "The thermostat energises the reversing valve at the wrong time: its O or B setting.",
          "Volts O (or B) to C at the thermostat, heating.", "Set it as this unit's valve asks.", way({"stat.reversed": 1})),
    fault(K.STUCK_OPEN_SWITCH, Part.COIL_SWITCH, "The coil switch does not close.", "Its ohms with one lead off, the coil there colder than it closes by 5 °F.", _SWITCH,
          way({"switch.open": 1}), looks=_ICED),
    fault(K.STUCK_CLOSED_SWITCH, Part.COIL_SWITCH, "The coil switch does not open.", "Its ohms with one lead off, the coil there warmer than it opens by 5 °F.", _SWITCH, way({"switch.closed": 1})),
    fault(K.SWITCH_OFF_MARKS, Part.COIL_SWITCH, "The coil switch opens and closes off its marks.", "The temperatures at which it opens and closes, thermometer beside it.", _SWITCH,
          way({"switch.shift_f": -22}), way({"switch.shift_f": 22}), looks=_HALF_ICED),
    fault(K.SWITCH_LOOSE, Part.COIL_SWITCH, "The coil switch is out of its clip: it feels the air.", "Look at its clip.", "Clip it back and read it again.", way({"switch.loose": 1}),
          looks={**_HALF_ICED, "look.sensor.seat": {"slipped": 0.97}}),
    fault(K.OPEN_SENSOR, Part.COIL_SENSOR, "The coil sensor is open.", "Its ohms, unplugged, on a range that reaches: OL.", _BOTH_SENSORS, way({"sensor.open": 1}), looks=_HALF_ICED),
    fault(K.SHORTED_SENSOR, Part.COIL_SENSOR, "The coil sensor is shorted.", "Its ohms, unplugged: near 0.", _BOTH_SENSORS, way({"sensor.shorted": 1}), looks=_ICED),
    fault(K.DRIFTED, Part.COIL_SENSOR, "The coil sensor is off its curve.", "Its ohms, unplugged, against a thermometer beside it and its own curve.", _BOTH_SENSORS,
          way({"sensor.drift_f": -30}), way({"sensor.drift_f": 30}), way({"sensor.drift_f": -14}), way({"sensor.drift_f": 14}), looks=_HALF_ICED),
    fault(K.SLIPPED, Part.COIL_SENSOR, "The coil sensor is out of its well.", "Look at its well; it reads air.", "Seat it, tie it, read it again.", way({"sensor.slipped": 1}),
          looks={**_HALF_ICED, "look.sensor.seat": {"slipped": 0.98}}),
    fault(K.AMBIENT_OPEN, Part.AMBIENT_SENSOR, "The ambient sensor is open or shorted.", "Its ohms, unplugged: OL, or near 0.", _BOTH_SENSORS, way({"ambient.open": 1}), way({"ambient.open": 1, "ambient.shorted": 1}, 0.3), looks=_HALF_ICED),
    fault(K.AMBIENT_DRIFTED, Part.AMBIENT_SENSOR, "The ambient sensor is off its curve.", "Its ohms, unplugged, against a thermometer beside it and its own curve.", _BOTH_SENSORS,
          way({"ambient.drift_f": -15}), way({"ambient.drift_f": 15}), way({"ambient.drift_f": 30})),
    fault(K.VALVE_COIL_OPEN, Part.VALVE_COIL, "The reversing valve's coil is open.", "Its ohms, one lead off: OL.", "Replace the valve's coil.", way({"valve.coil.ohm": _OPEN, "valve.coil_dead": 1})),
    fault(K.VALVE_COIL_SHORTED, Part.VALVE_COIL, "The reversing valve's coil is shorted; it takes the control fuse with it.", "Its ohms, one lead off: under 5 Ω.",
          "Replace the valve's coil, then the fuse.", way({"valve.coil.ohm": 1.0, "valve.coil_dead": 1}), way({"valve.coil.ohm": 1.0, "valve.coil_dead": 1, "transformer.R–indoor.F": _OPEN}, 0.6)),
    fault(K.VALVE_WIRE, Part.CONTROL_WIRE, "A wire to the reversing valve is off or broken.", "Volts at the board's valve terminal and none at the coil.", "Mend the wire.",
          way({"valve.coil_dead": 1, "valve.wire": 1})),
    fault(K.VALVE_STUCK, Part.REVERSING_VALVE, "The reversing valve does not shift.", "Its solenoid as it should be, compressor running with a pressure difference, and no shift.",
          "Replace the valve: refrigerant work.", way({"valve.stuck": 1})),
    fault(K.VALVE_HALF_WAY, Part.REVERSING_VALVE, "The reversing valve stays half way: it leaks from one side to the other.",
          "The same temperature in both of its small lines; pressures close together; no shift by a jumper.", "Replace the valve: refrigerant work.",
          way({"valve.half": 1, "compressor.load": 0.6, "no.flow": 1})),
    fault(K.ELEMENT_OPEN, Part.AUX_ELEMENT, "An aux heat element, its limit, its fuse or its relay is open.", "Each heater's amps against its kilowatts and volts.",
          "Find which of them is open, power off.", way({"element.open": 1})),
    fault(K.SEQUENCER_STUCK, Part.AUX_RELAY, "The aux heat's relay or sequencer is stuck: heat stays on.", "Heater amps with no call for them.",
          "Replace the relay or sequencer.", way({"element.stuck_on": 1})),
    fault(K.BLOWER_DEAD, Part.BLOWER, "The indoor blower does not run.", "Look and listen at the air handler; its capacitor.", "Its capacitor, motor or relay.",
          way({"blower.dead": 1}), looks={"control.blower": {"still": 0.97}}),
    fault(K.LOW_CHARGE, None, "Low charge: pressures, superheat and subcooling tell.", "Pressures, superheat and subcooling.", "Find the leak, mend it, weigh the charge in.",
          way({"charge": 0.35, "compressor.load": 0.45}), way({"charge": 0.6, "compressor.load": 0.7}), way({"charge": 0.6, "compressor.load": 0.7}), way({"charge": 0.8, "compressor.load": 0.85}),
          looks={"look.coil.face": {"clear": 0.5, "dirty": 0.05, "frosted": 0.1, "iced": 0.35}}),
    fault(K.HIGH_CHARGE, None, "Too much charge: pressures, superheat and subcooling tell.", "Pressures, superheat and subcooling.", "Recover the excess, weigh the charge in.",
          way({"compressor.load": 1.45}), way({"compressor.load": 1.2})),
    fault(K.DIRTY_COIL, Part.COIL, "The outdoor coil is dirty: too little air goes through.", "Look through it with a light; amps before and after cleaning.", "Wash it, power off.",
          way({"coil.dirty": 0.4, "compressor.load": 1.5}), way({"coil.dirty": 0.6, "compressor.load": 1.3}), way({"coil.dirty": 0.75, "compressor.load": 1.08}),
          looks={"look.coil.face": {"dirty": 0.9, "clear": 0.04, "frosted": 0.03, "iced": 0.03}}),
)  # fmt: skip
