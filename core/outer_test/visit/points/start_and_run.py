"""The start, the amps, the capacitors under load, the heaters, and what is only recorded."""

from outer_test.judgement import Part
from outer_test.visit.points.capacitors import FAN, HERM
from outer_test.visit.points.record import LIVE_CAUTION, NO_PUSH, Measures, Point
from outer_test.visit.thing import Feed

START_AND_RUN = (
    Point(
        "cap.herm.load_a", "run", "live", Part.RUN_CAPACITOR, "HERM under load, amps", "HERM A",
        "One conductor in the jaw, centred. The start-winding wire on HERM.",
        needed=False, clamp=True, clamp_at="compressor.S", fed_by=Feed.LINE | Feed.COMPRESSOR | Feed.HERM,
        say="herm a|herm amps", plain=HERM,
        tells_of=("capacitor.HERM", "capacitor_herm"),
        proves=(("HERM", "compressor.S"), ("contactor.T2", ".C")),
    ),
    Point(
        "cap.herm.load_v", "run", "live", Part.RUN_CAPACITOR, "HERM under load, volts", "HERM V",
        "A.c. volts C to HERM, running.",
        needed=False, probes=("herm.HERM", "herm.C"), fed_by=Feed.LINE | Feed.COMPRESSOR | Feed.HERM, caution=LIVE_CAUTION,
        say="herm v|herm volts", plain=HERM,
    ),
    Point(
        "cap.fan.load_a", "run", "live", Part.RUN_CAPACITOR, "FAN under load, amps", "FAN A",
        "One conductor in the jaw, centred. The fan's capacitor wire.",
        needed=False, clamp=True, clamp_at="fan.S", fed_by=Feed.LINE | Feed.FAN, say="fan cap a|fan cap amps", plain=FAN,
        tells_of=("capacitor.FAN", "capacitor_fan"),
        proves=(("FAN", "fan.S"), ("contactor.T2", ".C")),
    ),
    Point(
        "cap.fan.load_v", "run", "live", Part.RUN_CAPACITOR, "FAN under load, volts", "FAN V",
        "A.c. volts C to FAN, running.",
        needed=False, probes=("fan_section.FAN", "fan_section.C"), fed_by=Feed.LINE | Feed.FAN, caution=LIVE_CAUTION,
        say="fan cap v|fan cap volts", plain=FAN,
    ),
    Point(
        "amps.compressor.peak_a", "run", "live", Part.COMPRESSOR, "Start peak", "peak",
        "Clamp on the compressor's common wire; inrush or max-hold, then call for it to run.",
        tags=("by", "fitted"), clamp=True, clamp_at="compressor.C", fed_by=Feed.LINE | Feed.COMPRESSOR,
        caution="Cover on, face away: a grounded compressor can blow a terminal out.", say="peak|inrush",
        tells_of=("compressor",),
    ),
    Point(
        "amps.compressor.start_s", "run", "live", Part.COMPRESSOR, "Start time", "time",
        "Seconds from the call to steady amps.",
        needed=False, fed_by=Feed.LINE | Feed.COMPRESSOR, say="start time",
        tells_of=("compressor",),
    ),
    Point(
        "amps.compressor.run_a", "run", "live", Part.COMPRESSOR, "Compressor running", "comp A",
        "One conductor in the jaw, centred. The compressor's common wire.",
        clamp=True, clamp_at="compressor.C", fed_by=Feed.LINE | Feed.COMPRESSOR, say="comp|compressor",
        tells_of=("compressor",),
        proves=(("contactor.T1", "compressor.C"), ("contactor.T2", "compressor.R")),
    ),
    Point(
        "amps.fan.run_a", "run", "live", Part.FAN_MOTOR, "Fan running", "fan A",
        "One conductor in the jaw, centred. Small: wrap it several turns.",
        clamp=True, clamp_at="fan.C", fed_by=Feed.LINE | Feed.FAN, say="fan a|fan amps", say_here="fan",
        tells_of=("fan",),
        proves=(("", "fan.C"), ("contactor.T2", "fan.R"), ("contactor.T1", "board.F1")),
    ),
    Point(
        "amps.total.run_a", "run", "live", Part.UNIT, "Total running", "total A",
        "One conductor in the jaw, centred. One leg from the disconnect.",
        clamp=True, clamp_at="disconnect.1", fed_by=Feed.LINE, say="total|tot",
        proves=(("disconnect.1", "contactor.L1"), ("disconnect.2", "contactor.L2")),
    ),
    Point(
        "amps.element1.a", "run", "live", Part.AUX_ELEMENT, "Aux heat element 1", "elem 1",
        "One conductor in the jaw, centred.",
        clamp=True, fed_by=Feed.AUX, say="elem1|elem 1|element 1",
        measures=Measures.ELEMENT,
    ),
    Point(
        "amps.element2.a", "run", "live", Part.AUX_ELEMENT, "Aux heat element 2", "elem 2",
        "One conductor in the jaw, centred.",
        clamp=True, fed_by=Feed.AUX, say="elem2|elem 2|element 2",
        measures=Measures.ELEMENT,
    ),
    Point(
        "amps.element3.a", "run", "live", Part.AUX_ELEMENT, "Aux heat element 3", "elem 3",
        "One conductor in the jaw, centred.",
        clamp=True, fed_by=Feed.AUX, say="elem3|elem 3|element 3",
        measures=Measures.ELEMENT,
    ),
    Point(
        "amps.element4.a", "run", "live", Part.AUX_ELEMENT, "Aux heat element 4", "elem 4",
        "One conductor in the jaw, centred.",
        clamp=True, fed_by=Feed.AUX, say="elem4|elem 4|element 4",
        measures=Measures.ELEMENT,
    ),
    Point(
        "aux.line.v", "run", "live", Part.AUX_ELEMENT, "Volts at the aux heater", "aux V",
        "A.c. volts at the heater, indoors.",
        needed=False, fed_by=Feed.AUX, caution=LIVE_CAUTION, say="aux v|aux volts",
    ),
    Point(
        "aux.idle.a", "run", "live", Part.AUX_RELAY, "Aux heat amps, no call for it", "aux idle",
        "One conductor of the heater's circuit in the jaw, with no call for aux heat and no defrost. 0 A where it is off as it should be.",
        clamp=True, needed=False, fed_by=Feed.AUX, say="aux idle",
    ),
    Point(
        "start.result", "run", "live", Part.COMPRESSOR, "What happened?", "result",
        "Started, hummed, tripped, or nothing at all.",
        choices_text="started hummed tripped nothing", fed_by=Feed.LINE | Feed.COMPRESSOR, caution=NO_PUSH,
    ),
    Point(
        "amps.stage", "run", "live", Part.COMPRESSOR, "Stage", "stage",
        "Which stage is it running in?",
        choices_text="low high", say="stage",
    ),
    Point(
        "start.equalised", "run", "any", Part.COMPRESSOR, "Pressures equalised", "equal",
        "Five minutes off before another try.",
        choices_text="yes no", needed=False, timer="Restart hold", timer_s=300.0, say="equalised|equalized|equal",
    ),
    Point(
        "record.suction.psi", "run", "live", Part.UNIT, "Suction pressure", "suction",
        "For the record; the app does not judge charge.",
        needed=False, say="suction",
    ),
    Point(
        "record.liquid.psi", "run", "live", Part.UNIT, "Liquid pressure", "liquid",
        "For the record; the app does not judge charge.",
        needed=False, say="liquid|head",
    ),
    Point(
        "record.superheat.dif", "run", "live", Part.UNIT, "Superheat", "superheat",
        "For the record.",
        needed=False, say="sh|superheat",
    ),
    Point(
        "record.subcooling.dif", "run", "live", Part.UNIT, "Subcooling", "subcool",
        "For the record.",
        needed=False, say="sc|subcool|subcooling",
    ),
    Point(
        "record.air_in.f", "run", "live", Part.UNIT, "Air in, indoors", "air in",
        "For the record; the split is shown.",
        needed=False, say="air in|return",
    ),
    Point(
        "record.air_out.f", "run", "live", Part.UNIT, "Air out, indoors", "air out",
        "For the record; the split is shown.",
        needed=False, say="air out|supply",
    ),
    Point(
        "cap.blower.uf", "run", "dead", Part.BLOWER_CAPACITOR, "Indoor blower capacitor", "blower",
        "Meter on µF. Dead, wire off, discharged.",
        needed=False, say="blower|blower cap",
    ),
    Point(
        "record.cleaning", "run", "any", Part.UNIT, "Coil cleaned", "cleaned",
        "For the record.",
        choices_text="done none", needed=False, say="cleaned|cleaning",
    ),
    Point(
        "record.warranty", "run", "any", Part.UNIT, "Warranty", "warranty",
        "For the record.",
        choices_text="in out unknown", needed=False, say="warranty",
    ),
    Point(
        "fan.state", "run", "live", Part.FAN_MOTOR, "Outdoor fan", "fan", "What does it do? Pushed: it ran on after a push.",
        choices_text="runs slow hums pushed still", needed=False, fed_by=Feed.LINE | Feed.FAN, caution=NO_PUSH, say="fan state",
    ),
    Point(
        "amps.kit.a", "run", "live", Part.START_DEVICE, "Start kit's own wire, after the start", "kit A",
        "One conductor in the jaw, a second after it started.",
        needed=False, clamp=True, fed_by=Feed.LINE | Feed.COMPRESSOR, say="kit a|kit amps",
    ),
    Point(
        "start.freed", "run", "any", Part.COMPRESSOR, "Freed by", "freed", "What got it going, where something did.",
        choices_text="knocking kit no", needed=False, say="freed by|freed",
    ),
    Point(
        "record.acid", "run", "dead", Part.COMPRESSOR, "Acid test", "acid", "Before a new compressor goes in.",
        choices_text="clear acid", needed=False, say="acid",
    ),
)  # fmt: skip
