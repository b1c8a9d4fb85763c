"""Plain data as dataclasses, strictly: a number is no text, nothing unknown passes, and each thing wrong has its place."""

import json
import types
from collections.abc import Callable, Mapping
from dataclasses import MISSING, fields, is_dataclass
from datetime import date, datetime
from enum import Enum
from functools import cache
from typing import Any, Literal, TypeVar, Union, cast, get_args, get_origin, get_type_hints
from uuid import UUID

from outer_test.measurement import FieldProblem

# A place is the keys down to a value; what is wrong there is said of it. A reader gives NOTHING where it wrote a problem.
Place = tuple[str, ...]
T = TypeVar("T")
Wrong = list[tuple[Place, str]]
Reader = Callable[[Any, Place, Wrong], Any]
NOTHING: Any = object()
YEARS = range(2000, 2100)
_NO_TIME = "must be a time such as 2026-01-15T08:22:00+00:00, in the years 2000 to 2099"
_VALUE_AS_TEXT = 'give the value as a JSON string such as "50.4": its digits carry the resolution, a JSON number loses them'
_NO_DAY = "must be a day such as 2026-01-15, in the years 2000 to 2099"


class ReadProblem(ValueError):
    """Data that does not have the shape asked for; `found` is each (dotted place, what is wrong there)."""

    def __init__(self, found: list[tuple[str, str]]) -> None:
        self.found = found
        super().__init__(self.one_line())

    def one_line(self) -> str:
        """The first thing wrong, as `place: what`, and how many more there are."""
        place, message = self.found[0]
        more = f" (and {len(self.found) - 1} more)" if len(self.found) > 1 else ""
        return f"{place}: {message}{more}" if place else f"{message}{more}"


def parse(text: str | bytes) -> Any:
    """JSON text as plain data. Raises ReadProblem with one clear line for anything else.

    >>> parse('{"a": NaN}')
    Traceback (most recent call last):
    ...
    outer_test.plain_data.reader.ReadProblem: is not JSON: NaN is no number
    """
    try:
        text = text.decode("utf-8-sig") if isinstance(text, bytes) else text
        found = json.loads(text, parse_constant=_no_number)
        if "\\u" in text:
            _need_keepable(found)
        return found
    except UnicodeDecodeError:
        raise ReadProblem([("", "This file is not UTF-8 text.")]) from None
    except RecursionError:
        raise ReadProblem([("", "is nested too deeply")]) from None
    except ValueError as problem:
        raise ReadProblem([("", f"is not JSON: {problem}")]) from None


def _need_keepable(found: Any) -> None:
    """Escapes can spell what no file or database holds: the NUL character, and half of a surrogate pair. Raises ValueError."""
    text = json.dumps(found, ensure_ascii=False)
    if json.dumps("\0")[1:-1] in text.replace("\\\\", ""):
        raise ValueError("it holds a NUL character")
    try:
        text.encode()
    except UnicodeEncodeError:
        raise ValueError("it holds half a character") from None


def _no_number(name: str) -> Any:
    raise ValueError(f"{name} is no number")


def read_text(shape: type[T], text: str | bytes) -> T:
    """JSON text as `shape`. Raises ReadProblem."""
    return read_as(shape, parse(text))


def read_as(shape: type[T], raw: Any) -> T:
    """Plain data as `shape`: a dataclass, or any type its fields may have. Raises ReadProblem.

    >>> from outer_test.visit import Conditions
    >>> read_as(Conditions, {"outdoor_f": 31})
    Conditions(outdoor_f=31.0, indoor_f=None, outdoor_rh=None)
    >>> read_as(Conditions, {"outdoor_f": "31"})
    Traceback (most recent call last):
    ...
    outer_test.plain_data.reader.ReadProblem: outdoor_f: must be a number
    """
    wrong: Wrong = []
    value = _reader(cast(Any, shape))(raw, (), wrong)
    if wrong:
        raise ReadProblem([(".".join(place), message) for place, message in wrong])
    return value  # type: ignore[no-any-return]


@cache
def _reader(shape: Any) -> Reader:
    """How a value of this type is read."""
    if shape in _SIMPLE:
        return _SIMPLE[shape]
    origin, inner = get_origin(shape), get_args(shape)
    if origin in (Union, types.UnionType):
        return _one_of(inner)
    if origin is Literal:
        return _word(inner, {word: word for word in inner})
    if origin is tuple:
        return _list(inner)
    if origin in (dict, Mapping):
        return _mapping(*inner)
    if isinstance(shape, type) and issubclass(shape, Enum):
        return _word([one.value for one in shape], {one.value: one for one in shape})
    if is_dataclass(shape):
        return _record(shape)
    raise TypeError(f"{shape} is no shape of a file")


def _text(raw: Any, place: Place, wrong: Wrong) -> Any:
    if not isinstance(raw, str):
        if place[-1:] == ("value",):
            return _say(wrong, place, _VALUE_AS_TEXT)
        return _say(wrong, place, "must be text")
    if any(0xD800 <= ord(letter) <= 0xDFFF for letter in raw):
        return _say(wrong, place, "holds half of a character")
    return _say(wrong, place, "holds a NUL character") if "\0" in raw else raw


def _number(raw: Any, place: Place, wrong: Wrong) -> Any:
    if not isinstance(raw, int | float) or isinstance(raw, bool):
        return _say(wrong, place, "must be a number")
    try:
        return float(raw)
    except OverflowError:
        return _say(wrong, place, "is far too large")


