"""Rows that are written once: a correction is a new row."""

from typing import Any

from django.db import models


class AppendOnlyError(RuntimeError):
    """Something tried to change or delete a row that is only ever added."""


class AppendOnly(models.Model):
    """Refuses a second save and every delete; a trigger in the database refuses the same from elsewhere."""

    class Meta:
        abstract = True

    def save(self, *args: Any, **kwargs: Any) -> None:
        """Write the row, once."""
        if not self._state.adding:
            raise AppendOnlyError(f"{type(self).__name__} is append only")
        super().save(*args, **kwargs)

    def delete(self, *args: Any, **kwargs: Any) -> tuple[int, dict[str, int]]:
        """Refuse."""
        raise AppendOnlyError(f"{type(self).__name__} is append only")


FORBID_FUNCTION = """
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS
$$ BEGIN RAISE EXCEPTION '% is append only', TG_TABLE_NAME; END $$
"""


def forbid_change(table: str) -> str:
    """The trigger that keeps a table append only, for a migration."""
    return f"CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON {table} FOR EACH ROW EXECUTE FUNCTION refuse_change()"
