"""A visit with everything written on it."""

import logging
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from uuid import UUID

from django.core.cache import cache

from accounts.models import Company, Member
from ledger.read import Read, events_of_visits
from outer_test import visit as core
from outer_test.ledger import Recorded
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem
from visits.models import Visit
from visits.to_core import as_it_stands, known_of

logger = logging.getLogger(__name__)


class NoSuchVisit(LookupError):
    """This company has no such visit."""


@dataclass(frozen=True, kw_only=True)
class Loaded(Recorded):
    """What is on record of a visit, and its row."""

    row: Visit


def find_visit(company: Company, visit_id: UUID) -> Visit:
    """The visit's own row with its unit. Raises NoSuchVisit, also for another company's visit."""
    row: Visit | None = Visit.objects.of(company).select_related("unit__site", "technician").filter(id=visit_id).first()
    if row is None:
        raise NoSuchVisit
    return row


def load_visit(company: Company, row: Visit) -> Loaded:
    """Gather what was written on this visit."""
    return load_visits(company, [row])[0]


def load_visits(company: Company, rows: Sequence[Visit]) -> list[Loaded]:
    """Gather what was written on these visits, in one question."""
    load = _loader(company, rows)
    return [load(row) for row in rows]


def load_each(company: Company, rows: Sequence[Visit]) -> Iterator[tuple[Visit, Loaded | None, str]]:
    """As `load_visits`, for a list that must survive a row that cannot be read: then None, and why."""
    load = _loader(company, rows)
    for row in rows:
        try:
            loaded = load(row)
            _ = loaded.visit  # worked out here, where what cannot be read is caught
            yield row, loaded, ""
        except (ReadProblem, FieldProblem) as problem:
            yield row, None, cannot_be_read(row, problem)


def _loader(company: Company, rows: Sequence[Visit]) -> Callable[[Visit], Loaded]:
    """What makes a loaded visit of each of these rows; the database is asked once for all of them."""
    read, names = events_of_visits(company, [row.pk for row in rows]), member_names(company)

    def load(row: Visit) -> Loaded:
        kept = row.frozen or as_it_stands(company, row.unit, row.technician.van_stock)
        return loaded_of(row, known_of(row, kept), read[row.pk], names)

    return load


def cannot_be_read(row: Visit, problem: Exception) -> str:
    """What a list says of a visit that cannot be read; the log has it too."""
    logger.error("visit %s cannot be read: %s", row.pk, type(problem).__name__)
    return f"This visit cannot be read: {str(problem)[:200]}"


def loaded_of(row: Visit, known: core.Visit, read: Read, names: dict[int, str]) -> Loaded:
    """A visit from its row and its events."""
    return Loaded(known, read.events, names, len(read.unreadable), row=row)


def member_names(company: Company) -> dict[int, str]:
    """How each of the company's people is named on screens and sheets; a change of name shows within half a minute."""
    kept: dict[int, str] | None = cache.get_or_set(f"member-names-{company.pk}", lambda: _read_names(company), timeout=30)
    return kept or {}


def _read_names(company: Company) -> dict[int, str]:
    people = Member.objects.filter(company=company).values_list("pk", "first_name", "last_name", "username")
    return {key: f"{first} {last}".strip() or username for key, first, last, username in people}
