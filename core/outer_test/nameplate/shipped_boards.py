"""Generic board profiles that ship: made up, each a common way that boards of this trade behave [M]."""

from outer_test.nameplate.defrost_control import ConfigLink, Defrost, Light

_TIMED = {"control": "time-temperature", "minutes": 90, "closes_f": 30, "opens_f": 55, "limit_min": 10}
_SENSED = {"control": "demand", "limit_min": 14, "sensor_r25_ohm": 10_000.0, "sensor_b_k": 3950.0}
_TERMINALS = ("R", "C", "Y", "YO", "O", "W", "F1", "F2")

SHIPPED: dict[str, Defrost] = {
    name: Defrost(profile=name, **about)  # type: ignore[arg-type]
    for name, about in {
        "timed, plain": _TIMED | {"terminals": (*_TERMINALS, "D1", "D2")},
        "timed, with shift delay": _TIMED | {"shift_delay": True, "terminals": (*_TERMINALS, "D1", "D2", "P1", "P2")},
        "timed, fan first": _TIMED | {"fan_first_s": 20, "minutes": 60, "terminals": (*_TERMINALS, "D1", "D2")},
        "timed, switch and test": _TIMED
        | {"start": "switch-and-test", "hold_jumper": "leave", "limit_min": 15, "terminals": (*_TERMINALS, "D1", "D2", "TEST")},
        "demand, plain": _SENSED | {"terminals": (*_TERMINALS, "CS", "AS"), "lights": (
            Light(0, "Power is there, no call", "green", False), Light(1, "A call, and it runs", "green", False),
            Light(2, "Coil sensor out of range", "red"), Light(3, "Ambient sensor out of range", "red"),
            Light(4, "Defrosts ended by time, several in a row", "red"),
        )},
        "demand, links": _SENSED | {
            "terminals": (*_TERMINALS, "CS", "AS", "P1", "P2"), "lockout_after": 5,
            "links": (ConfigLink("compressor kind"), ConfigLink("fin kind"), ConfigLink("shift delay", None, "shift-delay")),
        },
    }.items()
}  # fmt: skip


def is_generic(defrost: Defrost) -> bool:
    """Whether its settings were taken over from a shipped profile and nobody confirmed them on this unit: a hint, no more.

    >>> is_generic(Defrost(profile="timed, plain")), is_generic(Defrost(profile="timed, plain", confirmed=True))
    (True, False)
    """
    return defrost.profile in SHIPPED and not defrost.confirmed
