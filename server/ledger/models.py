"""The ledger: one append-only table of everything that was written down, and each company's counter of it."""

from django.db import models

from accounts.append_only import AppendOnly
from accounts.models import Company, CompanyRow, Member


class Counter(CompanyRow):
    """The last place of a company's ledger. Its row is locked by whoever writes, until the write is committed: no event ever
    appears behind a place that was already handed out, and none is left free."""

    company = models.OneToOneField(Company, primary_key=True, on_delete=models.CASCADE, related_name="+")
    last = models.BigIntegerField(default=0)


class EventRow(AppendOnly, CompanyRow):
    """One event. `uuid` is the client's, so that sent twice is written once; `body` is the shape of its kind (core `ledger.kinds`).

    `device_at` is the device's own time, `at` the time that counts, `arrived_at` the server's; `clock_wrong` where the device's could not
    be so. `seq` counts on the device, `place` in the company; `after` is the last place the device knew of.
    """

    pk = models.CompositePrimaryKey("company_id", "uuid")
    uuid = models.UUIDField()
    place = models.BigIntegerField()
    site = models.UUIDField(null=True)
    unit = models.UUIDField(null=True)
    visit = models.UUIDField(null=True)
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    device = models.UUIDField()
    seq = models.BigIntegerField()
    after = models.BigIntegerField(null=True)
    device_at = models.DateTimeField(null=True)
    at = models.DateTimeField()
    arrived_at = models.DateTimeField()
    clock_wrong = models.BooleanField(default=False)
    kind = models.CharField(max_length=20)
    version = models.SmallIntegerField(default=1)
    body = models.JSONField()

    class Meta:
        db_table = "ledger_event"
        # As the migration makes them: on each partition, and led by the company, so that a question touches one of them.
        constraints = [
            models.UniqueConstraint(fields=["company", "place"], name="event_place_once"),
            models.UniqueConstraint(fields=["company", "device", "seq"], name="event_seq_once"),
        ]
        indexes = [
            models.Index(fields=["company", "visit", "at"], name="event_of_visit"),
            models.Index(fields=["company", "unit", "kind", "at"], name="event_of_unit"),
        ]
