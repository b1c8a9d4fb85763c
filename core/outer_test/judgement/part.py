"""The parts of a unit and of what feeds it: what a point is read on, what a rule may blame, what is put in."""

from enum import StrEnum


class Part(StrEnum):
    """A part, by the words it is called where it is named on a screen or in a file."""

    RUN_CAPACITOR = "run capacitor"
    START_CAPACITOR = "start capacitor"
    POTENTIAL_RELAY = "potential relay"
    START_DEVICE = "start device"
    CONTACTOR = "contactor"
    SECOND_CONTACTOR = "second contactor"
    FUSE = "fuse"
    COMPRESSOR = "compressor"
    COMPRESSOR_LEAD = "compressor lead"
    FAN_MOTOR = "fan motor"
    MOTOR_MODULE = "motor module"
    DEFROST_BOARD = "defrost board"
    BOARD_FAN_RELAY = "board fan relay"
    COIL_SWITCH = "coil switch"
    COIL_SENSOR = "coil sensor"
    AMBIENT_SENSOR = "ambient sensor"
    VALVE_COIL = "valve coil"
    REVERSING_VALVE = "reversing valve"
    CONTROL_SUPPLY = "control supply"
    TRANSFORMER = "transformer"
    CONTROL_FUSE = "control fuse"
    CONTROL_WIRE = "control wire"
    THERMOSTAT = "thermostat"
    PRESSURE_SWITCH = "pressure switch"
    FLOAT_SWITCH = "float switch"
    DISCONNECT = "disconnect"
    BREAKER = "breaker"
    SUPPLY = "supply"
    AUX_ELEMENT = "aux element"
    AUX_RELAY = "aux relay"
    CRANKCASE_HEATER = "crankcase heater"
    BLOWER = "blower"
    BLOWER_CAPACITOR = "blower capacitor"
    COIL = "coil"
    WIRING = "wiring"
    WIRE = "wire"
    UNIT = "unit"


# What a part is called on the customer's page, in words that need no trade.
_SWITCH = "The switch that turns the outdoor unit on (contactor)"
_DEFROST = "The parts that clear ice from the coil"
_CONTROL = "The low-voltage control wiring"
_POWER = "The power supply to the unit"
_HEATERS = "The electric heaters indoors"
_PLAIN = {
    Part.RUN_CAPACITOR: "The capacitor that helps the motors start and run",
    Part.START_CAPACITOR: "The capacitor that gives the compressor its push at the start",
    Part.POTENTIAL_RELAY: "The relay that gives the compressor its push at the start",
    Part.BLOWER_CAPACITOR: "The capacitor of the indoor fan",
    Part.CONTACTOR: _SWITCH,
    Part.SECOND_CONTACTOR: _SWITCH,
    Part.FAN_MOTOR: "The outdoor fan's motor",
    Part.COMPRESSOR: "The compressor",
    Part.COMPRESSOR_LEAD: "The wires to the compressor",
    Part.AUX_ELEMENT: _HEATERS,
    Part.SUPPLY: _POWER,
    Part.FUSE: _POWER,
    Part.BREAKER: _POWER,
    Part.CONTROL_SUPPLY: _CONTROL,
    Part.CONTROL_FUSE: _CONTROL,
    Part.CONTROL_WIRE: _CONTROL,
    Part.THERMOSTAT: _CONTROL,
    Part.PRESSURE_SWITCH: _CONTROL,
    Part.FLOAT_SWITCH: _CONTROL,
    Part.DEFROST_BOARD: _DEFROST,
    Part.COIL_SWITCH: _DEFROST,
    Part.COIL_SENSOR: _DEFROST,
    Part.AMBIENT_SENSOR: _DEFROST,
    Part.VALVE_COIL: _DEFROST,
    Part.AUX_RELAY: _HEATERS,
    Part.UNIT: "The unit as a whole",
    Part.COIL: "The outdoor coil",
    Part.WIRING: "Wires, terminals and cabinet",
}


def plain_name(part: Part) -> str:
    """What a part is called for the person whose unit it is.

    >>> plain_name(Part.COIL), plain_name(Part.UNIT)
    ('The outdoor coil', 'The unit as a whole')
    """
    return _PLAIN.get(part, f"The {part.value}")
