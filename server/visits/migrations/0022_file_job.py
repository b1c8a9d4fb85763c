"""The zip's job becomes the job of any file that the worker makes or takes in: a visit's sheet as PDF too."""

import django.db.models.deletion
from django.db import migrations, models
from django.db.models import Case, Value, When


def kind_from_out(apps, schema_editor):
    jobs = apps.get_model("visits", "FileJob")._base_manager
    jobs.update(kind=Case(When(out=True, then=Value("company-out")), default=Value("company-in")))


def out_from_kind(apps, schema_editor):
    jobs = apps.get_model("visits", "FileJob")._base_manager
    jobs.filter(kind="sheet").delete()
    jobs.update(out=Case(When(kind="company-out", then=Value(True)), default=Value(False)))


class Migration(migrations.Migration):

    dependencies = [("visits", "0021_zip_job")]

    operations = [
        migrations.RenameModel("ZipJob", "FileJob"),
        migrations.RemoveConstraint("FileJob", "zip_job_once"),
        migrations.AddConstraint("FileJob", models.UniqueConstraint(fields=["company", "uuid"], name="file_job_once")),
        migrations.AddField(
            "FileJob",
            "kind",
            models.CharField(
                choices=[("company-out", "Company Out"), ("company-in", "Company In"), ("sheet", "Sheet")], default="company-out", max_length=12
            ),
            preserve_default=False,
        ),
        migrations.AddField(
            "FileJob",
            "visit",
            models.ForeignKey(null=True, on_delete=django.db.models.deletion.CASCADE, related_name="+", to="visits.visit"),
        ),
        migrations.AlterField("FileJob", "out", models.BooleanField(default=True)),
        migrations.RunPython(kind_from_out, out_from_kind),
        migrations.RemoveField("FileJob", "out"),
        migrations.AlterField("FileJob", "file", models.FileField(blank=True, upload_to="made/")),
    ]
