"""What a person types or imports, understood or answered with what is wrong."""

from outer_test.entry.field import Typed, TypedProblem, parse_typed
from outer_test.entry.line import LeftOver, ParsedLine, parse_line
from outer_test.entry.log_columns import LogHead, find_heading, look_at
from outer_test.entry.meter_log import (
    LogRow,
    Mapping,
    RowProblem,
    delimiter_of,
    point_named,
    read_rows,
    read_time,
)
from outer_test.entry.vocabulary import AT_STATION, SAYINGS
from outer_test.entry.words import PointWords, StationWords, words_of_line

__all__ = [
    "AT_STATION",
    "SAYINGS",
    "LeftOver",
    "LogHead",
    "LogRow",
    "Mapping",
    "ParsedLine",
    "PointWords",
    "RowProblem",
    "StationWords",
    "Typed",
    "TypedProblem",
    "delimiter_of",
    "find_heading",
    "look_at",
    "parse_line",
    "parse_typed",
    "point_named",
    "read_rows",
    "read_time",
    "words_of_line",
]
