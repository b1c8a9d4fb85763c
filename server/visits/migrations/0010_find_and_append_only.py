"""Signatures are append only; visits are found by words and by likeness."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("visits", "0009_record"), ("fleet", "0005_find_and_append_only"), ("accounts", "0002_append_only")]
    operations = [
        migrations.RunSQL(forbid_change("visits_signature"), "DROP TRIGGER append_only ON visits_signature"),
        migrations.RunSQL(
            "CREATE INDEX visit_find_like ON visits_visit USING gin (find_text gin_trgm_ops)", "DROP INDEX visit_find_like"
        ),
        migrations.RunSQL(
            "CREATE INDEX visit_find_words ON visits_visit USING gin (to_tsvector('simple'::regconfig, COALESCE(find_text, '')))", "DROP INDEX visit_find_words"
        ),
    ]
