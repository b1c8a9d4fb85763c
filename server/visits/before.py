"""What a unit's points read on its earlier visits."""

from accounts.models import Company
from visits.keep import told_before
from visits.models import Visit
from visits.shapes import ReadBefore

MOST = 2  # of a point: the last time, and the time before that


def read_before(company: Company, visit: Visit) -> dict[str, tuple[ReadBefore, ...]]:
    """By point, what earlier visits to the same unit told as they were left, the latest first."""
    found: dict[str, tuple[ReadBefore, ...]] = {}
    for at, told in told_before(company, visit):
        for one in {one.point: one for one in told}.values():  # where a part was put in, the new one's comes last
            before = found.get(one.point, ())
            if len(before) < MOST:
                found[one.point] = (*before, ReadBefore(f"{one.value} {one.unit}".strip(), one.at or at))
    return found
