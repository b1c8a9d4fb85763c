"""Sites and the outdoor units that stand there."""

import secrets
import uuid

from django.contrib.postgres.fields import ArrayField
from django.contrib.postgres.indexes import GinIndex
from django.db import models

from accounts.append_only import AppendOnly
from accounts.models import CompanyRow, Member


def new_tag() -> str:
    """What a unit's sticker says: nobody guesses it, and it opens nothing without signing in."""
    return secrets.token_urlsafe(16)


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
    notes = models.TextField(blank=True)
    tag = models.CharField(max_length=32, unique=True, default=new_tag, editable=False)
    find_text = models.TextField(blank=True, editable=False)

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


class PartFitted(AppendOnly, CompanyRow):
    """A part that was put into a unit: from then on its readings begin a new line."""

    uuid = models.UUIDField()
    unit = models.ForeignKey(Unit, on_delete=models.PROTECT, related_name="+")
    part = models.CharField(max_length=40)
    at = models.DateTimeField()
    note = models.CharField(max_length=200, blank=True)
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="part_fitted_once")]
        indexes = [models.Index(fields=["unit", "at"])]


class UnitStanding(CompanyRow):
    """How a unit stood after its latest finished visit: worked out then, so that a fleet is ranked without reading its readings.

    `rank` is the place of its worst verdict, stop first; `points` what is watched there, `carry` the parts a van needs for it.
    """

    unit = models.OneToOneField(Unit, primary_key=True, on_delete=models.CASCADE, related_name="+")
    rank = models.SmallIntegerField()
    crosses = models.DateField(null=True)
    watched = models.JSONField(default=list)
    points = ArrayField(models.CharField(max_length=60), default=list)
    left = models.SmallIntegerField(default=0)
    visit_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["company", "rank", "crosses"]),
            models.Index(fields=["company", "crosses"]),
            GinIndex(fields=["points"]),
        ]
