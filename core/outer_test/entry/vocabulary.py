"""What is said on the entry line, for each point. Longer sayings win over shorter ones."""

GROUNDS = ("winding.c_ground.ohm", "winding.r_ground.ohm", "winding.s_ground.ohm")

SAYINGS: dict[str, tuple[str, ...]] = {
    **{
        said: (point,)
        for point, words in {
            # capacitors
            "cap.herm.uf": "herm|hrm|comp cap", "cap.fan.uf": "fan|fan cap", "cap.start.uf": "start|start cap",
            "cap.new_herm.uf": "new herm", "cap.new_fan.uf": "new fan", "cap.blower.uf": "blower|blower cap",
            "cap.herm.load_a": "herm a|herm amps", "cap.herm.load_v": "herm v|herm volts", "cap.fan.load_a": "fan cap a|fan cap amps",
            "cap.fan.load_v": "fan cap v|fan cap volts",
            # make safe
            "safe.line.v": "line|l1l2|l1 l2|l1-l2", "safe.l1_ground.v": "l1g|l1 gnd|l1 ground", "safe.l2_ground.v": "l2g|l2 gnd|l2 ground",
            "safe.load.v": "load", "safe.load_l1_ground.v": "load l1g|load l1 gnd|load l1 ground",
            "safe.load_l2_ground.v": "load l2g|load l2 gnd|load l2 ground", "safe.control.v": "control",
            "safe.c_herm.vdc": "dc herm|c herm", "safe.c_fan.vdc": "dc fan|c fan", "safe.herm_fan.vdc": "dc herm fan|herm fan",
            "safe.start.vdc": "dc start", "safe.bus.vdc": "dc bus|bus", "safe.tester_before": "tester|tester before", "safe.tester_after": "tester again|tester after",
            # look over
            "look.capacitor.case": "case|cap case", "look.contactor.faces": "faces", "look.contactor.insects": "insects|bugs|ants",
            "look.wiring": "wiring|wires", "look.coil.face": "coil face|coil", "look.sensor.seat": "sensor", "look.board.lights": "lights",
            "look.board.flashes": "flashes|flash", "look.board.colour": "light colour|colour",
            # contactor
            "contactor.coil.ohm": "coil ohm|coil ohms|coil r", "contactor.coil.v": "coil v|coil volts", "contactor.line.v": "line side",
            "contactor.load.v": "load side", "contactor.armature": "armature", "contactor.pole1.drop_v": "drop|drop1|drop 1",
            "contactor.pole2.drop_v": "drop2|drop 2", "contactor.pole1.a": "pole1 a|pole 1 a", "contactor.pole2.a": "pole2 a|pole 2 a",
            "contactor.pole1.f": "pole1 f|ir1|ir 1", "contactor.pole2.f": "pole2 f|ir2|ir 2",
            # the second contactor of a two-stage unit
            "contactor2.coil.ohm": "coil2 ohm|coil 2 ohm|2nd coil", "contactor2.coil.v": "coil2 v|coil 2 v|2nd coil v",
            "contactor2.armature": "armature2|armature 2", "look.contactor2.faces": "faces2|faces 2",
            "contactor2.pole1.drop_v": "2nd drop1|2nd drop 1", "contactor2.pole2.drop_v": "2nd drop2|2nd drop 2",
            "contactor2.pole1.a": "2nd pole1 a", "contactor2.pole2.a": "2nd pole2 a",
            "contactor2.pole1.f": "2nd ir1|2nd ir 1", "contactor2.pole2.f": "2nd ir2|2nd ir 2",
            # windings
            "winding.c_r.ohm": "cr|c-r|c to r", "winding.c_s.ohm": "cs|c-s|c to s", "winding.r_s.ohm": "rs|r-s|sr|s-r|r to s",
            "winding.t1_t2.ohm": "t12|1-2", "winding.t2_t3.ohm": "t23|2-3", "winding.t1_t3.ohm": "t13|1-3",
            "winding.c_ground.ohm": "c gnd|cg|c ground", "winding.r_ground.ohm": "r gnd|rg|r ground", "winding.s_ground.ohm": "s gnd|sg|s ground",
            "winding.leads.ohm": "leads", "winding.at": "at the|where", "winding.shell.f": "shell", "winding.off_h": "off",
            "winding.insulation.mohm": "insulation|meg|megger|mohm", "lead.c.ohm": "lead c", "lead.r.ohm": "lead r", "lead.s.ohm": "lead s",
            "fan_winding.c_r.ohm": "fan cr", "fan_winding.c_s.ohm": "fan cs", "fan_winding.r_s.ohm": "fan rs",
            "fan_winding.c_ground.ohm": "fan gnd|fan ground|fan c gnd", "fan_winding.r_ground.ohm": "fan r gnd|fan r ground",
            "fan_winding.s_ground.ohm": "fan s gnd|fan s ground", "fan_winding.t1_t2.ohm": "fan t12|fan 1-2",
            "fan_winding.t2_t3.ohm": "fan t23|fan 2-3", "fan_winding.t1_t3.ohm": "fan t13|fan 1-3", "fan_winding.at": "fan at the|fan where",
            "fan_winding.leads.ohm": "fan leads", "fan_winding.shell.f": "fan shell", "fan_winding.off_h": "fan off",
            "fan_winding.insulation.mohm": "fan insulation|fan meg|fan megger|fan mohm",
            # power up
            "line.breaker": "breaker", "line.disconnect.v": "disc|disconnect", "line.fuse1.ohm": "fuse1|fuse 1|f1", "line.fuse2.ohm": "fuse2|fuse 2|f2",
            "line.fuse1.v": "f1 v|fuse1 v|fuse 1 v", "line.fuse2.v": "f2 v|fuse2 v|fuse 2 v", "line.l2_l3.v": "l2l3|l2 l3|l2-l3",
            "line.l1_l3.v": "l1l3|l1 l3|l1-l3", "line.starting.v": "sag|starting|starting v", "control.r_c.v": "rc|r c|r-c|transformer",
            "control.stat_r_c.v": "stat rc|stat r-c|stat", "control.stat_y.v": "stat y", "control.y_in.v": "y in|yin|y",
            "control.y_out.v": "y out|yout", "control.fuse.ohm": "ctl fuse|control fuse", "control.delay": "delay",
            "control.pressure": "pressure|pressure switch", "control.float": "float",
            # start and run
            "amps.compressor.peak_a": "peak|inrush", "amps.compressor.start_s": "start time", "start.equalised": "equalised|equalized|equal",
            "amps.compressor.run_a": "comp|compressor", "amps.fan.run_a": "fan a|fan amps", "amps.total.run_a": "total|tot",
            "amps.stage": "stage", "aux.line.v": "aux v|aux volts", "amps.element1.a": "elem1|elem 1|element 1", "amps.element2.a": "elem2|elem 2|element 2",
            "amps.element3.a": "elem3|elem 3|element 3", "amps.element4.a": "elem4|elem 4|element 4", "record.suction.psi": "suction",
            "record.liquid.psi": "liquid|head", "record.superheat.dif": "sh|superheat", "record.subcooling.dif": "sc|subcool|subcooling",
            "record.air_in.f": "air in|return", "record.air_out.f": "air out|supply", "record.cleaning": "cleaned|cleaning",
            "record.warranty": "warranty",
            # defrost
            "defrost.coil.f": "coil f|coil temp", "defrost.ambient.f": "air f|air temp|ambient", "defrost.switch.ohm": "switch|coil switch",
            "defrost.ice": "ice", "defrost.just_ran": "just ran", "defrost.coil_sensor.ohm": "coil sensor", "defrost.ambient_sensor.ohm": "air sensor|ambient sensor",
            "defrost.rested": "rested", "defrost.coil_sensor.vdc": "coil sensor v", "defrost.ambient_sensor.vdc": "air sensor v",
            "defrost.valve_coil.ohm": "valve|valve coil", "defrost.call": "call", "defrost.control.v": "board v|board rc|board r-c", "defrost.pins": "pins", "defrost.valve_coil.v": "valve v",
            "defrost.aux_call.v": "w|aux call",
            # button up
            "button.terminals": "terminals", "button.sensors": "sensors", "button.panels": "panels|panel", "button.final_run": "final run|final",
        }.items()
        for said in words.split("|")
    },
    "gnd": GROUNDS, "ground": GROUNDS, "grounds": GROUNDS,
}  # fmt: skip

