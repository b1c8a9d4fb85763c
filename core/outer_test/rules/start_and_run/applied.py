"""Which start-and-run rules apply to a visit: the start, running amps, heaters."""

from collections.abc import Iterator, Mapping

from outer_test.judgement import Finding, Verdict, does_not_apply, unjudged
from outer_test.measurement import Measured
from outer_test.nameplate import Plate, Recovered, recovered_fla, recovered_rla, why_missing
from outer_test.rules.start_and_run.aux_heat import ELEMENT_AMPS, element_amps, element_circuit, idle_amps
from outer_test.rules.start_and_run.kit import KitTest, kit_effect, kit_stays_in
from outer_test.rules.start_and_run.running import COMPRESSOR, FAN, RUN_AMPS, TOTAL_AMPS, FanRuns, Running, fan_amps, run_amps, total_amps
from outer_test.rules.start_and_run.start import PEAK, START_AMPS, Start, fan_state, start_amps, start_result, start_sag
from outer_test.visit import Inputs, Taken

ELEMENTS = ("amps.element1.a", "amps.element2.a", "amps.element3.a", "amps.element4.a")
KITS = ("two-wire", "relay")
INVERTER = "An inverter sets this compressor's speed and amps: the plate's figure is no yardstick."


def run_findings(inputs: Inputs, found: Mapping[str, Finding]) -> Iterator[Finding]:
    """Everything judged while it starts and runs. found: findings by point, made before."""
    yield from _start_findings(inputs)
    yield from _amps_findings(inputs, found)
    yield from _heaters(inputs)


def _start_findings(inputs: Inputs) -> Iterator[Finding]:
    visit, plate = inputs.visit, inputs.visit.plate
    result = visit.saw("start.result")
    if result is not None:
        yield start_result(result)  # type: ignore[arg-type]
    if (starting := inputs.get("line.starting.v")) is not None:
        yield start_sag(starting, inputs.number("line.l1_l2.v"), plate)
    if (state := visit.saw("fan.state")) is not None:
        yield fan_state(state)
    peaks = [taken for taken in inputs.kinds if taken.reading.point == PEAK]
    if peaks and plate.compressor.kind == "inverter":
        yield does_not_apply(PEAK, START_AMPS, "An inverter starts slowly and has no surge.", peaks[-1].measured, "A")
        return
    if peaks:
        yield start_amps(inputs.latest[PEAK], _start(inputs, result), visit.rules)
    effect = kit_effect(_kit_test(inputs, peaks, result))
    if effect is not None:
        yield effect
    if (kit := inputs.get("amps.kit.a")) is not None and (stays := kit_stays_in(kit)) is not None:
        yield stays


def _start(inputs: Inputs, result: str | None) -> Start:
    plate, reading = inputs.visit.plate, inputs.readings[PEAK]
    return Start(
        result=result,  # type: ignore[arg-type]
        seconds=inputs.number("amps.compressor.start_s"),
        lra=plate.compressor.lra,
        rated_v=max(plate.volts, default=None),
        starting_v=inputs.number("line.starting.v"),
        line_v=inputs.number("line.l1_l2.v"),
        by=reading.by,
        fitted=reading.fitted,
        kit_on_unit=plate.start_device,
    )


def _kit_test(inputs: Inputs, peaks: list[Taken], result: str | None) -> KitTest:
    times = [taken for taken in inputs.kinds if taken.reading.point == "amps.compressor.start_s"]
    before, after = _last(peaks, fitted=False), _last(peaks, fitted=True)
    slow, quick = _last(times, fitted=False), _last(times, fitted=True)
    return KitTest(
        before=None if before is None else before.measured,
        after=None if after is None else after.measured,
        before_by=None if before is None else before.reading.by,
        after_by=None if after is None else after.reading.by,
        before_s=None if slow is None else slow.measured,
        after_s=None if quick is None else quick.measured,
        hummed_before=inputs.visit.complaint == "hums-no-start" and result == "started",
        started=None if result is None else result == "started",
    )


def _last(taken: list[Taken], fitted: bool) -> Taken | None:
    return next((one for one in reversed(taken) if (one.reading.fitted in KITS) is fitted and one.measured.number is not None), None)


