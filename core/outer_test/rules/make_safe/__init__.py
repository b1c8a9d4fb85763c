"""Proving a unit dead and its capacitors discharged (handbook section 4)."""

from outer_test.rules.make_safe.absence import SIX_POINTS, Power, absence, absent, counts_now, power_now
from outer_test.rules.make_safe.stored_energy import all_discharged, discharged, most_stored, stored_energy

__all__ = [
    "Power",
    "SIX_POINTS",
    "absence",
    "absent",
    "all_discharged",
    "counts_now",
    "discharged",
    "most_stored",
    "power_now",
    "stored_energy",
]
