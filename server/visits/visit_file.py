"""The visit file: the core's Visit as JSON, read strictly and written plainly (docs/visit.schema.json)."""

import json
from typing import Any

from pydantic import TypeAdapter, ValidationError

from outer_test.measurement import FieldProblem
from outer_test.visit import Visit

_VISIT = TypeAdapter(Visit)


class VisitFileError(ValueError):
    """A file that is no visit file; the message names the place and what would be right, in one line."""


def read_visit(text: str | bytes) -> Visit:
    """Read a visit file's text. Raises VisitFileError with one clear line.

    >>> read_visit('{"format": "outer-test-visit", "version": 1}').readings
    ()
    """
    try:
        visit = _VISIT.validate_json(text, strict=True)
    except ValidationError as problem:
        raise VisitFileError(one_line(problem)) from None
    raw = json.loads(text)
    for name in ("format", "version"):
        if name not in raw:
            raise VisitFileError(f'{name}: missing; a visit file begins {{"format": "outer-test-visit", "version": 1, ...}}')
    _refuse_stray_booleans(raw, "")
    return visit


_YES_NO_FIELDS = frozenset(
    ("shift_delay", "add_on", "cut", "fault", "switch_in_air", "pressure_switch", "low_ambient_kit", "freeze_stat",
     "confirmed", "switched_by_board", "unit_said", "put_back")
)  # fmt: skip


def _refuse_stray_booleans(part: Any, place: str) -> None:
    """`true` would pass for 1 where a field is one of a few numbers."""
    inner = part.items() if isinstance(part, dict) else enumerate(part) if isinstance(part, list) else ()
    for name, value in inner:
        here = f"{place}.{name}".lstrip(".")
        if isinstance(value, bool) and name not in _YES_NO_FIELDS:
            raise VisitFileError(f"{here}: must not be true or false")
        _refuse_stray_booleans(value, here)


def visit_from(raw: dict[str, Any]) -> Visit:
    """A visit from rows already gathered. Raises pydantic's ValidationError."""
    return _VISIT.validate_python(raw)


def write_visit(visit: Visit) -> bytes:
    """The visit as a file, with what is absent left out.

    >>> read_visit(write_visit(Visit())) == Visit()
    True
    """
    plain = _VISIT.dump_python(visit, mode="json", exclude_none=True, exclude_defaults=True)
    heading = {"format": "outer-test-visit", "version": 1}
    return json.dumps(heading | plain, ensure_ascii=False, indent=1).encode()


def one_line(problem: ValidationError) -> str:
    """The first thing wrong, as `place: what`, and how many more there are."""
    found = field_messages(problem)
    field, message = found[0]
    more = f" (and {len(found) - 1} more)" if len(found) > 1 else ""
    return f"{field}: {message}{more}" if field else f"{message}{more}"


def field_messages(problem: ValidationError) -> list[tuple[str, str]]:
    """Each thing wrong as (dotted field, message), in words for the person who typed it."""
    return [message_for(dict(error)) for error in problem.errors(include_url=False)]


def message_for(error: dict[str, Any]) -> tuple[str, str]:
    """One of pydantic's errors as (dotted field, message)."""
    # Names of the union's branches and of dataclasses are no part of the place a person looks at.
    place = [str(part) for part in error["loc"] if not _is_branch(str(part))]
    cause = error.get("ctx", {}).get("error")
    if isinstance(cause, FieldProblem):
        if cause.field not in place[-1:]:
            place.append(cause.field)
        return ".".join(place), cause.message
    kind, field = error["type"], ".".join(place)
    if kind == "string_type" and place[-1:] == ["value"]:
        return field, 'give the value as a JSON string such as "50.4": its digits carry the resolution, a JSON number loses them'
    if kind in ("unexpected_keyword_argument", "extra_forbidden"):
        return field, "is no field of a visit"
    if kind == "missing":
        return field, "is missing"
    if kind == "json_invalid":
        return "", f"is not JSON: {error.get('ctx', {}).get('error', 'cannot be parsed')}"
    if kind == "dataclass_type":
        return field, "must be an object"
    words = str(error["msg"]).removeprefix("Value error, ").removeprefix("Input ")
    return field, words


def _is_branch(part: str) -> bool:
    return part in ("str", "Seen", "function-after", "[key]") or part.startswith(("literal[", "dataclass-", "constrained"))
