"""Readings out of a meter's log or a spreadsheet: whose columns they are, what each row says, and what is wrong with it."""

import csv
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from datetime import UTC, datetime, tzinfo

from outer_test.entry.field import TypedProblem, parse_typed
from outer_test.entry.vocabulary import SAYINGS
from outer_test.measurement import Record
from outer_test.visit import POINTS, check_seen, title_of

DELIMITERS = ",;\t|"
MOST_CELL = 400


@dataclass(frozen=True, slots=True)
class Mapping(Record):
    """Which column says what. `point` and `sign` may be fixed instead of a column; `names` turns a meter's own names into points.

    `serial` finds the unit; `at` is when. A column that is not there is empty.
    """

    value: str = ""
    at: str = ""
    serial: str = ""
    point: str = ""
    sign: str = ""
    fixed_point: str = ""
    fixed_sign: str = ""
    meter: str = ""
    names: dict[str, str] = field(default_factory=dict)
    day_first: bool = False


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


def columns_of(text: str) -> list[str]:
    """The column names of a file's first line; a byte-order mark and blanks around names are dropped.

    >>> columns_of("\\ufeffTime; Value ;Unit")
    ['Time', 'Value', 'Unit']
    """
    heading = text.lstrip("\ufeff").splitlines()[0] if text.strip() else ""
    return [name.strip() for name in next(csv.reader([heading], delimiter=delimiter_of(heading)), [])]


_GUESS = {
    "value": ("value", "reading value", "measurement", "result", "display"),
    "at": ("at", "time", "timestamp", "date", "datetime", "date time"),
    "serial": ("serial", "unit serial", "s/n", "asset"),
    "point": ("point", "name", "label", "test", "reading", "what", "measurement name", "channel"),
    "sign": ("sign", "unit", "units", "uom"),
    "meter": ("meter", "instrument", "device"),
}


def guess_mapping(columns: Sequence[str]) -> Mapping:
    """The likeliest mapping for these column names; a person looks at it before anything is read by it.

    >>> guess_mapping(["Serial", "Time", "Point", "Value", "Unit"]).sign
    'Unit'
    """
    folded = {name.casefold(): name for name in columns}
    found = {what: next((folded[name] for name in names if name in folded), "") for what, names in _GUESS.items()}
    return Mapping(**found)  # type: ignore[arg-type]


def read_rows(lines: Iterator[str], mapping: Mapping, zone: tzinfo = UTC) -> Iterator[LogRow | RowProblem]:
    """Every row after the heading, understood or told what is wrong with it; empty rows are passed over.

    lines: of the file, as text. zone: of times without one. RFC 4180, and what spreadsheets make of it: semicolons, a byte-order
    mark, decimal commas.

    >>> list(read_rows(iter(["t,p,v", "2027-01-14 09:30,herm,50.4 uF"]), Mapping(value="v", at="t", point="p")))[0].point
    'cap.herm.uf'
    """
    heading = next(lines, "").lstrip("\ufeff")
    reader = csv.reader(_held(lines), delimiter=delimiter_of(heading), strict=True)
    columns = [name.strip() for name in next(csv.reader([heading], delimiter=delimiter_of(heading)), [])]
    place = {name: index for index, name in enumerate(columns)}
    while True:
        try:
            cells = next(reader, None)
        except csv.Error as problem:
            yield RowProblem(reader.line_num + 1, "", f"this is no row of a CSV file: {problem}")
            continue
        if cells is None:
            return
        if any(cell.strip() for cell in cells):
            yield _row(cells, place, mapping, zone, reader.line_num + 1)


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
    at = read_time(cell(mapping.at), mapping.day_first, zone)
    if at is None:
        return RowProblem(line, mapping.at, f'"{cell(mapping.at)[:40]}" is no time, such as 2027-01-14 09:30')
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
