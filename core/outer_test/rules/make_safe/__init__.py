"""Proving a unit dead and its capacitors discharged (handbook section 4)."""

from outer_test.rules.make_safe.absence import DOUBT_WORDS, TESTER, absent, live_readings, reads_live
from outer_test.rules.make_safe.applied import safety_findings
from outer_test.rules.make_safe.stored_energy import discharged, most_stored, stored_energy
from outer_test.rules.make_safe.voltage_lines import DANGER_V

__all__ = [
    "DANGER_V",
    "DOUBT_WORDS",
    "TESTER",
    "absent",
    "discharged",
    "live_readings",
    "most_stored",
    "reads_live",
    "safety_findings",
    "stored_energy",
]
