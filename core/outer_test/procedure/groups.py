"""Readings that are taken in one go, one after the other, because none of them says anything alone."""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum


class Group(StrEnum):
    """A run of readings, by its title."""

    DEAD = "Prove it dead"
    DISCHARGED = "Capacitors discharged"
    LOOK = "Look over"
    LEADS = "Compressor leads"
    GROUNDS = "Windings to ground"
    PAIRS = "Three winding pairs"
    FAN_PAIRS = "Fan motor windings"
    LINE = "Line volts"
    POLES = "Across the poles"
    SENSORS = "Defrost sensors"
    BUTTON_UP = "Button up"
    CLOSE = "Close up and watch it run"


@dataclass(frozen=True, slots=True)
class _Run:
    group: Group
    points: tuple[str, ...]


def _run(group: Group, points: str) -> _Run:
    return _Run(group, tuple(points.split()))


_RUNS = (
    _run(
        Group.DEAD,
        "safe.tester_before safe.line.v safe.l1_ground.v safe.l2_ground.v safe.l2_l3.v safe.l1_l3.v safe.l3_ground.v safe.load.v "
        "safe.load_l1_ground.v safe.load_l2_ground.v safe.load_l2_l3.v safe.load_l1_l3.v safe.load_l3_ground.v safe.tester_after",
    ),
    _run(Group.DISCHARGED, "safe.c_herm.vdc safe.c_fan.vdc safe.herm_fan.vdc safe.start.vdc safe.bus.vdc"),
    _run(Group.LOOK, "look.capacitor.case look.contactor.faces look.contactor2.faces look.contactor.insects look.wiring look.coil.face "
        "look.sensor.seat look.board.lights"),
    _run(Group.LEADS, "lead.c.ohm lead.r.ohm lead.s.ohm"),
    _run(Group.GROUNDS, "winding.at winding.c_ground.ohm winding.r_ground.ohm winding.s_ground.ohm"),
    _run(Group.PAIRS, "winding.c_r.ohm winding.c_s.ohm winding.r_s.ohm"),
    _run(Group.FAN_PAIRS, "fan_winding.c_r.ohm fan_winding.c_s.ohm fan_winding.r_s.ohm"),
    _run(Group.LINE, "line.l1_l2.v line.l1_ground.v line.l2_ground.v line.l2_l3.v line.l1_l3.v"),
    _run(Group.POLES, "contactor.pole1.drop_v contactor.pole1.a contactor.pole2.drop_v contactor.pole2.a contactor.pole3.drop_v "
        "contactor.pole3.a"),
    _run(Group.SENSORS, "defrost.coil.f defrost.ambient.f defrost.coil_sensor.ohm defrost.ambient_sensor.ohm"),
    _run(Group.BUTTON_UP, "button.terminals button.sensors"),
    _run(Group.CLOSE, "button.panels button.final_run"),
)  # fmt: skip
_OF = {point: run for run in _RUNS for point in run.points}


def group_at(point: str) -> Group | None:
    """The run a point belongs to; None for one that is taken alone.

    >>> group_at("winding.r_ground.ohm").value, group_at("cap.herm.uf")
    ('Windings to ground', None)
    """
    run = _OF.get(point)
    return None if run is None else run.group


def taken_with(point: str, asked: Iterable[str]) -> tuple[str, ...]:
    """The points of `asked` that are taken in one go with this one, in order, itself among them.

    >>> taken_with("winding.c_s.ohm", ("winding.c_r.ohm", "winding.c_s.ohm", "cap.herm.uf"))
    ('winding.c_r.ohm', 'winding.c_s.ohm')
    """
    run, among = _OF.get(point), {point, *asked}
    return (point,) if run is None else tuple(own for own in run.points if own in among)
