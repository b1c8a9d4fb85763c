"""Each word that the help shows is understood on the line as the reading it stands beside."""

import unittest

from outer_test.entry import parse_line, words_of_line
from outer_test.visit import POINTS, title_of


class Words(unittest.TestCase):
    def test_each_is_understood_at_its_station_as_what_it_is_shown_for(self) -> None:
        for station in words_of_line():
            for point in station.points:
                for word in point.words:
                    seen = next(one for one in POINTS.values() if title_of(one.name) == point.title and one.station == station.station)
                    value = seen.choices[-1] if seen.kind == "seen" else "5"
                    titles = [title_of(item.point) for item in parse_line(f"{word} {value}", station.station).items]
                    self.assertIn(point.title, titles, f"{word} at {station.station}")
