"""House rules' versions are append only."""

from django.db import migrations

from accounts.append_only import forbid_change


class Migration(migrations.Migration):
    dependencies = [("accounts", "0003_electrical_round")]
    operations = [migrations.RunSQL(forbid_change("accounts_houserulesversion"), "DROP TRIGGER append_only ON accounts_houserulesversion")]
