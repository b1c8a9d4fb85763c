"""Any visit that a file could hold: random plates, rules, meters, readings, things seen, lines, power (for Hypothesis)."""

from typing import get_args

from hypothesis import strategies as st

from outer_test.judgement import SCHOOLS, HouseRules
from outer_test.measurement import Accuracy
from outer_test.nameplate import AuxHeat, Compressor, Contactor, Defrost, Element, Fan, Plate, RunCapacitor, StartCapacitor, plate_fields
from outer_test.visit import MAY_BE_NEGATIVE, POINTS, Conditions, Lifted, MeterUnit, PowerEvent, Reading, Visit

METERS: dict[str, dict[MeterUnit, Accuracy]] = {"m": {unit: Accuracy(1.5, 3) for unit in get_args(MeterUnit)}}
SEEN = [point for point in POINTS.values() if point.kind == "seen"]
MEASURED = [point for point in POINTS.values() if point.kind == "number"]


def maybe(strategy: "st.SearchStrategy[object]") -> "st.SearchStrategy[object]":
    """The thing, or that it was not entered."""
    return st.none() | strategy


plates = st.builds(
    Plate,
    volts=st.sampled_from([(), (208.0, 230.0), (230.0,), (460.0,)]),
    phase=maybe(st.sampled_from([1, 3])),
    hz=maybe(st.sampled_from([50, 60])),
    compressor=st.builds(
        Compressor,
        rla=maybe(st.floats(1, 60)),
        lra=maybe(st.floats(5, 400)),
        kind=maybe(st.sampled_from(["scroll", "reciprocating", "rotary", "inverter"])),
        stages=st.sampled_from([1, 2]),
        winding=st.sampled_from(["copper", "aluminium"]),
    ),
    fan=st.builds(Fan, fla=maybe(st.floats(0.1, 6)), kind=st.sampled_from(["capacitor", "electronic"])),
    mca=maybe(st.floats(5, 100)),
    mop=maybe(st.sampled_from([15.0, 30.0, 40.0, 60.0])),
    protection_a=maybe(st.sampled_from([15.0, 30.0, 40.0, 100.0])),
    conductor_awg=maybe(st.sampled_from([14, 12, 10, 8, 6, 4])),
    run_capacitor=maybe(
        st.builds(
            RunCapacitor,
            herm_uf=maybe(st.floats(5, 100)),
            fan_uf=maybe(st.floats(2, 20)),
            vac=maybe(st.sampled_from([370.0, 440.0])),
            tolerance_pct=maybe(st.sampled_from([5.0, 6.0, 10.0])),
            form=st.sampled_from(["dual", "singles"]),
        )
    ),
    start_capacitor=maybe(st.builds(StartCapacitor, low_uf=st.floats(50, 200), high_uf=st.floats(200, 400), vac=st.just(330.0))),
    start_device=maybe(st.sampled_from(["none", "two-wire", "relay"])),
    contactor=st.builds(Contactor, poles=maybe(st.sampled_from([1, 2, 3])), amps=maybe(st.floats(20, 60)), coil_v=st.sampled_from([24.0])),
    valve=maybe(st.sampled_from(["O", "B"])),
    aux_heat=st.builds(
        AuxHeat,
        kind=maybe(st.sampled_from(["electric", "gas", "none"])),
        elements=st.lists(st.builds(Element, kw=st.floats(1, 10), volts=st.just(240.0)), max_size=3).map(tuple),
        protection_a=maybe(st.sampled_from([30.0, 60.0])),
    ),
    defrost=st.builds(
        Defrost,
        control=maybe(st.sampled_from(["time-temperature", "demand"])),
        closes_f=maybe(st.floats(20, 40)),
        opens_f=maybe(st.floats(45, 80)),
        shift_delay=maybe(st.booleans()),
    ),
    unreadable=st.lists(st.sampled_from(plate_fields()), max_size=2, unique=True).map(tuple),
)
rules = st.builds(HouseRules, **{choice: st.sampled_from(list(schools)) for choice, schools in SCHOOLS.items()})


@st.composite
def readings(draw: st.DrawFn) -> Reading:
    """A reading at any point, of any size its unit can have, now and then OL or a beep."""
    point = draw(st.sampled_from(MEASURED))
    digits = draw(st.integers(0, 3))
    most = {"uf": 120, "v": 500, "vdc": 400, "a": 150, "ohm": 60, "f": 200}.get(point.unit, 300)
    least = -most if point.unit in MAY_BE_NEGATIVE else 0
    value = f"{draw(st.integers(least, most * 10**digits)) / 10**digits:.{digits}f}"
    words = {"ohm": ["OL", "closed", "open"]}.get(point.unit, ["OL"])
    text = draw(st.sampled_from([value, value, value, value, *words]))
    peak = point.name == "amps.compressor.peak_a"
    return Reading(
        point.name,
        text,
        meter=draw(st.sampled_from([None, "m"])),
        by=draw(st.sampled_from([None, "inrush", "max-hold"])) if peak else None,
        fitted=draw(st.sampled_from([None, "none", "two-wire", "relay"])) if peak else None,
        top=draw(st.sampled_from([None, 1e3, 4e7])) if text == "OL" else None,
    )


@st.composite
def seen(draw: st.DrawFn) -> dict[str, str]:
    """Some things seen, each with one of its words."""
    points = draw(st.lists(st.sampled_from(SEEN), max_size=8, unique=True))
    return {point.name: draw(st.sampled_from(point.choices)) for point in points}


LINES = ("HERM wires off", "FAN wire off", "Compressor plug off", "Disconnect pulled", "jumper on the switch", "Fuses pulled")


def visits_on(plate: "st.SearchStrategy[Plate]") -> "st.SearchStrategy[Visit]":
    """Any visit to a unit with one of these plates."""
    return st.builds(
        Visit,
        plate=plate,
        rules=rules,
        meters=st.just(METERS),
        conditions=st.builds(Conditions, outdoor_f=maybe(st.floats(-20, 110)), outdoor_rh=maybe(st.floats(5, 100))),
        power=st.lists(st.builds(PowerEvent, st.sampled_from(["live", "dead-claimed"])), max_size=2).map(tuple),
        readings=st.lists(readings(), max_size=14).map(tuple),
        seen=seen(),
        lifted=st.lists(st.builds(Lifted, st.sampled_from(LINES)), max_size=3, unique_by=lambda line: line.what).map(tuple),
    )


visits = visits_on(plates)
# A unit's table of predictions takes a while: whatever concludes is tried on a few kinds of unit, not on any plate.
UNITS = (
    Plate(
        volts=(208.0, 230.0), compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2),
        run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6),
        defrost=Defrost(control="time-temperature", limit_min=10),
        aux_heat=AuxHeat(kind="electric", elements=(Element(4.8, 240.0),)),
    ),
    Plate(defrost=Defrost(control="demand"), start_device="relay", valve="B"), Plate(), Plate(phase=3),
    Plate(compressor=Compressor(kind="inverter"), fan=Fan(kind="electronic")), Plate(compressor=Compressor(stages=2)),
)  # fmt: skip
visits_to_few = visits_on(st.sampled_from(UNITS))
