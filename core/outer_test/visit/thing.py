"""What can be off or bridged at a unit: a wire, a plug, a jumper, a fuse, the disconnect, a panel (handbook section 10).

A line of the not-put-back list names a thing by its key, so that a step that lifts it, a person who types it and a rule that
asks for it mean the same one. What has no key is kept in the person's own words and is nothing to any rule.
"""

import re
from enum import Flag, StrEnum, auto
from functools import cache


class Feed(Flag):
    """What has to be whole for a reading to mean anything, and what a thing that is off interrupts."""

    LINE = auto()
    CONTROL = auto()
    COMPRESSOR = auto()
    HERM = auto()
    FAN = auto()
    COIL = auto()
    COIL2 = auto()
    VALVE = auto()
    AUX = auto()
    SWITCH = auto()
    COIL_SENSOR = auto()
    AMBIENT_SENSOR = auto()
    START = auto()
    NONE = 0


class Thing(StrEnum):
    """A thing that is lifted, pulled, unplugged or bridged, by its key in files."""

    HERM_WIRES = "herm-wires"
    FAN_WIRE = "fan-capacitor-wire"
    COMMON_WIRES = "capacitor-common-wires"
    START_CAPACITOR_WIRES = "start-capacitor-wires"
    COIL_LEADS = "contactor-coil-leads"
    SECOND_COIL_LEADS = "second-contactor-coil-leads"
    COMPRESSOR_PLUG = "compressor-plug"
    COMPRESSOR_LEADS = "compressor-leads"
    FAN_LEADS = "fan-motor-leads"
    VALVE_LEADS = "valve-coil-leads"
    SWITCH_LEAD = "coil-switch-lead"
    COIL_SENSOR_PLUG = "coil-sensor-plug"
    AMBIENT_SENSOR_PLUG = "ambient-sensor-plug"
    AUX_WIRE = "aux-wire"
    Y_WIRE = "y-wire"
    BOARD_PLUG = "board-low-voltage-plug"
    FUSES = "fuses"
    FUSE_1 = "fuse-1"
    FUSE_2 = "fuse-2"
    CONTROL_FUSE = "control-fuse"
    DISCONNECT = "disconnect"
    INDOOR_BREAKER = "indoor-breaker"
    PANEL = "panel"
    SWITCH_JUMPER = "coil-switch-jumper"
    TEST_JUMPER = "test-jumper"
    VALVE_JUMPER = "valve-jumper"
    PRESSURE_JUMPER = "pressure-switch-jumper"
    FLOAT_JUMPER = "float-switch-jumper"
    COIL_JUMPER = "contactor-coil-jumper"
    CONTACTOR_PUSHED = "contactor-pushed-in"
    SECOND_CONTACTOR_PUSHED = "second-contactor-pushed-in"
    CRANKCASE_HEATER = "crankcase-heater-wire"
    BOARD_WIRE = "board-wire"  # of a board that is swapped; which one is in the words