def _amps_findings(inputs: Inputs, found: Mapping[str, Finding]) -> Iterator[Finding]:
    plate, rules, visit = inputs.visit.plate, inputs.visit.rules, inputs.visit
    compressor, fan, whole = (inputs.get(f"amps.{name}.run_a") for name in ("compressor", "fan", "total"))
    if compressor is not None:
        yield _compressor(inputs, compressor, found)
    if fan is not None:
        turning = None if (state := visit.saw("fan.state")) is None else state in ("runs", "slow", "pushed")
        electronic = plate.fan.kind == "electronic"
        fla, recovered = _fla(plate)
        if fla is None and not electronic:
            yield unjudged(FAN, RUN_AMPS, why_missing(plate, "fan.fla"), ("fan.fla",), shown=fan.value.text, unit="A")
        else:
            yield fan_amps(fan, fla or (1.0, 1.0), FanRuns(turning, electronic, recovered), rules)
    if whole is not None:
        parts = {COMPRESSOR: compressor, FAN: fan}
        missing = tuple(point for point, one in parts.items() if one is None or one.number is None)
        if missing or compressor is None or fan is None or whole.number is None:
            why = "Needs the compressor's and the fan's amps."
            yield unjudged("amps.total.run_a", TOTAL_AMPS, why, missing, shown=whole.value.text, unit="A")
        else:
            yield total_amps(whole, compressor, fan)


def _compressor(inputs: Inputs, reading: Measured, found: Mapping[str, Finding]) -> Finding:
    visit, plate = inputs.visit, inputs.visit.plate
    if plate.compressor.kind == "inverter":
        return does_not_apply(COMPRESSOR, RUN_AMPS, INVERTER, reading, "A")
    rla, recovered = _rla(plate)
    if rla is None:
        needs = ("compressor.rla",)
        return unjudged(COMPRESSOR, RUN_AMPS, why_missing(plate, *needs), needs, shown=reading.value.text, unit="A")
    line, stage = found.get("line.l1_l2.v"), visit.saw("amps.stage")
    two_stage = plate.compressor.stages == 2
    how = Running(
        lra=plate.compressor.lra,
        selection_a=plate.branch_selection_a,
        rated_v=max(plate.volts, default=None),
        volts=inputs.number("line.l1_l2.v"),
        two_stage=two_stage,
        low_stage=None if stage is None else stage == "low",
        outdoor_f=visit.conditions.outdoor_f,
        heard=visit.saw("start.result") == "started",
        line_good=line is not None and line.verdict is Verdict.GOOD,
        capacitor_bad=(cap := found.get("cap.herm.uf")) is not None and cap.verdict is Verdict.BAD,
    )
    return run_amps(reading, rla, how, visit.rules, recovered)


def _rla(plate: Plate) -> tuple[tuple[float, float] | None, str]:
    if plate.compressor.rla is not None:
        return (plate.compressor.rla, plate.compressor.rla), ""
    return _interval(recovered_rla(plate))


def _fla(plate: Plate) -> tuple[tuple[float, float] | None, str]:
    if plate.fan.fla is not None:
        return (plate.fan.fla, plate.fan.fla), ""
    return _interval(recovered_fla(plate)) if "fan.fla" in plate.unreadable else (None, "")


def _interval(found: Recovered | None) -> tuple[tuple[float, float] | None, str]:
    """What was recovered, where the plate's figures agree on anything."""
    return (None, "") if found is None or not found.agrees or found.high <= 0 else ((found.low, found.high), found.how)


def _heaters(inputs: Inputs) -> Iterator[Finding]:
    aux = inputs.visit.plate.aux_heat
    if (idle := inputs.get("aux.idle.a")) is not None:
        yield idle_amps(idle)
    circuit = element_circuit(inputs.visit.plate)
    if circuit is not None:
        yield circuit
    for index, point in enumerate(ELEMENTS):
        reading = inputs.get(point)
        if reading is None:
            continue
        if index < len(aux.elements):
            yield element_amps(reading, aux.elements[index], inputs.number("aux.line.v"), inputs.visit.rules, point)
        else:
            why = "The plate names no such element."
            yield unjudged(point, ELEMENT_AMPS, why, ("aux_heat.elements",), shown=reading.value.text, unit="A")
