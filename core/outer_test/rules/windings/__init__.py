"""Compressor and fan motor windings (handbook section 7)."""

from outer_test.rules.windings.applied import alike_windings, winding_findings
from outer_test.rules.windings.baseline import at_25c, winding_short
from outer_test.rules.windings.ground import GroundTest, insulation, winding_ground
from outer_test.rules.windings.leads import lead_through
from outer_test.rules.windings.open import OpenTest, Shell, is_overload, is_start_winding, winding_open
from outer_test.rules.windings.pairs import winding_id, winding_sum
from outer_test.rules.windings.three_phase import equal_pairs

__all__ = [
    "GroundTest",
    "OpenTest",
    "Shell",
    "alike_windings",
    "at_25c",
    "equal_pairs",
    "insulation",
    "is_overload",
    "is_start_winding",
    "lead_through",
    "winding_findings",
    "winding_ground",
    "winding_id",
    "winding_open",
    "winding_short",
    "winding_sum",
]
