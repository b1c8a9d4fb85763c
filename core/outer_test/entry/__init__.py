"""What a person types or imports, understood or answered with what is wrong."""

from outer_test.entry.field import Typed, TypedProblem, parse_typed
from outer_test.entry.line import LeftOver, ParsedLine, parse_line
from outer_test.entry.meter_log import (
    LogRow,
    Mapping,
    RowProblem,
    columns_of,
    delimiter_of,
    guess_mapping,
    point_named,
    read_rows,
    read_time,
)
from outer_test.entry.vocabulary import AT_STATION, SAYINGS

__all__ = [
    "AT_STATION",
    "SAYINGS",
    "LeftOver",
    "LogRow",
    "Mapping",
    "ParsedLine",
    "RowProblem",
    "Typed",
    "TypedProblem",
    "columns_of",
    "delimiter_of",
    "guess_mapping",
    "parse_line",
    "parse_typed",
    "point_named",
    "read_rows",
    "read_time",
]
