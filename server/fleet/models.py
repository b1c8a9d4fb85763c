"""Sites and the outdoor units that stand there."""

import uuid

from django.db import models

from accounts.append_only import AppendOnly
from accounts.models import CompanyRow, Member


class Site(CompanyRow):
    """An address with at least one unit."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    name = models.CharField(max_length=120)
    address = models.CharField(max_length=200)

    def __str__(self) -> str:
        return self.name


class Unit(CompanyRow):
    """One outdoor unit. `plate`, `fitted` and `contactor_fitted` are the core's shapes as JSON, as they stand now."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    site = models.ForeignKey(Site, on_delete=models.PROTECT, related_name="+")
    label = models.CharField(max_length=80)
    serial = models.CharField(max_length=40, blank=True)
    plate = models.JSONField(default=dict)
    fitted = models.JSONField(default=list)
    contactor_fitted = models.JSONField(null=True)

    def __str__(self) -> str:
        return f"{self.site}, {self.label}"


class PlateRevision(AppendOnly, CompanyRow):
    """Each plate that was read into a unit, by whom and when. The newest is the unit's own."""

    uuid = models.UUIDField()
    unit = models.ForeignKey(Unit, on_delete=models.PROTECT, related_name="+")
    plate = models.JSONField()
    fitted = models.JSONField()
    contactor_fitted = models.JSONField(null=True)
    why = models.CharField(max_length=200, blank=True)
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="plate_revision_once")]
        indexes = [models.Index(fields=["unit", "at"])]
