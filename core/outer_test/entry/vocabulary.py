"""What is said on the entry line. Each point knows its own sayings; here they are gathered. Longer ones win over shorter ones."""

from outer_test.visit import POINTS

GROUNDS = ("winding.c_ground.ohm", "winding.r_ground.ohm", "winding.s_ground.ohm")


def _words(text: str) -> list[str]:
    return text.split("|") if text else []


SAYINGS: dict[str, tuple[str, ...]] = {
    **{said: (point.name,) for point in POINTS.values() for said in _words(point.say)},
    **dict.fromkeys(("gnd", "ground", "grounds"), GROUNDS),
}

# Words that mean another point where they are said: at a point's own station, and line volts while it runs.
AT_STATION: dict[str, dict[str, str]] = {
    station: {said: point.name for point in POINTS.values() if point.station == station for said in _words(point.say_here)}
    for station in dict.fromkeys(point.station for point in POINTS.values())
}
AT_STATION["run"]["line"] = "line.l1_l2.v"

# Said between a reading's name and its value.
FILLERS = frozenset({"", "is", "reads", "read", "was", "measured"})

# Said alone, without a value.
RESULTS = {"started": "started", "hummed": "hummed", "hums": "hummed", "tripped": "tripped", "nothing": "nothing"}
PEAK_BY = {"inrush": "inrush", "max": "max-hold", "max-hold": "max-hold", "maxhold": "max-hold"}
PEAK_WITH = {"relay": "relay", "kit": "relay", "two-wire": "two-wire", "2-wire": "two-wire", "bare": "none", "nokit": "none"}
UNITS = frozenset(
    [
        "uf",
        "µf",
        "μf",
        "mfd",
        "nf",
        "v",
        "vac",
        "vdc",
        "mv",
        "a",
        "amps",
        "ma",
        "volts",
        "ohm",
        "ohms",
        "ω",
        "kω",
        "mω",
        "mohm",
        "psi",
        "f",
        "°f",
        "c",
        "°c",
        "s",
        "sec",
        "ms",
        "h",
        "hours",
        "line",
    ]
)
