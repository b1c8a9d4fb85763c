"""A log's heading row and columns: found by what stands in them, and shown to a person before anything is read by them."""

import re
from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass, replace
from datetime import UTC

from outer_test.entry.field import TypedProblem, parse_typed
from outer_test.entry.meter_log import Mapping, cells_of, column_names, delimiter_of, point_named, read_time

MOST_HEAD, MOST_LINE, SAMPLED, SHOWN = 40, 200, 12, 3
_CLOCK = re.compile(r"\d{1,2}:\d{2}(:\d{2})?(\s*[ap]m)?", re.IGNORECASE)
_NUMBER = re.compile(r"'?[-+]?\d[\d.,]*\s*\S{0,5}|OL", re.IGNORECASE)
_SIGN = re.compile(r"[µumkMG]?(F|V|A|W|Ω|ohms?|Hz)(\s*(ac|dc))?|°?[FC]|%", re.IGNORECASE)
_NAMES = {
    "value": ("value", "reading value", "measurement", "result", "display"),
    "at": ("at", "date", "timestamp", "datetime", "date time", "date/time", "time"),
    "clock": ("time", "clock", "time of day"),
    "serial": ("serial", "unit serial", "s/n", "asset"),
    "point": ("point", "name", "label", "test", "reading", "what", "measurement name", "channel"),
    "sign": ("sign", "unit", "units", "uom"),
    "meter": ("meter", "instrument", "device"),
}


@dataclass(frozen=True, slots=True)
class LogHead:
    """A file's first lines as they stand, which of them names the columns (from 1; 0: none does), what stands in each column, and the
    likeliest mapping."""

    lines: tuple[str, ...]
    heading: int
    columns: tuple[str, ...]
    samples: tuple[tuple[str, ...], ...]
    mapping: Mapping


def look_at(text: str, serials: Collection[str] = (), heading: int | None = None) -> LogHead:
    """The head of a file, its heading row found or, where a person chose it, taken as told. serials: of the company's units, any case.

    >>> head = look_at("Logger 7\\n\\nWhen;Shown\\n14.01.2027 09:30;50,4 uF\\n14.01.2027 09:31;50,5 uF\\n")
    >>> head.heading, head.columns, head.mapping.at, head.mapping.value, head.mapping.day_first
    (3, ('When', 'Shown'), 'When', 'Shown', True)
    """
    lines = text.lstrip("\ufeff").splitlines()[:MOST_HEAD]
    place = min(find_heading(lines) if heading is None else max(heading, 0), len(lines))
    delimiter = delimiter_of(lines[max(place - 1, 0)]) if lines else ","
    rows = [cells for line in lines[place:] if any(cells := cells_of(line, delimiter))]
    named = cells_of(lines[place - 1], delimiter) if place else [""] * len(rows[0] if rows else ())
    columns = tuple(column_names(named))
    held = {
        column: [cells[index] for cells in rows[:SAMPLED] if index < len(cells) and cells[index]] for index, column in enumerate(columns)
    }
    samples = tuple(tuple(values[:SHOWN]) for values in held.values())
    mapping = replace(_guess(held, {serial.casefold() for serial in serials}), heading=place)
    return LogHead(tuple(line[:MOST_LINE] for line in lines), place, columns, samples, mapping)


def find_heading(lines: Sequence[str]) -> int:
    """The line, from 1, that names the columns: it holds no number or time, and the rows under it are as wide and do.
    0 where the data begin at once; 1 where nothing is sure.

    >>> find_heading(["Meter: blue", "", "Time,Value", "2027-01-14 09:30,50.4", "2027-01-14 09:31,50.5"])
    3
    >>> find_heading(["2027-01-14 09:30,50.4", "2027-01-14 09:31,50.5"])
    0
    """
    rows = [(number, cells_of(line, delimiter_of(line))) for number, line in enumerate(lines, 1) if line.strip()]
    for width in sorted({len(cells) for _, cells in rows if len(cells) > 1}, reverse=True):
        data = [len(cells) == width and any(map(_is_datum, cells)) for _, cells in rows]
        for place, (number, cells) in enumerate(rows):
            under = data[place + 1 : place + 3]
            if len(cells) == width and under and all(under):
                if not data[place]:
                    return number
                if place == 0:
                    return 0
    return 1


def _is_datum(cell: str) -> bool:
    return bool(_NUMBER.fullmatch(cell) or _CLOCK.fullmatch(cell)) or _is_time(cell)


def _is_time(cell: str) -> bool:
    return any(read_time(cell, day_first, UTC) for day_first in (False, True))


def _is_value(cell: str) -> bool:
    if not _NUMBER.fullmatch(cell) or _CLOCK.fullmatch(cell) or _is_time(cell):
        return False
    try:
        parse_typed(cell, "cap.herm.uf")
    except (TypedProblem, ValueError):
        return bool(re.search(r"\d\s*\S", cell))  # of another quantity: its sign is read with its point
    return True


def _guess(held: dict[str, list[str]], serials: Collection[str]) -> Mapping:
    """By the columns' names, and where those say nothing by what stands in them."""
    folded = {column.casefold(): column for column in held}
    found = {what: next((folded[name] for name in names if name in folded), "") for what, names in _NAMES.items()}
    if found["at"] == found["clock"]:
        found["clock"] = ""
    fits: dict[str, Callable[[str], bool]] = {
        "at": _is_time,
        "serial": lambda cell: cell.casefold() in serials,
        "sign": lambda cell: bool(_SIGN.fullmatch(cell)),
        "point": lambda cell: point_named(cell, {}) is not None,
        "value": _is_value,
        "clock": lambda cell: bool(_CLOCK.fullmatch(cell)),
    }
    for what, fit in fits.items():
        taken = {column for other, column in found.items() if other != what}
        own = held.get(found[what], [])
        # A name decides unless what stands there cannot be it: "Time" over 09:30 is the clock, not the day; "Reading" over 50.4 the value.
        wrong = own and (all(map(_is_datum, own)) if what == "point" else what in ("at", "value") and not any(map(fit, own)))
        if not found[what] or wrong:
            found[what] = next((column for column, cells in held.items() if column not in taken and cells and all(map(fit, cells))), "")
    times = held.get(found["at"], [])
    if found["clock"] and any(":" in cell for cell in times):
        found["clock"] = ""  # the time stands with the day already
    day_first = bool(times) and not all(read_time(cell, False, UTC) for cell in times) and all(read_time(cell, True, UTC) for cell in times)
    return Mapping(
        found["value"],
        found["at"],
        found["clock"],
        found["serial"],
        found["point"],
        found["sign"],
        meter=found["meter"],
        day_first=day_first,
    )
