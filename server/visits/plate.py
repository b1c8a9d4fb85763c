"""The plates that were read of a unit, with who and when."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime

from accounts.models import Company
from fleet.models import Unit
from ledger.models import EventRow
from outer_test.ledger import Kind

MOST_SHOWN = 20


@dataclass(frozen=True, slots=True)
class Revision:
    """One reading of the plate into the record."""

    at: datetime
    by_whom: str
    why: str


def plates_read(company: Company, unit: Unit, names: Mapping[int, str]) -> Sequence[Revision]:
    """The readings of a unit's plate, the latest first."""
    latest = EventRow.objects.of(company).filter(unit=unit.pk, kind=Kind.PLATE.value).order_by("-at")[:MOST_SHOWN]
    return [Revision(row.at, names.get(row.member_id, ""), row.body.get("why", "")) for row in latest]
