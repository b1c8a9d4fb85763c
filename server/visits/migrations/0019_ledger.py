"""The eleven tables of what was written on visits become the ledger's events, if that changes no visit's assessment."""

from django.db import migrations, models

from visits.migrations._ledger_move import move
from visits.migrations._ledger_proof import prove

GONE = (
    "Entry", "PowerClaim", "RulesChange", "DefrostStamp", "DefrostAnswer", "PartPutIn", "BoardWireLine", "LiftedEnding", "LiftedLine",
    "VisitNote", "Signature",
)  # fmt: skip


def move_and_prove(apps, schema_editor):
    with schema_editor.connection.cursor() as cursor:
        cursor.execute("SET CONSTRAINTS ALL IMMEDIATE")
        move(cursor)
        prove(cursor)
        cursor.execute("SET CONSTRAINTS ALL IMMEDIATE")  # a table with checks still to come cannot be altered


class Migration(migrations.Migration):
    dependencies = [("visits", "0018_notes_append_only"), ("ledger", "0001_initial"), ("fleet", "0006_find_at_once")]
    operations = [
        migrations.AddField("visit", "readings", models.PositiveIntegerField(default=0)),
        migrations.AddField("visit", "open_lines", models.PositiveIntegerField(default=0)),
        migrations.RunPython(move_and_prove, elidable=False),
        migrations.AddField("photo", "part_uuid", models.UUIDField(null=True)),
        migrations.RunSQL("UPDATE visits_photo p SET part_uuid = f.uuid FROM fleet_partfitted f WHERE f.id = p.part_id"),
        migrations.RemoveField("photo", "part"),
        migrations.RenameField("photo", "part_uuid", "part"),
        *(migrations.DeleteModel(name) for name in GONE),
        migrations.RemoveField("visit", "conditions"),
        migrations.RemoveField("visit", "has_board_wires"),
    ]
