"""The wire map of a board is append only."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("visits", "0007_boards"), ("accounts", "0002_append_only")]
    operations = [migrations.RunSQL(forbid_change("visits_boardwireline"), "DROP TRIGGER append_only ON visits_boardwireline")]
