"""The ledger's table, hash-partitioned by company, and each company's counter.

Written as SQL: the ORM knows no partitions. `state_operations` tells it of the same table.
"""

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models

from accounts.append_only import forbid_change

PARTITIONS = 16

MAKE = f"""
CREATE TABLE ledger_event (
  company_id bigint NOT NULL REFERENCES accounts_company DEFERRABLE INITIALLY DEFERRED,
  uuid uuid NOT NULL,
  place bigint NOT NULL,
  site uuid,
  unit uuid,
  visit uuid,
  member_id bigint NOT NULL REFERENCES accounts_member DEFERRABLE INITIALLY DEFERRED,
  device uuid NOT NULL,
  seq bigint NOT NULL,
  after bigint,
  device_at timestamptz,
  at timestamptz NOT NULL,
  arrived_at timestamptz NOT NULL,
  clock_wrong boolean NOT NULL,
  kind varchar(20) NOT NULL,
  version smallint NOT NULL,
  body jsonb NOT NULL,
  PRIMARY KEY (company_id, uuid),
  CONSTRAINT event_place_once UNIQUE (company_id, place),
  CONSTRAINT event_seq_once UNIQUE (company_id, device, seq)
) PARTITION BY HASH (company_id);
{"".join(f"CREATE TABLE ledger_event_{part} PARTITION OF ledger_event FOR VALUES WITH (MODULUS {PARTITIONS}, REMAINDER {part});" for part in range(PARTITIONS))}
CREATE INDEX event_of_visit ON ledger_event (company_id, visit, at);
CREATE INDEX event_of_unit ON ledger_event (company_id, unit, kind, at);
{forbid_change("ledger_event")};
"""


class Migration(migrations.Migration):
    initial = True
    dependencies = [("accounts", "0009_sign_in_device"), ("visits", "0018_notes_append_only"), ("fleet", "0006_find_at_once")]
    operations = [
        migrations.CreateModel(
            name="Counter",
            fields=[
                (
                    "company",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE, primary_key=True, related_name="+", serialize=False, to="accounts.company"
                    ),
                ),
                ("last", models.BigIntegerField(default=0)),
            ],
        ),
        migrations.SeparateDatabaseAndState(
            database_operations=[migrations.RunSQL(MAKE, "DROP TABLE ledger_event")],
            state_operations=[
                migrations.CreateModel(
                    name="EventRow",
                    fields=[
                        (
                            "pk",
                            models.CompositePrimaryKey(
                                "company_id", "uuid", blank=True, editable=False, primary_key=True, serialize=False
                            ),
                        ),
                        ("uuid", models.UUIDField()),
                        ("place", models.BigIntegerField()),
                        ("site", models.UUIDField(null=True)),
                        ("unit", models.UUIDField(null=True)),
                        ("visit", models.UUIDField(null=True)),
                        ("device", models.UUIDField()),
                        ("seq", models.BigIntegerField()),
                        ("after", models.BigIntegerField(null=True)),
                        ("device_at", models.DateTimeField(null=True)),
                        ("at", models.DateTimeField()),
                        ("arrived_at", models.DateTimeField()),
                        ("clock_wrong", models.BooleanField(default=False)),
                        ("kind", models.CharField(max_length=20)),
                        ("version", models.SmallIntegerField(default=1)),
                        ("body", models.JSONField()),
                        (
                            "company",
                            models.ForeignKey(on_delete=django.db.models.deletion.PROTECT, related_name="+", to="accounts.company"),
                        ),
                        (
                            "member",
                            models.ForeignKey(
                                on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                            ),
                        ),
                    ],
                    options={
                        "db_table": "ledger_event",
                        "indexes": [
                            models.Index(fields=["company", "visit", "at"], name="event_of_visit"),
                            models.Index(fields=["company", "unit", "kind", "at"], name="event_of_unit"),
                        ],
                        "constraints": [
                            models.UniqueConstraint(fields=("company", "place"), name="event_place_once"),
                            models.UniqueConstraint(fields=("company", "device", "seq"), name="event_seq_once"),
                        ],
                    },
                ),
            ],
        ),
    ]
