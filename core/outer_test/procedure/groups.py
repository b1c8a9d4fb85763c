"""Readings that are taken in one go, one after the other, because none of them says anything alone."""

from collections.abc import Iterable
from enum import StrEnum

from outer_test.nameplate import Plate
from outer_test.rules.make_safe import TESTER
from outer_test.visit import Visit, absence_points


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


# Each run's points in the order they are taken, for a unit that has all of them.
_RUNS: dict[Group, tuple[str, ...]] = {
    Group.DEAD: (TESTER[0], *absence_points(Visit(plate=Plate(phase=3))), TESTER[1]),
    **{group: tuple(points.split()) for group, points in {
        Group.DISCHARGED: "safe.c_herm.vdc safe.c_fan.vdc safe.herm_fan.vdc safe.start.vdc safe.bus.vdc",
        Group.LOOK: "look.capacitor.case look.contactor.faces look.contactor2.faces look.contactor.insects look.wiring look.coil.face "
                    "look.sensor.seat look.board.lights",
        Group.LEADS: "lead.c.ohm lead.r.ohm lead.s.ohm",
        Group.GROUNDS: "winding.at winding.c_ground.ohm winding.r_ground.ohm winding.s_ground.ohm",
        Group.PAIRS: "winding.c_r.ohm winding.c_s.ohm winding.r_s.ohm",
        Group.FAN_PAIRS: "fan_winding.c_r.ohm fan_winding.c_s.ohm fan_winding.r_s.ohm",
        Group.LINE: "line.l1_l2.v line.l1_ground.v line.l2_ground.v line.l2_l3.v line.l1_l3.v",
        Group.POLES: "contactor.pole1.drop_v contactor.pole1.a contactor.pole2.drop_v contactor.pole2.a contactor.pole3.drop_v "
                     "contactor.pole3.a",
        Group.SENSORS: "defrost.coil.f defrost.ambient.f defrost.coil_sensor.ohm defrost.ambient_sensor.ohm",
        Group.BUTTON_UP: "button.terminals button.sensors",
        Group.CLOSE: "button.panels button.final_run",
    }.items()},
}  # fmt: skip
_OF = {point: group for group, points in _RUNS.items() for point in points}


def points_in(*groups: Group) -> tuple[str, ...]:
    """The points of runs, in the order they are taken.

    >>> points_in(Group.CLOSE)
    ('button.panels', 'button.final_run')
    """
    return tuple(point for group in groups for point in _RUNS[group])


def group_at(point: str) -> Group | None:
    """The run a point belongs to; None for one that is taken alone.

    >>> group_at("winding.r_ground.ohm").value, group_at("cap.herm.uf")
    ('Windings to ground', None)
    """
    return _OF.get(point)


def taken_with(point: str, asked: Iterable[str]) -> tuple[str, ...]:
    """The points of `asked` that are taken in one go with this one, in order, itself among them.

    >>> taken_with("winding.c_s.ohm", ("winding.c_r.ohm", "winding.c_s.ohm", "cap.herm.uf"))
    ('winding.c_r.ohm', 'winding.c_s.ohm')
    """
    group, among = _OF.get(point), {point, *asked}
    return (point,) if group is None else tuple(own for own in _RUNS[group] if own in among)
