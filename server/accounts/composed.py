"""Queries asked at every key: Django composes their SQL once, for that takes longer than the database needs to answer."""

from collections.abc import Callable
from typing import Any, Generic, TypeVar

from django.db.models import Model, QuerySet

from accounts.models import Company

Row = TypeVar("Row", bound=Model)


class Composed(Generic[Row]):
    """A company's rows by one key, as `list(rows(company, key))` would give them, for a query that joins nothing.

    `rows` names them through the one door to a company's rows: `lambda company, unit: Unit.objects.of(company).filter(id=unit)`.
    """

    def __init__(self, rows: Callable[[Company, Any], QuerySet[Row]]) -> None:
        self._rows = rows
        self._ready: tuple[type[Row], str] | None = None

    def of(self, company: Company, key: Any) -> list[Row]:
        """The company's rows of this key. Raises TypeError where the query asks for anything but a company and a key."""
        model, sql = self._ready = self._ready or self._compose(company, key)
        return list(model._base_manager.raw(sql, (company.pk, key)))

    def _compose(self, company: Company, key: Any) -> tuple[type[Row], str]:
        rows = self._rows(company, key)
        sql, params = rows.query.sql_with_params()
        if params != (company.pk, key):
            raise TypeError(f"a composed query takes a company and a key, in this order, and nothing else: {sql}")
        return rows.model, sql
