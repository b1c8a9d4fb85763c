"""What stands around the tests: what is done before one, what a good visit leaves behind, and what a stop leaves to do."""

from collections.abc import Collection, Iterator, Sequence
from math import fsum

from outer_test.assessment import Judged, StopKind, points_read, stops_of
from outer_test.diagnosis.control_unknown import CONTROL, hangs_on_it
from outer_test.diagnosis.hypotheses import Hypothesis
from outer_test.diagnosis.next_test import NextTest
from outer_test.diagnosis.observations import taken_at
from outer_test.diagnosis.predict import Table
from outer_test.diagnosis.while_cold import read_first
from outer_test.procedure import upkeep_points
from outer_test.visit import POINTS, absence_points, discharge_points, group_of, powered_up_at

_CHARGED = ("cap.",)


def before_it(test: NextTest, judged: Judged) -> NextTest:
    """What has to be done first: prove the unit dead before dead work, and the capacitors discharged before one is touched.

    Before a defrost is forced: the coil switch, which decides how, and on an iced coil whatever the board reads, while it is cold.
    """
    visit, state = judged.inputs.visit, judged.power.state
    cold = read_first(test.point, visit, points_read(judged))
    if cold is not None:
        why = "Before a defrost is forced and the coil is warm: what its control reads while it is cold."
        return before_it(NextTest(cold, POINTS[cold].title, why, 1.0, POINTS[cold].power), judged)
    if test.power != "dead":
        return test
    read = points_read(judged)
    if state != "dead-proved":
        steps = ("safe.tester_before", *absence_points(visit), "safe.tester_after")
        first = next((point for point in steps if point not in read or older_than_power(point, judged)), "safe.tester_before")
        return NextTest(first, POINTS[first].title, f"Dead work comes next ({test.title}): prove it dead first.", 1.0, "any")
    if test.point.startswith(_CHARGED):
        charged = next((point for point in discharge_points(visit) if point not in read), None)
        if charged is not None:
            return NextTest(charged, POINTS[charged].title, f"Before {test.title}: bleed it and prove it on d.c. volts.", 1.0, "any")
    return test


def older_than_power(point: str, judged: Judged) -> bool:
    """Whether a step of the proof was made before the unit was last powered up.

    >>> from outer_test.assessment import judge
    >>> from outer_test.visit import Visit
    >>> older_than_power("safe.line.v", judge(Visit()))
    False
    """
    up, at = powered_up_at(judged.inputs.visit), taken_at(point, judged)
    return up is not None and at is not None and at < up


_WORTH_A_LOOK = 0.1  # of probability, from where what hangs on the control is worth the half minute


def which_control(judged: Judged, table: Table, among: Sequence[Hypothesis], chances: Sequence[float]) -> NextTest | None:
    """Where much of what may be wrong hangs on a defrost control that is not on record: that it is recorded. Else None."""
    hang = hangs_on_it(judged.inputs.visit.plate, table.rows)
    if fsum(chance for one, chance in zip(among, chances, strict=True) if one.key in hang) < _WORTH_A_LOOK:
        return None
    why = "A switch clipped to the coil, or two sensors: look, and put it on the plate. What is tested next depends on it."
    return NextTest(CONTROL, "Which defrost control it has", why, 0.5, "any")


_PROVES_A_REPAIR = ("amps.compressor.run_a", "amps.fan.run_a", "button.final_run")


def left_behind(judged: Judged, open_: Collection[str]) -> Iterator[NextTest]:
    """What a good visit still leaves behind: what proves a repair, and the company's own list. open_: the points that can be read.

    A part just put in was measured in the hand: what the list asks of the old one is not asked of it.
    """
    visit = judged.inputs.visit
    proof = _PROVES_A_REPAIR if visit.repairs else ()
    new = {repair.part for repair in visit.repairs}
    for point in dict.fromkeys((*upkeep_points(visit), *proof)):
        if point in open_ and POINTS[point].part not in new:
            why = "It proves the repair." if point in proof else "On your company's list of what a good visit records."
            yield NextTest(point, POINTS[point].title, why, 1.0, POINTS[point].power)


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
    raised = stops[0].raised_by if stops[0].raised_by in POINTS else "winding.insulation.mohm"
    compressor = group_of(raised) == "winding"
    point = "winding.at" if compressor and judged.inputs.visit.saw("winding.at") == "plug" else raised
    where = "at the terminals, harness off" if compressor else "with its own leads off"
    return NextTest(point, POINTS[point].title, f"Repeat it {where}, skin dry and off the probes; leave it off.", 3.0, "dead")