# Words that are said of the same thing but mean another point at another station.
AT_STATION: dict[str, dict[str, str]] = {
    "power": {
        "line": "line.l1_l2.v", "l1l2": "line.l1_l2.v", "l1 l2": "line.l1_l2.v", "l1-l2": "line.l1_l2.v", "l1g": "line.l1_ground.v",
        "l1 gnd": "line.l1_ground.v", "l1 ground": "line.l1_ground.v", "l2g": "line.l2_ground.v", "l2 gnd": "line.l2_ground.v",
        "l2 ground": "line.l2_ground.v", "load": "contactor.load.v", "coil": "contactor.coil.v",
    },
    "run": {"fan": "amps.fan.run_a", "line": "line.l1_l2.v"},
    "contactor": {"coil": "contactor.coil.ohm"},
    "safe": {"rc": "safe.control.v", "r c": "safe.control.v", "r-c": "safe.control.v"},
}  # fmt: skip

# Said alone, without a value.
RESULTS = {"started": "started", "hummed": "hummed", "hums": "hummed", "tripped": "tripped", "nothing": "nothing"}
PEAK_BY = {"inrush": "inrush", "max": "max-hold", "max-hold": "max-hold", "maxhold": "max-hold"}
PEAK_WITH = {"relay": "relay", "kit": "relay", "two-wire": "two-wire", "2-wire": "two-wire", "bare": "none", "nokit": "none"}
UNITS = frozenset(
    [
        "uf",
        "µf",
        "μf",
        "mfd",
        "nf",
        "v",
        "vac",
        "vdc",
        "mv",
        "a",
        "amps",
        "ma",
        "volts",
        "ohm",
        "ohms",
        "ω",
        "kω",
        "mω",
        "mohm",
        "psi",
        "f",
        "°f",
        "c",
        "°c",
        "s",
        "sec",
        "ms",
        "h",
        "hours",
        "line",
    ]
)
