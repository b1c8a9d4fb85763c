"""Proving a unit dead and its capacitors discharged (handbook section 4)."""

from outer_test.rules.make_safe.absence import ABSENCE, absent
from outer_test.rules.make_safe.applied import safety_findings
from outer_test.rules.make_safe.stored_energy import STORED_ENERGY, discharged, most_stored, stored_energy

__all__ = [
    "ABSENCE",
    "STORED_ENERGY",
    "absent",
    "discharged",
    "most_stored",
    "safety_findings",
    "stored_energy",
]
