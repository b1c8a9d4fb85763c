"""Line and control voltage, fuses, the contactor live."""

from outer_test.judgement import Part
from outer_test.visit.points.record import LIVE_CAUTION, Measures, Point
from outer_test.visit.thing import Feed, Thing

POWER_UP = (
    Point(
        "contactor.coil.v", "power", "live", Part.CONTACTOR, "Coil voltage, with a call", "coil V",
        "A.c. volts across the coil terminals.",
        probes=("contactor.A", "contactor.B"), fed_by=Feed.CONTROL | Feed.COIL, say="coil v|coil volts", say_here="coil",
        proves=(("board.YO", "contactor.A"), ("contactor.B", "board.C")),
    ),
    Point(
        "contactor.line.v", "power", "live", Part.CONTACTOR, "Contactor, line side", "line side",
        "A.c. volts across the line terminals.",
        needed=False, probes=("contactor.L1", "contactor.L2"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="line side",
        proves=(("disconnect.1", "contactor.L1"), ("disconnect.2", "contactor.L2")),
    ),
    Point(
        "contactor.load.v", "power", "live", Part.CONTACTOR, "Contactor, load side", "load side",
        "A.c. volts across the load terminals, armature in.",
        needed=False, probes=("contactor.T1", "contactor.T2"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="load side",
        say_here="load",
    ),
    Point(
        "fan.board.v", "power", "live", Part.BOARD_FAN_RELAY, "Board, fan terminal", "fan at board",
        "A.c. volts from the board's fan terminal to the contactor's other load terminal; with a call, not in a defrost.",
        needed=False, probes=("board.F2", "contactor.T2"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="fan board|fan terminal",
    ),
    Point(
        "fan.feed.v", "power", "live", Part.FAN_MOTOR, "Fan motor, at its wires", "fan feed",
        "A.c. volts at the fan motor's line wires; with a call, not in a defrost. Keep clear of the blade.",
        needed=False, probes=("fan.C", "fan.R"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="fan feed|fan volts",
    ),
    Point(
        "contactor.pole1.drop_v", "power", "live", Part.CONTACTOR, "Drop across pole 1", "drop 1",
        "A.c. millivolts, line to load terminal of the same pole, running.",
        probes=("contactor.L1", "contactor.T1"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="drop|drop1|drop 1",
        measures=Measures.DROP,
        tells_of=("contactor",),
    ),
    Point(
        "contactor.pole2.drop_v", "power", "live", Part.CONTACTOR, "Drop across pole 2", "drop 2",
        "A.c. millivolts, line to load terminal of the same pole, running.",
        probes=("contactor.L2", "contactor.T2"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="drop2|drop 2",
        measures=Measures.DROP,
        tells_of=("contactor",),
    ),
    Point(
        "contactor.pole3.drop_v", "power", "live", Part.CONTACTOR, "Drop across pole 3", "drop 3",
        "A.c. millivolts, line to load terminal of the same pole, running.",
        probes=("contactor.L3", "contactor.T3"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="drop3|pole3 drop",
        measures=Measures.DROP,
        tells_of=("contactor",),
    ),
    Point(
        "contactor.pole1.a", "power", "live", Part.CONTACTOR, "Amps through pole 1", "pole 1 A",
        "One conductor in the jaw, centred.",
        clamp=True, clamp_at="contactor.L1", fed_by=Feed.LINE, say="pole1 a|pole 1 a",
        tells_of=("contactor",),
    ),
    Point(
        "contactor.pole2.a", "power", "live", Part.CONTACTOR, "Amps through pole 2", "pole 2 A",
        "One conductor in the jaw, centred.",
        clamp=True, clamp_at="contactor.L2", fed_by=Feed.LINE, say="pole2 a|pole 2 a",
        tells_of=("contactor",),
    ),
    Point(
        "contactor.pole3.a", "power", "live", Part.CONTACTOR, "Amps through pole 3", "pole 3 A",
        "One conductor in the jaw, centred.",
        clamp=True, clamp_at="contactor.L3", fed_by=Feed.LINE, say="pole3 a|pole 3 a",
        tells_of=("contactor",),
    ),
    Point(
        "contactor.pole1.f", "power", "live", Part.CONTACTOR, "Pole 1 by infrared", "pole 1 °F",
        "Infrared thermometer, same spot on each pole.",
        needed=False, fed_by=Feed.LINE, say="pole1 f|ir1|ir 1",
        tells_of=("contactor",),
    ),
    Point(
        "contactor.pole2.f", "power", "live", Part.CONTACTOR, "Pole 2 by infrared", "pole 2 °F",
        "Infrared thermometer, same spot on each pole.",
        needed=False, fed_by=Feed.LINE, say="pole2 f|ir2|ir 2",
        tells_of=("contactor",),
    ),
    Point(
        "contactor.armature", "power", "live", Part.CONTACTOR, "Armature, with a call", "armature",
        "Is the armature pulled in? Never push it in by hand.",
        choices_text="in out chatters", fed_by=Feed.CONTROL | Feed.COIL, say="armature",
        tells_of=("contactor",),
    ),
    Point(
        "line.fuse1.ohm", "power", "dead", Part.FUSE, "Fuse 1, out of circuit", "fuse 1",
        "Dead, fuse pulled. Ohms or beep, end to end.",
        needed=False, lifts=Thing.FUSES, probes=("disconnect.L1", "disconnect.1"), say="fuse1|fuse 1|f1",
        measures=Measures.LINE_FUSE,
        tells_of=("disconnect",),
    ),
    Point(
        "line.fuse2.ohm", "power", "dead", Part.FUSE, "Fuse 2, out of circuit", "fuse 2",
        "Dead, fuse pulled. Ohms or beep, end to end.",
        needed=False, lifts=Thing.FUSES, probes=("disconnect.L2", "disconnect.2"), say="fuse2|fuse 2|f2",
        measures=Measures.LINE_FUSE,
        tells_of=("disconnect",),
    ),
    Point(
        "control.fuse.ohm", "power", "dead", Part.CONTROL_FUSE, "Control fuse", "ctl fuse",
        "Dead, out of circuit. Ohms or beep.",
        needed=False, say="ctl fuse|control fuse",
    ),
    Point(
        "line.breaker", "power", "any", Part.BREAKER, "Indoor breaker", "breaker",
        "On, off or tripped? A tripped one is reset once, and the amps taken.",
        choices_text="on tripped off", needed=False, say="breaker",
    ),
    Point(
        "line.reset", "power", "live", Part.BREAKER, "Breaker closed once", "reset",
        "Found sound dead first. Close it once, clamp on the compressor's common wire: does it hold?",
        choices_text="holds trips", needed=False, say="reset", caution=LIVE_CAUTION,
    ),
    Point(
        "control.delay", "power", "live", Part.DEFROST_BOARD, "Restart delay", "delay",
        "Five minutes after power-up or stop: still waiting, or over?",
        choices_text="over waiting", needed=False, timer="Restart hold", timer_s=300.0, fed_by=Feed.CONTROL, say="delay",
    ),
    Point(
        "control.pressure", "power", "live", Part.PRESSURE_SWITCH, "Pressure switches", "press. sw",
        "Closed, or open?",
        choices_text="closed open", needed=False, fed_by=Feed.CONTROL, say="pressure|pressure switch",
    ),
    Point(
        "control.float", "power", "live", Part.FLOAT_SWITCH, "Float switch", "float",
        "Closed, or open with a full pan?",
        choices_text="closed open", needed=False, fed_by=Feed.CONTROL, say="float",
    ),
    Point(
        "line.disconnect.v", "power", "live", Part.SUPPLY, "Disconnect, line side", "disc",
        "A.c. volts, 600 V range.",
        needed=False, probes=("disconnect.L1", "disconnect.L2"), caution=LIVE_CAUTION, say="disc|disconnect",
        measures=Measures.UPSTREAM,
    ),
    Point(
        "line.l1_l2.v", "power", "live", Part.SUPPLY, "Line voltage, L1 to L2", "line",
        "A.c. volts at the disconnect's load side.",
        probes=("disconnect.1", "disconnect.2"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say_here="line|l1l2|l1 l2|l1-l2",
    ),
    Point(
        "line.l1_ground.v", "power", "live", Part.SUPPLY, "L1 to ground", "L1–gnd",
        "A.c. volts to bare metal ground.",
        probes=("disconnect.1", "ground.G"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say_here="l1g|l1 gnd|l1 ground",
    ),
    Point(
        "line.l2_ground.v", "power", "live", Part.SUPPLY, "L2 to ground", "L2–gnd",
        "A.c. volts to bare metal ground.",
        probes=("disconnect.2", "ground.G"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say_here="l2g|l2 gnd|l2 ground",
    ),
    Point(
        "line.l2_l3.v", "power", "live", Part.SUPPLY, "Line voltage, L2 to L3", "L2–L3",
        "A.c. volts.",
        probes=("disconnect.2", "disconnect.3"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="l2l3|l2 l3|l2-l3",
    ),
    Point(
        "line.l1_l3.v", "power", "live", Part.SUPPLY, "Line voltage, L1 to L3", "L1–L3",
        "A.c. volts.",
        probes=("disconnect.1", "disconnect.3"), fed_by=Feed.LINE, caution=LIVE_CAUTION, say="l1l3|l1 l3|l1-l3",
    ),
    Point(
        "line.fuse1.v", "power", "live", Part.FUSE, "Fuse 1, volts across under load", "F1 V",
        "A.c. volts on the fuse's own two ends, not across the switch, while it should run. 0 V without load proves nothing.",
        needed=False, probes=("disconnect.L1", "disconnect.1"), fed_by=Feed.LINE, caution=LIVE_CAUTION,
        say="f1 v|fuse1 v|fuse 1 v",
        measures=Measures.LINE_FUSE,
        tells_of=("disconnect",),
    ),
    Point(
        "line.fuse2.v", "power", "live", Part.FUSE, "Fuse 2, volts across under load", "F2 V",
        "A.c. volts on the fuse's own two ends, not across the switch, while it should run. 0 V without load proves nothing.",
        needed=False, probes=("disconnect.L2", "disconnect.2"), fed_by=Feed.LINE, caution=LIVE_CAUTION,
        say="f2 v|fuse2 v|fuse 2 v",
        measures=Measures.LINE_FUSE,
        tells_of=("disconnect",),
    ),
    Point(
        "line.starting.v", "power", "live", Part.SUPPLY, "Volts while starting", "sag",
        "A.c. volts at the contactor's load side, min-hold, while it starts.",
        needed=False, probes=("contactor.T1", "contactor.T2"), fed_by=Feed.LINE | Feed.COMPRESSOR, caution=LIVE_CAUTION,
        say="sag|starting|starting v",
    ),
    Point(
        "control.r_c.v", "power", "live", Part.CONTROL_SUPPLY, "Transformer, R to C", "R–C",
        "A.c. volts at the transformer or the unit's R and C.",
        probes=("indoor.R", "indoor.C"), fed_by=Feed.CONTROL, say="rc|r c|r-c|transformer",
        tells_of=("indoor",),
    ),
    Point(
        "control.stat_r_c.v", "power", "live", Part.THERMOSTAT, "Thermostat, R to C", "stat R–C",
        "A lit display may run on batteries and proves nothing.",
        needed=False, probes=("indoor.R", "indoor.C"), fed_by=Feed.CONTROL, say="stat rc|stat r-c|stat",
    ),
    Point(
        "control.stat_y.v", "power", "live", Part.THERMOSTAT, "Thermostat, Y to C", "stat Y",
        "With a call.",
        needed=False, probes=("indoor.Y", "indoor.C"), fed_by=Feed.CONTROL, say="stat y",
    ),
    Point(
        "control.stat_valve.v", "power", "live", Part.THERMOSTAT, "Thermostat, O or B to C, heating", "stat O/B",
        "With a heating call, not in a defrost: at O on an O unit, at B on a B unit.",
        needed=False, fed_by=Feed.CONTROL, say="stat o|stat b",
    ),
    Point(
        "control.y_in.v", "power", "live", Part.CONTROL_WIRE, "Board, Y in", "Y in",
        "A.c. volts Y to C at the board, with a call.",
        probes=("board.Y", "board.C"), fed_by=Feed.CONTROL, say="y in|yin|y",
        proves=(("indoor.Y", "board.Y"), ("indoor.C", "board.C"), ("indoor.R", "board.R")),
    ),
    Point(
        "control.y_out.v", "power", "live", Part.DEFROST_BOARD, "Board, Y out", "Y out",
        "A.c. volts Y out to C at the board.",
        probes=("board.YO", "board.C"), fed_by=Feed.CONTROL, say="y out|yout",
        tells_of=("board",),
    ),
    Point(
        "control.stat_g.v", "power", "live", Part.THERMOSTAT, "Thermostat, G to C", "stat G", "With a call: the indoor blower's wire.",
        needed=False, fed_by=Feed.CONTROL, say="stat g|g volts",
    ),
    Point(
        "control.display", "power", "any", Part.THERMOSTAT, "Thermostat display", "display",
        "Lit or blank? A lit display may run on batteries and proves nothing.",
        choices_text="lit blank", needed=False, say="display",
    ),
    Point(
        "control.blower", "power", "live", Part.BLOWER, "Indoor blower", "blower", "Does it run with the call?",
        choices_text="runs still", needed=False, fed_by=Feed.CONTROL, say="blower runs",
    ),
    Point(
        "heater.ohm", "power", "dead", Part.CRANKCASE_HEATER, "Crankcase heater", "heater", "Dead, one lead off. Ohms across it.",
        needed=False, lifts=Thing.CRANKCASE_HEATER, say="heater|crankcase heater",
    ),
    Point(
        "heater.ground.ohm", "power", "dead", Part.CRANKCASE_HEATER, "Crankcase heater to ground", "heater gnd",
        "Dead, both leads off. Highest ohms range, to bare metal.",
        needed=False, say="heater gnd|heater ground",
        measures=Measures.GROUND,
    ),
)  # fmt: skip
