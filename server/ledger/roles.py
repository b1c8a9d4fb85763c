"""The rights of the role that serves: it reads and adds; what is append only it can neither change nor empty."""

from django.apps import apps
from django.conf import settings
from django.db import connection

from accounts.append_only import AppendOnly
from ledger.models import EventRow


def grant_to_serving() -> None:
    """Give the serving role its rights on all that is there now; nothing to do where the owner serves itself. Run as the owner."""
    if not settings.SERVING_ROLE:
        return
    role = connection.ops.quote_name(settings.SERVING_ROLE)
    with connection.cursor() as cursor:
        cursor.execute(f"GRANT USAGE ON SCHEMA public TO {role}")
        cursor.execute(f"GRANT USAGE, SELECT, UPDATE ON ALL SEQUENCES IN SCHEMA public TO {role}")
        cursor.execute(f"GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO {role}")
        for table in append_only_tables():
            cursor.execute(f"REVOKE UPDATE, DELETE, TRUNCATE ON {table} FROM {role}")


def append_only_tables() -> list[str]:
    """Every table that is only ever added to, the ledger's partitions each by itself."""
    own = [model._meta.db_table for model in apps.get_models() if issubclass(model, AppendOnly)]
    with connection.cursor() as cursor:
        cursor.execute("SELECT inhrelid::regclass::text FROM pg_inherits WHERE inhparent = %s::regclass", [EventRow._meta.db_table])
        return [*own, *(row[0] for row in cursor.fetchall())]
