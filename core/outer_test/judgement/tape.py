"""The tape: a reading laid on a strip with its limits. One geometry, drawn alike on screen and on paper.

Places are parts of the strip's width, 0 at its left end and 1 at its right.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from math import ceil, floor, log10
from typing import Literal

_FAR = 1.5  # spans beyond the limits: further off a reading is an arrow at the strip's end
_ROOM, _ROOM_ONE_SIDED = 0.25, 0.15
_MAJORS = 460 / 80  # long ticks on a strip
_ROUND = 5


@dataclass(frozen=True, slots=True)
class Tick:
    """A tick mark; a long one has a figure."""

    at: float
    label: str = ""


@dataclass(frozen=True, slots=True)
class Limit:
    """A limit's place and its figure."""

    at: float
    label: str


@dataclass(frozen=True, slots=True)
class Stretch:
    """A stretch of the strip."""

    start: float
    end: float


@dataclass(frozen=True, slots=True)
class Tape:
    """Where everything stands. `off` is -1 or 1 where the reading lies beyond the strip's left or right end.

    start, end: what the strip's ends are, in the reading's unit.
    """

    good_from: float
    good_to: float
    limits: tuple[Limit, ...]
    watch: tuple[Stretch, ...] = ()
    nominal: float | None = None
    reading: float | None = None
    off: Literal[-1, 0, 1] = 0
    whisker: Stretch | None = None
    ticks: tuple[Tick, ...] = ()
    start: float = 0.0
    end: float = 1.0


def place_on(tape: Tape, value: float) -> float | None:
    """The place of a value on a strip, or None where it lies beyond its ends.

    >>> strip = tape_of(50.4, (49.2, 51.6), 51.7, 52.36, None, 58.3, 55)
    >>> place_on(strip, 55.0) == strip.nominal, place_on(strip, 5.0)
    (True, None)
    """
    at = (value - tape.start) / (tape.end - tape.start)
    return round(at, _ROUND) if 0 <= at <= 1 else None


def tape_of(
    value: float | None,
    band: tuple[float, ...] | None,
    low: float | None,
    watch_low: float | None,
    watch_high: float | None,
    high: float | None,
    nominal: float | None,
) -> Tape | None:
    """The tape of a reading and its limits, or None where there is no limit to lay it on. All in one unit.

    With limits above alone the strip begins at 0 and a reading's sign does not count; else it begins wherever it must, also below 0.

    >>> tape = tape_of(50.4, (49.2, 51.6), 51.7, 52.36, None, 58.3, 55)
    >>> tape.reading < tape.limits[0].at < tape.limits[1].at, tape.off
    (True, 0)
    """
    limits = _present((low, watch_low, nominal, watch_high, high))
    if not limits:
        return None
    one_sided = low is None and watch_low is None and min(limits) >= 0
    lowest, highest = (0.0 if one_sided else min(limits)), max(limits)
    span = (highest - lowest) or abs(highest) * 0.2 or 1.0
    shown = None if value is None else abs(value) if one_sided else value
    ends = sorted(abs(one) if one_sided else one for one in band or ())
    reach = [one for one in _present((shown, *ends)) if lowest - span * _FAR < one < highest + span * _FAR]
    start = 0.0 if one_sided else min([lowest, *reach]) - span * _ROOM
    if not one_sided and min([lowest, *reach]) >= 0:
        start = max(0.0, start)
    end = max([highest, *reach]) + span * (_ROOM_ONE_SIDED if one_sided else _ROOM)

    def at(number: float) -> float:
        return round(min(max((number - start) / (end - start), 0.0), 1.0), _ROUND)

    inner_low, inner_high = _first(watch_low, low), _first(watch_high, high)
    good = (start if inner_low is None else inner_low, end if inner_high is None else inner_high)
    outer = (_first(low, watch_low), _first(high, watch_high))
    off: Literal[-1, 0, 1] = 0 if shown is None or start <= shown <= end else -1 if shown < start else 1
    watched = [Stretch(at(outer[0]), at(good[0]))] if outer[0] is not None else []
    watched += [Stretch(at(good[1]), at(outer[1]))] if outer[1] is not None else []
    return Tape(
        at(good[0]), at(good[1]), tuple(Limit(at(one), f"{one:.4g}") for one in outer if one is not None),
        tuple(one for one in watched if one.end > one.start), None if nominal is None else at(nominal),
        None if shown is None else at(shown),
        off, Stretch(at(ends[0]), at(ends[-1])) if ends and shown is not None and off == 0 else None, _ticks(start, end),
        start, end,
    )  # fmt: skip


def _present(numbers: Iterable[float | None]) -> list[float]:
    return [number for number in numbers if number is not None]


def _first(*numbers: float | None) -> float | None:
    return next((number for number in numbers if number is not None), None)


def _ticks(start: float, end: float) -> tuple[Tick, ...]:
    step = (end - start) / _MAJORS
    power = 10.0 ** floor(log10(step))
    major = next((lead * power for lead in (1, 2, 5, 10) if lead * power >= step * 0.999), 10 * power)
    minor, decimals = major / 5, max(0, -floor(log10(major) + 1e-9))
    marks, place = [], ceil(start / minor - 1e-9)
    while place * minor <= end + minor * 1e-6:
        number = place * minor
        marks.append(Tick(round((number - start) / (end - start), _ROUND), f"{number:.{decimals}f}" if place % 5 == 0 else ""))
        place += 1
    return tuple(marks)
