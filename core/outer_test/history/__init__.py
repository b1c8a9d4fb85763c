"""What a unit told over its visits, where it drifts, and how it stands."""

from outer_test.history.baseline import BASELINE_POINTS, baseline_of
from outer_test.history.carried import CarriedPart
from outer_test.history.record import PARTS, PartChanged, PointHistory, Told, histories, names_of, part_of, told_of
from outer_test.history.trend import theil_sen, trend
from outer_test.history.unit_status import Standing, Watched, standing

__all__ = [
    "BASELINE_POINTS",
    "PARTS",
    "CarriedPart",
    "PartChanged",
    "PointHistory",
    "Standing",
    "Told",
    "Watched",
    "baseline_of",
    "histories",
    "names_of",
    "part_of",
    "standing",
    "theil_sen",
    "told_of",
    "trend",
]
