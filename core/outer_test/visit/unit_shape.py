"""What this unit has, as far as plate and fitted parts tell: which capacitor sections there are to measure."""

from outer_test.nameplate import RunCapacitor
from outer_test.visit.points import group_of
from outer_test.visit.section import SECTIONS, Section
from outer_test.visit.visit import Visit


def capacitor_sections(visit: Visit) -> tuple[Section, ...]:
    """The run capacitor sections to measure. An inverter or three-phase compressor and an electronic fan motor
    have none.

    Where nothing is recorded both are expected; where the plate names one section only, only that one.

    >>> from outer_test.nameplate import Fan, Plate
    >>> capacitor_sections(Visit(plate=Plate(fan=Fan(kind="electronic"))))
    ('herm',)
    """
    plate = visit.plate
    asked = plate.run_capacitor
    sections: list[Section] = []
    for section in SECTIONS:
        if section == "herm" and (plate.compressor.kind == "inverter" or plate.phase == 3):
            continue
        if section == "fan" and plate.fan.kind == "electronic":
            continue
        if asked is None or _section_named(section, asked, visit) or not _other_named(section, asked, visit):
            sections.append(section)
    return tuple(sections)


def _section_named(section: str, asked: RunCapacitor, visit: Visit) -> bool:
    if getattr(asked, f"{section}_uf") is not None or f"run_capacitor.{section}_uf" in visit.plate.unreadable:
        return True
    return any(part.section in ("both", section) for part in visit.fitted)


def _other_named(section: str, asked: RunCapacitor, visit: Visit) -> bool:
    return _section_named("fan" if section == "herm" else "herm", asked, visit)


def is_dual(visit: Visit) -> bool:
    """Whether one can carries both sections, so that HERM to FAN is a pair to prove discharged."""
    if any(part.section == "both" for part in visit.fitted):
        return True
    asked = visit.plate.run_capacitor
    return len(capacitor_sections(visit)) == 2 and (asked is None or asked.form == "dual")


def has_start_capacitor(visit: Visit) -> bool:
    """Whether a start capacitor is fitted or printed."""
    start_named = any(group_of(name) == "start_capacitor" for name in visit.plate.unreadable)
    return visit.plate.start_capacitor is not None or start_named or visit.plate.start_device == "relay"


def discharge_points(visit: Visit) -> tuple[str, ...]:
    """The pairs to prove discharged on d.c. volts.

    >>> discharge_points(Visit())
    ('safe.c_herm.vdc', 'safe.c_fan.vdc', 'safe.herm_fan.vdc')
    """
    points = [f"safe.c_{section}.vdc" for section in capacitor_sections(visit)]
    if len(points) == 2 and is_dual(visit):
        points.append("safe.herm_fan.vdc")
    if has_start_capacitor(visit):
        points.append("safe.start.vdc")
    if visit.plate.compressor.kind == "inverter" or visit.plate.fan.kind == "electronic":
        points.append("safe.bus.vdc")
    return tuple(points)


def absence_points(visit: Visit) -> tuple[str, ...]:
    """The voltages whose absence is proved at the contactor: three phase, every phase to every other and to ground, both sides.

    >>> from outer_test.nameplate import Plate
    >>> len(absence_points(Visit())), len(absence_points(Visit(plate=Plate(phase=3))))
    (6, 12)
    """
    sides = (_LINE_SIDE, _LOAD_SIDE)
    return tuple(point for side in sides for point in (*side, *(_THIRD[side] if visit.plate.phase == 3 else ())))


_LINE_SIDE = ("safe.line.v", "safe.l1_ground.v", "safe.l2_ground.v")
_LOAD_SIDE = ("safe.load.v", "safe.load_l1_ground.v", "safe.load_l2_ground.v")
_THIRD = {
    _LINE_SIDE: ("safe.l2_l3.v", "safe.l1_l3.v", "safe.l3_ground.v"),
    _LOAD_SIDE: ("safe.load_l2_l3.v", "safe.load_l1_l3.v", "safe.load_l3_ground.v"),
}


def poles_of(visit: Visit) -> int:
    """How many poles the contactor has, as far as the plate tells: two, three on three phase.

    >>> poles_of(Visit())
    2
    """
    return visit.plate.contactor.poles or (3 if visit.plate.phase == 3 else 2)
