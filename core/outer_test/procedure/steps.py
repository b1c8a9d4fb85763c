"""A step of the round: a point as it is asked for at one unit."""

from dataclasses import dataclass
from typing import Literal

from outer_test.visit import POINTS, Measures, Point, words_for


@dataclass(frozen=True, slots=True)
class Key:
    """A key of the phone's keypad beside the digits: what stands on it, and what it types. `whole` where that is all there is to type."""

    label: str
    types: str
    whole: bool = False


@dataclass(frozen=True, slots=True)
class Step:
    """One reading of the round.

    `lifts` is the line it adds to the not-put-back list by itself; `tags` what is said along with it (how a peak was caught, what was
    fitted); `units` what a bare number may have been read in, asked by one tap; `keys` what its keypad has beside the digits; `run` the
    points it is taken in one go with, in order, itself among them; `clamp` that turns through the jaw count; `timer` a clock that
    belongs to it, `timer_s` long.
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
    keys: tuple[Key, ...] = ()
    run: tuple[str, ...] = ()


def step_at(name: str) -> Step:
    """The step that reads a point, as every unit would be asked for it.

    >>> step_at("cap.herm.uf").lifts
    'HERM wires off'
    """
    point = POINTS[name]
    return Step(
        point.name, point.title, point.short, point.how, point.sign, point.kind, point.choices, point.power, point.needed,
        words_for(point.lifts) if point.lifts is not None else "", point.caution, point.tags, point.clamp, point.timer, point.timer_s,
        point.counts, _UNITS.get(point.measures, ()), _keys(point),
    )  # fmt: skip


_OL, _MINUS, _KILO, _MEGA, _MILLI = Key("OL", "OL", True), Key("−", "-"), Key("k", "k"), Key("M", "M"), Key("mV", "mV")
_BEEPS = (Key("beep", "closed", True), Key("no beep", "open", True))
_BY_UNIT = {
    "ohm": (_OL, _KILO, _MEGA), "mohm": (_OL, _KILO), "uf": (_OL,), "v": (_OL,), "vdc": (_MINUS,), "a": (_OL,), "f": (_MINUS,),
    "dif": (_MINUS,), "psi": (_MINUS,),
}  # fmt: skip
_BEEPED = frozenset({Measures.LINE_FUSE, Measures.LEAD})
_ALSO_BEEPED = frozenset({"control.fuse.ohm", "defrost.switch.ohm", "relay.contact.ohm"})


def _keys(point: Point) -> tuple[Key, ...]:
    """What a point's keypad has beside the digits: a beep only where one can answer what is asked."""
    if point.unit == "ohm" and (point.measures in _BEEPED or point.name in _ALSO_BEEPED):
        return _OL, *_BEEPS
    if point.measures is Measures.DROP or (point.measures is Measures.LINE_FUSE and point.unit == "v"):
        return _OL, _MILLI
    return _BY_UNIT.get(point.unit, ())


# The units a meter may show where the wrong one changes what the reading means.
_UNITS: dict[Measures, tuple[str, ...]] = {
    Measures.GROUND: ("Ω", "kΩ", "MΩ"),
    Measures.SENSOR: ("Ω", "kΩ"),
    Measures.DROP: ("V", "mV"),
}
