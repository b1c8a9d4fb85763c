"""A step of the round: a point as it is asked for at one unit."""

from dataclasses import dataclass
from typing import Literal

from outer_test.visit import POINTS, Measures, words_for


@dataclass(frozen=True, slots=True)
class Step:
    """One reading of the round.

    `lifts` is the line it adds to the not-put-back list by itself; `tags` what is said along with it (how a peak was
    caught, what was fitted); `units` what a bare number may have been read in, asked by one tap; `clamp` that turns through
    the jaw count; `timer` a clock that belongs to it, `timer_s` long.
    """

    point: str
    title: str
    short: str
    how: str
    unit: str
    kind: Literal["number", "seen"]
    choices: tuple[str, ...]
    power: Literal["dead", "live", "any"]
    needed: bool = True
    lifts: str = ""
    caution: str = ""
    tags: tuple[str, ...] = ()
    clamp: bool = False
    timer: str = ""
    timer_s: float = 0.0
    counts: bool = False
    units: tuple[str, ...] = ()


def step_at(name: str) -> Step:
    """The step that reads a point, as every unit would be asked for it.

    >>> step_at("cap.herm.uf").lifts
    'HERM wires off'
    """
    point = POINTS[name]
    return Step(
        point.name, point.title, point.short, point.how, point.sign, point.kind, point.choices, point.power, point.needed,
        words_for(point.lifts) if point.lifts is not None else "", point.caution, point.tags, point.clamp, point.timer, point.timer_s,
        point.counts, _UNITS.get(point.measures, ()),
    )  # fmt: skip


# The units a meter may show where the wrong one changes what the reading means.
_UNITS: dict[Measures, tuple[str, ...]] = {
    Measures.GROUND: ("Ω", "kΩ", "MΩ"),
    Measures.SENSOR: ("Ω", "kΩ"),
    Measures.DROP: ("V", "mV"),
}
