"""The compressor's leads and windings."""

from outer_test.judgement import Part
from outer_test.visit.points.record import GROUND_HAZARD, INSULATION_TESTER, NEVER_LIVE, Measures, Point
from outer_test.visit.thing import Thing

WINDINGS = (
    Point(
        "winding.c_r.ohm", "windings", "dead", Part.COMPRESSOR, "Common to run", "C–R",
        "Ohms, finest range, leads nulled. Dead, wires off.",
        probes=("compressor.C", "compressor.R"), caution=NEVER_LIVE, say="cr|c-r|c to r",
        tells_of=("compressor",),
    ),
    Point(
        "winding.c_s.ohm", "windings", "dead", Part.COMPRESSOR, "Common to start", "C–S",
        "Ohms, finest range, leads nulled. Dead, wires off.",
        probes=("compressor.C", "compressor.S"), caution=NEVER_LIVE, say="cs|c-s|c to s",
        tells_of=("compressor",),
    ),
    Point(
        "winding.r_s.ohm", "windings", "dead", Part.COMPRESSOR, "Run to start", "R–S",
        "Ohms, finest range. It should be the sum of the other two.",
        probes=("compressor.R", "compressor.S"), caution=NEVER_LIVE, say="rs|r-s|sr|s-r|r to s",
        tells_of=("compressor",),
    ),
    Point(
        "winding.t1_t2.ohm", "windings", "dead", Part.COMPRESSOR, "Unlabelled: 1 to 2", "1–2",
        "Where the terminals are not marked: number them yourself, measure all three.",
        needed=False, say="t12|1-2",
        measures=Measures.UNLABELLED,
        tells_of=("compressor",),
    ),
    Point(
        "winding.t2_t3.ohm", "windings", "dead", Part.COMPRESSOR, "Unlabelled: 2 to 3", "2–3",
        "Where the terminals are not marked: number them yourself, measure all three.",
        needed=False, say="t23|2-3",
        measures=Measures.UNLABELLED,
        tells_of=("compressor",),
    ),
    Point(
        "winding.t1_t3.ohm", "windings", "dead", Part.COMPRESSOR, "Unlabelled: 1 to 3", "1–3",
        "Where the terminals are not marked: number them yourself, measure all three.",
        needed=False, say="t13|1-3",
        measures=Measures.UNLABELLED,
        tells_of=("compressor",),
    ),
    Point(
        "winding.c_ground.ohm", "windings", "dead", Part.COMPRESSOR, "C to ground", "C–gnd",
        "Highest ohms range. Other probe on bare copper pipe: paint lies.",
        probes=("compressor.C", "ground.G"), caution=GROUND_HAZARD, say="c gnd|cg|c ground",
        measures=Measures.GROUND,
        tells_of=("compressor",),
    ),
    Point(
        "winding.r_ground.ohm", "windings", "dead", Part.COMPRESSOR, "R to ground", "R–gnd",
        "Highest ohms range. Other probe on bare copper pipe: paint lies.",
        probes=("compressor.R", "ground.G"), caution=GROUND_HAZARD, say="r gnd|rg|r ground",
        measures=Measures.GROUND,
        tells_of=("compressor",),
    ),
    Point(
        "winding.s_ground.ohm", "windings", "dead", Part.COMPRESSOR, "S to ground", "S–gnd",
        "Highest ohms range. Other probe on bare copper pipe: paint lies.",
        probes=("compressor.S", "ground.G"), caution=GROUND_HAZARD, say="s gnd|sg|s ground",
        measures=Measures.GROUND,
        tells_of=("compressor",),
    ),
    Point(
        "winding.leads.ohm", "windings", "dead", Part.COMPRESSOR, "Meter leads touched together", "leads",
        "Touch the probes together. It is taken off each pair.",
        needed=False, say="leads",
        tells_of=("compressor",),
    ),
    Point(
        "lead.c.ohm", "windings", "dead", Part.COMPRESSOR_LEAD, "Compressor lead C", "lead C",
        "Ohms, plug off. From the panel end of lead C to its plug end.",
        needed=False, probes=("contactor.T1", "compressor.C"), say="lead c",
        measures=Measures.LEAD,
        proves=(("contactor.T1", "compressor.C"),),
    ),
    Point(
        "lead.r.ohm", "windings", "dead", Part.COMPRESSOR_LEAD, "Compressor lead R", "lead R",
        "Ohms, plug off. From the panel end of lead R to its plug end.",
        needed=False, probes=("contactor.T2", "compressor.R"), say="lead r",
        measures=Measures.LEAD,
        proves=(("contactor.T2", "compressor.R"),),
    ),
    Point(
        "lead.s.ohm", "windings", "dead", Part.COMPRESSOR_LEAD, "Compressor lead S", "lead S",
        "Ohms, plug off. From the panel end of lead S to its plug end.",
        needed=False, probes=("herm.HERM", "compressor.S"), say="lead s",
        measures=Measures.LEAD,
        proves=(("HERM", "compressor.S"),),
    ),
    Point(
        "winding.insulation.mohm", "windings", "dead", Part.COMPRESSOR, "Insulation, 500 V", "insulation",
        "Electronics disconnected. Never under vacuum. One minute.",
        needed=False, probes=("compressor.C", "ground.G"), caution=INSULATION_TESTER, say="insulation|meg|megger|mohm",
        measures=Measures.INSULATION,
        tells_of=("compressor",),
    ),
    Point(
        "winding.shell.f", "windings", "dead", Part.COMPRESSOR, "Compressor shell", "shell",
        "Thermometer on the shell, soaked.",
        needed=False, say="shell",
        tells_of=("compressor",),
    ),
    Point(
        "winding.off_h", "windings", "dead", Part.COMPRESSOR, "Hours off", "off",
        "How long has it been off? An overload needs an hour or more to close again.",
        needed=False, timer="Overload cool-down", timer_s=3600.0, say="off",
        tells_of=("compressor",),
    ),
    Point(
        "winding.at", "windings", "dead", Part.COMPRESSOR, "Where are you measuring?", "where",
        "At the plug or wires first. Only at the terminals can an open winding be confirmed.",
        choices_text="plug terminals", lifts=Thing.COMPRESSOR_PLUG, caution=GROUND_HAZARD, say="at the|where",
        tells_of=("compressor",),
    ),
)  # fmt: skip
