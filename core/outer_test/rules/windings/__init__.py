"""Compressor and fan motor windings (handbook section 7)."""

from outer_test.rules.windings.applied import winding_findings
from outer_test.rules.windings.baseline import WINDING_SHORT, at_25c, winding_short
from outer_test.rules.windings.ground import INSULATION, WINDING_GROUND, insulation, winding_ground
from outer_test.rules.windings.leads import LEAD_THROUGH, lead_through
from outer_test.rules.windings.open import WINDING_OPEN, Shell, winding_open
from outer_test.rules.windings.pairs import WINDING_ID, WINDING_SUM, winding_id, winding_sum
from outer_test.rules.windings.three_phase import THREE_PHASE, equal_pairs

__all__ = [
    "INSULATION",
    "LEAD_THROUGH",
    "Shell",
    "THREE_PHASE",
    "WINDING_GROUND",
    "WINDING_ID",
    "WINDING_OPEN",
    "WINDING_SHORT",
    "WINDING_SUM",
    "at_25c",
    "equal_pairs",
    "insulation",
    "lead_through",
    "winding_findings",
    "winding_ground",
    "winding_id",
    "winding_open",
    "winding_short",
    "winding_sum",
]
