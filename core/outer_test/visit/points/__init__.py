"""Every point a reading can be taken at or a thing seen: one record each."""

from outer_test.visit.points.catalogue import POINTS, STATION_TITLE, title_of
from outer_test.visit.points.record import MAY_BE_NEGATIVE, Point

__all__ = ["MAY_BE_NEGATIVE", "POINTS", "STATION_TITLE", "Point", "title_of"]
