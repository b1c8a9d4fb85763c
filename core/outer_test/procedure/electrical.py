"""How the electrical readings are taken: contactor, windings, power up, start and run, button up."""

from outer_test.procedure.steps import make_step

_GROUND_HAZARD = "A grounded compressor can blow a terminal out with burning oil when energised: measure at the plug or wires first, cover on for any live test."
_NO_PUSH = "Never push a fan blade to help it start: it is sharp, and the winding is cooking."
_NEVER_LIVE = "Never measure live at the compressor's terminals, and never face them."
LIVE_CAUTION = "Live work: rated gloves and meter, nothing else in the cabinet touched."
INSULATION_TESTER = "The tester puts out 500 V: hands off, discharge the winding afterwards."
_ONE_WIRE = "One conductor in the jaw, centred."

CONTACTOR = (
    make_step(
        "contactor.coil.ohm",
        "Coil resistance",
        "coil",
        "Ohms. Both coil leads off. A probe on each coil terminal.",
        lifts="Contactor coil leads off",
    ),
)
LEADS = tuple(
    make_step(
        f"lead.{one}.ohm",
        f"Compressor lead {one.upper()}",
        f"lead {one.upper()}",
        f"Ohms, plug off. From the panel end of lead {one.upper()} to its plug end.",
        needed=False,
    )
    for one in "crs"
)
WINDING_AT = make_step(
    "winding.at",
    "Where are you measuring?",
    "where",
    "At the plug or wires first. Only at the terminals can an open winding be told.",
    lifts="Compressor plug off",
    caution=_GROUND_HAZARD,
)
GROUNDS = tuple(
    make_step(
        f"winding.{one}_ground.ohm",
        f"{one.upper()} to ground",
        f"{one.upper()}–gnd",
        "Highest ohms range. Other probe on bare copper pipe: paint lies.",
        caution=_GROUND_HAZARD,
    )
    for one in "crs"
)
PAIRS = (
    make_step("winding.c_r.ohm", "Common to run", "C–R", "Ohms, finest range, leads nulled. Dead, wires off.", caution=_NEVER_LIVE),
    make_step("winding.c_s.ohm", "Common to start", "C–S", "Ohms, finest range, leads nulled. Dead, wires off.", caution=_NEVER_LIVE),
    make_step("winding.r_s.ohm", "Run to start", "R–S", "Ohms, finest range. It should be the sum of the other two.", caution=_NEVER_LIVE),
)
UNLABELLED = tuple(
    make_step(
        f"winding.t{one}_t{two}.ohm",
        f"Unlabelled: {one} to {two}",
        f"{one}–{two}",
        "Where the terminals are not marked: number them yourself, measure all three.",
        needed=False,
    )
    for one, two in ((1, 2), (2, 3), (1, 3))
)
WINDING_MORE = (
    make_step(
        "winding.leads.ohm",
        "Meter leads touched together",
        "leads",
        "Touch the probes together. It is taken off each pair.",
        needed=False,
    ),
    make_step("winding.shell.f", "Compressor shell", "shell", "Thermometer on the shell, soaked.", needed=False),
    make_step(
        "winding.off_h",
        "Hours off",
        "off",
        "How long has it been off? An overload needs an hour or more to close again.",
        needed=False,
        timer="Overload cool-down",
        timer_s=3600.0,
    ),
    make_step(
        "winding.insulation.mohm",
        "Insulation, 500 V",
        "insulation",
        "Electronics disconnected. Never under vacuum. One minute.",
        needed=False,
        caution=INSULATION_TESTER,
    ),
)

