"""The run and start capacitors on the bench."""

from outer_test.judgement import Part
from outer_test.visit.points.record import Measures, Point
from outer_test.visit.thing import Thing

HERM = "The capacitor that helps the compressor start and run"
FAN = "The capacitor that runs the outdoor fan"

CAPACITORS = (
    Point(
        "cap.herm.uf", "capacitors", "dead", Part.RUN_CAPACITOR, "Compressor section, C to HERM", "HERM",
        "Meter on µF. Wires off HERM. One probe on C, the other on HERM. Let it settle.",
        lifts=Thing.HERM_WIRES, probes=("herm.HERM", "herm.C"), say="herm|hrm|comp cap", plain=HERM,
        tells_of=("capacitor.HERM", "capacitor_herm"),
    ),
    Point(
        "cap.fan.uf", "capacitors", "dead", Part.RUN_CAPACITOR, "Fan section, C to FAN", "FAN",
        "Meter on µF. Wires off FAN. One probe on C, the other on FAN. Let it settle.",
        lifts=Thing.FAN_WIRE, probes=("fan_section.FAN", "fan_section.C"), say="fan|fan cap", plain=FAN,
        tells_of=("capacitor.FAN", "capacitor_fan"),
    ),
    Point(
        "cap.start.uf", "capacitors", "dead", Part.START_CAPACITOR, "Start capacitor", "start",
        "Meter on µF. Wires off, bleed resistor unclipped.",
        lifts=Thing.START_CAPACITOR_WIRES, limit=1200.0, probes=("start_capacitor.1", "start_capacitor.2"),
        caution="A start capacitor can hold a charge: bleed it and prove it first.", say="start|start cap",
        tells_of=("start_capacitor",),
    ),
    Point(
        "cap.new_herm.uf", "capacitors", "dead", Part.RUN_CAPACITOR, "New part, C to HERM", "new HERM",
        "Measure the new part before it goes in.",
        needed=False, probes=("herm.HERM", "herm.C"), say="new herm", plain=HERM,
        measures=Measures.NEW_PART,
    ),
    Point(
        "cap.new_fan.uf", "capacitors", "dead", Part.RUN_CAPACITOR, "New part, C to FAN", "new FAN",
        "Measure the new part before it goes in.",
        needed=False, probes=("fan_section.FAN", "fan_section.C"), say="new fan", plain=FAN,
        measures=Measures.NEW_PART,
    ),
    Point(
        "cap.case_ground.ohm", "capacitors", "dead", Part.RUN_CAPACITOR, "Capacitor, terminals to case", "to case",
        "Wires off. Highest ohms range, each terminal to the bare case.",
        needed=False, say="cap case ground|to case",
        measures=Measures.GROUND,
    ),
    Point(
        "relay.coil.ohm", "capacitors", "dead", Part.POTENTIAL_RELAY, "Potential relay, coil 2 to 5", "relay coil", "Leads off. Ohms from 2 to 5.",
        needed=False, probes=("relay.2", "relay.5"), say="relay coil",
    ),
    Point(
        "relay.contact.ohm", "capacitors", "dead", Part.POTENTIAL_RELAY, "Potential relay, contact 1 to 2", "relay 1–2",
        "Leads off. Ohms or beep from 1 to 2: closed at rest.",
        needed=False, probes=("relay.1", "relay.2"), say="relay contact",
    ),
)  # fmt: skip
