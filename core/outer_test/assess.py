"""The one question: what do this visit's readings say?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from outer_test.absence import SIX_POINTS, Power, absence, absent, power_now
from outer_test.assess_capacitor import capacitor_findings, fitted_findings
from outer_test.finding import Finding
from outer_test.look import look_over
from outer_test.meter import Measured, measured
from outer_test.plan import stations
from outer_test.plate_rules import plate_findings
from outer_test.points import POINTS
from outer_test.putback import open_lines
from outer_test.stored_energy import StoredEnergy, all_discharged, discharged, stored_energy
from outer_test.unit_shape import discharge_points
from outer_test.value import parse_value
from outer_test.verdict import Verdict, worst
from outer_test.visit import Reading, Visit, standing_readings

_POWER_WORDS = {"unknown": "not known", "live": "live", "dead-claimed": "claimed dead, not proved", "dead-proved": "proved dead"}


@dataclass(frozen=True, slots=True)
class Missing:
    """A point this unit asks for that has no reading yet."""

    point: str
    station: str
    why: str


@dataclass(frozen=True, slots=True)
class Assessment:
    """Everything that follows from a visit. `recorded` are points kept that no rule judges."""

    overall: Verdict
    findings: tuple[Finding, ...]
    missing: tuple[Missing, ...]
    power: Power
    open_lines: int
    recorded: tuple[str, ...] = ()


def assess(visit: Visit) -> Assessment:
    """Judge a whole visit. A pure function: same visit, same assessment.

    visit: plate, house rules, readings, things seen, power and lifted lines. Raises nothing for a visit that could be
    made; what cannot be judged is a finding `unjudged` that says what it needs.
    Source: handbook sections 1 to 5 and 10, rule by rule in each finding.

    >>> from outer_test.plate import Plate, RunCapacitor
    >>> plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, tolerance_pct=6))
    >>> assess(Visit(plate=plate, readings=(Reading("cap.herm.uf", "50.4"),))).overall.value
    'bad'
    """
    readings = standing_readings(visit)
    by_point = {name: _measured(visit, reading) for name, reading in readings.items()}
    safety = list(_safety_findings(visit, readings, by_point))
    power = power_now(visit, next((one for one in safety if one.point == "safe.dead"), None))
    work = [
        *(found for name in visit.seen if (found := look_over(name, visit.saw(name) or "")) is not None),
        *fitted_findings(visit),
        *capacitor_findings(visit, by_point),
    ]
    work = [_taken_while(one, readings.get(one.point), power, visit) for one in work]
    findings = (*plate_findings(visit.plate, visit.rules), *safety, *work)
    return Assessment(
        worst(one.verdict for one in findings),
        findings,
        tuple(_missing(visit, by_point)),
        power,
        len(open_lines(visit)),
        _recorded(visit, readings, {one.point for one in findings}),
    )


def power_of(visit: Visit) -> Power:
    """The unit's power state alone, without judging the rest of the visit.

    >>> power_of(Visit()).state
    'unknown'
    """
    readings = standing_readings(visit)
    safety = _safety_findings(visit, readings, {name: _measured(visit, reading) for name, reading in readings.items()})
    return power_now(visit, next((one for one in safety if one.point == "safe.dead"), None))


def _recorded(visit: Visit, readings: dict[str, Reading], judged: set[str]) -> tuple[str, ...]:
    names = {reading.point for reading in readings.values()} | set(visit.seen)
    return tuple(sorted(name for name in names if name not in judged and not name.startswith("safe.tester")))


def _measured(visit: Visit, reading: Reading) -> Measured:
    meter = visit.meters.get(reading.meter) if reading.meter is not None else None
    accuracy = meter.get(POINTS[reading.point].unit) if meter is not None else None  # type: ignore[call-overload]
    return measured(parse_value(reading.value), accuracy, reading.top, reading.turns)


def _safety_findings(visit: Visit, readings: dict[str, Reading], by_point: dict[str, Measured]) -> Iterator[Finding]:
    found = {name: absent(name, by_point[name], visit.rules) for name in (*SIX_POINTS, "safe.control.v") if name in by_point}
    yield from found.values()
    claimed = any(event.state == "dead-claimed" for event in visit.power)
    if claimed or any(name in found for name in SIX_POINTS):
        yield absence(visit, found, readings)
    pairs = discharge_points(visit)
    measured_pairs = [name for name in by_point if POINTS[readings[name].point].unit == "vdc"]
    charge = [discharged(name, by_point[name], visit.rules) for name in measured_pairs]
    yield from charge
    if charge:
        missing = tuple(name for name in pairs if name not in by_point)
        yield all_discharged(charge, missing, most_stored(visit))


def most_stored(visit: Visit) -> StoredEnergy | None:
    """The most one capacitor of this unit can hold, by the plate; None where volts or µF are not known.

    >>> most_stored(Visit()) is None
    True
    """
    run, start = visit.plate.run_capacitor, visit.plate.start_capacitor
    held = []
    if run is not None and run.vac is not None:
        held += [stored_energy(uf, run.vac) for uf in (run.herm_uf, run.fan_uf) if uf is not None]
    if start is not None and start.vac is not None and start.high_uf is not None:
        held.append(stored_energy(start.high_uf, start.vac))
    return max(held, key=lambda one: one.joules, default=None)


def _taken_while(finding: Finding, reading: Reading | None, power: Power, visit: Visit) -> Finding:
    """Mark a dead-only reading that was taken while the unit was not proved dead."""
    if reading is None or POINTS[reading.point].power != "dead":
        return finding
    powered_up = any(event.state == "live" for event in visit.power)
    state = reading.power or (None if powered_up else power.state)
    if state is None or state == "dead-proved":
        return finding
    warning = f"Dead work, but recorded while power was {_POWER_WORDS[state]}."
    return replace(finding, caution=f"{warning} {finding.caution}".strip())


def _missing(visit: Visit, by_point: dict[str, Measured]) -> Iterator[Missing]:
    for station in stations(visit, {}):
        for step in station.steps:
            done = step.point in by_point or step.point in visit.seen
            if step.needed and not done:
                yield Missing(step.point, station.name, f"{step.title}: not read yet.")
