"""Queries asked at every key: Django composes their SQL once, for that takes longer than the database needs to answer."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any, Generic, TypeVar

from django.db import connection
from django.db.models import Model, QuerySet

from accounts.models import Company

Row = TypeVar("Row", bound=Model)


@dataclass(frozen=True, slots=True)
class _Ready(Generic[Row]):
    """The SQL, and how its rows become the model's: the columns' names, and what turns a column's value into the field's."""

    sql: str
    model: type[Row]
    names: Sequence[str]
    converters: Sequence[tuple[int, Callable[..., Any]]]


class Composed(Generic[Row]):
    """A company's rows by one key, as `list(rows(company, key))` would give them, for a query that joins nothing.

    `rows` names them through the one door to a company's rows: `lambda company, unit: Unit.objects.of(company).filter(id=unit)`.
    """

    def __init__(self, rows: Callable[[Company, Any], QuerySet[Row]]) -> None:
        self._rows = rows
        self._ready: _Ready[Row] | None = None

    def of(self, company: Company, key: Any) -> list[Row]:
        """The company's rows of this key. Raises TypeError where the query asks for anything but a company and a key."""
        ready = self._ready = self._ready or self._compose(company, key)
        with connection.cursor() as cursor:
            cursor.execute(ready.sql, (company.pk, key))
            found = [list(row) for row in cursor.fetchall()]
        for values in found:
            for place, convert in ready.converters:
                values[place] = convert(values[place], None, connection)
        return [ready.model.from_db(connection.alias, ready.names, values) for values in found]

    def _compose(self, company: Company, key: Any) -> _Ready[Row]:
        rows = self._rows(company, key)
        sql, params = rows.query.sql_with_params()
        if params != (company.pk, key):
            raise TypeError(f"a composed query takes a company and a key, in this order, and nothing else: {sql}")
        fields = rows.model._meta.concrete_fields
        converters = [(place, convert) for place, field in enumerate(fields) for convert in field.get_db_converters(connection)]
        return _Ready(sql, rows.model, [field.attname for field in fields], converters)
