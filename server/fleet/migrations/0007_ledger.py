"""Plates read and parts put in are in the ledger now."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("fleet", "0006_find_at_once"), ("visits", "0019_ledger")]
    operations = [migrations.DeleteModel("PlateRevision"), migrations.DeleteModel("PartFitted")]
