"""The function that keeps append-only tables so."""

from django.db import migrations

from accounts.append_only import FORBID_FUNCTION


class Migration(migrations.Migration):
    dependencies = [("accounts", "0001_initial")]
    operations = [migrations.RunSQL(FORBID_FUNCTION, "DROP FUNCTION refuse_change()")]
