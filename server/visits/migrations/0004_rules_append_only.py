"""Changes of the rules a visit is judged by are append only."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("visits", "0003_electrical_round"), ("accounts", "0002_append_only")]
    operations = [migrations.RunSQL(forbid_change("visits_ruleschange"), "DROP TRIGGER append_only ON visits_ruleschange")]