def _whole(raw: Any, place: Place, wrong: Wrong) -> Any:
    return raw if isinstance(raw, int) and not isinstance(raw, bool) else _say(wrong, place, "must be a whole number")


def _yes_no(raw: Any, place: Place, wrong: Wrong) -> Any:
    return raw if isinstance(raw, bool) else _say(wrong, place, "must be true or false")


def _time(raw: Any, place: Place, wrong: Wrong) -> Any:
    try:
        found = datetime.fromisoformat(raw) if isinstance(raw, str) and "T" in raw.upper() else None
    except ValueError:
        found = None
    return found if found is not None and found.year in YEARS else _say(wrong, place, _NO_TIME)


def _day(raw: Any, place: Place, wrong: Wrong) -> Any:
    try:
        found = date.fromisoformat(raw) if isinstance(raw, str) and len(raw) == len("2026-01-15") else None
    except ValueError:
        found = None
    return found if found is not None and found.year in YEARS else _say(wrong, place, _NO_DAY)


def _uuid(raw: Any, place: Place, wrong: Wrong) -> Any:
    try:
        return raw if isinstance(raw, UUID) else UUID(raw)
    except (ValueError, AttributeError, TypeError):
        return _say(wrong, place, "must be a UUID")


def _as_it_is(raw: Any, place: Place, wrong: Wrong) -> Any:
    return raw


def _nothing(raw: Any, place: Place, wrong: Wrong) -> Any:
    return None if raw is None else _say(wrong, place, "must be null")


_SIMPLE: dict[Any, Reader] = {
    str: _text, float: _number, int: _whole, bool: _yes_no, datetime: _time, date: _day, UUID: _uuid, Any: _as_it_is,
    type(None): _nothing,
}  # fmt: skip


def _say(wrong: Wrong, place: Place, message: str) -> Any:
    wrong.append((place, message))
    return NOTHING


def _word(words: Any, meaning: dict[Any, Any]) -> Reader:
    choices = ", ".join(str(word) for word in words)

    def read(raw: Any, place: Place, wrong: Wrong) -> Any:
        if isinstance(raw, str | int) and not isinstance(raw, bool) and raw in meaning:
            return meaning[raw]
        return _say(wrong, place, f"must be {choices}" if len(meaning) == 1 else f"must be one of: {choices}")

    return read


def _list(inner: tuple[Any, ...]) -> Reader:
    each = _reader(inner[0])
    length = None if inner[-1] is Ellipsis else len(inner)

    def read(raw: Any, place: Place, wrong: Wrong) -> Any:
        if not isinstance(raw, list | tuple):
            return _say(wrong, place, "must be a list")
        if length is not None and len(raw) != length:
            return _say(wrong, place, f"must have {length} entries")
        return tuple(each(one, (*place, str(index)), wrong) for index, one in enumerate(raw))

    return read


def _mapping(key: Any, value: Any) -> Reader:
    name, each = _reader(key), _reader(value)

    def read(raw: Any, place: Place, wrong: Wrong) -> Any:
        if not isinstance(raw, dict):
            return _say(wrong, place, "must be an object")
        return {name(one, (*place, str(one)), wrong): each(part, (*place, str(one)), wrong) for one, part in raw.items()}

    return read


def _kinds(shape: Any) -> tuple[type, ...]:
    """Which kinds of plain value this type is written as."""
    if get_origin(shape) is Literal:
        return tuple({type(word) for word in get_args(shape)})
    if get_origin(shape) is tuple:
        return (list, tuple)
    if is_dataclass(shape) or get_origin(shape) in (dict, Mapping):
        return (dict,)
    if shape is float:
        return (float, int)
    if isinstance(shape, type) and issubclass(shape, Enum):
        return tuple({type(one.value) for one in shape})
    return (str,) if shape in (datetime, date, UUID) else (shape,)


def _one_of(options: tuple[Any, ...]) -> Reader:
    """A value that may be of several types: its kind tells which."""
    by_kind = {kind: _reader(option) for option in reversed(options) for kind in _kinds(option)}
    first = next(_reader(option) for option in options if option is not type(None))

    def read(raw: Any, place: Place, wrong: Wrong) -> Any:
        return by_kind.get(type(raw), first)(raw, place, wrong)

    return read


def _record(shape: Any) -> Reader:
    """A dataclass: its fields by their names and no others; what it says of them itself comes after."""
    hints = get_type_hints(shape)
    parts: dict[str, Reader] = {}  # filled when first read, so that a shape may hold its own kind
    needed = [field.name for field in fields(shape) if field.default is MISSING and field.default_factory is MISSING]
    names = {field.name for field in fields(shape)}

    def read(raw: Any, place: Place, wrong: Wrong) -> Any:
        if isinstance(raw, shape):
            return raw
        if not isinstance(raw, dict):
            return _say(wrong, place, "must be an object")
        before = len(wrong)
        told = {}
        for name, part in raw.items():
            if name not in names:
                _say(wrong, (*place, str(name)), "is no field here")
                continue
            if name not in parts:
                parts[name] = _reader(hints[name])
            told[name] = parts[name](part, (*place, name), wrong)
        for name in needed:
            if name not in raw:
                _say(wrong, (*place, name), "is missing")
        if len(wrong) > before:
            return NOTHING
        try:
            return shape(**told)
        except FieldProblem as problem:
            return _say(wrong, place if problem.field in place[-1:] else (*place, problem.field), problem.message)

    return read
