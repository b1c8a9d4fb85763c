"""A unit's baseline: its windings as they read on the earliest visit that also has the shell's temperature."""

from typing import Any

from accounts.models import Company
from fleet.models import Unit
from visits.models import Entry

_PAIRS = ("winding.c_r.ohm", "winding.c_s.ohm", "winding.r_s.ohm")
_SHELL = "winding.shell.f"


def baseline_of(company: Company, unit: Unit) -> list[dict[str, Any]]:
    """The core's Baseline as JSON, from finished visits; empty where no visit has a pair and the shell's temperature."""
    rows = (
        Entry.objects.of(company)
        .filter(visit__unit=unit, visit__finished_at__isnull=False, point__in=(*_PAIRS, _SHELL))
        .order_by("visit__scheduled_for", "id")
        .values_list("visit_id", "point", "value", "at")
    )
    by_visit: dict[Any, dict[str, tuple[str, Any]]] = {}
    for visit, point, value, at in rows:
        by_visit.setdefault(visit, {})[point] = (value, at)  # a later reading of the same visit stands
    for read in by_visit.values():
        shell, pairs = read.get(_SHELL), {point: read[point] for point in _PAIRS if point in read and read[point][0] != "OL"}
        if shell is not None and shell[0] != "OL" and pairs:
            return [
                {"point": point, "value": value, "shell_f": float(shell[0]), "at": at.isoformat()} for point, (value, at) in pairs.items()
            ]
    return []
