"""Visits, and what is written down on them: entries, power, lifted lines. All but the visit itself is append only."""

import uuid

from django.db import models

from accounts.append_only import AppendOnly
from accounts.models import CompanyRow, Member
from fleet.models import PartFitted, Unit


class Visit(CompanyRow):
    """One visit to one unit.

    `frozen` keeps plate, meters and stock as they stood when it was finished; `baseline` the unit's first winding readings
    as they were known when it was opened; `rules` the house rules it was first judged by;
    `told` and `overall` what its readings said when it was finished, for the unit's record.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    unit = models.ForeignKey(Unit, on_delete=models.PROTECT, related_name="+")
    technician = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    scheduled_for = models.DateTimeField()
    complaint = models.CharField(max_length=40, blank=True)
    began = models.CharField(max_length=12, blank=True)
    notes = models.TextField(blank=True)
    conditions = models.JSONField(default=dict)
    rules = models.JSONField(default=dict)
    finished_at = models.DateTimeField(null=True)
    finished_by = models.ForeignKey(Member, null=True, on_delete=models.PROTECT, related_name="+")
    finish_reason = models.CharField(max_length=300, blank=True)
    frozen = models.JSONField(null=True)
    baseline = models.JSONField(default=list)
    told = models.JSONField(null=True)
    overall = models.CharField(max_length=10, blank=True)
    find_text = models.TextField(blank=True, editable=False)
    has_board_wires = models.BooleanField(default=False)
    timed_out_before = models.PositiveSmallIntegerField(default=0)
    return_of = models.ForeignKey("self", null=True, on_delete=models.PROTECT, related_name="+")

    class Meta:
        indexes = [models.Index(fields=["company", "scheduled_for"]), models.Index(fields=["unit", "scheduled_for"])]


class Written(AppendOnly, CompanyRow):
    """Something written down on a visit: who, when, and the client's own UUID, so that sent twice is written once."""

    uuid = models.UUIDField()
    visit = models.ForeignKey(Visit, on_delete=models.PROTECT, related_name="+")
    member = models.ForeignKey(Member, on_delete=models.PROTECT, related_name="+")
    at = models.DateTimeField()

    class Meta:
        abstract = True


class Entry(Written):
    """A reading or a thing seen. `value` is the text that was kept; a correction supersedes, never changes."""

    point = models.CharField(max_length=60)
    value = models.CharField(max_length=24)
    meter = models.CharField(max_length=40, blank=True)
    by = models.CharField(max_length=10, blank=True)
    fitted = models.CharField(max_length=10, blank=True)
    turns = models.PositiveSmallIntegerField(default=1)
    top = models.FloatField(null=True)
    unit_said = models.BooleanField(default=False)
    power = models.CharField(max_length=14)
    supersedes = models.UUIDField(null=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="entry_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class PowerClaim(Written):
    """What somebody said of the power."""

    state = models.CharField(max_length=14)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="power_claim_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class RulesChange(Written):
    """The house rules a visit is judged by from then on, where somebody asked for it to be judged anew."""

    rules = models.JSONField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="rules_change_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class DefrostStamp(Written):
    """One event of a watched defrost, `s` seconds after it was forced; `run` groups a run's stamps.

    `undoes` takes an earlier stamp back: it stays on record, and counts no more.
    """

    run = models.UUIDField()
    event = models.CharField(max_length=20)
    s = models.FloatField()
    undoes = models.UUIDField(null=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="defrost_stamp_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class DefrostAnswer(Written):
    """What was said of an event of a run that was not stamped: it happened, it did not, or nobody looked. The latest of an event stands."""

    run = models.UUIDField()
    event = models.CharField(max_length=20)
    answer = models.CharField(max_length=14)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="defrost_answer_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class PartPutIn(Written):
    """A part that was put in on this visit: `about` is the core's Repair. `undoes` takes one that was never put in off again."""

    part = models.CharField(max_length=40)
    about = models.JSONField(default=dict)
    undoes = models.UUIDField(null=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="part_put_in_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class BoardWireLine(Written):
    """A line of the wire map of an old defrost board. The latest of a wire stands; `wire` is its first line's id, empty in lines
    from when a terminal held one wire only. `gone` takes a wrong line off the map, `on_old` puts the wire back on the old board."""

    wire = models.UUIDField(null=True)
    on_old = models.BooleanField(default=False)
    terminal = models.CharField(max_length=20)
    colour = models.CharField(max_length=20, blank=True)
    goes_to = models.CharField(max_length=80, blank=True)
    new_terminal = models.CharField(max_length=20, blank=True)
    gone = models.BooleanField(default=False)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="board_wire_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class LiftedLine(Written):
    """A line of the not-put-back list."""

    what = models.CharField(max_length=120)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="lifted_line_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class LiftedEnding(Written):
    """How a lifted line ended; a line ends once."""

    line = models.OneToOneField(LiftedLine, on_delete=models.PROTECT, related_name="ending")
    how = models.CharField(max_length=8)
    why = models.CharField(max_length=300, blank=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="lifted_ending_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class VisitNote(Written):
    """A note that a technician wrote on a visit."""

    text = models.TextField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="visit_note_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class Signature(Written):
    """A signature drawn on the screen: strokes of (x, y) in a box one wide; the latest stands."""

    name = models.CharField(max_length=80)
    strokes = models.JSONField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["company", "uuid"], name="signature_once")]
        indexes = [models.Index(fields=["visit", "id"])]


class Photo(CompanyRow):
    """A photo of a unit, taken on a visit where one was open, of a part that was put in where it names one.

    `about` says of what; removed, it can be put back.
    """

    uuid = models.UUIDField()
    unit = models.ForeignKey(Unit, on_delete=models.PROTECT, related_name="+")
    visit = models.ForeignKey(Visit, null=True, on_delete=models.PROTECT, related_name="+")
    part = models.ForeignKey(PartFitted, null=True, on_delete=models.PROTECT, related_name="+")
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


class ImportJob(CompanyRow):
    """A file of readings on its way in: looked at, checked row by row, and then kept whole or not at all.

    `problems` are the first that were found; `preview` the first rows with what judging them says.
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
