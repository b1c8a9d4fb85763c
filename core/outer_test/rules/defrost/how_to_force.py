"""How to make this board defrost today: the rule `which-way` (handbook section 9)."""

from dataclasses import dataclass
from typing import Literal

from outer_test.nameplate import Defrost
from outer_test.visit import Thing, words_for

Way = Literal["measure-first", "time-pins", "jumper-switch", "force-pins", "switch-and-test", "unknown"]
WARM_AIR_F = 65
SIGNS = "A start: a whoosh at the valve, the outdoor fan stops, the outdoor line turns warm."


@dataclass(frozen=True, slots=True)
class WhichWay:
    """The way, its steps in order, what goes on the not-put-back list, what a start looks and sounds like, and the caution."""

    way: Way
    steps: tuple[str, ...]
    lifts: tuple[str, ...] = ()
    caution: str = ""
    signs: str = ""


def which_way(defrost: Defrost, outdoor_f: float | None, switch_closed: bool | None) -> WhichWay:
    """Choose by control, air temperature and what the switch was measured to do. Not measured, that is what comes first.

    outdoor_f: °F. switch_closed: None where it was not measured. Source: [T] common practice, no source.

    >>> which_way(Defrost(control="time-temperature"), 34, True).way
    'time-pins'
    >>> which_way(Defrost(control="time-temperature"), 34, None).way
    'measure-first'
    >>> which_way(Defrost(control="demand"), 50, None).steps[0]
    'Short the force pins, not the test pins: test only speeds the clock.'
    """
    if defrost.control is None:
        return WhichWay("unknown", ("Look which control it is, a switch on the coil or two sensors, and put it on the plate first.",))
    warm = outdoor_f is not None and outdoor_f > WARM_AIR_F
    caution = "Above 65 °F watch the head pressure; lift the jumper once the coil passes the switch's opening." if warm else ""
    hold = "Leave the jumper on until it ends." if defrost.hold_jumper == "leave" else "Lift the jumper as soon as it starts."
    switch, test = words_for(Thing.SWITCH_JUMPER), words_for(Thing.TEST_JUMPER)
    signs = defrost.start_signs or SIGNS
    steps: tuple[str, ...]
    if defrost.start == "switch-and-test":
        steps = ("Jumper the switch terminals.", f"Touch common to {_pins(defrost, 'test')} for a moment.", hold)
        return WhichWay("switch-and-test", steps, (switch,), caution, signs)
    if defrost.control == "demand":
        force = f"Short {_pins(defrost, 'the force pins')}, not the test pins: test only speeds the clock."
        return WhichWay("force-pins", (force, hold), ("Force jumper on",), caution, signs)
    if switch_closed is None:
        steps = (
            "The coil switch was not measured: take one lead off and measure it first.",
            "Closed, the time (test) pins are enough. Open, its terminals are jumpered too.",
        )
        return WhichWay("measure-first", steps, (), caution, signs)
    pins = _pins(defrost, "the time (test) pins")
    if switch_closed:
        return WhichWay("time-pins", (f"The switch is closed: short {pins}.", hold), (test,), caution, signs)
    steps = (
        f"The switch is open: jumper its terminals on the board, then short {pins}.",
        "Or, power off, lift a fan wire, run and let the coil freeze; refit the wire before forcing. Or ice on the switch.",
        hold,
    )
    return WhichWay("jumper-switch", steps, (switch, test), caution, signs)


def _pins(defrost: Defrost, usual: str) -> str:
    """What to short on this board, as its profile names it, and how long."""
    held = f" for {defrost.pins_hold_s:g} s" if defrost.pins_hold_s is not None else ""
    return f"{defrost.pins or usual}{held}"
