"""What units are found by goes straight into its indexes. A list of what is still to go in would be read through by every search,
and units are written seldom."""

from django.db import migrations

_INDEXES = ("unit_find_like", "unit_find_words")


class Migration(migrations.Migration):
    dependencies = [("fleet", "0005_find_and_append_only")]

    operations = [
        migrations.RunSQL(
            [
                statement
                for name in _INDEXES
                for statement in (f"ALTER INDEX {name} SET (fastupdate = off)", f"SELECT gin_clean_pending_list('{name}'::regclass)")
            ],
            [f"ALTER INDEX {name} RESET (fastupdate)" for name in _INDEXES],
        )
    ]
