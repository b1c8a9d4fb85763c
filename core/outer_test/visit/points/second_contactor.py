"""A two-stage unit's second contactor: read like the first, and asked for only where there is one."""

from dataclasses import replace

from outer_test.judgement import Part
from outer_test.visit.points.contactor import CONTACTOR
from outer_test.visit.points.look_over import LOOK_OVER
from outer_test.visit.points.power_up import POWER_UP
from outer_test.visit.points.record import Point
from outer_test.visit.thing import Feed, Thing

_SAY = {
    "contactor2.coil.ohm": "coil2 ohm|coil 2 ohm|2nd coil",
    "contactor2.coil.v": "coil2 v|coil 2 v|2nd coil v",
    "contactor2.armature": "armature2|armature 2",
    "look.contactor2.faces": "faces2|faces 2",
    "contactor2.pole1.drop_v": "2nd drop1|2nd drop 1",
    "contactor2.pole2.drop_v": "2nd drop2|2nd drop 2",
    "contactor2.pole1.a": "2nd pole1 a",
    "contactor2.pole2.a": "2nd pole2 a",
    "contactor2.pole1.f": "2nd ir1|2nd ir 1",
    "contactor2.pole2.f": "2nd ir2|2nd ir 2",
}
_PROVES = {"contactor2.coil.v": (("indoor.Y2", "contactor2.A"), ("contactor2.B", "board.C"))}


def _second(point: Point) -> Point:
    name = point.name.replace("contactor", "contactor2", 1)
    lower = point.title[0].lower() + point.title[1:]
    how = f"{point.how} With a call for high stage." if name in ("contactor2.coil.v", "contactor2.armature") else point.how
    return replace(
        point,
        name=name,
        part=Part.SECOND_CONTACTOR,
        title=f"Second contactor: {lower}",
        short=f"2nd {point.short}",
        how=how,
        lifts=Thing.SECOND_COIL_LEADS if point.lifts else None,
        probes=None if point.probes is None else (_end(point.probes[0]), _end(point.probes[1])),
        clamp_at=_end(point.clamp_at),
        fed_by=(point.fed_by & ~Feed.COIL) | Feed.COIL2 if point.fed_by & Feed.COIL else point.fed_by,
        say=_SAY[name],
        tells_of=tuple(_end(f"{part}.").rstrip(".") for part in point.tells_of),
        proves=_PROVES.get(name, ()),
        say_here="",
    )


def _end(terminal: str) -> str:
    return terminal.replace("contactor.", "contactor2.", 1)


SECOND_CONTACTOR = tuple(
    _second(point) for point in (*LOOK_OVER, *CONTACTOR, *POWER_UP) if point.name.replace("contactor", "contactor2", 1) in _SAY
)
