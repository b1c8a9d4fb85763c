"""Notes on a visit are append only."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("visits", "0017_wires_lock_out_notes"), ("accounts", "0002_append_only")]
    operations = [migrations.RunSQL(forbid_change("visits_visitnote"), "DROP TRIGGER append_only ON visits_visitnote")]
