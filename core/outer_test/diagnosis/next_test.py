"""The one test that is worth most next: expected information for its minutes and risk (handbook section 13)."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from math import fsum, log2

from outer_test.assessment import Judged, StopKind, points_read, still_asked, stops_of
from outer_test.diagnosis.faults import HEALTHY
from outer_test.diagnosis.hypotheses import Hypothesis
from outer_test.diagnosis.observations import Observed, Test
from outer_test.procedure import plan_of
from outer_test.visit import POINTS, absence_points, discharge_points

T = Test
# Where a test is entered, in the order it is done, and the minutes it takes [M].
ENTRY: dict[Test, tuple[str, float]] = {
    T.CASE: ("look.capacitor.case", 0.4), T.CAP_HERM: ("cap.herm.uf", 2.0), T.CAP_FAN: ("cap.fan.uf", 2.0),
    T.CAP_START: ("cap.start.uf", 2.0),
    T.LEADS: ("lead.c.ohm lead.r.ohm lead.s.ohm", 3.0),
    T.GROUND: ("winding.at winding.c_ground.ohm winding.r_ground.ohm winding.s_ground.ohm", 3.0),
    T.PAIRS: ("winding.c_r.ohm winding.c_s.ohm winding.r_s.ohm", 3.0), T.FAN_GROUND: ("fan_winding.c_ground.ohm", 2.5),
    T.FAN_PAIRS: ("fan_winding.c_r.ohm fan_winding.c_s.ohm fan_winding.r_s.ohm", 3.0), T.FACES: ("look.contactor.faces", 0.7),
    T.INSECTS: ("look.contactor.insects", 0.4), T.WIRING: ("look.wiring", 1.0), T.COIL_OHM: ("contactor.coil.ohm", 2.0),
    T.COIL2_OHM: ("contactor2.coil.ohm", 2.0), T.BREAKER: ("line.breaker", 1.5), T.FUSES: ("line.fuse1.ohm line.fuse2.ohm", 3.0),
    T.DISCONNECT: ("line.disconnect.v", 1.0), T.LINE: ("line.l1_l2.v line.l1_ground.v line.l2_ground.v", 1.0),
    T.LINE_SIDE: ("contactor.line.v", 1.0), T.POLES: ("contactor.pole1.drop_v contactor.pole2.drop_v", 1.5),
    T.ARMATURE: ("contactor.armature", 0.5), T.R_C: ("control.r_c.v", 1.0), T.CONTROL_FUSE: ("control.fuse.ohm", 2.0),
    T.STAT: ("control.stat_r_c.v", 4.0), T.STAT_Y: ("control.stat_y.v", 4.0), T.FLOAT: ("control.float", 1.5),
    T.PRESSURE: ("control.pressure", 1.5), T.Y_IN: ("control.y_in.v", 1.0), T.Y_OUT: ("control.y_out.v", 1.0),
    T.COIL_V: ("contactor.coil.v", 1.0),
    T.START: ("start.result", 2.0), T.PEAK: ("amps.compressor.peak_a", 2.0), T.COMPRESSOR_A: ("amps.compressor.run_a", 1.0),
    T.FAN_STATE: ("fan.state", 0.4), T.FAN_A: ("amps.fan.run_a", 1.0), T.COIL_FACE: ("look.coil.face", 0.4),
    T.SEAT: ("look.sensor.seat", 0.8),
    T.SWITCH: ("defrost.coil.f defrost.switch.ohm", 3.0), T.COIL_SENSOR: ("defrost.coil.f defrost.coil_sensor.ohm", 3.0),
    T.AMBIENT_SENSOR: ("defrost.ambient.f defrost.ambient_sensor.ohm", 3.0), T.VALVE_COIL: ("defrost.valve_coil.ohm", 2.0),
    T.VALVE_PROOF: ("defrost.valve_proof", 6.0), T.AUX: ("aux.line.v amps.element1.a", 3.0),
}  # fmt: skip
CHANGE_MIN, LIVE_RISK_MIN, PROVING_MIN = 3.0, 1.0, 4.0
WORTH_BITS = 0.004
_CHARGED = ("cap.",)


@dataclass(frozen=True, slots=True)
class NextTest:
    """What is next: where it is entered, why, its minutes, and the power it asks for."""

    point: str
    title: str
    why: str
    minutes: float
    power: str


def entropy(chances: Sequence[float]) -> float:
    """The uncertainty among hypotheses, bits.

    >>> entropy([0.5, 0.5])
    1.0
    """
    return -fsum(chance * log2(chance) for chance in chances if chance > 0)


def information(test: Test, among: Sequence[Hypothesis], chances: Sequence[float]) -> float:
    """The bits a test is expected to take off the uncertainty. Source: [D] expected information.

    >>> from outer_test.diagnosis.hypotheses import hypotheses
    >>> from outer_test.diagnosis.suspects import weigh
    >>> from outer_test.visit import Visit
    >>> among = hypotheses(Visit(complaint="hums-no-start"))
    >>> information(Test.CAP_HERM, among, weigh(among, {})) > information(Test.FLOAT, among, weigh(among, {}))
    True
    """
    before, after = entropy(chances), 0.0
    shown = [one.chances(test) for one in among]
    for outcome in HEALTHY[test]:
        joint = [chance * own[outcome] for own, chance in zip(shown, chances, strict=True)]
        whole = fsum(joint)
        if whole > 0:
            after += whole * entropy([part / whole for part in joint])
    return before - after


def ranked_tests(
    among: Sequence[Hypothesis], chances: Sequence[float], evidence: Mapping[Test, Observed], judged: Judged
) -> tuple[NextTest, ...]:  # fmt: skip
    """The tests that are worth something, best first; under a stop nothing live, and what stands is never asked again."""
    visit, state = judged.inputs.visit, judged.power.state
    stopped = bool(stops_of(judged.findings))
    open_ = {step.point for station in plan_of(visit, {}).stations for step in station.steps} - points_read(judged)
    scored = []
    for test, (points, minutes) in ENTRY.items():
        point = next((name for name in points.split() if name in open_), None)
        if point is None or test in evidence:
            continue
        power = POINTS[point].power
        if power == "live" and stopped:
            continue
        cost = minutes + _change(power, state)
        gain = information(test, among, chances)
        if gain >= WORTH_BITS:
            scored.append((-gain / cost, power == "live", point, minutes, power, test))
    return tuple(
        NextTest(point, POINTS[point].title, _why(test, among, chances), minutes, power)
        for _, _, point, minutes, power, test in sorted(scored)
    )


def _change(power: str, state: str) -> float:
    if power == "any":
        return 0.0
    if power == "dead":
        return 0.0 if state == "dead-proved" else CHANGE_MIN if state == "live" else PROVING_MIN
    return LIVE_RISK_MIN + (CHANGE_MIN if state == "dead-proved" else 0.0)


def _why(test: Test, among: Sequence[Hypothesis], chances: Sequence[float]) -> str:
    """What the test tells apart, in one sentence."""
    touched = [(chance, one) for one, chance in zip(among, chances, strict=True) if test in one.shows]
    if not touched:
        return f"It settles {test.value}."
    top = max(touched, key=lambda pair: pair[0])[1]
    return f"It settles whether this is so: {top.says}"


def before_it(test: NextTest, judged: Judged) -> NextTest:
    """What has to be done first: prove the unit dead before dead work, and the capacitors discharged before one is touched."""
    visit, state = judged.inputs.visit, judged.power.state
    if test.power != "dead":
        return test
    read = points_read(judged)
    if state != "dead-proved":
        steps = ("safe.tester_before", *absence_points(visit), "safe.tester_after")
        first = next((point for point in steps if point not in read), "safe.tester_before")
        return NextTest(first, POINTS[first].title, f"Dead work comes next ({test.title}): prove it dead first.", 1.0, "any")
    if test.point.startswith(_CHARGED):
        charged = next((point for point in discharge_points(visit) if point not in read), None)
        if charged is not None:
            return NextTest(charged, POINTS[charged].title, f"Before {test.title}: bleed it and prove it on d.c. volts.", 1.0, "any")
    return test


def left_behind(judged: Judged) -> Iterator[NextTest]:
    """The readings a good visit still leaves behind where the unit is found sound, in the order of the round."""
    for _, step in still_asked(judged):
        yield NextTest(step.point, step.title, "A complete visit records this reading.", 1.0, step.power)


def under_a_stop(judged: Judged) -> NextTest | None:
    """What a stop leaves to do: prove it dead or discharged again, or repeat the path to ground, dead. None where no stop stands."""
    stops = stops_of(judged.findings)
    if not stops:
        return None
    kinds = {stop.kind for stop in stops}
    if StopKind.NOT_DEAD in kinds:
        stop = next(stop for stop in stops if stop.kind is StopKind.NOT_DEAD)
        if POINTS.get(stop.point) is not None and POINTS[stop.point].unit == "vdc":
            bus = stop.point == "safe.bus.vdc"
            how = "Wait the maker's time, then prove it again." if bus else "Bleed it through 20 kΩ 5 W, then prove it again."
            return NextTest(stop.point, POINTS[stop.point].title, f"{stop.why} {how}", 2.0, "any")
        first = absence_points(judged.inputs.visit)[0]
        return NextTest(first, POINTS[first].title, f"{stop.why} Find the next disconnect up, then prove absence again.", 3.0, "any")
    bad = next(
        (
            finding
            for finding in judged.findings
            if "ground" in finding.point and finding.verdict is not None and finding.verdict.value in ("bad", "unsure")
        ),
        None,
    )
    point = "winding.insulation.mohm" if bad is None else bad.point
    return NextTest(
        point, POINTS[point].title, "Repeat it at the terminals, harness off, skin dry and off the probes; leave it off.", 3.0, "dead"
    )
