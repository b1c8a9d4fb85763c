"""The words of the entry line, station by station: what a technician can say there, and which reading it is."""

from dataclasses import dataclass

from outer_test.entry.vocabulary import AT_STATION, SAYINGS
from outer_test.visit import POINTS, STATION_TITLE, title_of


@dataclass(frozen=True, slots=True)
class PointWords:
    """A reading, and what it is called on the line: the usual word first."""

    title: str
    words: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class StationWords:
    """A station's readings that have words of their own."""

    station: str
    title: str
    points: tuple[PointWords, ...]


def words_of_line() -> tuple[StationWords, ...]:
    """What can be said on the entry line, in the order of the round.

    >>> next(point.words for station in words_of_line() for point in station.points if point.title == "Compressor section, C to HERM")[0]
    'herm'
    """
    said: dict[str, list[str]] = {}
    for word, points in SAYINGS.items():
        for point in points:
            said.setdefault(point, []).append(word)
    for words in AT_STATION.values():
        for word, point in words.items():
            said.setdefault(point, []).append(word)
    return tuple(
        StationWords(station, title, own)
        for station, title in STATION_TITLE.items()
        if (own := tuple(_words(name, said[name]) for name, point in POINTS.items() if point.station == station and name in said))
    )


def _words(point: str, said: list[str]) -> PointWords:
    return PointWords(title_of(point), tuple(dict.fromkeys(said)))
