"""Proving dead and discharged."""

from outer_test.judgement import Part
from outer_test.visit.points.record import ARC, SHORTED, Measures, Point

MAKE_SAFE = (
    Point(
        "safe.tester_before", "safe", "any", Part.UNIT, "Prove the tester", "tester",
        "Touch a source you know is live. Does the tester show it?",
        choices_text="yes no", caution=ARC, say="tester|tester before",
        measures=Measures.TESTER,
    ),
    Point(
        "safe.tester_after", "safe", "any", Part.UNIT, "Prove the tester again", "tester",
        "Back to the live source. Does it still show it?",
        choices_text="yes no", say="tester again|tester after",
        measures=Measures.TESTER,
    ),
    Point(
        "safe.line.v", "safe", "any", Part.UNIT, "Contactor line side, L1 to L2", "line",
        "Meter on a.c. volts, one probe on each line terminal.",
        probes=("contactor.L1", "contactor.L2"), caution=ARC, say="line|l1l2|l1 l2|l1-l2",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.l1_ground.v", "safe", "any", Part.UNIT, "Line side, L1 to ground", "L1–gnd",
        "One probe on L1, the other on bare metal ground.",
        probes=("contactor.L1", "ground.G"), caution=ARC, say="l1g|l1 gnd|l1 ground",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.l2_ground.v", "safe", "any", Part.UNIT, "Line side, L2 to ground", "L2–gnd",
        "One probe on L2, the other on bare metal ground.",
        probes=("contactor.L2", "ground.G"), caution=ARC, say="l2g|l2 gnd|l2 ground",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.load.v", "safe", "any", Part.UNIT, "Contactor load side, L1 to L2", "load",
        "One probe on each load terminal.",
        probes=("contactor.T1", "contactor.T2"), caution=ARC, say="load",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.load_l1_ground.v", "safe", "any", Part.UNIT, "Load side, L1 to ground", "load L1–gnd",
        "One probe on load L1, the other on ground.",
        probes=("contactor.T1", "ground.G"), caution=ARC, say="load l1g|load l1 gnd|load l1 ground",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.load_l2_ground.v", "safe", "any", Part.UNIT, "Load side, L2 to ground", "load L2–gnd",
        "One probe on load L2, the other on ground.",
        probes=("contactor.T2", "ground.G"), caution=ARC, say="load l2g|load l2 gnd|load l2 ground",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.l2_l3.v", "safe", "any", Part.UNIT, "Contactor line side, L2 to L3", "L2–L3",
        "Three phase: every phase to every other and to ground, both sides.",
        probes=("contactor.L2", "contactor.L3"), caution=ARC, say="safe l2 l3",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.l1_l3.v", "safe", "any", Part.UNIT, "Contactor line side, L1 to L3", "L1–L3",
        "Three phase: every phase to every other and to ground, both sides.",
        probes=("contactor.L1", "contactor.L3"), caution=ARC, say="safe l1 l3",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.l3_ground.v", "safe", "any", Part.UNIT, "Line side, L3 to ground", "L3–gnd",
        "Three phase: every phase to every other and to ground, both sides.",
        probes=("contactor.L3", "ground.G"), caution=ARC, say="safe l3 gnd",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.load_l2_l3.v", "safe", "any", Part.UNIT, "Load side, L2 to L3", "load L2–L3",
        "Three phase: every phase to every other and to ground, both sides.",
        probes=("contactor.T2", "contactor.T3"), caution=ARC, say="safe load l2 l3",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.load_l1_l3.v", "safe", "any", Part.UNIT, "Load side, L1 to L3", "load L1–L3",
        "Three phase: every phase to every other and to ground, both sides.",
        probes=("contactor.T1", "contactor.T3"), caution=ARC, say="safe load l1 l3",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.load_l3_ground.v", "safe", "any", Part.UNIT, "Load side, L3 to ground", "load L3–gnd",
        "Three phase: every phase to every other and to ground, both sides.",
        probes=("contactor.T3", "ground.G"), caution=ARC, say="safe load l3 gnd",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.control.v", "safe", "any", Part.UNIT, "Control voltage at the board, R to C", "R–C",
        "Only where you will touch the board or its wires: low voltage often comes from indoors.",
        needed=False, probes=("board.R", "board.C"), say="control", say_here="rc|r c|r-c",
        measures=Measures.ABSENCE,
    ),
    Point(
        "safe.bus.vdc", "safe", "any", Part.MOTOR_MODULE, "Motor module, d.c. bus", "d.c. bus",
        "Wait the maker's time, then d.c. volts across the bus. The module holds charge after the power is gone.",
        say="dc bus|bus",
        measures=Measures.CHARGE,
    ),
    Point(
        "safe.c_herm.vdc", "safe", "any", Part.RUN_CAPACITOR, "Charge left, C to HERM", "C–HERM",
        "Bleed through 20 kΩ 5 W first. Meter on d.c. volts: a.c. volts cannot see a charged capacitor.",
        probes=("herm.HERM", "herm.C"), caution=SHORTED, say="dc herm|c herm",
        measures=Measures.CHARGE,
    ),
    Point(
        "safe.c_fan.vdc", "safe", "any", Part.RUN_CAPACITOR, "Charge left, C to FAN", "C–FAN",
        "Bleed through 20 kΩ 5 W first. Meter on d.c. volts: a.c. volts cannot see a charged capacitor.",
        probes=("fan_section.FAN", "fan_section.C"), caution=SHORTED, say="dc fan|c fan",
        measures=Measures.CHARGE,
    ),
    Point(
        "safe.herm_fan.vdc", "safe", "any", Part.RUN_CAPACITOR, "Charge left, HERM to FAN", "HERM–FAN",
        "Meter on d.c. volts: a.c. volts cannot see a charged capacitor.",
        probes=("capacitor.HERM", "capacitor.FAN"), caution=SHORTED, say="dc herm fan|herm fan",
        measures=Measures.CHARGE,
    ),
    Point(
        "safe.start.vdc", "safe", "any", Part.START_CAPACITOR, "Charge left, start capacitor", "start",
        "Bleed through 20 kΩ 5 W first. Meter on d.c. volts: a.c. volts cannot see a charged capacitor.",
        probes=("start_capacitor.1", "start_capacitor.2"), caution=SHORTED, say="dc start",
        measures=Measures.CHARGE,
    ),
)  # fmt: skip
