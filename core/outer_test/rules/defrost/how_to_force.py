"""How to make this board defrost today: the rule `which-way` (handbook section 9)."""

from dataclasses import dataclass
from typing import Literal

from outer_test.nameplate import Defrost

Way = Literal["time-pins", "jumper-switch", "force-pins", "switch-and-test", "unknown"]
WARM_AIR_F = 65


@dataclass(frozen=True, slots=True)
class WhichWay:
    """The way, its steps in order, what goes on the not-put-back list, and the caution."""

    way: Way
    steps: tuple[str, ...]
    lifts: tuple[str, ...] = ()
    caution: str = ""


def which_way(defrost: Defrost, outdoor_f: float | None, switch_closed: bool | None) -> WhichWay:
    """Choose by control, air temperature and what the switch does now.

    outdoor_f: °F. switch_closed: None where it was not measured. Source: [T] common practice, no source.

    >>> which_way(Defrost(control="time-temperature"), 34, True).way
    'time-pins'
    >>> which_way(Defrost(control="demand"), 50, None).steps[0]
    'Short the force pins, not the test pins: test only speeds the clock.'
    """
    if defrost.control is None:
        return WhichWay("unknown", ("Read the defrost control on the plate first.",))
    warm = outdoor_f is not None and outdoor_f > WARM_AIR_F
    caution = "Above 65 °F watch the head pressure; lift the jumper once the coil passes the switch's opening." if warm else ""
    hold = "Leave the jumper on until it ends." if defrost.hold_jumper == "leave" else "Lift the jumper as soon as it starts."
    steps: tuple[str, ...]
    if defrost.start == "switch-and-test":
        steps = ("Jumper the switch terminals.", "Touch common to test for a moment.", hold)
        return WhichWay("switch-and-test", steps, ("Switch jumper on",), caution)
    if defrost.control == "demand":
        steps = ("Short the force pins, not the test pins: test only speeds the clock.", hold)
        return WhichWay("force-pins", steps, ("Force jumper on",), caution)
    if switch_closed:
        return WhichWay("time-pins", ("The switch is closed: short the time (test) pins.", hold), ("Test jumper on",), caution)
    steps = (
        "The switch is open, too warm: jumper its terminals on the board, then short the time (test) pins.",
        "Or, power off, lift a fan wire, run and let the coil freeze; refit the wire before forcing. Or ice on the switch.",
        hold,
    )
    return WhichWay("jumper-switch", steps, ("Switch jumper on", "Test jumper on"), caution)
