"""The fan motor's windings: judged by the compressor's rules, read at three wires of its own."""

from outer_test.judgement import Part
from outer_test.visit.points.record import INSULATION_TESTER, Measures, Point
from outer_test.visit.thing import Thing

FAN_MOTOR = (
    Point(
        "fan_winding.c_r.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, common to run", "fan C–R",
        "Ohms. Fan leads off.",
        needed=False, lifts=Thing.FAN_LEADS, probes=("fan.C", "fan.R"), say="fan cr",
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.c_s.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, common to start", "fan C–S",
        "Ohms. Fan leads off.",
        needed=False, probes=("fan.C", "fan.S"), say="fan cs",
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.r_s.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, run to start", "fan R–S",
        "Ohms. Fan leads off.",
        needed=False, probes=("fan.R", "fan.S"), say="fan rs",
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.t1_t2.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, unlabelled: 1 to 2", "fan 1–2",
        "Where the colours tell nothing: number the three wires yourself, measure all three pairs.",
        needed=False, say="fan t12|fan 1-2",
        measures=Measures.UNLABELLED,
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.t2_t3.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, unlabelled: 2 to 3", "fan 2–3",
        "Where the colours tell nothing: number the three wires yourself, measure all three pairs.",
        needed=False, say="fan t23|fan 2-3",
        measures=Measures.UNLABELLED,
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.t1_t3.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, unlabelled: 1 to 3", "fan 1–3",
        "Where the colours tell nothing: number the three wires yourself, measure all three pairs.",
        needed=False, say="fan t13|fan 1-3",
        measures=Measures.UNLABELLED,
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.c_ground.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, common to ground", "fan gnd",
        "Highest ohms range, to bare metal.",
        needed=False, probes=("fan.C", "ground.G"), say="fan gnd|fan ground|fan c gnd",
        measures=Measures.GROUND,
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.r_ground.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, run to ground", "fan R–gnd",
        "Highest ohms range, to bare metal.",
        needed=False, probes=("fan.R", "ground.G"), say="fan r gnd|fan r ground",
        measures=Measures.GROUND,
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.s_ground.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor, start to ground", "fan S–gnd",
        "Highest ohms range, to bare metal.",
        needed=False, probes=("fan.S", "ground.G"), say="fan s gnd|fan s ground",
        measures=Measures.GROUND,
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.leads.ohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor: meter leads touched together", "fan leads",
        "Touch the probes together. It is taken off each of its pairs.",
        needed=False, say="fan leads",
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.insulation.mohm", "windings", "dead", Part.FAN_MOTOR, "Fan motor: insulation, 500 V", "fan insulation",
        "Electronics disconnected. One minute.",
        needed=False, caution=INSULATION_TESTER, say="fan insulation|fan meg|fan megger|fan mohm",
        measures=Measures.INSULATION,
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.shell.f", "windings", "dead", Part.FAN_MOTOR, "Fan motor shell", "fan shell",
        "Thermometer on the shell, soaked.",
        needed=False, say="fan shell",
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.off_h", "windings", "dead", Part.FAN_MOTOR, "Fan motor: hours off", "fan off",
        "How long has it been off? Its overload needs time to close again.",
        needed=False, say="fan off",
        tells_of=("fan",),
    ),
    Point(
        "fan_winding.at", "windings", "dead", Part.FAN_MOTOR, "Fan motor: where are you measuring?", "fan where",
        "Terminals: at the motor's own leads, past every splice. Only there can an open winding be confirmed.",
        choices_text="plug terminals", needed=False, say="fan at the|fan where",
        tells_of=("fan",),
    ),
)  # fmt: skip
