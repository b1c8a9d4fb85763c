"""Counted attempts, versions of what several people change, what was uploaded a day; one sign-in name whatever its case."""

from collections import Counter

import accounts.models
import django.db.models.deletion
import django.db.models.functions.text
from django.conf import settings
from django.db import migrations, models


def one_name_whatever_its_case(apps, schema_editor):
    """Of names that differ only by case the earliest stays; the others get a number, which the company's lead can read."""
    members = apps.get_model("accounts", "Member").objects.order_by("pk")
    taken = {one.username.lower() for one in members}
    met = Counter()
    for one in members:
        name = one.username.lower()
        met[name] += 1
        if met[name] > 1:
            number = next(n for n in range(2, 10_000) if f"{name}-{n}" not in taken)
            one.username = f"{one.username[:145]}-{number}"
            taken.add(one.username.lower())
            one.save(update_fields=["username"])


# What the library that counted attempts before kept of them.
OLD_COUNTS = "DROP TABLE IF EXISTS axes_accessattemptexpiration, axes_accessattempt, axes_accessfailurelog, axes_accesslog"


class Migration(migrations.Migration):

    dependencies = [
        ('accounts', '0010_device_key'),
        ('auth', '0012_alter_user_first_name_max_length'),
    ]

    operations = [
        migrations.CreateModel(
            name='Attempts',
            fields=[
                ('key', models.CharField(max_length=64, primary_key=True, serialize=False)),
                ('count', models.PositiveIntegerField(default=0)),
                ('until', models.DateTimeField(db_index=True)),
            ],
        ),
        migrations.CreateModel(
            name='LatestChange',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('subject', models.CharField(max_length=100)),
                ('number', models.PositiveIntegerField(default=0)),
                ('at', models.DateTimeField(auto_now_add=True)),
            ],
        ),
        migrations.CreateModel(
            name='Uploaded',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('day', models.DateField()),
                ('bytes', models.PositiveBigIntegerField(default=0)),
            ],
        ),
        migrations.AlterModelManagers(
            name='member',
            managers=[
                ('objects', accounts.models.Members()),
            ],
        ),
        migrations.RunPython(one_name_whatever_its_case, migrations.RunPython.noop),
        migrations.RunSQL(OLD_COUNTS, migrations.RunSQL.noop),
        migrations.AddConstraint(
            model_name='member',
            constraint=models.UniqueConstraint(django.db.models.functions.text.Lower('username'), name='username_once_whatever_its_case'),
        ),
        migrations.AddField(
            model_name='latestchange',
            name='company',
            field=models.ForeignKey(on_delete=django.db.models.deletion.PROTECT, related_name='+', to='accounts.company'),
        ),
        migrations.AddField(
            model_name='latestchange',
            name='member',
            field=models.ForeignKey(on_delete=django.db.models.deletion.PROTECT, related_name='+', to=settings.AUTH_USER_MODEL),
        ),
        migrations.AddField(
            model_name='uploaded',
            name='company',
            field=models.ForeignKey(on_delete=django.db.models.deletion.PROTECT, related_name='+', to='accounts.company'),
        ),
        migrations.AddField(
            model_name='uploaded',
            name='member',
            field=models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='+', to=settings.AUTH_USER_MODEL),
        ),
        migrations.AddConstraint(
            model_name='latestchange',
            constraint=models.UniqueConstraint(fields=('company', 'subject'), name='latest_change_once'),
        ),
        migrations.AddConstraint(
            model_name='uploaded',
            constraint=models.UniqueConstraint(fields=('company', 'member', 'day'), name='uploaded_once'),
        ),
    ]
