"""Valid evidence as outcomes: what each thing that can be tested turned out to be (handbook section 13).

A reading that is unsure or unjudged is no outcome and weighs nothing.
"""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from datetime import datetime
from decimal import Decimal

from outer_test.assessment import Judged, read_in_hand
from outer_test.diagnosis.by_numbers import by_numbers, capital, lost_on_the_way
from outer_test.diagnosis.classes import amps_class, capacitance, fan_class, peak_class
from outer_test.diagnosis.of_several import DECIDED, of_several
from outer_test.diagnosis.things_tested import Test
from outer_test.judgement import Finding, Verdict
from outer_test.measurement import Value, parse_value
from outer_test.rules.defrost import aux_call_fed, valve_fed, valve_fed_heating
from outer_test.rules.start_and_run.start import PEAK
from outer_test.rules.windings.ground import GROUNDED_OHM
from outer_test.visit import POINTS, Feed, Measures, Visit, group_of, measures, superseded


@dataclass(frozen=True, slots=True)
class Observed:
    """An outcome, the findings it comes from, what they say, and how often it was found so."""

    test: Test
    outcome: str
    points: tuple[str, ...]
    says: str
    times: int = 1


_SAME = Decimal("0.1")  # of a reading: two within it are the same result
# What was seen is its own outcome.
_SEEN = {
    "look.capacitor.case": Test.CASE, "look.contactor.faces": Test.FACES, "look.contactor.insects": Test.INSECTS,
    "look.contactor2.faces": Test.FACES2,
    "look.wiring": Test.WIRING, "line.breaker": Test.BREAKER, "contactor.armature": Test.ARMATURE, "control.float": Test.FLOAT,
    "control.pressure": Test.PRESSURE, "start.result": Test.START, "fan.state": Test.FAN_STATE, "look.coil.face": Test.COIL_FACE,
    "line.reset": Test.RESET, "look.sensor.seat": Test.SEAT, "defrost.valve_proof": Test.VALVE_PROOF, "control.blower": Test.BLOWER,
}  # fmt: skip
_POINT_OF = {
    "cap.herm.uf": Test.CAP_HERM, "cap.fan.uf": Test.CAP_FAN, "cap.start.uf": Test.CAP_START, "contactor.coil.ohm": Test.COIL_OHM,
    "cap.case_ground.ohm": Test.CAP_TO_CASE, "heater.ground.ohm": Test.HEATER_TO_GROUND, "contactor2.coil.ohm": Test.COIL2_OHM,
    "control.fuse.ohm": Test.CONTROL_FUSE,
    "defrost.coil_sensor.ohm": Test.COIL_SENSOR, "defrost.ambient_sensor.ohm": Test.AMBIENT_SENSOR,
    "defrost.valve_coil.ohm": Test.VALVE_COIL, "defrost.run.start": Test.RUN_START, "defrost.run.valve": Test.RUN_VALVE,
    "defrost.run.fan": Test.RUN_FAN, "defrost.run.aux": Test.RUN_AUX, "amps.compressor.run_a": Test.COMPRESSOR_A,
    "amps.fan.run_a": Test.FAN_A, PEAK: Test.PEAK, "defrost.run.contactor": Test.RUN_CONTACTOR,
    "cap.herm.load_a": Test.HERM_LOAD, "cap.fan.load_a": Test.FAN_LOAD,
}  # fmt: skip


