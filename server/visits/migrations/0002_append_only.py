"""What is written on a visit is append only, in the database too."""

from django.db import migrations

from accounts.append_only import forbid_change

TABLES = ("visits_entry", "visits_powerclaim", "visits_liftedline", "visits_liftedending")


class Migration(migrations.Migration):
    dependencies = [("visits", "0001_initial"), ("accounts", "0002_append_only")]
    operations = [migrations.RunSQL(forbid_change(table), f"DROP TRIGGER append_only ON {table}") for table in TABLES]
