"""A site is one by its name and address."""

from django.db import migrations, models


def one_site_a_place(apps, schema_editor):
    """The units of sites that two people added at once stand at the first of them; events go on naming the one they were written at."""
    Site, Unit = apps.get_model("fleet", "Site")._base_manager, apps.get_model("fleet", "Unit")._base_manager
    first = {}
    for site in Site.order_by("pk"):
        kept = first.setdefault((site.company_id, site.name, site.address), site)
        if kept is not site:
            Unit.filter(site=site).update(site=kept)
            site.delete()


class Migration(migrations.Migration):

    dependencies = [
        ('accounts', '0011_doors'),
        ('fleet', '0007_ledger'),
    ]

    operations = [
        migrations.RunPython(one_site_a_place, migrations.RunPython.noop),
        migrations.AddConstraint(
            model_name='site',
            constraint=models.UniqueConstraint(fields=('company', 'name', 'address'), name='site_once'),
        ),
    ]
