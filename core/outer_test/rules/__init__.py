"""The rules of the trade: a room a station, a file a rule."""

from outer_test.rules.catalogue import RULES
from outer_test.rules.explain import RulePage, rule_page, rule_pages
from outer_test.rules.look_over import look_over
from outer_test.rules.nameplate import (
    AMPACITY,
    computed_mca,
    computed_mop,
    conductor,
    plate_findings,
    plate_lra,
    plate_mca,
    plate_mop,
    protection,
)
from outer_test.rules.taken import SetAside, set_aside, taken_findings

__all__ = [
    "AMPACITY",
    "RULES",
    "RulePage",
    "SetAside",
    "computed_mca",
    "computed_mop",
    "conductor",
    "look_over",
    "plate_findings",
    "plate_lra",
    "plate_mca",
    "plate_mop",
    "protection",
    "rule_page",
    "rule_pages",
    "set_aside",
    "taken_findings",
]
