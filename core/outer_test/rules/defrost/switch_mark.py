"""What a coil switch's mark can mean: the rule `switch-mark` (handbook section 9)."""

import re
from dataclasses import dataclass

_MARK = re.compile(r"[A-Z]?\s*(\d{2,3})\s*[-/ ]\s*(\d{1,3})", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class MarkReading:
    """One way to read a mark: closes at and opens at, °F; `plausible` where both lie where coil switches lie."""

    closes_f: float
    opens_f: float
    plausible: bool


def switch_mark(mark: str) -> tuple[MarkReading, ...]:
    """The two readings of a mark such as `L55-25`: opens at the first and closes that much lower, or closes at the first
    and opens that much higher. The plausible one (closes 20 to 45, opens 45 to 90 °F) comes first; a person confirms it.

    Raises ValueError for a mark without two numbers. Source: [T] common practice, no source.

    >>> [(one.closes_f, one.opens_f, one.plausible) for one in switch_mark("L55-25")]
    [(30.0, 55.0, True), (55.0, 80.0, False)]
    """
    found = _MARK.fullmatch(mark.strip())
    if found is None:
        raise ValueError(f'"{mark[:20]}" is no switch mark: two numbers such as L55-25')
    first, apart = float(found.group(1)), float(found.group(2))
    readings = [_read(first - apart, first), _read(first, first + apart)]
    return tuple(sorted(readings, key=lambda one: not one.plausible))


def _read(closes: float, opens: float) -> MarkReading:
    return MarkReading(closes, opens, 20 <= closes <= 45 and 45 <= opens <= 90)
