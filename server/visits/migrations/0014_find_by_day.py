"""The day of a visit as it is typed, beside what it was found by: with its dashes it was found by nothing."""

from django.conf import settings
from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("visits", "0013_find_at_once")]

    operations = [
        migrations.RunSQL(
            [
                (
                    "UPDATE visits_visit SET find_text = find_text || ' ' || "
                    "to_char(scheduled_for AT TIME ZONE %s, 'YYYYMMDD MMDDYYYY FMMonth DD YYYY') WHERE find_text <> ''",
                    [settings.TIME_ZONE],
                )
            ],
            migrations.RunSQL.noop,
        )
    ]
