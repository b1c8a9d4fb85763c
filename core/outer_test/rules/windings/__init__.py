"""Compressor and fan motor windings (handbook section 7)."""

from outer_test.rules.windings.applied import winding_findings
from outer_test.rules.windings.baseline import at_25c

__all__ = [
    "at_25c",
    "winding_findings",
]
