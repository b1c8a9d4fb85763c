"""Readings out of a meter's log or a spreadsheet: whose columns they are, what each row says, and what is wrong with it."""

import csv
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from datetime import UTC, datetime, tzinfo
from itertools import chain

from outer_test.entry.field import TypedProblem, parse_typed
from outer_test.entry.vocabulary import SAYINGS
from outer_test.measurement import Record
from outer_test.visit import POINTS, check_seen, title_of

DELIMITERS = ",;\t|"
MOST_CELL = 400


@dataclass(frozen=True, slots=True)
class Mapping(Record):
    """Which column says what. `point` and `sign` may be fixed instead of a column; `names` turns a meter's own names into points.

    `serial` finds the unit; `at` is when, and `clock` the time of day where that stands apart. A column that is not there is empty.
    `heading` is the line that names the columns, from 1; 0 where none does.
    """

    value: str = ""
    at: str = ""
    clock: str = ""
    serial: str = ""
    point: str = ""
    sign: str = ""
    fixed_point: str = ""
    fixed_sign: str = ""
    meter: str = ""
    names: dict[str, str] = field(default_factory=dict)
    day_first: bool = False
    heading: int = 1


@dataclass(frozen=True, slots=True)
class LogRow:
    """A row understood: its line in the file, the unit's serial, when, where, and the exact value text."""

    line: int
    serial: str
    at: datetime
    point: str
    value: str
    meter: str = ""


@dataclass(frozen=True, slots=True)
class RowProblem:
    """What is wrong with a row: its line in the file, the column, and why; `name` is a reading's name that nobody placed yet."""

    line: int
    column: str
    why: str
    name: str = ""


def delimiter_of(heading: str) -> str:
    """The sign that parts the columns of a heading line.

    >>> delimiter_of("time;value;unit"), delimiter_of("a")
    (';', ',')
    """
    return max(DELIMITERS, key=heading.count)


def cells_of(line: str, delimiter: str) -> list[str]:
    """What stands in the columns of one line, without the blanks around it.

    >>> cells_of('14.01.2027 ;"50,4"', ";")
    ['14.01.2027', '50,4']
    """
    return [cell.strip() for cell in next(csv.reader([line.replace("\x00", "")], delimiter=delimiter), [])]


def column_names(cells: Sequence[str]) -> list[str]:
    """What columns are called: by their heading; by their place where it says nothing or the same as another.

    >>> column_names(["Time", "", "Value", "Value"])
    ['Time', 'column 2', 'Value', 'Value (column 4)']
    """
    names: list[str] = []
    for place, cell in enumerate(cells, 1):
        name = cell.strip() or f"column {place}"
        names.append(f"{name} (column {place})" if name in names else name)
    return names


def read_rows(lines: Iterator[str], mapping: Mapping, zone: tzinfo = UTC) -> Iterator[LogRow | RowProblem]:
    """Every row after the heading, understood or told what is wrong with it; empty rows, and what stands before the heading, are
    passed over.

    lines: of the file, as text. zone: of times without one. RFC 4180, and what spreadsheets make of it: semicolons, a byte-order
    mark, decimal commas.

    >>> list(read_rows(iter(["t,p,v", "2027-01-14 09:30,herm,50.4 uF"]), Mapping(value="v", at="t", point="p")))[0].point
    'cap.herm.uf'
    """
    heading = ""
    for _ in range(mapping.heading):
        heading = next(lines, "")
    if not mapping.heading:  # the data begin at once: their first line tells how many columns there are
        heading = next(lines, "")
        lines = chain([heading], lines)
    delimiter = delimiter_of(heading)
    reader = csv.reader(_held(lines), delimiter=delimiter, strict=True)
    named = cells_of(heading.lstrip("\ufeff"), delimiter)
    columns = column_names(named if mapping.heading else [""] * len(named))
    place = {name: index for index, name in enumerate(columns)}
    while True:
        try:
            cells = next(reader, None)
        except csv.Error as problem:
            yield RowProblem(reader.line_num + mapping.heading, "", f"this is no row of a CSV file: {problem}")
            continue
        if cells is None:
            return
        if any(cell.strip() for cell in cells):
            yield _row(cells, place, mapping, zone, reader.line_num + mapping.heading)


