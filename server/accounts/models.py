"""Companies and their members."""

from typing import Any, ClassVar

from django.contrib.auth.models import AbstractUser, UserManager
from django.db import models
from django.db.models.functions import Lower
from django.utils.text import slugify

from accounts.append_only import AppendOnly
from outer_test.judgement import HouseRules
from outer_test.plain_data import read_as


class Company(models.Model):
    """One contractor: its house rules and its meters, in the core's own shapes.

    `meters` is by name: `accuracy` by unit, `due` the day its calibration is due, `retired` when it is not offered any more.
    `letterhead` is what stands under the name on a visit sheet: address, telephone, licence.
    `time_zone` is the name of the zone its days and its paper go by; empty is the server's.
    `customer_links` is whether its people may give a customer a link to the page of their visit.
    `boards` are the company's own board profiles by name, beside the generic ones that ship.
    """

    name = models.CharField(max_length=120)
    rules = models.JSONField(default=dict, blank=True)
    meters = models.JSONField(default=dict, blank=True)
    boards = models.JSONField(default=dict, blank=True)
    letterhead = models.TextField(blank=True)
    time_zone = models.CharField(max_length=60, blank=True)
    customer_links = models.BooleanField(default=False)

    def __str__(self) -> str:
        return self.name

    @property
    def handle(self) -> str:
        """What stands behind the @ of its people's sign-in names: whoever comes in learns of no name but their own company's."""
        return f"{(slugify(self.name).split('-')[0] or 'company')[:20]}{self.pk}"

    @property
    def house_rules(self) -> HouseRules:
        """The house rules as they stand."""
        return read_as(HouseRules, self.rules)


class Members(UserManager["Member"]):
    """Members, found by their sign-in name whatever its case: telephones write the first letter large."""

    def get_by_natural_key(self, username: str | None) -> "Member":
        """The member of this name. Raises Member.DoesNotExist."""
        return self.get(username__iexact=username)


class Member(AbstractUser):
    """Somebody who signs in. A member belongs to one company. `van_stock` are the capacitors on their van, as the core has them."""

    objects: ClassVar[Members] = Members()

    class Role(models.TextChoices):
        TECHNICIAN = "technician"
        LEAD = "lead"

    company = models.ForeignKey(Company, on_delete=models.PROTECT, related_name="members")
    role = models.CharField(max_length=12, choices=Role.choices, default=Role.TECHNICIAN)
    van_stock = models.JSONField(default=list, blank=True)

    class Meta(AbstractUser.Meta):
        constraints = [models.UniqueConstraint(Lower("username"), name="username_once_whatever_its_case")]

    @property
    def shown_name(self) -> str:
        """The name on screens and sheets."""
        return self.get_full_name() or self.username.split("@")[0]


class Unscoped(RuntimeError):
    """A company's rows were asked for without saying whose: a mistake in this program."""


class ScopedManager(models.Manager[Any]):
    """The one door to a company's rows: `Model.objects.of(company)`. Everything else refuses."""

    def get_queryset(self) -> models.QuerySet[Any]:
        """Refuse: a query without a company would see every company."""
        raise Unscoped(f"use {self.model.__name__}.objects.of(company)")

    def of(self, company: Company) -> models.QuerySet[Any]:
        """This company's rows."""
        return super().get_queryset().filter(company=company)


class CompanyRow(models.Model):
    """Base of every row that belongs to a company. Related rows are reached through `of` too, never backwards."""

    company = models.ForeignKey(Company, on_delete=models.PROTECT, related_name="+")
    objects = ScopedManager()

    class Meta:
        abstract = True


class HouseRulesVersion(AppendOnly, CompanyRow):
    """House rules as a lead set them, by whom, when and why. The newest is the company's own."""

    uuid = models.UUIDField()
    rules = models.JSONField()
    note = models.CharField(max_length=200, blank=True)
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="house_rules_version_once")]
        indexes = [models.Index(fields=["company", "at"])]


class Invitation(CompanyRow):
    """A link that lets somebody in once, or lets a member set a new password. Only its hash is kept."""

    token_hash = models.CharField(max_length=64, unique=True)
    role = models.CharField(max_length=12, choices=Member.Role.choices)
    reset_of = models.ForeignKey(Member, null=True, on_delete=models.CASCADE, related_name="+")
    made_by = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    made_at = models.DateTimeField(auto_now_add=True)
    expires_at = models.DateTimeField()
    used_at = models.DateTimeField(null=True)
    withdrawn_at = models.DateTimeField(null=True)


class SignIn(CompanyRow):
    """A sign-in: who, when, from where, with what; and when its session was ended from elsewhere or by signing out.

    `shut_out` where a lead ended it: its device hands over what it has not sent, and forgets the company.
    `device` is what the ledger calls it. Its key lets it begin a new session by itself: the present one's hash, and the one before,
    which is good for a moment after it was changed.
    """

    member = models.ForeignKey(Member, on_delete=models.CASCADE, related_name="+")
    at = models.DateTimeField(auto_now_add=True)
    address = models.CharField(max_length=45, blank=True)
    agent = models.CharField(max_length=200, blank=True)
    session_key = models.CharField(max_length=40)
    device = models.UUIDField(null=True)
    key_hash = models.CharField(max_length=64, blank=True, default="", db_index=True)
    key_before = models.CharField(max_length=64, blank=True, default="", db_index=True)
    key_changed_at = models.DateTimeField(null=True)
    key_until = models.DateTimeField(null=True)
    ended_at = models.DateTimeField(null=True)
    shut_out = models.BooleanField(default=False)

    class Meta:
        indexes = [models.Index(fields=["company", "-at"]), models.Index(fields=["session_key"])]


class Attempts(models.Model):
    """How often a password was tried of late, by what is counted (a hash: no name or address is kept)."""

    key = models.CharField(max_length=64, primary_key=True)
    count = models.PositiveIntegerField(default=0)
    until = models.DateTimeField(db_index=True)


class LatestChange(CompanyRow):
    """How often something was changed, and who changed it last: `subject` names it, as `rules` or `board NAME`."""

    subject = models.CharField(max_length=100)
    number = models.PositiveIntegerField(default=0)
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "subject"], name="latest_change_once")]


class Uploaded(CompanyRow):
    """How many bytes of files a member sent on one day."""

    member = models.ForeignKey(Member, on_delete=models.CASCADE, related_name="+")
    day = models.DateField()
    bytes = models.PositiveBigIntegerField(default=0)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "member", "day"], name="uploaded_once")]


class AuditRecord(AppendOnly, CompanyRow):
    """Who changed what in the company, in words; leads read it."""

    at = models.DateTimeField(auto_now_add=True)
    member = models.ForeignKey(Member, null=True, on_delete=models.SET_NULL, related_name="+")
    by_whom = models.CharField(max_length=150)
    what = models.CharField(max_length=300)

    class Meta:
        indexes = [models.Index(fields=["company", "-at"])]
