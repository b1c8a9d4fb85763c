"""Every point a reading can be taken at or a thing seen: one record each."""

from outer_test.visit.points.catalogue import POINTS, STATION_TITLE, group_of, measures, sign_at, title_of
from outer_test.visit.points.record import ASKS_NO_POWER, MAY_BE_NEGATIVE, Measures, Point

__all__ = [
    "ASKS_NO_POWER",
    "MAY_BE_NEGATIVE",
    "POINTS",
    "STATION_TITLE",
    "Measures",
    "Point",
    "group_of",
    "measures",
    "sign_at",
    "title_of",
]
