"""A visit file taken in: a finished visit with every line as the file has it, so that it goes out again the same."""

from datetime import datetime
from typing import Any
from uuid import UUID, uuid5

from django.utils import timezone

from accounts.models import Member
from fleet.models import Unit
from fleet.write_unit import find_unit
from ledger.models import EventRow
from ledger.write import ledger_of
from ledger.writer import New, Subject, own_writer
from outer_test import visit as core
from outer_test.ledger import MOST_AHEAD, Finished, Opened, Unfolded, renamed, unfold
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem, sparse
from visits.conclude import conclude_later
from visits.find_text import find_text_of
from visits.keep import keep_told, refresh_standing
from visits.load import load_visit
from visits.models import Visit
from visits.open_visit import put_on_the_list

MOST_LINES = 5000
_FROZEN = ("plate", "fitted", "contactor_fitted", "van_stock", "meters", "calibration_due")
_LONGEST = {"meter": 40, "what": 120, "note": 200, "text": 4000, "value": 24}


def take_in(member: Member, unit_id: UUID, visit_id: UUID, text: bytes) -> Visit:
    """Read a visit file into a unit's record. The same UUID takes it in once.

    Raises NoSuchUnit, and FieldProblem (`file`) with one clear line for a file that is none.
    """
    try:
        visit = core.read_visit(text)
    except ReadProblem as problem:
        raise FieldProblem("file", str(problem)) from None
    if len(visit.readings) + len(visit.seen) + len(visit.lifted) + len(visit.power) + len(visit.defrost_run) > MOST_LINES:
        raise FieldProblem("file", f"A visit has at most {MOST_LINES} lines.")
    unit = find_unit(member.company, unit_id)
    already: Visit | None = Visit.objects.of(member.company).filter(id=visit_id).first()
    return already or write_whole(member, unit, visit_id, visit, _when(visit))


def _when(visit: core.Visit) -> datetime:
    said = [*(reading.at for reading in visit.readings), *(one.at for one in visit.power), *(one.at for one in visit.lifted)]
    times = [at for at in said if at is not None]
    return min(times, default=timezone.now())


def write_whole(
    member: Member, unit: Unit, visit_id: UUID, visit: core.Visit, at: datetime, notes: str = "", reason: str = "", return_of: str = ""
) -> Visit:
    """Write a core visit as a finished one, by a device of its own. reason: why it was finished with lines open.

    Raises FieldProblem where a value is longer than the record keeps it, or a time lies ahead.
    """
    if visit.defrost_seen and not visit.defrost_run and visit.defrost_watched_s is None:
        raise FieldProblem("file", "defrost_seen: answers need a run, and defrost_run is empty.")
    company, plain = member.company, sparse(visit)
    writer = own_writer(member, f"file {visit_id}")
    opened = Opened(at, visit.complaint or "", visit.began or "", notes, return_of)
    lines = unfold(visit, at)
    for line in lines:
        _check(line, writer.now)
    first, last = (pick((line.at for line in lines), default=at) for pick in (min, max))
    with ledger_of(writer) as ledger:
        # Opened no later than its first line: within a device no time runs back.
        row = put_on_the_list(
            ledger, unit, visit_id, opened, min(at, first), rules=plain.get("rules", {}),
            known_before={name: plain.get(name, []) for name in ("baseline", "experience")}, timed_out_before=visit.timed_out_before,
            frozen={name: plain[name] for name in _FROZEN if name in plain},
        )  # fmt: skip
        ids = _Ids(visit_id, lines, company.pk)
        new = [New(ids.of(line.name), renamed(line.body, ids.text), line.at) for line in lines]
        subject = Subject(unit.site_id, unit.pk, visit_id)
        ledger.write_events(subject, [*new, New(uuid5(visit_id, "finished"), Finished(reason), last)])
        loaded = load_visit(company, row)
        row.finished_at, row.finished_by, row.finish_reason = last, member, reason
        keep_told(row, loaded)
        row.find_text = find_text_of(row, member.shown_name)
        row.save()
        conclude_later(row)
        refresh_standing(company, unit, loaded.visit, at)
    return row


class _Ids:
    """The file's own ids where they are UUIDs that this company has not used yet; else ids made from the new visit's."""

    def __init__(self, visit: UUID, lines: list[Unfolded], company: int) -> None:
        self._visit = visit
        own = [UUID(line.name) for line in lines if _is_uuid(line.name)]
        self._taken = set(EventRow._base_manager.filter(company=company, uuid__in=own).values_list("uuid", flat=True))

    def of(self, name: str) -> UUID:
        """The id of what the file calls by this name."""
        return uuid5(self._visit, name) if not _is_uuid(name) or UUID(name) in self._taken else UUID(name)

    def text(self, name: str) -> str:
        """The same as text, for a body that names another event."""
        return str(self.of(name))


def _is_uuid(text: str) -> bool:
    try:
        UUID(text)
    except ValueError:
        return False
    return True


def _check(line: Unfolded, now: datetime) -> None:
    if line.at > now + MOST_AHEAD:
        raise FieldProblem("file", f"{line.name[:40]}: its time lies ahead of now.")
    for name, most in _LONGEST.items():
        text: Any = getattr(line.body, name, None)
        if isinstance(text, str) and len(text) > most:
            raise FieldProblem("file", f"{name}: longer than {most} characters")
