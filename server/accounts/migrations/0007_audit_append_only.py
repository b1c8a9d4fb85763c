"""The record of changes is append only."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("accounts", "0006_record"), ("accounts", "0002_append_only")]
    operations = [migrations.RunSQL(forbid_change("accounts_auditrecord"), "DROP TRIGGER append_only ON accounts_auditrecord")]
