"""Valid evidence as outcomes: what each thing that can be tested turned out to be (handbook section 13).

A reading that is unsure or unjudged is no outcome and weighs nothing.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from outer_test.assessment import Judged, read_in_hand
from outer_test.judgement import Finding, Verdict
from outer_test.visit import POINTS, Measures, group_of, measures


class Test(StrEnum):
    """A thing that can be tested, by the trade's own name for it."""

    CASE = "capacitor case"
    CAP_HERM = "run capacitor, HERM"
    CAP_FAN = "run capacitor, FAN"
    CAP_START = "start capacitor"
    LEADS = "compressor leads"
    GROUND = "compressor to ground"
    PAIRS = "compressor windings"
    FAN_GROUND = "fan motor to ground"
    FAN_PAIRS = "fan motor windings"
    FACES = "contactor faces"
    INSECTS = "insects"
    WIRING = "wiring"
    COIL_OHM = "contactor coil"
    COIL2_OHM = "second contactor coil"
    BREAKER = "indoor breaker"
    FUSES = "fuses"
    DISCONNECT = "volts at the disconnect"
    LINE = "line volts"
    LINE_SIDE = "contactor line side"
    POLES = "contactor poles"
    ARMATURE = "armature"
    R_C = "R to C"
    CONTROL_FUSE = "control fuse"
    STAT = "R to C at the thermostat"
    STAT_Y = "Y at the thermostat"
    FLOAT = "float switch"
    PRESSURE = "pressure switches"
    Y_IN = "Y at the board"
    Y_OUT = "Y out of the board"
    COIL_V = "volts at the coil"
    START = "the start"
    PEAK = "start peak"
    COMPRESSOR_A = "compressor amps"
    FAN_STATE = "outdoor fan"
    FAN_A = "fan amps"
    COIL_FACE = "outdoor coil"
    SEAT = "coil sensor's seat"
    SWITCH = "coil switch"
    COIL_SENSOR = "coil sensor"
    AMBIENT_SENSOR = "ambient sensor"
    VALVE_COIL = "valve coil"
    VALVE_PROOF = "valve proved by a jumper"
    RUN_START = "defrost started"
    RUN_VALVE = "valve shifted"
    RUN_FAN = "fan stopped in defrost"
    RUN_AUX = "aux heat in defrost"
    RUN_END = "defrost ended"
    AUX = "aux elements"


@dataclass(frozen=True, slots=True)
class Observed:
    """An outcome, the findings it comes from, and what they say."""

    test: Test
    outcome: str
    points: tuple[str, ...]
    says: str


_DECIDED = (Verdict.GOOD, Verdict.WATCH, Verdict.BAD, Verdict.STOP)
# What was seen is its own outcome.
_SEEN = {
    "look.capacitor.case": Test.CASE, "look.contactor.faces": Test.FACES, "look.contactor.insects": Test.INSECTS,
    "look.wiring": Test.WIRING, "line.breaker": Test.BREAKER, "contactor.armature": Test.ARMATURE, "control.float": Test.FLOAT,
    "control.pressure": Test.PRESSURE, "start.result": Test.START, "fan.state": Test.FAN_STATE, "look.coil.face": Test.COIL_FACE,
    "look.sensor.seat": Test.SEAT, "defrost.valve_proof": Test.VALVE_PROOF,
}  # fmt: skip
# What is read as alive or dead: the test, and under how many volts it is dead.
_ALIVE = {
    "line.disconnect.v": (Test.DISCONNECT, 30), "contactor.line.v": (Test.LINE_SIDE, 30), "control.r_c.v": (Test.R_C, 20.4),
    "control.stat_r_c.v": (Test.STAT, 20.4), "control.stat_y.v": (Test.STAT_Y, 20.4), "control.y_in.v": (Test.Y_IN, 20.4),
    "control.y_out.v": (Test.Y_OUT, 20.4), "contactor.coil.v": (Test.COIL_V, 20.4),
}  # fmt: skip
_POINT_OF = {
    "cap.herm.uf": Test.CAP_HERM, "cap.fan.uf": Test.CAP_FAN, "cap.start.uf": Test.CAP_START, "contactor.coil.ohm": Test.COIL_OHM,
    "contactor2.coil.ohm": Test.COIL2_OHM, "control.fuse.ohm": Test.CONTROL_FUSE, "defrost.switch.ohm": Test.SWITCH,
    "defrost.coil_sensor.ohm": Test.COIL_SENSOR, "defrost.ambient_sensor.ohm": Test.AMBIENT_SENSOR,
    "defrost.valve_coil.ohm": Test.VALVE_COIL, "defrost.run.start": Test.RUN_START, "defrost.run.valve": Test.RUN_VALVE,
    "defrost.run.fan": Test.RUN_FAN, "defrost.run.aux": Test.RUN_AUX, "amps.compressor.run_a": Test.COMPRESSOR_A,
    "amps.fan.run_a": Test.FAN_A, "amps.compressor.peak_a": Test.PEAK,
}  # fmt: skip


