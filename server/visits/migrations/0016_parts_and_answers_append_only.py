"""Parts put in and answers of a defrost are append only."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("visits", "0015_parts_and_answers"), ("accounts", "0002_append_only")]
    operations = [
        migrations.RunSQL(forbid_change("visits_partputin"), "DROP TRIGGER append_only ON visits_partputin"),
        migrations.RunSQL(forbid_change("visits_defrostanswer"), "DROP TRIGGER append_only ON visits_defrostanswer"),
    ]
