"""Stamps of a defrost are append only."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("visits", "0005_defrost_stamps"), ("accounts", "0002_append_only")]
    operations = [migrations.RunSQL(forbid_change("visits_defroststamp"), "DROP TRIGGER append_only ON visits_defroststamp")]
