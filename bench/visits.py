"""The 45-reading visit that the measurements use."""

from dataclasses import replace
from datetime import UTC, datetime, timedelta
from pathlib import Path

from files.visit_file import read_visit
from outer_test.meter import Accuracy
from outer_test.points import POINTS
from outer_test.visit import Reading, Visit

EXAMPLE = Path(__file__).resolve().parents[1] / "docs" / "example-visit.json"
START = datetime(2027, 1, 14, 9, 0, tzinfo=UTC)


def big_visit(readings: int = 45) -> Visit:
    """A visit with this many readings, on the documentation's plate, with a meter profile."""
    example = read_visit(EXAMPLE.read_bytes())
    names = [point.name for point in POINTS.values() if point.kind == "number" and not point.name.startswith("fan_winding")]
    taken = tuple(
        Reading(name, "5.05", meter="m1", at=START + timedelta(seconds=20 * place), id=str(place))
        for place, name in enumerate(names[:readings])
    )
    meters = {"m1": {"uf": Accuracy(1.9, 2), "a": Accuracy(2, 5), "v": Accuracy(1, 3)}}
    return replace(example, readings=taken, meters=meters)  # type: ignore[arg-type]