LINE = (
    make_step(
        "line.breaker",
        "Indoor breaker",
        "breaker",
        "On, off or tripped? A tripped one is reset once, and the amps taken.",
        needed=False,
    ),
    make_step("line.disconnect.v", "Disconnect, line side", "disc", "A.c. volts, 600 V range.", needed=False, caution=LIVE_CAUTION),
    make_step(
        "line.fuse1.ohm",
        "Fuse 1, out of circuit",
        "fuse 1",
        "Dead, fuse pulled. Ohms or beep, end to end.",
        needed=False,
        lifts="Fuses pulled",
    ),
    make_step(
        "line.fuse2.ohm",
        "Fuse 2, out of circuit",
        "fuse 2",
        "Dead, fuse pulled. Ohms or beep, end to end.",
        needed=False,
        lifts="Fuses pulled",
    ),
    make_step(
        "line.fuse1.v",
        "Fuse 1, volts across under load",
        "F1 V",
        "A.c. volts across the fuse while it should run. 0 V without load proves nothing.",
        needed=False,
        caution=LIVE_CAUTION,
    ),
    make_step(
        "line.fuse2.v",
        "Fuse 2, volts across under load",
        "F2 V",
        "A.c. volts across the fuse while it should run. 0 V without load proves nothing.",
        needed=False,
        caution=LIVE_CAUTION,
    ),
    make_step("line.l1_l2.v", "Line voltage, L1 to L2", "line", "A.c. volts at the disconnect's load side.", caution=LIVE_CAUTION),
    make_step("line.l1_ground.v", "L1 to ground", "L1–gnd", "A.c. volts to bare metal ground.", caution=LIVE_CAUTION),
    make_step("line.l2_ground.v", "L2 to ground", "L2–gnd", "A.c. volts to bare metal ground.", caution=LIVE_CAUTION),
)
THREE_PHASE = (
    make_step("line.l2_l3.v", "Line voltage, L2 to L3", "L2–L3", "A.c. volts.", caution=LIVE_CAUTION),
    make_step("line.l1_l3.v", "Line voltage, L1 to L3", "L1–L3", "A.c. volts.", caution=LIVE_CAUTION),
)
CONTACTOR_LIVE = (
    make_step(
        "contactor.line.v",
        "Contactor, line side",
        "line side",
        "A.c. volts across the line terminals.",
        needed=False,
        caution=LIVE_CAUTION,
    ),
    make_step(
        "contactor.load.v",
        "Contactor, load side",
        "load side",
        "A.c. volts across the load terminals, armature in.",
        needed=False,
        caution=LIVE_CAUTION,
    ),
    make_step("contactor.armature", "Armature, with a call", "armature", "Is the armature pulled in? Never push it in by hand."),
)
CONTROL = (
    make_step("control.r_c.v", "Transformer, R to C", "R–C", "A.c. volts at the transformer or the unit's R and C."),
    make_step("control.fuse.ohm", "Control fuse", "ctl fuse", "Dead, out of circuit. Ohms or beep.", needed=False),
    make_step(
        "control.stat_r_c.v",
        "Thermostat, R to C",
        "stat R–C",
        "A lit display may run on batteries and proves nothing.",
        needed=False,
    ),
    make_step("control.stat_y.v", "Thermostat, Y to C", "stat Y", "With a call.", needed=False),
    make_step("control.float", "Float switch", "float", "Closed, or open with a full pan?", needed=False),
    make_step("control.pressure", "Pressure switches", "press. sw", "Closed, or open?", needed=False),
)
BOARD = (
    make_step("control.y_in.v", "Board, Y in", "Y in", "A.c. volts Y to C at the board, with a call."),
    make_step(
        "control.delay",
        "Restart delay",
        "delay",
        "Five minutes after power-up or stop: still waiting, or over?",
        needed=False,
        timer="Restart hold",
        timer_s=300.0,
    ),
    make_step("control.y_out.v", "Board, Y out", "Y out", "A.c. volts Y out to C at the board."),
)
COIL_VOLTS = (make_step("contactor.coil.v", "Coil voltage, with a call", "coil V", "A.c. volts across the coil terminals."),)
POLES = tuple(
    step
    for pole in (1, 2)
    for step in (
        make_step(
            f"contactor.pole{pole}.drop_v",
            f"Drop across pole {pole}",
            f"drop {pole}",
            "A.c. millivolts, line to load terminal of the same pole, running.",
            caution=LIVE_CAUTION,
        ),
        make_step(f"contactor.pole{pole}.a", f"Amps through pole {pole}", f"pole {pole} A", _ONE_WIRE, clamp=True),
    )
)
POLE_HEAT = tuple(
    make_step(
        f"contactor.pole{pole}.f",
        f"Pole {pole} by infrared",
        f"pole {pole} °F",
        "Infrared thermometer, same spot on each pole.",
        needed=False,
    )
    for pole in (1, 2)
)

