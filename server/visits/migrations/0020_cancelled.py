from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("visits", "0019_ledger")]
    operations = [migrations.AddField(model_name="visit", name="cancelled", field=models.CharField(max_length=300, blank=True, default=""))]
