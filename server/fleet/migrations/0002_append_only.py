"""Plate revisions are append only, in the database too."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("fleet", "0001_initial"), ("accounts", "0002_append_only")]
    operations = [migrations.RunSQL(forbid_change("fleet_platerevision"), "DROP TRIGGER append_only ON fleet_platerevision")]
