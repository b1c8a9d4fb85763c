"""What a unit told over its visits, where it drifts, and how it stands."""

from outer_test.history.record import PARTS, PartChanged, PointHistory, Told, histories, told_of
from outer_test.history.unit_status import Standing, Watched, standing

__all__ = [
    "PARTS",
    "PartChanged",
    "PointHistory",
    "Standing",
    "Told",
    "Watched",
    "histories",
    "standing",
    "told_of",
]