def observe(judged: Judged) -> dict[Test, Observed]:
    """What this visit's valid evidence turned out to be, test by test; a stop is evidence only where nothing speaks against it.

    >>> from outer_test.assessment import judge
    >>> from outer_test.visit import Visit
    >>> observe(judge(Visit(seen={"look.capacitor.case": "bulged"})))[Test.CASE].outcome
    'bulged'
    """
    moot = {one.point for one in judged.aside}
    findings = [finding for finding in judged.findings if finding.point not in moot]
    found: dict[Test, Observed] = {}

    def add(test: Test, outcome: str, points: Iterable[str], says: str) -> None:
        if outcome:
            found[test] = Observed(test, outcome, tuple(points), says)

    visit, inputs = judged.inputs.visit, judged.inputs
    new_part = {point.replace("cap.", "cap.new_"): _POINT_OF[point] for point in read_in_hand(visit) if point not in inputs.latest}
    for point, test in _SEEN.items():
        word = visit.saw(point)
        if word is not None and point not in moot:
            add(test, word, (point,), f"{POINTS[point].title}: {word}")
    for point, (test, least) in _ALIVE.items():
        reading = inputs.number(point)
        if reading is not None and reading.number is not None:
            volts = abs(float(reading.number))
            outcome = "alive" if volts >= least else "low" if volts >= 5 and least < 30 else "dead"
            add(test, outcome, (point,), f"{POINTS[point].title}: {reading.value.text} V")
    for one in findings:
        if (at := _POINT_OF.get(one.point) or new_part.get(one.point)) is not None and (outcome := _outcome(at, one, judged)):
            add(at, outcome, (one.point,), f"{capital(at.value)}: {one.why}")
    for test, outcome, group in _groups(findings, judged):
        add(test, outcome, [one.point for one in group], f"{capital(test.value)}: {group[0].why}")
    return found


def capital(words: str) -> str:
    """Words as a sentence begins.

    >>> capital("run capacitor, HERM")
    'Run capacitor, HERM'
    """
    return words[:1].upper() + words[1:]


def _outcome(test: Test, found: Finding, judged: Judged) -> str:
    """The outcome one finding is, by the limits it was laid on."""
    if found.verdict not in _DECIDED:
        return ""
    bad = found.verdict in (Verdict.BAD, Verdict.STOP)
    if test in (Test.CAP_HERM, Test.CAP_FAN, Test.CAP_START):
        if not bad:
            return "good"
        if found.value is None or found.low is None:
            return "shorted"
        return (
            "low"
            if found.value < found.low and found.value >= 0.1 * (found.nominal or found.low)
            else "open"
            if found.value < found.low
            else "high"
        )
    if test in (Test.COIL_OHM, Test.COIL2_OHM, Test.VALVE_COIL):
        low = found.value is not None and found.low is not None and found.value < found.low
        return "good" if not bad else "shorted" if low else "open"
    if test is Test.SWITCH:
        return "good" if not bad else "stuck closed" if found.shown not in ("OL", "open") else "stuck open"
    if test in (Test.COIL_SENSOR, Test.AMBIENT_SENSOR):
        return "good" if not bad else "off" if found.unit == "°F" else "open"
    if test is Test.COMPRESSOR_A:
        return _amps_outcome(found, judged)
    if test is Test.FAN_A:
        return "good" if not bad else "none" if (found.value or 0) < 0.1 * (found.nominal or 1) else "high"
    if test is Test.PEAK:
        return _peak_outcome(found)
    if test in (Test.RUN_START, Test.RUN_VALVE, Test.RUN_FAN, Test.RUN_AUX):
        return "no" if bad else "yes" if found.verdict is Verdict.GOOD else ""
    return "bad" if bad else "good"


