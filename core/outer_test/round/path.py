"""The path of a call: what was done, in the order it was done, and what is likely next, each as a technician would name it."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from math import fsum

from outer_test.assessment import Assessment, Judged
from outer_test.diagnosis import Diagnosis, NextTest, older_than_power
from outer_test.judgement import Part, Verdict, first_at_each_point, worst
from outer_test.procedure import Group, Station, group_at, taken_with
from outer_test.visit import POINTS, Visit, sign_at, standing_readings

_SUMS_UP = {Group.DEAD: "safe.dead", Group.DISCHARGED: "safe.discharged"}
_MINUTES = {Group.DEAD: 3.0, Group.DISCHARGED: 2.0}  # of a run that is asked for as a whole [T]


@dataclass(frozen=True, slots=True)
class PathStep:
    """One step of the path: a reading, several taken in one go, or a repair.

    points: in the order they are taken, those too that are on record. open: those of them that are to be taken now. done: nothing
    of it is asked for any more. verdict: the worst of what was found. value: what a single reading shows. minutes, power, why: of
    what is ahead. repairs: the part that is to be put in. summary: the point whose finding sums it up, where one does.
    """

    title: str
    points: tuple[str, ...]
    open: tuple[str, ...]
    done: bool
    verdict: Verdict | None = None
    value: str = ""
    minutes: float = 0.0
    power: str = "any"
    why: str = ""
    repairs: Part | None = None
    summary: str = ""


def path_of(judged: Judged, stations: Iterable[Station], assessment: Assessment, diagnosis: Diagnosis) -> tuple[PathStep, ...]:
    """The steps done, first to last, and then those ahead. stations: the unit's own round.

    >>> from outer_test.assessment import assess, judge
    >>> from outer_test.diagnosis import diagnose
    >>> from outer_test.procedure import stations
    >>> visit = Visit(complaint="hums-no-start")
    >>> path_of(judge(visit), stations(visit, {}), assess(visit), diagnose(visit))[0].title
    'Outdoor fan'
    """
    visit = judged.inputs.visit
    steps = {step.point: step for station in stations for step in station.steps}
    needed = [point for point, step in steps.items() if step.needed]
    read = _in_order(visit)
    fresh = frozenset(point for point in read if not older_than_power(point, judged) or POINTS[point].station != "safe")
    ahead = tuple(_ahead(diagnosis.ahead, needed, read, fresh))
    asked = {point for step in ahead for point in step.points}
    done = _done([point for point in read if point not in asked], visit, assessment)
    return (*done, *ahead)


def _in_order(visit: Visit) -> tuple[str, ...]:
    """The points on record, in the order they first came to it."""
    first: dict[str, tuple[float, int]] = {}
    taken = [(reading.point, reading.at) for reading in visit.readings]
    taken += [(point, visit.saw_at(point)) for point in visit.seen]
    for place, (point, at) in enumerate(taken):
        key = (at.timestamp() if at is not None else 0.0, place)
        first[point] = min(first.get(point, key), key)
    return tuple(sorted(first, key=lambda point: first[point]))


def _done(read: Sequence[str], visit: Visit, assessment: Assessment) -> Iterator[PathStep]:
    findings = first_at_each_point(assessment.findings)
    readings = {reading.point: reading for reading in standing_readings(visit).values()}
    seen: set[str] = set()
    for point in read:
        if point in seen:
            continue
        points = taken_with(point, read)
        seen.update(points)
        found = [findings[one].verdict for one in (*points, _summary(points)) if one in findings]
        value = ""
        if len(points) == 1:
            reading = readings.get(point)
            value = f"{reading.value} {sign_at(point, reading.turns)}".strip() if reading is not None else visit.saw(point) or ""
        yield PathStep(_title(points), points, (), True, worst(found) if any(found) else None, value, summary=_summary(points))


def _ahead(tests: Sequence[NextTest], needed: Sequence[str], read: Sequence[str], fresh: frozenset[str]) -> Iterator[PathStep]:
    """What is ahead; a reading that is taken in one go with others brings those of them that are not on record.

    fresh: what was read and still counts.
    """
    seen: set[str] = set()
    for test in tests:
        if test.point in seen:
            continue
        alone = test.repairs is not None or (test.point in fresh and not test.mends)
        points = (test.point,) if alone else taken_with(test.point, (*needed, *read))
        seen.update(points)
        group = group_at(test.point)
        minutes = test.minutes
        if group is not None and len(points) > 1:
            minutes = _MINUTES.get(group, fsum(one.minutes for one in tests if one.point in points))
        title = test.title if len(points) == 1 else _title(points)
        open_ = tuple(point for point in points if test.mends or point not in fresh or point == test.point)
        yield PathStep(title, points, open_, False, None, "", minutes, test.power, test.why, test.repairs, _summary(points))


def _title(points: Sequence[str]) -> str:
    group = group_at(points[0])
    return group.value if group is not None and len(points) > 1 else POINTS[points[0]].title


def _summary(points: Sequence[str]) -> str:
    group = group_at(points[0])
    return _SUMS_UP.get(group, "") if group is not None else ""
