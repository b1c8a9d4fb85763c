"""Parts fitted are append only; units are found by words and by likeness."""

from django.contrib.postgres.operations import TrigramExtension
from django.db import migrations

from accounts.append_only import forbid_change

FILL = """
UPDATE fleet_unit SET find_text = concat_ws(' ', s.name, s.address, fleet_unit.label, fleet_unit.serial)
FROM fleet_site s WHERE s.id = fleet_unit.site_id
"""


class Migration(migrations.Migration):
    dependencies = [("fleet", "0004_record"), ("accounts", "0002_append_only")]
    operations = [
        migrations.RunSQL(forbid_change("fleet_partfitted"), "DROP TRIGGER append_only ON fleet_partfitted"),
        TrigramExtension(),
        migrations.RunSQL(FILL, migrations.RunSQL.noop),
        migrations.RunSQL(
            "CREATE INDEX unit_find_like ON fleet_unit USING gin (find_text gin_trgm_ops)", "DROP INDEX unit_find_like"
        ),
        migrations.RunSQL(
            "CREATE INDEX unit_find_words ON fleet_unit USING gin (to_tsvector('simple'::regconfig, COALESCE(find_text, '')))", "DROP INDEX unit_find_words"
        ),
    ]
