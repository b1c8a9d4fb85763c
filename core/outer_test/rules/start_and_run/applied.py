"""Which start-and-run rules apply to a visit: the start, running amps, capacitors under load, heaters."""

from collections.abc import Iterator

from outer_test.judgement import Finding, unjudged
from outer_test.measurement import Measured, say
from outer_test.nameplate import is_electronic, why_missing
from outer_test.rules.capacitors import NO_CAPACITOR, cap_bench, cap_load, cap_volts, load_capacitance, section_rating
from outer_test.rules.start_and_run.aux_heat import element_amps, element_circuit
from outer_test.rules.start_and_run.running import fan_amps, run_amps, total_amps
from outer_test.rules.start_and_run.start import Start, kit_effect, start_amps
from outer_test.visit import SECTIONS, Inputs, Section

ELEMENTS = ("amps.element1.a", "amps.element2.a", "amps.element3.a", "amps.element4.a")
INVERTER = "An inverter sets this compressor's speed and amps: the plate's figure is no yardstick, and this does not apply."


def run_findings(inputs: Inputs, bench: dict[str, Finding]) -> Iterator[Finding]:
    """Everything judged while it starts and runs. bench: the capacitor findings by point."""
    yield from _start_findings(inputs)
    yield from _amps_findings(inputs)
    for section in SECTIONS:
        yield from _load_findings(inputs, section, bench)
    yield from _heaters(inputs)
    yield from _blower(inputs)


def _start_findings(inputs: Inputs) -> Iterator[Finding]:
    plate, point = inputs.visit.plate, "amps.compressor.peak_a"
    peaks = [taken for taken in inputs.kinds if taken.reading.point == point]
    if not peaks:
        return
    if plate.compressor.kind == "inverter":
        yield unjudged(
            point,
            "start-amps",
            "An inverter starts slowly and has no surge: this does not apply.",
            shown=peaks[-1].measured.value.text,
        )
        return
    reading = inputs.readings[point]
    result = inputs.visit.saw("start.result")
    start = Start(
        result=result,  # type: ignore[arg-type]
        seconds=inputs.number("amps.compressor.start_s"),
        lra=plate.compressor.lra,
        rated_v=max(plate.volts, default=None),
        starting_v=inputs.number("line.starting.v"),
        by=reading.by,
        fitted=reading.fitted,
        kit_on_unit=plate.start_device,
    )
    yield start_amps(inputs.latest[point], start, inputs.visit.rules)
    before = [taken.measured for taken in peaks if taken.reading.fitted in (None, "none") and taken.measured.number is not None]
    after = [taken.measured for taken in peaks if taken.reading.fitted in ("two-wire", "relay") and taken.measured.number is not None]
    if before and after:
        yield kit_effect(before[-1], after[-1])


def _amps_findings(inputs: Inputs) -> Iterator[Finding]:
    plate, rules = inputs.visit.plate, inputs.visit.rules
    compressor, fan, whole = (inputs.get(f"amps.{name}.run_a") for name in ("compressor", "fan", "total"))
    if compressor is not None:
        point, shown = "amps.compressor.run_a", compressor.value.text
        if plate.compressor.kind == "inverter":
            yield unjudged(point, "run-amps", INVERTER, shown=shown, unit="A")
        elif plate.compressor.rla is None:
            needs = ("compressor.rla",)
            yield unjudged(point, "run-amps", why_missing(plate, *needs), needs, shown=shown, unit="A")
        else:
            yield run_amps(compressor, plate.compressor.rla, rules, inputs.visit.saw("amps.stage") == "low")
    if fan is not None:
        point, shown = "amps.fan.run_a", fan.value.text
        if plate.fan.kind == "electronic":
            yield unjudged(point, "run-amps", "An electronic fan motor sets its own amps: this does not apply.", shown=shown, unit="A")
        elif plate.fan.fla is None:
            yield unjudged(point, "run-amps", why_missing(plate, "fan.fla"), ("fan.fla",), shown=shown, unit="A")
        else:
            yield fan_amps(fan, plate.fan.fla, rules)
    if whole is not None:
        parts = {"amps.compressor.run_a": compressor, "amps.fan.run_a": fan}
        missing = tuple(point for point, one in parts.items() if one is None or one.number is None)
        if missing or compressor is None or fan is None or whole.number is None:
            yield unjudged(
                "amps.total.run_a", "total-amps", "Needs the compressor's and the fan's amps.", missing, shown=whole.value.text, unit="A"
            )  # fmt: skip
        else:
            yield total_amps(whole, compressor, fan)


