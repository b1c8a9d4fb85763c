"""Dataclasses as plain data: what `json.dumps` takes, the same from every Python."""

from collections.abc import Callable, Mapping
from dataclasses import MISSING, Field, fields, is_dataclass
from datetime import date
from enum import Enum
from functools import cache
from typing import Any
from uuid import UUID

_DIGITS = 9  # so that different Pythons agree
_Keep = Callable[[Field[Any], Any], bool]
_AS_IT_IS = frozenset({str, int, bool, type(None)})


def plain(value: Any) -> Any:
    """Dataclasses as dicts, tuples as lists, enums by their value, times in ISO form, floats at 9 significant digits.

    >>> from outer_test.judgement import Verdict
    >>> plain((Verdict.GOOD, 0.1 + 0.2, None))
    ['good', 0.3, None]
    """
    return _written(value, None)


def present(value: Any) -> Any:
    """As `plain`, but a dataclass's fields without a value are left out."""
    return _written(value, _has_value)


def sparse(value: Any) -> Any:
    """As `present`, and fields that are as they are by default are left out too.

    >>> from outer_test.visit import Conditions
    >>> sparse(Conditions(outdoor_f=31))
    {'outdoor_f': 31}
    """
    return _written(value, _differs)


def _has_value(field: Field[Any], value: Any) -> bool:
    return value is not None


def _differs(field: Field[Any], value: Any) -> bool:
    usual = field.default_factory() if field.default_factory is not MISSING else field.default
    return value is not None and value != usual


@cache
def _fields(kind: Any) -> tuple[Field[Any], ...]:
    return fields(kind) if is_dataclass(kind) else ()


def _written(value: Any, keep: _Keep | None) -> Any:
    kind: Any = type(value)
    if kind in _AS_IT_IS:
        return value
    if kind is float:
        return float(f"{value:.{_DIGITS}g}")
    if told := _fields(kind):
        if keep is None:
            return {field.name: _written(getattr(value, field.name), None) for field in told}
        pairs = ((field, getattr(value, field.name)) for field in told)
        return {field.name: _written(part, keep) for field, part in pairs if keep(field, part)}
    if isinstance(value, tuple | list):
        return [_written(part, keep) for part in value]
    if isinstance(value, Enum):
        return value.value
    if isinstance(value, Mapping):
        return {_written(key, keep): _written(part, keep) for key, part in value.items()}
    if isinstance(value, UUID):
        return str(value)
    return value.isoformat() if isinstance(value, date) else value
