"""All points by name, in the order of the round, and what each is called."""

from outer_test.visit.points.button_up import BUTTON_UP
from outer_test.visit.points.capacitors import CAPACITORS
from outer_test.visit.points.contactor import CONTACTOR
from outer_test.visit.points.defrost import DEFROST
from outer_test.visit.points.fan_motor import FAN_MOTOR
from outer_test.visit.points.look_over import LOOK_OVER
from outer_test.visit.points.make_safe import MAKE_SAFE
from outer_test.visit.points.power_up import POWER_UP
from outer_test.visit.points.record import Measures, Point
from outer_test.visit.points.second_contactor import SECOND_CONTACTOR
from outer_test.visit.points.start_and_run import START_AND_RUN
from outer_test.visit.points.windings import WINDINGS

STATION_TITLE = {
    "plate": "Plate", "safe": "Make safe", "look": "Look over", "capacitors": "Capacitors", "contactor": "Contactor",
    "windings": "Windings", "power": "Power up", "run": "Start and run", "defrost": "Defrost", "button": "Button up",
}  # fmt: skip

POINTS: dict[str, Point] = {
    point.name: point
    for point in (
        *MAKE_SAFE, *LOOK_OVER, *CAPACITORS, *CONTACTOR, *WINDINGS, *FAN_MOTOR, *POWER_UP, *SECOND_CONTACTOR, *START_AND_RUN, *DEFROST,
        *BUTTON_UP,
    )
}  # fmt: skip


def sign_at(point: str, turns: int = 1) -> str:
    """What stands behind a number read at a point; with turns through the jaw the clamp shows so many times the amps.

    >>> sign_at("amps.fan.run_a"), sign_at("amps.fan.run_a", 10)
    ('A', 'A with 10 turns')
    """
    sign = POINTS[point].sign
    return sign if turns == 1 else f"{sign} with {turns} turns"


def title_of(point: str) -> str:
    """A point's title; for what is no point of the round, its key in words.

    >>> title_of("cap.herm.uf"), title_of("plate.mca")
    ('Compressor section, C to HERM', 'Plate: mca')
    """
    known = POINTS.get(point)
    if known is not None:
        return known.title
    first, _, rest = point.partition(".")
    return f"{first.replace('_', ' ').capitalize()}: {rest.replace('.', ' ').replace('_', ' ')}" if rest else first.capitalize()


def measures(point: str) -> Measures:
    """What a point is there to tell; OTHER too for what is no point of the round.

    >>> measures("winding.c_ground.ohm").value, measures("safe.dead").value
    ('ground', 'other')
    """
    known = POINTS.get(point)
    return Measures.OTHER if known is None else known.measures


def group_of(point: str) -> str:
    """The first word of a point's key: what it belongs to.

    >>> group_of("fan_winding.c_r.ohm"), group_of("safe.dead")
    ('fan_winding', 'safe')
    """
    return point.partition(".")[0]
