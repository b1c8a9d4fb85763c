"""What a maintenance call records: the company's own list, each item by its readings."""

from dataclasses import dataclass

from outer_test.judgement import Upkeep
from outer_test.procedure.groups import Group, points_in
from outer_test.procedure.stations import plan_of
from outer_test.visit import Visit


@dataclass(frozen=True, slots=True)
class UpkeepItem:
    """An item of the list: its words, and what it reads."""

    item: Upkeep
    title: str
    points: tuple[str, ...]


def _item(item: Upkeep, title: str, *runs: Group, more: str = "") -> UpkeepItem:
    """An item of whole runs, and of more points."""
    return UpkeepItem(item, title, (*points_in(*runs), *more.split()))


# The board's lights tell something only where something is wrong with it.
_LOOKED = tuple(point for point in points_in(Group.LOOK) if point != "look.board.lights")
UPKEEP_ITEMS = (
    UpkeepItem(Upkeep.LOOK_OVER, "Look over: capacitor, contactor, insects, wiring, coil, sensor", _LOOKED),
    _item(Upkeep.CAPACITORS, "Capacitors on the bench", more="cap.herm.uf cap.fan.uf cap.start.uf"),
    _item(Upkeep.CONTACTOR_COIL, "Contactor coil", more="contactor.coil.ohm contactor2.coil.ohm"),
    _item(Upkeep.GROUNDS, "Windings to ground", Group.GROUNDS),
    _item(Upkeep.PAIRS, "Three winding pairs", Group.PAIRS, more="winding.shell.f"),
    _item(Upkeep.LINE, "Line volts", Group.LINE),
    _item(Upkeep.CONTROL, "Control volts, to the contactor's coil", more=(
        "control.r_c.v control.stat_r_c.v control.stat_y.v control.y_in.v control.y_out.v contactor.coil.v contactor.armature "
        "contactor2.coil.v contactor2.armature")),
    _item(Upkeep.POLES, "Across the contactor's poles", Group.POLES, more=(
        "contactor2.pole1.drop_v contactor2.pole1.a contactor2.pole2.drop_v contactor2.pole2.a")),
    _item(Upkeep.START, "The start: peak amps, result, total amps", more="amps.compressor.peak_a start.result amps.total.run_a"),
    _item(Upkeep.AMPS, "Running amps", more="amps.stage amps.compressor.run_a amps.fan.run_a"),
    _item(Upkeep.SENSORS, "Coil switch or sensors, valve coil", Group.SENSORS, more=(
        "defrost.switch.ohm defrost.valve_coil.ohm defrost.call defrost.pins")),
    _item(Upkeep.RECORD, "Air in and out, cleaning done", more="record.air_in.f record.air_out.f record.cleaning"),
    _item(Upkeep.BUTTON_UP, "Button up", Group.BUTTON_UP, Group.CLOSE),
)  # fmt: skip


def upkeep_points(visit: Visit) -> tuple[str, ...]:
    """What a maintenance call to this unit records: its house rules' list, dead before live, closed last.

    >>> "cap.herm.uf" in upkeep_points(Visit()), "winding.c_r.ohm" in upkeep_points(Visit())
    (True, False)
    """
    listed = {point for one in UPKEEP_ITEMS if one.item in visit.rules.maintenance for point in one.points}
    last = points_in(Group.CLOSE)
    asked = [step for station in plan_of(visit, {}).stations for step in station.steps if step.point in listed]
    return tuple(step.point for step in sorted(asked, key=lambda step: (step.point in last, step.power == "live")))
