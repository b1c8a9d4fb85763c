"""Switch or sensors, valve, board, and the swap of a board."""

from outer_test.judgement import Part
from outer_test.visit.points.record import LIVE_CAUTION, Measures, Point
from outer_test.visit.thing import Feed, Thing

DEFROST = (
    Point(
        "defrost.switch.ohm", "defrost", "dead", Part.COIL_SWITCH, "Coil switch", "switch",
        "One lead off the board. Ohms or beep across its two leads.",
        lifts=Thing.SWITCH_LEAD, probes=("coil_switch.1", "coil_switch.2"), say="switch|coil switch",
        tells_of=("coil_switch",),
    ),
    Point(
        "defrost.valve_coil.ohm", "defrost", "dead", Part.VALVE_COIL, "Reversing valve coil", "valve coil",
        "Both leads off. Ohms. Never energise it off its stem.",
        lifts=Thing.VALVE_LEADS, probes=("valve.1", "valve.2"), say="valve|valve coil",
        tells_of=("valve",),
    ),
    Point(
        "defrost.coil.f", "defrost", "any", Part.DEFROST_BOARD, "Coil temperature", "coil °F",
        "Thermometer on the coil, at the switch or sensor.",
        say="coil f|coil temp",
    ),
    Point(
        "defrost.ambient.f", "defrost", "any", Part.DEFROST_BOARD, "Air temperature", "air °F",
        "Thermometer beside the ambient sensor, in the shade.",
        say="air f|air temp|ambient",
    ),
    Point(
        "defrost.coil_sensor.ohm", "defrost", "any", Part.COIL_SENSOR, "Coil sensor", "coil sensor",
        "Unplugged from the board. Ohms.",
        lifts=Thing.COIL_SENSOR_PLUG, probes=("coil_sensor.1", "coil_sensor.2"), say="coil sensor",
        measures=Measures.SENSOR,
        tells_of=("coil_sensor",),
    ),
    Point(
        "defrost.ambient_sensor.ohm", "defrost", "any", Part.AMBIENT_SENSOR, "Ambient sensor", "air sensor",
        "Unplugged from the board. Ohms.",
        lifts=Thing.AMBIENT_SENSOR_PLUG, probes=("ambient_sensor.1", "ambient_sensor.2"), say="air sensor|ambient sensor",
        measures=Measures.SENSOR,
        tells_of=("ambient_sensor",),
    ),
    Point(
        "defrost.valve_coil.v", "defrost", "live", Part.VALVE_COIL, "Volts at the valve coil, in defrost", "valve V",
        "A.c. volts across its leads while it should be shifted.",
        needed=False, probes=("valve.1", "valve.2"), fed_by=Feed.CONTROL | Feed.VALVE, caution=LIVE_CAUTION, say="valve v",
        proves=(("board.", "valve.1"), ("valve.2", "board.C")),
    ),
    Point(
        "defrost.valve_heating.v", "defrost", "live", Part.VALVE_COIL, "Volts at the valve coil, heating", "valve V heat",
        "A.c. volts across its leads with a heating call, not in a defrost.",
        needed=False, probes=("valve.1", "valve.2"), fed_by=Feed.CONTROL | Feed.VALVE, caution=LIVE_CAUTION, say="valve heat",
    ),
    Point(
        "defrost.aux_call.v", "defrost", "live", Part.DEFROST_BOARD, "Aux call, W to C, in defrost", "W",
        "A.c. volts at the board.",
        needed=False, fed_by=Feed.CONTROL, say="w|aux call",
    ),
    Point(
        "defrost.control.v", "defrost", "live", Part.DEFROST_BOARD, "Control volts at the board, R to C", "R–C",
        "A.c. volts at the board's own terminals, with the call.",
        needed=False, fed_by=Feed.CONTROL, caution=LIVE_CAUTION, say="board v|board rc|board r-c",
    ),
    Point(
        "defrost.coil_sensor.vdc", "defrost", "live", Part.COIL_SENSOR, "Coil sensor, volts at the board", "coil V",
        "D.c. volts, plugged in, powered.",
        needed=False, say="coil sensor v",
        tells_of=("coil_sensor",),
    ),
    Point(
        "defrost.ambient_sensor.vdc", "defrost", "live", Part.AMBIENT_SENSOR, "Ambient sensor, volts at the board", "air V",
        "D.c. volts, plugged in, powered.",
        needed=False, say="air sensor v",
        tells_of=("ambient_sensor",),
    ),
    Point(
        "defrost.ice", "defrost", "any", Part.COIL_SWITCH, "Ice right at the switch?", "ice",
        "At the switch itself, not somewhere on the coil.",
        choices_text="yes no", needed=False, say="ice",
    ),
    Point(
        "defrost.just_ran", "defrost", "any", Part.COIL_SWITCH, "Has it run within ten minutes?", "just ran",
        "Then the coil under the ice is as cold as the ice.",
        choices_text="yes no", needed=False, say="just ran",
    ),
    Point(
        "defrost.rested", "defrost", "any", Part.DEFROST_BOARD, "Off for an hour?", "rested",
        "Then both sensors should agree.",
        choices_text="yes no", needed=False, say="rested",
    ),
    Point(
        "swap.indoor", "defrost", "dead", Part.DEFROST_BOARD, "Board swap: low voltage",
        choices_text="off plug", needed=False,
    ),
    Point(
        "swap.photo", "defrost", "dead", Part.DEFROST_BOARD, "Board swap: photo of the old board",
        choices_text="taken", needed=False,
    ),
    Point(
        "swap.settings", "defrost", "dead", Part.DEFROST_BOARD, "Board swap: settings",
        choices_text="copied", needed=False,
    ),
    Point(
        "swap.jumper", "defrost", "dead", Part.DEFROST_BOARD, "Board swap: pressure-switch jumper",
        choices_text="moved not-needed", needed=False,
    ),
    Point(
        "swap.sensors", "defrost", "dead", Part.DEFROST_BOARD, "Board swap: sensors",
        choices_text="new kept retired", needed=False,
    ),
    Point(
        "defrost.call", "defrost", "live", Part.DEFROST_BOARD, "Heating call present?", "call",
        "The thermostat calls for heat, and the restart hold is over.",
        choices_text="yes no", timer="Restart hold", timer_s=300.0, say="call",
    ),
    Point(
        "defrost.pins", "defrost", "live", Part.DEFROST_BOARD, "The right pins?", "pins",
        "Force or time pins as the unit's own diagram names them; test pins only speed the clock.",
        choices_text="right unsure", say="pins",
    ),
    Point(
        "defrost.valve_proof", "defrost", "live", Part.REVERSING_VALVE, "Valve proved by a jumper", "valve proof",
        "R to O (or B) at the board, compressor running: does it shift? The jumper goes on the list.",
        choices_text="shifts no", needed=False, fed_by=Feed.CONTROL | Feed.VALVE, say="valve proof",
    ),
)  # fmt: skip
