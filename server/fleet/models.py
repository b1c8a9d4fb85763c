"""Sites and the outdoor units that stand there."""

import secrets
import uuid

from django.contrib.postgres.fields import ArrayField
from django.contrib.postgres.indexes import GinIndex
from django.db import models

from accounts.models import CompanyRow


def new_tag() -> str:
    """What a unit's sticker says: nobody guesses it, and it opens nothing without signing in."""
    return secrets.token_urlsafe(16)


class Site(CompanyRow):
    """An address with at least one unit."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    name = models.CharField(max_length=120)
    address = models.CharField(max_length=200)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "name", "address"], name="site_once")]

    def __str__(self) -> str:
        return self.name


class Unit(CompanyRow):
    """One outdoor unit. `plate`, `fitted` and `contactor_fitted` are the core's shapes as JSON, as they stand now.

    `archived` is why it is not looked after any more, empty while it is; `same_as` the unit that it turned out to be: what was read on
    it is that one's.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    site = models.ForeignKey(Site, on_delete=models.PROTECT, related_name="+")
    label = models.CharField(max_length=80)
    serial = models.CharField(max_length=40, blank=True)
    plate = models.JSONField(default=dict)
    fitted = models.JSONField(default=list)
    contactor_fitted = models.JSONField(null=True)
    notes = models.TextField(blank=True)
    archived = models.CharField(max_length=200, blank=True, default="")
    same_as = models.ForeignKey("self", null=True, on_delete=models.PROTECT, related_name="+")
    tag = models.CharField(max_length=32, default=new_tag, editable=False)
    find_text = models.TextField(blank=True, editable=False)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "tag"], name="tag_once")]

    def __str__(self) -> str:
        return f"{self.site}, {self.label}"


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
