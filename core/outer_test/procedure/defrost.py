"""How the defrost readings are taken, and the events of a watched defrost."""

from outer_test.procedure.electrical import LIVE_CAUTION
from outer_test.procedure.steps import make_step

# The events of a watched defrost that can be stamped, in the order they are expected.
RUN_EVENTS = (
    "forced", "contactor-open", "contactor-close", "valve-shift", "fan-off", "aux-on", "outdoor-line-warm", "switch-open", "ended",
    "fan-on", "valve-back", "aux-off",
)  # fmt: skip
SWITCH = (
    make_step("defrost.coil.f", "Coil temperature", "coil °F", "Thermometer on the coil, at the switch or sensor."),
    make_step(
        "defrost.switch.ohm",
        "Coil switch",
        "switch",
        "One lead off the board. Ohms or beep across its two leads.",
        lifts="Coil switch lead off",
    ),
    make_step("defrost.ice", "Ice right at the switch?", "ice", "At the switch itself, not somewhere on the coil.", needed=False),
    make_step(
        "defrost.just_ran", "Has it run within ten minutes?", "just ran", "Then the coil under the ice is as cold as the ice.", needed=False
    ),
)
SENSORS = (
    make_step("defrost.coil.f", "Coil temperature", "coil °F", "Thermometer beside the coil sensor."),
    make_step("defrost.ambient.f", "Air temperature", "air °F", "Thermometer beside the ambient sensor, in the shade."),
    make_step("defrost.coil_sensor.ohm", "Coil sensor", "coil sensor", "Unplugged from the board. Ohms.", lifts="Coil sensor unplugged"),
    make_step(
        "defrost.ambient_sensor.ohm", "Ambient sensor", "air sensor", "Unplugged from the board. Ohms.", lifts="Ambient sensor unplugged"
    ),
    make_step("defrost.rested", "Off for an hour?", "rested", "Then both sensors should agree.", needed=False),
    make_step("defrost.coil_sensor.vdc", "Coil sensor, volts at the board", "coil V", "D.c. volts, plugged in, powered.", needed=False),
    make_step(
        "defrost.ambient_sensor.vdc", "Ambient sensor, volts at the board", "air V", "D.c. volts, plugged in, powered.", needed=False
    ),
)
VALVE = (
    make_step(
        "defrost.valve_coil.ohm",
        "Reversing valve coil",
        "valve coil",
        "Both leads off. Ohms. Never energise it off its stem.",
        lifts="Valve coil leads off",
    ),
    make_step(
        "defrost.call",
        "Heating call present?",
        "call",
        "The thermostat calls for heat, and the restart hold is over.",
        timer="Restart hold",
        timer_s=300.0,
    ),
    make_step(
        "defrost.control.v",
        "Control volts at the board, R to C",
        "R–C",
        "A.c. volts at the board's own terminals, with the call.",
        needed=False,
        caution=LIVE_CAUTION,
    ),
    make_step(
        "defrost.pins",
        "The right pins?",
        "pins",
        "Force or time pins as the unit's own diagram names them; test pins only speed the clock.",
    ),
    make_step(
        "defrost.valve_coil.v",
        "Volts at the valve coil, in defrost",
        "valve V",
        "A.c. volts across its leads while it should be shifted.",
        needed=False,
        caution=LIVE_CAUTION,
    ),
    make_step("defrost.aux_call.v", "Aux call, W to C, in defrost", "W", "A.c. volts at the board.", needed=False),
)
EVERY_DEFROST_STEP = (*SWITCH, *SENSORS, *VALVE)
