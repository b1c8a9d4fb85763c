"""Run and start capacitors (handbook section 5)."""

from outer_test.rules.capacitors.applied import NO_CAPACITOR, capacitor_findings, fitted_findings
from outer_test.rules.capacitors.bench import cap_bench
from outer_test.rules.capacitors.fitted import section_rating
from outer_test.rules.capacitors.under_load import cap_load, cap_volts, load_capacitance

__all__ = [
    "NO_CAPACITOR",
    "cap_bench",
    "cap_load",
    "cap_volts",
    "capacitor_findings",
    "fitted_findings",
    "load_capacitance",
    "section_rating",
]
