"""What a unit told over its visits, where it drifts, and how it stands."""

from outer_test.history.record import PARTS, PartChanged, PointHistory, Told, histories, names_of, part_of, told_of
from outer_test.history.trend import theil_sen, trend
from outer_test.history.unit_status import Standing, Watched, standing

__all__ = [
    "PARTS",
    "PartChanged",
    "PointHistory",
    "Standing",
    "Told",
    "Watched",
    "histories",
    "names_of",
    "part_of",
    "standing",
    "theil_sen",
    "told_of",
    "trend",
]
