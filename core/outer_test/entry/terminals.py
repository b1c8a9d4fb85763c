"""Two terminals of a motor named on the entry line, however they are put: `common to start`, `C-S`, `fan run to ground`."""

import re
from collections.abc import Sequence

_TERMINALS = {
    "c": "c", "com": "c", "common": "c", "r": "r", "run": "r", "s": "s", "start": "s",
    "g": "ground", "gnd": "ground", "ground": "ground", "earth": "ground",
}  # fmt: skip
_MOTORS = {"fan": "fan_winding", "comp": "winding", "compressor": "winding"}
_BETWEEN = ("to", "and", "-", "–", "/")
_ORDER = ("c", "r", "s", "ground")
_JOINED = re.compile(r"([a-z]+)[-–/]([a-z]+)")


def terminals_at(words: Sequence[str]) -> tuple[str, int]:
    """The point that the first words name by two terminals, and how many words that took; nothing and 0 where they name none.

    words: in lower case. The order of the two does not matter; without a motor's name it is the compressor.

    >>> terminals_at("common to start .6".split()), terminals_at("fan s-r 12".split()), terminals_at("start 88".split())
    (('winding.c_s.ohm', 3), ('fan_winding.r_s.ohm', 2), ('', 0))
    >>> terminals_at("ground to run ol".split())
    ('winding.r_ground.ohm', 3)
    """
    motor = _MOTORS.get(words[0], "") if words else ""
    skipped = 1 if motor else 0
    pair, length = _pair(words[skipped:])
    if not pair:
        return "", 0
    first, second = sorted(pair, key=_ORDER.index)
    return f"{motor or 'winding'}.{first}_{second}.ohm", skipped + length


def _pair(words: Sequence[str]) -> tuple[tuple[str, str] | None, int]:
    joined = _JOINED.fullmatch(words[0]) if words else None
    if joined:
        return _both(*joined.groups()), 1
    if len(words) > 2 and words[1] in _BETWEEN:
        return _both(words[0], words[2]), 3
    return None, 0


def _both(first: str, second: str) -> tuple[str, str] | None:
    one, other = _TERMINALS.get(first), _TERMINALS.get(second)
    return (one, other) if one and other and one != other else None
