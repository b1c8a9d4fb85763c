"""The rules of the trade: a room a station, a file a rule."""

from outer_test.rules.look_over import look_over
from outer_test.rules.nameplate import plate_findings

__all__ = [
    "look_over",
    "plate_findings",
]