def _amps_outcome(found: Finding, judged: Judged) -> str:
    value, nominal, lra = found.value or 0, found.nominal or 1, judged.inputs.visit.plate.compressor.lra
    if lra is not None and value >= 0.7 * lra:
        return "locked"
    if value < 0.03 * nominal:
        return "none"
    return "good" if found.verdict is Verdict.GOOD else "high" if value > nominal else "low"


def _peak_outcome(found: Finding) -> str:
    if found.verdict is not Verdict.BAD:
        return "normal"
    ratio = (found.value or 0) / found.nominal if found.nominal else 1.0
    return "locked" if ratio >= 0.78 else "held" if ratio >= 0.28 else "none"


def _groups(findings: list[Finding], judged: Judged) -> Iterable[tuple[Test, str, list[Finding]]]:
    """Tests that several points make up: the worst of them, and good only where all that decides is good."""
    for motor, ground, pairs in (("winding", Test.GROUND, Test.PAIRS), ("fan_winding", Test.FAN_GROUND, Test.FAN_PAIRS)):
        own = [finding for finding in findings if group_of(finding.point) == motor]
        to_ground = [one for one in own if measures(one.point) in (Measures.GROUND, Measures.INSULATION)]
        yield from _worst_of(ground, to_ground, "grounded")
        between = [one for one in own if one.rule in ("winding-open", "winding-sum", "winding-plausible", "three-phase")]
        opened = next((one for one in between if one.rule == "winding-open"), None)
        if opened is not None and opened.verdict in (Verdict.BAD, Verdict.WATCH):
            at_terminals = judged.inputs.visit.saw(f"{motor}.at") == "terminals" or motor == "fan_winding"
            yield pairs, ("open" if opened.verdict is Verdict.BAD else "overload" if at_terminals else "open at the plug"), [opened]
        else:
            yield from _worst_of(pairs, between, "shorted")
    yield from _worst_of(Test.LEADS, [finding for finding in findings if measures(finding.point) is Measures.LEAD], "bad")
    yield from _worst_of(Test.FUSES, [finding for finding in findings if measures(finding.point) is Measures.LINE_FUSE], "blown")
    yield from _worst_of(Test.AUX, [finding for finding in findings if measures(finding.point) is Measures.ELEMENT], "bad")
    through = [finding for finding in findings if finding.rule == "pole-through" and finding.verdict is Verdict.BAD]
    drops = [finding for finding in findings if finding.rule == "pole-drop" and measures(finding.point) is Measures.DROP]
    if through:
        yield Test.POLES, "open", through
    else:
        yield from _worst_of(Test.POLES, drops, "dropping")
    yield from _line(findings)
    end = [finding for finding in findings if finding.point == "defrost.run.end"]
    if end and end[0].verdict in _DECIDED:
        by_time = end[0].verdict is Verdict.WATCH and bool(end[0].causes)
        yield Test.RUN_END, ("by time" if by_time else "good" if end[0].verdict is Verdict.GOOD else "ran on"), end


def _line(findings: list[Finding]) -> Iterable[tuple[Test, str, list[Finding]]]:
    line = [finding for finding in findings if finding.point == "line.l1_l2.v" and finding.verdict in _DECIDED]
    if not line:
        return
    value = next((one.value for one in line if one.value is not None), None)
    bad = [one for one in line if one.verdict is Verdict.BAD]
    if not bad:
        yield Test.LINE, "alive", line
    else:
        yield Test.LINE, ("dead" if value is not None and abs(value) < 30 else "low"), bad


def _worst_of(test: Test, group: list[Finding], bad: str) -> Iterable[tuple[Test, str, list[Finding]]]:
    decided = [one for one in group if one.verdict in _DECIDED]
    worst = [one for one in decided if one.verdict in (Verdict.BAD, Verdict.STOP)]
    if worst:
        yield test, bad, worst
    elif decided and not any(one.verdict is Verdict.UNSURE for one in group):
        yield test, "good", decided
