from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("accounts", "0009_sign_in_device")]
    operations = [
        migrations.AddField(model_name="signin", name="key_hash", field=models.CharField(max_length=64, blank=True, db_index=True, default="")),
        migrations.AddField(model_name="signin", name="key_before", field=models.CharField(max_length=64, blank=True, db_index=True, default="")),
        migrations.AddField(model_name="signin", name="key_changed_at", field=models.DateTimeField(null=True)),
        migrations.AddField(model_name="signin", name="key_until", field=models.DateTimeField(null=True)),
    ]
