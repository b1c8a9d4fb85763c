"""Reading the ledger: rows as the core's events, with what cannot be read named and nothing else lost for it."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from django.db.models import QuerySet
from django.utils.timezone import localtime

from accounts.models import Company
from ledger.models import EventRow
from outer_test.ledger import Event, Kind, read_body
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem

READ = ("uuid", "visit", "kind", "body", "at", "device", "seq", "place", "after", "member_id", "clock_wrong", "device_at")
_KINDS = frozenset(kind.value for kind in Kind)


@dataclass(frozen=True, slots=True)
class Unreadable:
    """An event that this version cannot read: of a newer kind, or damaged."""

    id: UUID
    kind: str
    why: str


@dataclass(frozen=True, slots=True)
class Read:
    """The events of one subject, and what could not be read of it."""

    events: tuple[Event, ...] = ()
    unreadable: tuple[Unreadable, ...] = ()


def events_of_visits(company: Company, visits: Sequence[UUID]) -> dict[UUID, Read]:
    """What was written on each of these visits."""
    by_visit: dict[UUID, list[Any]] = {visit: [] for visit in visits}
    for row in _rows(EventRow.objects.of(company).filter(visit__in=list(visits))):
        by_visit[row[1]].append(row)
    return {visit: read_rows(rows) for visit, rows in by_visit.items()}


def events_of_units(company: Company, units: Sequence[UUID], kinds: Iterable[Kind]) -> Read:
    """What was written of these units, on their visits too, of these kinds."""
    return read_rows(_rows(EventRow.objects.of(company).filter(unit__in=list(units), kind__in=[kind.value for kind in kinds])))


def _rows(rows: "QuerySet[Any]") -> Any:
    return rows.order_by("at", "device", "seq").values_list(*READ)


def read_rows(rows: Iterable[Any]) -> Read:
    """Rows, as `values_list` of the columns read, as events."""
    events: list[Event] = []
    unreadable: list[Unreadable] = []
    for uuid, _, kind, body, at, device, seq, place, after, member, clock_wrong, device_at in rows:
        if kind not in _KINDS:
            unreadable.append(Unreadable(uuid, kind, "written by a newer version of this app"))
            continue
        try:
            read = read_body(Kind(kind), body)
        except (ReadProblem, FieldProblem) as problem:
            unreadable.append(Unreadable(uuid, kind, str(problem)[:200]))
            continue
        own = None if device_at is None else localtime(device_at)
        events.append(Event(str(uuid), Kind(kind), read, localtime(at), str(device), seq, place, after, member, clock_wrong, own))
    return Read(tuple(events), tuple(unreadable))


def read_row(row: EventRow) -> Event:
    """A row that was just written, as an event. Raises ValueError where what was written cannot be read."""
    read = read_rows([tuple(getattr(row, name) for name in READ)])
    if read.unreadable:
        raise ValueError(f"{row.kind}: {read.unreadable[0].why}")
    return read.events[0]
