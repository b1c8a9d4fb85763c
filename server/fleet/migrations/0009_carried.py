"""What a van would need for a unit was kept in words; it is kept in µF and volts from here on."""

import re

from django.db import migrations

_WORDS = re.compile(r"(?:dual|single) ([\d.]+)(?: \+ ([\d.]+))? µF(?: ([\d.]+) V)?")


def in_numbers(apps, schema_editor):
    rows = apps.get_model("fleet", "UnitStanding")._base_manager
    for row in rows.iterator():
        for one in row.watched:
            said = one.get("carry")
            if isinstance(said, str):
                found = _WORDS.fullmatch(said)
                one["carry"] = None
                if found:
                    uf, fan_uf, vac = (None if number is None else float(number) for number in found.groups())
                    one["carry"] = {"uf": uf, "fan_uf": fan_uf, "vac": vac}
        row.save(update_fields=["watched"])


def in_words(apps, schema_editor):
    rows = apps.get_model("fleet", "UnitStanding")._base_manager
    for row in rows.iterator():
        for one in row.watched:
            part = one.get("carry")
            if part is None:
                one["carry"] = ""
            elif isinstance(part, dict):
                uf, fan_uf, vac = (part.get(name) for name in ("uf", "fan_uf", "vac"))
                sections = f"single {uf:g}" if fan_uf is None else f"dual {uf:g} + {fan_uf:g}"
                one["carry"] = f"{sections} µF" + ("" if vac is None else f" {vac:g} V")
        row.save(update_fields=["watched"])


class Migration(migrations.Migration):

    dependencies = [("fleet", "0008_doors")]

    operations = [migrations.RunPython(in_numbers, in_words)]
