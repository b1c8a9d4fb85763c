"""The fan motor's windings: judged by the compressor's rules, read at three wires of its own."""

from outer_test.procedure.electrical import INSULATION_TESTER
from outer_test.procedure.steps import make_step

FAN_PAIRS = (
    make_step(
        "fan_winding.c_r.ohm", "Fan motor, common to run", "fan C–R", "Ohms. Fan leads off.", needed=False, lifts="Fan motor leads off"
    ),
    make_step("fan_winding.c_s.ohm", "Fan motor, common to start", "fan C–S", "Ohms. Fan leads off.", needed=False),
    make_step("fan_winding.r_s.ohm", "Fan motor, run to start", "fan R–S", "Ohms. Fan leads off.", needed=False),
    make_step("fan_winding.c_ground.ohm", "Fan motor, common to ground", "fan gnd", "Highest ohms range, to bare metal.", needed=False),
)
# Asked for where the fan is what is looked into: three good pairs say enough on any other visit.
FAN_MORE = (
    make_step("fan_winding.r_ground.ohm", "Fan motor, run to ground", "fan R–gnd", "Highest ohms range, to bare metal.", needed=False),
    make_step("fan_winding.s_ground.ohm", "Fan motor, start to ground", "fan S–gnd", "Highest ohms range, to bare metal.", needed=False),
    *(
        make_step(
            f"fan_winding.t{one}_t{two}.ohm", f"Fan motor, unlabelled: {one} to {two}", f"fan {one}–{two}",
            "Where the colours tell nothing: number the three wires yourself, measure all three pairs.", needed=False,
        )
        for one, two in ((1, 2), (2, 3), (1, 3))
    ),
    make_step(
        "fan_winding.at", "Fan motor: where are you measuring?", "fan where",
        "Terminals: at the motor's own leads, past every splice. Only there can an open winding be told.", needed=False,
    ),
    make_step(
        "fan_winding.leads.ohm", "Fan motor: meter leads touched together", "fan leads",
        "Touch the probes together. It is taken off each of its pairs.", needed=False,
    ),
    make_step("fan_winding.shell.f", "Fan motor shell", "fan shell", "Thermometer on the shell, soaked.", needed=False),
    make_step(
        "fan_winding.off_h", "Fan motor: hours off", "fan off", "How long has it been off? Its overload needs time to close again.",
        needed=False,
    ),
    make_step(
        "fan_winding.insulation.mohm", "Fan motor: insulation, 500 V", "fan insulation", "Electronics disconnected. One minute.",
        needed=False, caution=INSULATION_TESTER,
    ),
)  # fmt: skip
EVERY_FAN_STEP = (*FAN_PAIRS, *FAN_MORE)
