"""Everything written on one visit, found in a few queries."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any
from uuid import UUID

from django.core.cache import cache

from accounts.models import Company, Member
from outer_test import visit as core
from visits.models import (
    BoardWireLine,
    DefrostAnswer,
    DefrostStamp,
    Entry,
    LiftedEnding,
    LiftedLine,
    PartPutIn,
    PowerClaim,
    Visit,
    VisitNote,
)
from visits.to_core import Log, as_it_stands, core_lifted, core_readings, core_seen, core_visit


class NoSuchVisit(LookupError):
    """This company has no such visit."""


class Finished(Exception):
    """The visit is finished: nothing more is written on it."""


@dataclass(frozen=True, slots=True)
class Loaded:
    """A visit's row, what was written on it, the core's visit made of both, and the names of the company's people by key."""

    row: Visit
    log: Log
    visit: core.Visit
    names: dict[int, str]


def _written(model: type[Any], company: Company, row: Visit) -> list[Any]:
    return list(model.objects.of(company).filter(visit=row).order_by("id"))


def find_visit(company: Company, visit_id: UUID, lock: bool = False) -> Visit:
    """The visit's own row with its unit. `lock` keeps writers of the same visit in line.

    Raises NoSuchVisit, also for another company's visit.
    """
    rows = Visit.objects.of(company).select_related("unit")
    try:
        row: Visit = (rows.select_for_update(of=("self",)) if lock else rows).get(id=visit_id)
    except Visit.DoesNotExist:
        raise NoSuchVisit from None
    return row


def open_for_writing(member: Member, visit_id: UUID) -> Visit:
    """The visit, locked until the transaction ends. Raises NoSuchVisit, Finished."""
    row = find_visit(member.company, visit_id, lock=True)
    if row.finished_at is not None:
        raise Finished
    return row


def load_visit(company: Company, row: Visit) -> Loaded:
    """Gather what was written on this visit."""
    kept: dict[str, Any] = row.frozen or as_it_stands(company, row.unit)
    lifted = _written(LiftedLine, company, row)
    # Without a board there is nothing to stamp; and one is swapped once in years, so not every key asks for a wire map.
    board = bool(kept.get("plate", {}).get("defrost"))
    stamps = _written(DefrostStamp, company, row) if board else []
    log = Log(
        entries=_written(Entry, company, row),
        power=sorted(_written(PowerClaim, company, row), key=lambda claim: (claim.at, claim.pk)),
        lifted=lifted,
        endings={ending.line_id: ending for ending in _written(LiftedEnding, company, row)} if lifted else {},
        stamps=stamps,
        answers=_written(DefrostAnswer, company, row) if stamps else [],
        parts=_written(PartPutIn, company, row),
        notes=_written(VisitNote, company, row),
        wires=_written(BoardWireLine, company, row) if board and row.has_board_wires else [],
    )
    return Loaded(row, log, core_visit(row, kept, log), member_names(company))


def loaded_with(before: Loaded, entries: Sequence[Entry] = (), lifted: Sequence[LiftedLine] = ()) -> Loaded:
    """The visit with what was just written on it, without asking the database again."""
    visit = replace(
        before.visit,
        readings=(*before.visit.readings, *core_readings(entries)),
        seen={**before.visit.seen, **core_seen(entries)},
        lifted=(*before.visit.lifted, *(core_lifted(line, None) for line in lifted)),
    )
    log = replace(before.log, entries=[*before.log.entries, *entries], lifted=[*before.log.lifted, *lifted])
    return replace(before, visit=visit, log=log)


def member_names(company: Company) -> dict[int, str]:
    """How each of the company's people is named on screens and sheets; a change of name shows within half a minute."""
    kept: dict[int, str] | None = cache.get_or_set(f"member-names-{company.pk}", lambda: _read_names(company), timeout=30)
    return kept or {}


def _read_names(company: Company) -> dict[int, str]:
    people = Member.objects.filter(company=company).values_list("pk", "first_name", "last_name", "username")
    return {key: f"{first} {last}".strip() or username for key, first, last, username in people}
