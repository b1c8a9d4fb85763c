"""Visits as the ledger's events add up, photos, and files on their way in."""

import uuid

from django.db import models

from accounts.models import CompanyRow, Member
from fleet.models import Unit


class Visit(CompanyRow):
    """One visit to one unit: what its events add up to, and what was worked out of it. What was read and done is in the ledger.

    `frozen` keeps plate, meters and stock as they stood when it was finished; `baseline` the unit's first winding readings and
    `experience` what was proved on other visits, as they were known when it was opened; `rules` the house rules it is judged by;
    `cancelled` why it will not be; `told`, `overall`, `readings` and `open_lines` what it came to when it was finished, for the
    unit's record and the day's list.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    unit = models.ForeignKey(Unit, on_delete=models.PROTECT, related_name="+")
    technician = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    scheduled_for = models.DateTimeField()
    complaint = models.CharField(max_length=40, blank=True)
    began = models.CharField(max_length=12, blank=True)
    notes = models.TextField(blank=True)
    cancelled = models.CharField(max_length=300, blank=True, default="")
    rules = models.JSONField(default=dict)
    finished_at = models.DateTimeField(null=True)
    finished_by = models.ForeignKey(Member, null=True, on_delete=models.PROTECT, related_name="+")
    finish_reason = models.CharField(max_length=300, blank=True)
    frozen = models.JSONField(null=True)
    baseline = models.JSONField(default=list)
    experience = models.JSONField(default=list)
    told = models.JSONField(null=True)
    overall = models.CharField(max_length=10, blank=True)
    readings = models.PositiveIntegerField(default=0)
    open_lines = models.PositiveIntegerField(default=0)
    find_text = models.TextField(blank=True, editable=False)
    timed_out_before = models.PositiveSmallIntegerField(default=0)
    return_of = models.ForeignKey("self", null=True, on_delete=models.PROTECT, related_name="+")

    class Meta:
        indexes = [models.Index(fields=["company", "scheduled_for"]), models.Index(fields=["unit", "scheduled_for"])]


class Photo(CompanyRow):
    """A photo of a unit, taken on a visit where one was open, of a part that was put in (its event) where it names one.

    `about` says of what; removed, it can be put back.
    """

    uuid = models.UUIDField()
    unit = models.ForeignKey(Unit, on_delete=models.PROTECT, related_name="+")
    visit = models.ForeignKey(Visit, null=True, on_delete=models.PROTECT, related_name="+")
    part = models.UUIDField(null=True)
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()
    about = models.CharField(max_length=60, blank=True)
    file = models.FileField(upload_to="photos/")
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    size = models.PositiveIntegerField()
    removed_at = models.DateTimeField(null=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="photo_once")]
        indexes = [models.Index(fields=["unit", "at"]), models.Index(fields=["visit"])]


class HeldEntries(CompanyRow):
    """What a device that a lead shut out had not sent: entries as it kept them, by its clock, until a lead says whether they count."""

    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    device = models.UUIDField()
    entries = models.JSONField(default=list)
    device_now = models.DateTimeField(null=True)
    arrived_at = models.DateTimeField()
    settled_at = models.DateTimeField(null=True)
    taken = models.BooleanField(default=False)

    class Meta:
        indexes = [models.Index(fields=["company", "settled_at"])]


class HeldPhoto(CompanyRow):
    """A photo that such a device had not sent: held with its entries, made anew already; gone with the lead's word."""

    held = models.ForeignKey(HeldEntries, on_delete=models.CASCADE, related_name="+")
    uuid = models.UUIDField()
    unit = models.UUIDField()
    visit = models.UUIDField(null=True)
    part = models.UUIDField(null=True)
    about = models.CharField(max_length=60, blank=True)
    file = models.FileField(upload_to="held/")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="held_photo_once")]


class CustomerLink(CompanyRow):
    """A link by which a customer reads the page of one finished visit, without signing in. Only its hash is kept."""

    token_hash = models.CharField(max_length=64, unique=True)
    visit = models.ForeignKey(Visit, on_delete=models.CASCADE, related_name="+")
    made_by = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    made_at = models.DateTimeField(auto_now_add=True)
    expires_at = models.DateTimeField()
    ended_at = models.DateTimeField(null=True)


class ImportJob(CompanyRow):
    """A file of readings on its way in: looked at, checked row by row, and then kept whole or not at all.

    `lines` are its first as they stand, `samples` what stands in each column; `problems` the first that were found; `preview` the
    first rows with what judging them says. By `digest` the same file is known again.
    """

    class State(models.TextChoices):
        NEW = "new"
        CHECKING = "checking"
        CHECKED = "checked"
        KEEPING = "keeping"
        DONE = "done"
        CANCELLED = "cancelled"
        FAILED = "failed"

    uuid = models.UUIDField()
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    unit = models.ForeignKey(Unit, null=True, on_delete=models.PROTECT, related_name="+")
    name = models.CharField(max_length=120)
    file = models.FileField(upload_to="imports/")
    digest = models.CharField(max_length=64, blank=True, default="")
    lines = models.JSONField(default=list)
    samples = models.JSONField(default=list)
    columns = models.JSONField(default=list)
    mapping = models.JSONField(default=dict)
    state = models.CharField(max_length=10, choices=State.choices, default=State.NEW)
    total = models.PositiveIntegerField(default=0)
    done = models.PositiveIntegerField(default=0)
    problem_count = models.PositiveIntegerField(default=0)
    problems = models.JSONField(default=list)
    preview = models.JSONField(default=list)
    visits = models.PositiveIntegerField(default=0)
    cancel = models.BooleanField(default=False)
    beat = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="import_job_once")]
        indexes = [models.Index(fields=["company", "digest"])]


class FileKind(models.TextChoices):
    """What a file is that the worker makes or takes in."""

    COMPANY_OUT = "company-out"
    COMPANY_IN = "company-in"
    SHEET = "sheet"


class FileState(models.TextChoices):
    """How far the worker is with a file."""

    WAITING = "waiting"
    WORKING = "working"
    DONE = "done"
    CANCELLED = "cancelled"
    FAILED = "failed"


class FileJob(CompanyRow):
    """A file that the worker makes, or takes in: a whole company's zip, a visit's sheet as PDF. The file is let go a day after it was
    made, or once it was taken in; `told` is what was taken in."""

    uuid = models.UUIDField()
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    kind = models.CharField(max_length=12, choices=FileKind.choices)
    visit = models.ForeignKey(Visit, null=True, on_delete=models.CASCADE, related_name="+")
    file = models.FileField(upload_to="made/", blank=True)
    state = models.CharField(max_length=10, choices=FileState.choices, default=FileState.WAITING)
    total = models.PositiveIntegerField(default=0)
    done = models.PositiveIntegerField(default=0)
    problem = models.CharField(max_length=400, blank=True)
    told = models.JSONField(null=True)
    cancel = models.BooleanField(default=False)
    beat = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="file_job_once")]