def observe(judged: Judged) -> dict[Test, Observed]:
    """What this visit's valid evidence turned out to be, test by test; a stop is evidence only where nothing speaks against it.

    >>> from outer_test.assessment import judge
    >>> from outer_test.visit import Visit
    >>> observe(judge(Visit(seen={"look.capacitor.case": "bulged"})))[Test.CASE].outcome
    'bulged'
    """
    moot = {one.point for one in judged.aside} | set(before_the_reset(judged))
    findings = [finding for finding in judged.findings if finding.point not in moot]
    found: dict[Test, Observed] = {}

    def add(test: Test, outcome: str, points: Iterable[str], says: str) -> None:
        if outcome:
            where = tuple(points)
            found[test] = Observed(test, outcome, where, says, max(sum(times(point) for point in where), 1))

    def times(point: str) -> int:
        reading = inputs.latest.get(point)
        return 1 if reading is None else max(repeats(visit, point, reading.value.text), 1)

    visit, inputs = judged.inputs.visit, judged.inputs
    new_part = {point.replace("cap.", "cap.new_"): _POINT_OF[point] for point in read_in_hand(visit) if point not in inputs.latest}
    for point, test in _SEEN.items():
        word = visit.saw(point)
        if word is not None and point not in moot:
            add(test, word, (point,), f"{POINTS[point].title}: {word}")
    for point, test, outcome in by_numbers(judged):
        if point in moot:
            continue
        add(test, outcome, (point,), f"{POINTS[point].title}: {inputs.latest[point].value.text} {POINTS[point].sign}")
    for test, outcome, where, says in lost_on_the_way(judged):
        add(test, outcome, (where,), says)
    for test, outcome, one in _switch(findings):
        add(test, outcome, (one.point,), f"{capital(test.value)}: {one.why}")
    for test, point, when, fed in (
        (Test.VALVE_FED, "defrost.valve_coil.v", "in defrost", valve_fed(inputs)),
        (Test.VALVE_REST, "defrost.valve_heating.v", "in heating", valve_fed_heating(inputs)),
        (Test.STAT_VALVE, "control.stat_valve.v", "in heating, at the thermostat", valve_fed_heating(inputs, "control.stat_valve.v")),
    ):
        if fed is not None:
            add(test, "yes" if fed else "no", (point,), f"The valve's volts {when}: {'' if fed else 'not '}as they should be")
    for one in findings:
        if one.point == PEAK and visit.saw("line.reset") == "trips":
            continue  # nobody knows whether it started: its size alone tells, below
        if (at := _POINT_OF.get(one.point) or new_part.get(one.point)) is not None and (outcome := _outcome(at, one, judged)):
            add(at, outcome, (one.point,), f"{capital(at.value)}: {one.why}")
    w_fed = aux_call_fed(inputs)
    if w_fed is not None:
        add(Test.W_FED, "yes" if w_fed else "no", ("defrost.aux_call.v",), f"W in defrost: {'24 V' if w_fed else 'none'}")
    if _grounded_before_the_terminals(judged):
        add(
            Test.GROUND_AT_PLUG,
            "grounded",
            ("winding.c_ground.ohm",),
            "Compressor to ground, at the plug: grounded before it was read at the terminals.",
        )
    for test, outcome, group in of_several(findings, judged):
        add(test, outcome, [one.point for one in group], f"{capital(test.value)}: {group[0].why}")
    return found


def bad_by_itself(judged: Judged, evidence: Mapping[Test, Observed]) -> Iterator[str]:
    """The titles of what reads bad and is no outcome of any test: its part is at fault, and brings nothing else about.

    >>> from outer_test.assessment import judge
    >>> from outer_test.visit import Reading
    >>> known = judge(Visit(readings=(Reading("heater.ohm", "OL"),)))
    >>> list(bad_by_itself(known, observe(known)))
    ['Crankcase heater']
    """
    counted = {point for seen in evidence.values() for point in seen.points}
    bad = (one.point for one in judged.findings if one.verdict is Verdict.BAD and one.point in POINTS and one.point not in counted)
    yield from (POINTS[point].title for point in dict.fromkeys(bad))


def before_the_reset(judged: Judged) -> Iterable[str]:
    """What was read or seen before a tripped breaker was closed once, and is to be read again: it speaks of a unit that was not fed.

    Where it tripped again nothing is fed either: only the peak is another one.

    >>> from outer_test.assessment import judge
    >>> list(before_the_reset(judge(Visit())))
    []
    """
    visit = judged.inputs.visit
    since, held = visit.saw_at("line.reset"), visit.saw("line.reset") == "holds"
    if since is None:
        return
    if held:
        yield "line.breaker"
    for point in (*judged.inputs.latest, *visit.seen):
        at = taken_at(point, judged)
        fed = held and POINTS[point].fed_by & (Feed.LINE | Feed.COMPRESSOR)
        if (fed or point == PEAK) and at is not None and at < since:
            yield point


def _switch(findings: Iterable[Finding]) -> Iterable[tuple[Test, str, Finding]]:
    """A coil switch is two tests: what it does cold, and what it does warm. Each state is right at one of them."""
    for one in findings:
        if one.point == "defrost.switch.ohm" and one.verdict in DECIDED:
            opened, bad = one.shown in ("OL", "open"), one.verdict is Verdict.BAD
            warm = opened != bad
            yield (Test.SWITCH_WARM if warm else Test.SWITCH_COLD), ("good" if not bad else "stuck closed" if warm else "stuck open"), one