def _load_findings(inputs: Inputs, section: Section, bench: dict[str, Finding]) -> Iterator[Finding]:
    visit, plate = inputs.visit, inputs.visit.plate
    point, volts_point = f"cap.{section}.load_a", f"cap.{section}.load_v"
    amps, volts = inputs.get(point), inputs.get(volts_point)
    if is_electronic(plate, section):
        for name, reading, rule in ((point, amps, "cap-load"), (volts_point, volts, "cap-volts")):
            if reading is not None:
                yield unjudged(name, rule, NO_CAPACITOR[section], shown=reading.value.text)
        return
    if amps is not None:
        yield _under_load(inputs, section, amps, volts, bench)
    if volts is not None:
        vac = next((part.vac for part in visit.fitted if part.section in ("both", section) and part.vac is not None), None)
        vac = vac if vac is not None else plate.run_capacitor.vac if plate.run_capacitor is not None else None
        if vac is None or volts.number is None:
            needs = ("run_capacitor.vac",) if vac is None else ()
            why = why_missing(plate, *needs) if needs else "No number to judge."
            yield unjudged(volts_point, "cap-volts", why, needs, shown=volts.value.text, unit="V")
        else:
            yield cap_volts(volts, vac, visit.rules, volts_point)


def _under_load(
    inputs: Inputs, section: Section, amps: Measured, volts: Measured | None, bench: dict[str, Finding]
) -> Finding:  # fmt: skip
    visit, point = inputs.visit, f"cap.{section}.load_a"
    if volts is None or not volts.number or amps.number is None:
        needs = (f"cap.{section}.load_v",) if volts is None else ()
        why = "Needs the volts from C to this terminal, read at the same time." if volts is None else "Needs amps and volts above 0."
        return unjudged(point, "cap-load", why, needs, shown=amps.value.text, unit="A")
    found = load_capacitance(amps, volts, visit.plate.hz or 60)
    rating = section_rating(section, visit.plate, visit.fitted)
    if rating is None:
        field = f"run_capacitor.{section}_uf"
        hint = f"Under load it works as {say(found.number or 0, 3)} µF, a hint only. {why_missing(visit.plate, field)}"
        return unjudged(point, "cap-load", hint, (field,), shown=found.value.text, unit="µF", value=float(found.number or 0))
    on_bench = f"cap.{section}.uf"
    return cap_load(found, rating.uf, rating.tolerance_pct, visit.rules, point, bench.get(on_bench), inputs.get(on_bench))


def _heaters(inputs: Inputs) -> Iterator[Finding]:
    aux = inputs.visit.plate.aux_heat
    circuit = element_circuit(aux)
    if circuit is not None:
        yield circuit
    for index, point in enumerate(ELEMENTS):
        reading = inputs.get(point)
        if reading is None:
            continue
        if index < len(aux.elements):
            yield element_amps(reading, aux.elements[index], inputs.number("aux.line.v"), inputs.visit.rules, point)
        else:
            yield unjudged(
                point,
                "element-amps",
                "The plate names no such element.",
                ("aux_heat.elements",),
                shown=reading.value.text,
                unit="A",
            )


def _blower(inputs: Inputs) -> Iterator[Finding]:
    reading, asked = inputs.get("cap.blower.uf"), inputs.visit.plate.blower_capacitor
    if reading is None:
        return
    if asked is None or asked.uf is None:
        needs = ("blower_capacitor.uf",)
        yield unjudged("cap.blower.uf", "cap-bench", why_missing(inputs.visit.plate, *needs), needs, shown=reading.value.text, unit="µF")
        return
    yield cap_bench(reading, asked.uf, asked.tolerance_pct, inputs.visit.rules, "cap.blower.uf")
