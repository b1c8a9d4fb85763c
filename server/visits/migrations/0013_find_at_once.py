"""What visits are found by goes straight into its index, as units' words do. Likeness is asked of units alone: its index goes."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("visits", "0012_photo_part")]

    operations = [
        migrations.RunSQL(
            [
                "ALTER INDEX visit_find_words SET (fastupdate = off)",
                "SELECT gin_clean_pending_list('visit_find_words'::regclass)",
                "DROP INDEX visit_find_like",
            ],
            [
                "ALTER INDEX visit_find_words RESET (fastupdate)",
                "CREATE INDEX visit_find_like ON visits_visit USING gin (find_text gin_trgm_ops)",
            ],
        )
    ]
