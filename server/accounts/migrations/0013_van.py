"""The van's stock is its technician's: everybody begins with what the company had."""

from django.db import migrations, models


def to_each_van(apps, schema_editor):
    member = apps.get_model("accounts", "Member")
    for company in apps.get_model("accounts", "Company").objects.exclude(van_stock=[]):
        member.objects.filter(company=company).update(van_stock=company.van_stock)


def to_the_company(apps, schema_editor):
    member = apps.get_model("accounts", "Member")
    for company in apps.get_model("accounts", "Company").objects.all():
        stocked = member.objects.filter(company=company).exclude(van_stock=[]).order_by("pk").first()
        if stocked is not None:
            company.van_stock = stocked.van_stock
            company.save(update_fields=["van_stock"])


class Migration(migrations.Migration):

    # The move to the ledger still reads the company's.
    dependencies = [("accounts", "0012_customer_links"), ("visits", "0019_ledger")]

    operations = [
        migrations.AddField("Member", "van_stock", models.JSONField(blank=True, default=list)),
        migrations.RunPython(to_each_van, to_the_company),
        migrations.RemoveField("Company", "van_stock"),
    ]