def _grounded_before_the_terminals(judged: Judged) -> bool:
    """Whether a path to ground stood at the plug, before the harness was taken off and the terminals were read."""
    visit, since = judged.inputs.visit, judged.inputs.visit.saw_at("winding.at")
    if visit.saw("winding.at") != "terminals" or since is None:
        return False
    older = [one for one in visit.readings if one.at is not None and one.at < since and measures(one.point) is Measures.GROUND]
    values = [parse_value(one.value) for one in older if group_of(one.point) == "winding"]
    return any(one.kind == "closed" or (one.number is not None and one.number < GROUNDED_OHM) for one in values)


def read_after(seen: str, point: str, judged: Judged) -> bool:
    """Whether a point was read after something was seen or done.

    >>> from outer_test.assessment import judge
    >>> read_after("button.terminals", "contactor.pole1.drop_v", judge(Visit()))
    False
    """
    since, at = judged.inputs.visit.saw_at(seen), taken_at(point, judged)
    return since is not None and at is not None and at > since


def taken_at(point: str, judged: Judged) -> datetime | None:
    """When what stands at a point was read or seen; None where that is not on record.

    >>> from outer_test.assessment import judge
    >>> taken_at("cap.herm.uf", judge(Visit())) is None
    True
    """
    reading = judged.inputs.readings.get(point)
    return judged.inputs.visit.saw_at(point) if reading is None else reading.at


def repeats(visit: Visit, point: str, standing: str) -> int:
    """How often a point was read with the same result: a second reading shares the meter's error, not the slip.

    >>> from outer_test.visit import Reading
    >>> repeats(Visit(readings=(Reading("cap.herm.uf", "39.9"), Reading("cap.herm.uf", "40.1"))), "cap.herm.uf", "40.1")
    2
    """
    gone = superseded(visit)
    told = [one for one in visit.readings if one.point == point and (one.id is None or one.id not in gone)]
    once = {one.id or (one.value, one.at) if one.id or one.at else place: one for place, one in enumerate(told)}  # delivered twice is one
    own = [parse_value(one.value) for one in once.values()]
    now = parse_value(standing)
    return sum(1 for one in own if _agree(one, now))


def _agree(one: Value, other: Value) -> bool:
    if one.kind != other.kind:
        return False
    return one.number is None or other.number is None or abs(one.number - other.number) <= _SAME * max(abs(one.number), abs(other.number))


def _outcome(test: Test, found: Finding, judged: Judged) -> str:
    """The outcome one finding is, by the limits it was laid on."""
    if found.verdict not in DECIDED:
        return ""
    bad = found.verdict in (Verdict.BAD, Verdict.STOP)
    if test in (Test.CAP_HERM, Test.CAP_FAN, Test.CAP_START):
        return _capacitor(found) if bad else "good"
    if test in (Test.HERM_LOAD, Test.FAN_LOAD):
        return "" if found.rule != "cap-load" else "good" if not bad else "low" if (found.value or 0) < (found.low or 0) else "high"
    if test in (Test.COIL_OHM, Test.COIL2_OHM, Test.VALVE_COIL):
        low = found.value is not None and found.low is not None and found.value < found.low
        return "good" if not bad else "shorted" if low else "open"
    if test in (Test.COIL_SENSOR, Test.AMBIENT_SENSOR):
        read = judged.inputs.get(found.point)
        return "good" if not bad else "off" if found.unit == "°F" else "open" if read is not None and read.is_open else "shorted"
    if test is Test.COMPRESSOR_A:
        return _amps_outcome(found, judged)
    if test is Test.FAN_A:
        return "good" if found.verdict is Verdict.GOOD else fan_class(found.value or 0, found.nominal or 1)
    if test is Test.RUN_CONTACTOR:
        return "stays" if found.verdict is Verdict.GOOD else "drops"
    if test is Test.PEAK:
        return _peak_outcome(found)
    if test in (Test.RUN_START, Test.RUN_VALVE, Test.RUN_FAN, Test.RUN_AUX):
        return "no" if bad else "yes" if found.verdict is Verdict.GOOD else ""
    return "bad" if bad else "good"


def _capacitor(found: Finding) -> str:
    if found.value is None or found.low is None or found.high is None:
        return "shorted"
    return capacitance(found.value, found.low, found.high, found.nominal or found.low)


def _amps_outcome(found: Finding, judged: Judged) -> str:
    value, nominal = found.value or 0, found.nominal or 1
    outcome = amps_class(value, nominal, judged.inputs.visit.plate.compressor.lra)
    return "good" if found.verdict is Verdict.GOOD and outcome != "locked" else "low" if outcome == "good" else outcome


def _peak_outcome(found: Finding) -> str:
    ratio = (found.value or 0) / found.nominal if found.nominal else 1.0
    return peak_class(ratio, found.verdict is not Verdict.BAD)
