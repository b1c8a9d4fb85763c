"""What can be wrong on the low-voltage side: transformer, fuse, thermostat, safeties, wires, and the board's way for Y."""

from outer_test.judgement import Part
from outer_test.twin.control import COMMON_WIRE, CONTROL_FUSE, FLOAT, STAT_CONTACT, STAT_WIRE
from outer_test.twin.faults.fault import Fault, fault, way
from outer_test.twin.faults.key import FaultKey as K

_OPEN = 1e9
_Y, _COIL, _RETURN = "indoor.Y–board.Y", "board.YO–contactor.A", "contactor.B–board.C"
_MEND = "Mend the wire."
_BOARD = "The board, ordered as the house rule says."

LOW_VOLTAGE: tuple[Fault, ...] = (
    fault(K.NO_CONTROL_VOLTS, Part.CONTROL_SUPPLY, "No control voltage: the transformer or its supply.", "0 V R to C at the transformer; then its primary.",
          "Follow it back: indoor switch, transformer.", way({"transformer.volts": 0.0})),
    fault(K.TRANSFORMER_WEAK, Part.TRANSFORMER, "The transformer is weak: control voltage falls under load.", "R to C with the call on, and with it off.",
          "Replace the transformer, after looking for a load that is too much.", way({"transformer.volts": 19.0}), way({"transformer.volts": 17.0}), way({"transformer.ohm": 8.0})),
    fault(K.CONTROL_FUSE_BLOWN, Part.CONTROL_FUSE, "The control fuse is blown.", "Its ohms, out of circuit.",
          "Find the short first: contactor coil, valve coil, a rubbed wire.", way({CONTROL_FUSE: _OPEN})),
    fault(K.R_WIRE_BROKEN, Part.CONTROL_WIRE, "A thermostat wire, R or C, is broken.", "R to C at the thermostat's base against R to C at the transformer.", _MEND,
          way({STAT_WIRE: _OPEN})),
    fault(K.C_WIRE_BROKEN, Part.CONTROL_WIRE, "The C wire to the unit is broken.", "Y to C outdoors reads nothing, Y to C indoors 24 V.", _MEND,
          way({"indoor.C–board.C": _OPEN}), way({COMMON_WIRE: _OPEN}, 0.3)),
    fault(K.NO_CALL, Part.THERMOSTAT, "The thermostat does not call.", "24 V at its R, none at its Y; a jumper R to Y at its base starts the unit.",
          "Jumper R to Y at its base to prove it, and put the jumper on the list.", way({STAT_CONTACT: _OPEN})),
    fault(K.FLOAT_OPEN, Part.FLOAT_SWITCH, "The float switch is open: the drain pan is full.", "It is seen open, or 24 V stands across it.", "Clear the drain.",
          way({FLOAT: _OPEN, "float.open": 1})),
    fault(K.PRESSURE_OPEN, Part.PRESSURE_SWITCH, "A pressure switch is open: charge or airflow.", "24 V stands across it, or it is seen open.",
          "Find why: charge, airflow, then the switch.", way({_Y: _OPEN, "pressure.open": 1}), way({_COIL: _OPEN, "pressure.open": 1})),
    fault(K.Y_WIRE_BROKEN, Part.CONTROL_WIRE, "The Y wire from indoors is broken.", "24 V at the thermostat's Y, 1 to 5 V or none at the board.", _MEND,
          way({_Y: _OPEN})),
    fault(K.WIRE_CHAFED, Part.CONTROL_WIRE, "A control wire is rubbed through to metal: it blows the control fuse.", "Ohms from Y and R to the cabinet, wires off.",
          "Mend the wire, then the fuse.", way({CONTROL_FUSE: _OPEN, "wire.chafed": 1}), looks={"look.wiring": {"rubbed": 0.75, "sound": 0.2, "burnt": 0.05}}),
    fault(K.COIL_WIRE_BROKEN, Part.CONTROL_WIRE, "The wire to the contactor's coil is broken.", "Volts at the board's Y out, and none at the coil.", _MEND,
          way({_COIL: _OPEN}), way({_RETURN: _OPEN})),
    fault(K.COIL_WIRE_JOINT, Part.CONTROL_WIRE, "A joint in the wire to the contactor's coil is poor.", "Volts at the board's Y out, and fewer at the coil.", "Mend the joint.",
          way({_COIL: 25.0}), way({_COIL: 60.0}), way({_RETURN: 25.0})),
    fault(K.NO_Y_OUT, Part.DEFROST_BOARD, "The board does not pass Y on.", "24 V at its Y in, delay over, safeties closed, none at its Y out.", _BOARD,
          way({"board.Y–board.YO": _OPEN})),
    fault(K.Y_RELAY_BURNT, Part.DEFROST_BOARD, "The board's own relay for Y is burnt: it drops the voltage.", "Volts at its Y in, and far fewer at its Y out.", _BOARD,
          way({"board.Y–board.YO": 30.0}), way({"board.Y–board.YO": 80.0})),
    fault(K.BOARD_R_LOST, Part.CONTROL_WIRE, "The R wire to the board is broken: it has no supply.", "0 V R to C at the board, 24 V indoors.", _MEND,
          way({"indoor.R–board.R": _OPEN, "board.Y–board.YO": _OPEN})),
)  # fmt: skip
