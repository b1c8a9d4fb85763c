"""From rows to the core's visit: everything written on one visit, loaded in a few queries."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from accounts.models import Company, Member
from files.visit_file import visit_from
from outer_test import visit as core
from outer_test.points import POINTS
from visits.models import Entry, LiftedLine, PowerClaim, Visit


class NoSuchVisit(LookupError):
    """This company has no such visit."""


class Finished(Exception):
    """The visit is finished: nothing more is written on it."""


@dataclass(frozen=True, slots=True)
class Loaded:
    """A visit's rows, and the core's visit made of them."""

    row: Visit
    entries: Sequence[Entry]
    power: Sequence[PowerClaim]
    lifted: Sequence[LiftedLine]
    visit: core.Visit


def find_visit(company: Company, visit_id: UUID, lock: bool = False) -> Visit:
    """The visit's own row with unit, site and people. `lock` keeps writers of the same visit in line.

    Raises NoSuchVisit, also for another company's visit.
    """
    rows = Visit.objects.of(company)
    if lock:
        rows = rows.select_for_update(of=("self",))
    row: Visit | None = rows.filter(id=visit_id).select_related("unit", "unit__site", "technician").first()
    if row is None:
        raise NoSuchVisit
    return row


def open_for_writing(member: Member, visit_id: UUID) -> Visit:
    """The visit, locked until the transaction ends. Raises NoSuchVisit, Finished."""
    row = find_visit(member.company, visit_id, lock=True)
    if row.finished_at is not None:
        raise Finished
    return row


def load_visit(company: Company, row: Visit) -> Loaded:
    """Gather what was written on this visit."""
    entries = list(Entry.objects.of(company).filter(visit=row).select_related("member").order_by("id"))
    power = list(PowerClaim.objects.of(company).filter(visit=row).select_related("member").order_by("at", "id"))
    lifted = list(LiftedLine.objects.of(company).filter(visit=row).select_related("member", "ending").order_by("id"))
    return Loaded(row, entries, power, lifted, _core_visit(company, row, entries, power, lifted))


def _core_visit(
    company: Company, row: Visit, entries: Sequence[Entry], power: Sequence[PowerClaim], lifted: Sequence[LiftedLine]
) -> core.Visit:
    kept: dict[str, Any] = row.frozen or {
        "plate": row.unit.plate,
        "fitted": row.unit.fitted,
        "van_stock": company.van_stock,
        "meters": company.meters,
    }
    measured = [entry for entry in entries if POINTS[entry.point].kind == "number"]
    seen = [entry for entry in entries if POINTS[entry.point].kind == "seen"]
    return visit_from(
        kept
        | {
            "rules": row.rules,
            "conditions": row.conditions,
            "complaint": row.complaint or None,
            "began": row.began or None,
            "power": [core.PowerEvent(claim.state, claim.at) for claim in power],  # type: ignore[arg-type]
            "readings": [core_reading(entry) for entry in measured],
            "seen": {entry.point: core.Seen(entry.value, entry.at) for entry in seen},
            "lifted": [_lifted(line) for line in lifted],
        }
    )


def core_reading(entry: Entry) -> core.Reading:
    """A kept row as the core's reading."""
    return core.Reading(
        entry.point,
        entry.value,
        meter=entry.meter or None,
        at=entry.at,
        by=entry.by or None,  # type: ignore[arg-type]
        fitted=entry.fitted or None,  # type: ignore[arg-type]
        turns=entry.turns,
        top=entry.top,
        power=entry.power,  # type: ignore[arg-type]
        id=str(entry.uuid),
        supersedes=None if entry.supersedes is None else str(entry.supersedes),
    )


def _lifted(line: LiftedLine) -> core.Lifted:
    ending = getattr(line, "ending", None)
    end = None if ending is None else core.LiftedEnd(ending.how, ending.at, ending.why)
    return core.Lifted(line.what, line.at, end, str(line.uuid))
