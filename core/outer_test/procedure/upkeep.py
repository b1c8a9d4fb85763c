"""What a maintenance call records: the company's own list, each item by its readings."""

from dataclasses import dataclass

from outer_test.judgement import Upkeep
from outer_test.procedure.stations import plan_of
from outer_test.visit import Visit


@dataclass(frozen=True, slots=True)
class UpkeepItem:
    """An item of the list: its words, and what it reads."""

    item: Upkeep
    title: str
    points: tuple[str, ...]


def _item(item: Upkeep, title: str, points: str) -> UpkeepItem:
    return UpkeepItem(item, title, tuple(points.split()))


UPKEEP_ITEMS = (
    _item(Upkeep.LOOK_OVER, "Look over: capacitor, contactor, insects, wiring, coil, sensor",
          "look.capacitor.case look.contactor.faces look.contactor2.faces look.contactor.insects look.wiring "
          "look.coil.face look.sensor.seat"),
    _item(Upkeep.CAPACITORS, "Capacitors on the bench", "cap.herm.uf cap.fan.uf cap.start.uf"),
    _item(Upkeep.CONTACTOR_COIL, "Contactor coil", "contactor.coil.ohm contactor2.coil.ohm"),
    _item(Upkeep.GROUNDS, "Windings to ground", "winding.at winding.c_ground.ohm winding.r_ground.ohm winding.s_ground.ohm"),
    _item(Upkeep.PAIRS, "Three winding pairs", "winding.c_r.ohm winding.c_s.ohm winding.r_s.ohm winding.shell.f"),
    _item(Upkeep.LINE, "Line volts", "line.l1_l2.v line.l1_ground.v line.l2_ground.v line.l2_l3.v line.l1_l3.v"),
    _item(Upkeep.CONTROL, "Control volts, to the contactor's coil",
          "control.r_c.v control.stat_r_c.v control.stat_y.v control.y_in.v control.y_out.v contactor.coil.v contactor.armature "
          "contactor2.coil.v contactor2.armature"),
    _item(Upkeep.POLES, "Across the contactor's poles",
          "contactor.pole1.drop_v contactor.pole1.a contactor.pole2.drop_v contactor.pole2.a contactor.pole3.drop_v contactor.pole3.a "
          "contactor2.pole1.drop_v contactor2.pole1.a contactor2.pole2.drop_v contactor2.pole2.a"),
    _item(Upkeep.START, "The start: peak amps, result, total amps", "amps.compressor.peak_a start.result amps.total.run_a"),
    _item(Upkeep.AMPS, "Running amps", "amps.stage amps.compressor.run_a amps.fan.run_a"),
    _item(Upkeep.SENSORS, "Coil switch or sensors, valve coil",
          "defrost.coil.f defrost.ambient.f defrost.switch.ohm defrost.coil_sensor.ohm defrost.ambient_sensor.ohm "
          "defrost.valve_coil.ohm defrost.call defrost.pins"),
    _item(Upkeep.RECORD, "Air in and out, cleaning done", "record.air_in.f record.air_out.f record.cleaning"),
    _item(Upkeep.BUTTON_UP, "Button up", "button.terminals button.sensors button.panels button.final_run"),
)  # fmt: skip


# The panels go on and the last run is made when all else is done.
_LAST = ("button.panels", "button.final_run")


def upkeep_points(visit: Visit) -> tuple[str, ...]:
    """What a maintenance call to this unit records: its house rules' list, dead before live, closed last.

    >>> "cap.herm.uf" in upkeep_points(Visit()), "winding.c_r.ohm" in upkeep_points(Visit())
    (True, False)
    """
    listed = {point for one in UPKEEP_ITEMS if one.item in visit.rules.maintenance for point in one.points}
    asked = [step for station in plan_of(visit, {}).stations for step in station.steps if step.point in listed]
    return tuple(step.point for step in sorted(asked, key=lambda step: (step.point in _LAST, step.power == "live")))