def _held(lines: Iterator[str]) -> Iterator[str]:
    """Lines without NUL characters, which no text column holds."""
    return (line.replace("\x00", "") for line in lines)


def _row(cells: list[str], place: dict[str, int], mapping: Mapping, zone: tzinfo, line: int) -> LogRow | RowProblem:
    def cell(name: str) -> str:
        index = place.get(name, -1)
        return cells[index].strip()[:MOST_CELL].lstrip("'") if 0 <= index < len(cells) else ""

    named = cell(mapping.point) if mapping.point else mapping.fixed_point
    point = point_named(named, mapping.names)
    if point is None:
        why = f'"{named[:40]}" is no reading this app knows: say which it is' if named else "names no reading"
        return RowProblem(line, mapping.point, why, named[:40])
    when = f"{cell(mapping.at)} {cell(mapping.clock)}".strip()
    at = read_time(when, mapping.day_first, zone)
    if at is None:
        return RowProblem(line, mapping.at, f'"{when[:40]}" is no time, such as 2027-01-14 09:30')
    value = _value(point, cell(mapping.value), cell(mapping.sign) if mapping.sign else mapping.fixed_sign)
    if isinstance(value, Exception):
        return RowProblem(line, mapping.value, str(value))
    return LogRow(line, cell(mapping.serial), at, point, value, cell(mapping.meter))


def _value(point: str, text: str, sign: str) -> str | Exception:
    try:
        if POINTS[point].kind == "seen":
            check_seen(point, text.casefold())
            return text.casefold()
        return parse_typed(f"{text} {sign}".strip(), point).value
    except (TypedProblem, ValueError) as problem:
        return problem


def point_named(name: str, names: dict[str, str]) -> str | None:
    """The point that a name in a log stands for: by the mapping, by its own name, its title, or a technician's word.

    >>> point_named("Compressor section, C to HERM", {}), point_named("Probe A", {"Probe A": "cap.fan.uf"}), point_named("x", {})
    ('cap.herm.uf', 'cap.fan.uf', None)
    """
    wanted = names.get(name, name).strip()
    if wanted in POINTS:
        return wanted
    folded = wanted.casefold()
    by_title = next((point for point in POINTS if title_of(point).casefold() == folded), None)
    said = SAYINGS.get(folded, ())
    return by_title or (said[0] if len(said) == 1 else None)


_FORMS = ("%Y-%m-%d %H:%M:%S", "%Y-%m-%d %H:%M", "%Y-%m-%d", "%Y/%m/%d %H:%M:%S", "%Y/%m/%d %H:%M")
_MONTH_FIRST = ("%m/%d/%Y %H:%M:%S", "%m/%d/%Y %H:%M", "%m/%d/%Y", "%m/%d/%Y %I:%M %p", "%m/%d/%Y %I:%M:%S %p")
_DAY_FIRST = ("%d/%m/%Y %H:%M:%S", "%d/%m/%Y %H:%M", "%d/%m/%Y", "%d.%m.%Y %H:%M:%S", "%d.%m.%Y %H:%M", "%d.%m.%Y")


def read_time(text: str, day_first: bool, zone: tzinfo) -> datetime | None:
    """A time as logs write it; one without a zone is in `zone`. None where it is none.

    >>> from datetime import timezone
    >>> read_time("14.01.2027 09:30", True, timezone.utc).isoformat()
    '2027-01-14T09:30:00+00:00'
    """
    try:
        found: datetime | None = datetime.fromisoformat(text)
    except ValueError:
        found = next((one for form in (*_FORMS, *(_DAY_FIRST if day_first else _MONTH_FIRST)) if (one := _by_form(text, form))), None)
    if found is None or not 2000 <= found.year < 2100:
        return None
    return found if found.tzinfo is not None else found.replace(tzinfo=zone)


def _by_form(text: str, form: str) -> datetime | None:
    try:
        return datetime.strptime(text, form)
    except ValueError:
        return None