START = (
    make_step(
        "start.equalised",
        "Pressures equalised",
        "equal",
        "Five minutes off before another try.",
        needed=False,
        timer="Restart hold",
        timer_s=300.0,
    ),
    make_step(
        "amps.compressor.peak_a",
        "Start peak",
        "peak",
        "Clamp on the compressor's common wire; inrush or max-hold, then call for it to run.",
        clamp=True,
        tags=("by", "fitted"),
        caution="Cover on, face away: a grounded compressor can blow a terminal out.",
    ),
    make_step("start.result", "What happened?", "result", "Started, hummed, tripped, or nothing at all.", caution=_NO_PUSH),
    make_step("amps.compressor.start_s", "Start time", "time", "Seconds from the call to steady amps.", needed=False),
    make_step(
        "line.starting.v",
        "Volts while starting",
        "sag",
        "A.c. volts at the contactor's load side, min-hold, while it starts.",
        needed=False,
        caution=LIVE_CAUTION,
    ),
)
RUN = (
    make_step("amps.compressor.run_a", "Compressor running", "comp A", f"{_ONE_WIRE} The compressor's common wire.", clamp=True),
    make_step("amps.fan.run_a", "Fan running", "fan A", f"{_ONE_WIRE} Small: wrap it several turns.", clamp=True),
    make_step("amps.total.run_a", "Total running", "total A", f"{_ONE_WIRE} One leg from the disconnect.", clamp=True),
)
STAGE = (make_step("amps.stage", "Stage", "stage", "Which stage is it running in?"),)
LOAD = {
    "herm": (
        make_step(
            "cap.herm.load_a",
            "HERM under load, amps",
            "HERM A",
            f"{_ONE_WIRE} The start-winding wire on HERM.",
            needed=False,
            clamp=True,
        ),
        make_step(
            "cap.herm.load_v", "HERM under load, volts", "HERM V", "A.c. volts C to HERM, running.", needed=False, caution=LIVE_CAUTION
        ),
    ),
    "fan": (
        make_step("cap.fan.load_a", "FAN under load, amps", "FAN A", f"{_ONE_WIRE} The fan's capacitor wire.", needed=False, clamp=True),
        make_step("cap.fan.load_v", "FAN under load, volts", "FAN V", "A.c. volts C to FAN, running.", needed=False, caution=LIVE_CAUTION),
    ),
}
HEATER_VOLTS = make_step(
    "aux.line.v", "Volts at the aux heater", "aux V", "A.c. volts at the heater, indoors.", needed=False, caution=LIVE_CAUTION
)
ELEMENTS = tuple(
    make_step(f"amps.element{index}.a", f"Aux heat element {index}", f"elem {index}", _ONE_WIRE, clamp=True) for index in (1, 2, 3, 4)
)
RECORD = (
    make_step("record.suction.psi", "Suction pressure", "suction", "For the record; the app does not judge charge.", needed=False),
    make_step("record.liquid.psi", "Liquid pressure", "liquid", "For the record; the app does not judge charge.", needed=False),
    make_step("record.superheat.dif", "Superheat", "superheat", "For the record.", needed=False),
    make_step("record.subcooling.dif", "Subcooling", "subcool", "For the record.", needed=False),
    make_step("record.air_in.f", "Air in, indoors", "air in", "For the record; the split is shown.", needed=False),
    make_step("record.air_out.f", "Air out, indoors", "air out", "For the record; the split is shown.", needed=False),
    make_step("cap.blower.uf", "Indoor blower capacitor", "blower", "Meter on µF. Dead, wire off, discharged.", needed=False),
    make_step("record.cleaning", "Coil cleaned", "cleaned", "For the record.", needed=False),
    make_step("record.warranty", "Warranty", "warranty", "For the record.", needed=False),
)
BUTTON = (
    make_step("button.terminals", "Terminals", "terminals", "Tug each one, dead."),
    make_step("button.sensors", "Sensors", "sensors", "Coil sensor home in its well, leads tied."),
    make_step("button.panels", "Panels", "panels", "All panels and their screws."),
    make_step("button.final_run", "Final run", "final run", "Power up and watch a whole start: amps, noise, both fans."),
)
EVERY_ELECTRICAL_STEP = (
    *CONTACTOR, *LEADS, WINDING_AT, *GROUNDS, *PAIRS, *UNLABELLED, *WINDING_MORE, *LINE, *THREE_PHASE, *CONTACTOR_LIVE,
    *CONTROL, *BOARD, *COIL_VOLTS, *POLES, *POLE_HEAT, *START, *RUN, *STAGE, *LOAD["herm"], *LOAD["fan"], HEATER_VOLTS, *ELEMENTS, *RECORD,
    *BUTTON,
)  # fmt: skip
