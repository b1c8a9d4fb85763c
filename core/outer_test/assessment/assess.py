"""The one question: what do this visit's readings say?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from outer_test.assessment.accuse import Accused, accused_parts
from outer_test.assessment.figures import Figure, figures
from outer_test.judgement import WORST_FIRST, Finding, Verdict, worst
from outer_test.procedure import plan_of
from outer_test.rules import look_over, plate_findings
from outer_test.rules.capacitors import capacitor_findings, fitted_findings
from outer_test.rules.contactor import armature_findings, contactor_findings
from outer_test.rules.defrost import board_lights, defrost_findings
from outer_test.rules.make_safe import SIX_POINTS, Power, absence, absent, all_discharged, counts_now, discharged, most_stored, power_now
from outer_test.rules.power_up import power_findings
from outer_test.rules.start_and_run import Rung, locked_rotor_ladder, run_findings
from outer_test.rules.windings import winding_findings
from outer_test.visit import POINTS, Inputs, Reading, Visit, discharge_points, inputs_of, open_lines

_POWER_WORDS = {"unknown": "not known", "live": "live", "dead-claimed": "claimed dead, not proved", "dead-proved": "proved dead"}


@dataclass(frozen=True, slots=True)
class Missing:
    """A point this unit asks for that has no reading yet."""

    point: str
    station: str
    why: str


@dataclass(frozen=True, slots=True)
class Assessment:
    """Everything that follows from a visit.

    `recorded` are points kept that no rule judges; `accused` the parts that a rule blames; `ladder` what is next for a
    compressor that does not start; `figures` what is only computed and shown.
    """

    overall: Verdict
    findings: tuple[Finding, ...]
    missing: tuple[Missing, ...]
    power: Power
    open_lines: int
    recorded: tuple[str, ...] = ()
    accused: tuple[Accused, ...] = ()
    ladder: tuple[Rung, ...] = ()
    figures: tuple[Figure, ...] = ()


def assess(visit: Visit) -> Assessment:
    """Judge a whole visit. A pure function: same visit, same assessment.

    visit: plate, house rules, readings, things seen, power and lifted lines. Raises nothing for a visit that could be
    made; what cannot be judged is a finding `unjudged` that says what it needs.
    Source: handbook sections 1 to 8 and 10, rule by rule in each finding.

    >>> from outer_test.nameplate import Plate, RunCapacitor
    >>> plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, tolerance_pct=6))
    >>> assess(Visit(plate=plate, readings=(Reading("cap.herm.uf", "50.4"),))).overall.value
    'bad'
    """
    inputs = inputs_of(visit)
    safety = list(_safety_findings(inputs))
    power = power_now(visit, next((one for one in safety if one.point == "safe.dead"), None))
    work = [_with_circumstances(one, inputs, power) for one in _work_findings(inputs)]
    findings = (*plate_findings(visit.plate, visit.rules), *safety, *work)
    return Assessment(
        worst(one.verdict for one in findings),
        findings,
        tuple(_missing(inputs)),
        power,
        len(open_lines(visit)),
        _recorded(inputs, {one.point for one in findings}),
        accused_parts(findings, visit),
        _ladder(inputs, findings),
        tuple(figures(inputs)),
    )


def _work_findings(inputs: Inputs) -> Iterator[Finding]:
    """Everything judged of the unit itself, in the order of the round."""
    visit = inputs.visit
    yield from (found for name in visit.seen if (found := look_over(name, visit.saw(name) or "")) is not None)
    if (flashes := inputs.number("look.board.flashes")) is not None and flashes.number is not None:
        yield board_lights(visit.plate.defrost.lights, int(flashes.number), visit.saw("look.board.colour"))
    yield from fitted_findings(visit)
    bench = {one.point: one for one in capacitor_findings(visit, inputs.latest)}
    yield from bench.values()
    contactor, line = list(contactor_findings(inputs)), list(power_findings(inputs))
    yield from contactor
    yield from winding_findings(inputs)
    yield from line
    yield from armature_findings(inputs, {one.point: one for one in (*contactor, *line)})
    yield from run_findings(inputs, bench)
    yield from defrost_findings(inputs, {one.point: one for one in line})


def _ladder(inputs: Inputs, findings: tuple[Finding, ...]) -> tuple[Rung, ...]:
    """The locked-rotor ladder, where the compressor did not start."""
    visit = inputs.visit
    result = visit.saw("start.result")
    hums = result is None and visit.complaint == "hums-no-start"
    if visit.plate.compressor.kind == "inverter" or not (hums or result in ("hummed", "tripped")):
        return ()
    worst_first = sorted(findings, key=lambda one: WORST_FIRST.index(one.verdict), reverse=True)
    kit_tried = any(taken.reading.fitted in ("two-wire", "relay") for taken in inputs.kinds)
    seen = {name: visit.saw(name) or "" for name in visit.seen}
    by_point = {one.point: one for one in worst_first}
    return locked_rotor_ladder(by_point, seen, kit_tried, visit.plate.compressor.kind == "scroll", visit.rules)


def power_of(visit: Visit) -> Power:
    """The unit's power state alone, without judging the rest of the visit.

    >>> power_of(Visit()).state
    'unknown'
    """
    safety = _safety_findings(inputs_of(visit))
    return power_now(visit, next((one for one in safety if one.point == "safe.dead"), None))


def _recorded(inputs: Inputs, judged: set[str]) -> tuple[str, ...]:
    names = set(inputs.latest) | set(inputs.visit.seen)
    return tuple(sorted(name for name in names if name not in judged and not name.startswith("safe.tester")))


def _safety_findings(inputs: Inputs) -> Iterator[Finding]:
    visit = inputs.visit
    read = {name: reading for name in (*SIX_POINTS, "safe.control.v") if (reading := inputs.get(name)) is not None}
    found = {name: absent(name, reading, visit.rules) for name, reading in read.items()}
    yield from found.values()
    # Powered up again, the earlier proof is spent and nothing is open: only a claim, or readings since, ask for a proof.
    claimed = bool(visit.power) and visit.power[-1].state == "dead-claimed"
    if claimed or any(name in found and counts_now(visit, inputs.readings[name].at) for name in SIX_POINTS):
        yield absence(visit, found, inputs.readings)
    charge = [
        discharged(name, reading, visit.rules)
        for name, reading in inputs.latest.items()
        if name.startswith("safe.") and POINTS[name].unit == "vdc"
    ]
    yield from charge
    if charge:
        missing = tuple(name for name in discharge_points(visit) if name not in inputs.latest)
        yield all_discharged(charge, missing, most_stored(visit))


def _with_circumstances(finding: Finding, inputs: Inputs, power: Power) -> Finding:
    """Say so where a reading was taken with the wrong power, or with a meter whose calibration was overdue."""
    reading = inputs.readings.get(finding.point)
    if reading is None:
        return finding
    words = (_wrong_power(reading, power, inputs.visit), _overdue(reading, inputs.visit))
    return replace(finding, caution=" ".join(filter(None, (*words, finding.caution)))) if any(words) else finding


def _wrong_power(reading: Reading, power: Power, visit: Visit) -> str:
    """What to say of a dead-only reading that was taken while the unit was not proved dead, and of a live one taken while it was."""
    wants = POINTS[reading.point].power
    if wants == "dead" and reading.power != "dead-proved":
        powered_up = any(event.state == "live" for event in visit.power)
        state = reading.power or (None if powered_up else power.state)
        if state not in (None, "dead-proved"):
            return f"Dead work, but recorded while power was {_POWER_WORDS[state]}."
    if wants == "live" and reading.power == "dead-proved":
        return "Live work, but recorded while the unit was proved dead: it says nothing."
    return ""


def _overdue(reading: Reading, visit: Visit) -> str:
    due = visit.calibration_due.get(reading.meter) if reading.meter is not None else None
    if due is None or reading.at is None or reading.at.date() <= due:
        return ""
    return f"Read with {reading.meter}, whose calibration was due {due.isoformat()}."


def _missing(inputs: Inputs) -> Iterator[Missing]:
    for station, step in plan_of(inputs.visit, {}).needed:
        if step.point not in inputs.latest and step.point not in inputs.visit.seen:
            yield Missing(step.point, station.name, f"{step.title}: not read yet.")