# What each is called on the list, what it interrupts, and other ways to say it.
_ABOUT: dict[Thing, tuple[str, Feed, str]] = {
    Thing.HERM_WIRES: ("HERM wires off", Feed.HERM | Feed.COMPRESSOR, "herm|herm capacitor wire|compressor capacitor wire"),
    Thing.FAN_WIRE: ("FAN wire off", Feed.FAN, "fan wire|fan capacitor wire|brown wire"),
    Thing.COMMON_WIRES: ("Capacitor C wires off", Feed.HERM | Feed.FAN | Feed.COMPRESSOR, "capacitor common wire|c wire|capacitor wire"),
    Thing.START_CAPACITOR_WIRES: ("Start capacitor wires off", Feed.START, "start capacitor wire|start cap wire|start cap"),
    Thing.COIL_LEADS: ("Contactor coil leads off", Feed.COIL, "contactor coil wire|coil wire|contactor coil"),
    Thing.SECOND_COIL_LEADS: ("Second contactor coil leads off", Feed.COIL2, "second contactor coil wire|second contactor coil"),
    Thing.COMPRESSOR_PLUG: ("Compressor plug off", Feed.COMPRESSOR, "compressor plug|comp plug|compressor harness|compressor"),
    Thing.COMPRESSOR_LEADS: ("Compressor leads off", Feed.COMPRESSOR, "compressor wire|compressor terminal wire"),
    Thing.FAN_LEADS: ("Fan motor leads off", Feed.FAN, "fan motor wire|fan motor plug|fan plug|fan motor"),
    Thing.VALVE_LEADS: ("Valve coil leads off", Feed.VALVE, "valve wire|valve coil wire|valve coil plug|reversing valve wire|o wire|b wire"),
    Thing.SWITCH_LEAD: ("Coil switch lead off", Feed.SWITCH, "coil switch wire|switch wire|defrost switch wire"),
    Thing.COIL_SENSOR_PLUG: ("Coil sensor unplugged", Feed.COIL_SENSOR, "coil sensor|coil sensor plug|coil sensor wire"),
    Thing.AMBIENT_SENSOR_PLUG: ("Ambient sensor unplugged", Feed.AMBIENT_SENSOR, "ambient sensor|ambient sensor plug|air sensor"),
    Thing.AUX_WIRE: ("Aux wire lifted", Feed.AUX, "aux wire|w wire|aux heat wire"),
    Thing.Y_WIRE: ("Y wire off", Feed.COIL, "y wire"),
    Thing.BOARD_PLUG: ("Board's low-voltage plug pulled", Feed.CONTROL, "board low voltage plug|low voltage plug|board plug"),
    Thing.FUSES: ("Fuses pulled", Feed.LINE, "fuse|both fuse|disconnect fuse"),
    Thing.FUSE_1: ("Fuse 1 pulled", Feed.LINE, "fuse 1"),
    Thing.FUSE_2: ("Fuse 2 pulled", Feed.LINE, "fuse 2"),
    Thing.CONTROL_FUSE: ("Control fuse out", Feed.CONTROL, "control fuse|3 a fuse|5 a fuse|board fuse"),
    Thing.DISCONNECT: ("Disconnect pulled", Feed.LINE, "disconnect|pull out|pullout|outdoor disconnect"),
    Thing.INDOOR_BREAKER: ("Indoor breaker off", Feed.CONTROL | Feed.AUX, "indoor breaker|air handler breaker|furnace switch"),
    Thing.PANEL: ("Panel off", Feed.NONE, "panel|cover|service panel|top"),
    Thing.SWITCH_JUMPER: ("Switch jumper on", Feed.NONE, "switch jumper|coil switch jumper|jumper switch|defrost switch jumper|jumper coil switch"),
    Thing.TEST_JUMPER: ("Test jumper on", Feed.NONE, "test jumper|test pin jumper|time pin jumper|force jumper|pin jumper"),
    Thing.VALVE_JUMPER: ("Valve jumper on, R to O or B", Feed.NONE, "valve jumper|r to o jumper|r to b jumper|jumper r o|jumper r b|r o jumper|r b jumper"),
    Thing.PRESSURE_JUMPER: ("Pressure switch bypassed", Feed.NONE, "pressure switch jumper|pressure switch bypass|pressure switch bypassed"),
    Thing.FLOAT_JUMPER: ("Float switch bypassed", Feed.NONE, "float switch jumper|float switch bypass|float switch bypassed|float jumper"),
    Thing.COIL_JUMPER: ("Contactor coil jumpered to R", Feed.NONE, "contactor coil jumpered r|r to y jumper|r y jumper|jumper r y"),
    Thing.CONTACTOR_PUSHED: ("Contactor pushed in by hand", Feed.NONE, "contactor pushed hand|contactor pushed|contactor held"),
    Thing.SECOND_CONTACTOR_PUSHED: ("Second contactor pushed in by hand", Feed.NONE, "second contactor pushed"),
    Thing.CRANKCASE_HEATER: ("Crankcase heater wire off", Feed.NONE, "crankcase heater wire|crankcase heater"),
    Thing.BOARD_WIRE: ("Board wire", Feed.NONE, "board wire"),
}  # fmt: skip
_SAME = {"wires": "wire", "lead": "wire", "leads": "wire", "fuses": "fuse", "panels": "panel", "jumpered": "jumper", "cap": "capacitor"}
_FILLER = frozenset((
    "a", "an", "the", "is", "are", "was", "were", "off", "lifted", "pulled", "out", "unplugged", "removed", "on", "in",
    "disconnected", "taken", "put", "by", "from", "at", "of", "s",
))  # fmt: skip


def words_for(thing: Thing) -> str:
    """What a thing is called on the list.

    >>> words_for(Thing.COMPRESSOR_PLUG)
    'Compressor plug off'
    """
    return _ABOUT[thing][0]


def cuts(thing: Thing) -> Feed:
    """What is interrupted while the thing is off.

    >>> cuts(Thing.FAN_LEADS)
    <Feed.FAN: 16>
    """
    return _ABOUT[thing][1]


def thing_of(words: str) -> Thing | None:
    """The thing that somebody's words name, however it was put; None for free words.

    >>> thing_of("Compressor plug"), thing_of("compressor plug off"), thing_of("dog in the yard")
    (<Thing.COMPRESSOR_PLUG: 'compressor-plug'>, <Thing.COMPRESSOR_PLUG: 'compressor-plug'>, None)
    >>> thing_of("Board wire Y (yellow)")
    <Thing.BOARD_WIRE: 'board-wire'>
    """
    if words.startswith(words_for(Thing.BOARD_WIRE)):
        return Thing.BOARD_WIRE
    return _phrases().get(_folded(words))


def _folded(words: str) -> tuple[str, ...]:
    tokens = re.findall(r"[a-z0-9]+", words.lower().replace("'s", ""))
    return tuple(sorted({_SAME.get(token, token) for token in tokens if token not in _FILLER}))


@cache
def _phrases() -> dict[tuple[str, ...], Thing]:
    found: dict[tuple[str, ...], Thing] = {}
    for thing, (words, _, others) in _ABOUT.items():
        for phrase in (words, thing.value.replace("-", " "), *others.split("|")):
            found.setdefault(_folded(phrase), thing)
    return found
