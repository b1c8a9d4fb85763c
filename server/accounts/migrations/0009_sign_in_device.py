from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("accounts", "0008_time_zone")]
    operations = [migrations.AddField(model_name="signin", name="device", field=models.UUIDField(null=True))]
