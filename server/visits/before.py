"""What a unit's points read on its earlier visits."""

from accounts.models import Company
from ledger.models import EventRow
from outer_test.ledger import Kind
from outer_test.visit import POINTS
from visits.models import Visit
from visits.shapes import ReadBefore

MOST = 2  # of a point: the last time, and the time before that


def read_before(company: Company, visit: Visit) -> dict[str, tuple[ReadBefore, ...]]:
    """By point, what stood at the end of earlier visits to the same unit, the latest first."""
    earlier = Visit.objects.of(company).filter(unit=visit.unit_id, finished_at__isnull=False, scheduled_for__lt=visit.scheduled_for)
    rows = list(
        EventRow.objects.of(company)
        .filter(unit=visit.unit_id, kind=Kind.READING.value, visit__in=list(earlier.exclude(pk=visit.pk).values_list("id", flat=True)))
        .order_by("-at", "-device", "-seq")
    )
    gone = {row.body.get("supersedes") for row in rows}
    found: dict[str, dict[object, ReadBefore]] = {}
    for row in rows:
        point = row.body["point"]
        if str(row.uuid) in gone or point not in POINTS:
            continue
        by_visit = found.setdefault(point, {})
        if row.visit not in by_visit and len(by_visit) < MOST:
            by_visit[row.visit] = ReadBefore(f"{row.body['value']} {POINTS[point].sign}".strip(), row.at)
    return {point: tuple(by_visit.values()) for point, by_visit in found.items()}
