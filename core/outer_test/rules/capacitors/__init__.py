"""Run and start capacitors (handbook section 5)."""

from outer_test.rules.capacitors.applied import capacitor_findings, fitted_findings
from outer_test.rules.capacitors.bench import cap_bench, cap_new, capacitor_limits
from outer_test.rules.capacitors.combined import cap_parallel
from outer_test.rules.capacitors.fitted import cap_installed, section_rating
from outer_test.rules.capacitors.replacement import CapacitorNeed, cap_fit
from outer_test.rules.capacitors.start import cap_start
from outer_test.rules.capacitors.under_load import cap_load, cap_volts, load_capacitance

__all__ = [
    "CapacitorNeed",
    "cap_bench",
    "cap_fit",
    "cap_installed",
    "cap_load",
    "cap_new",
    "cap_parallel",
    "cap_start",
    "cap_volts",
    "capacitor_findings",
    "capacitor_limits",
    "fitted_findings",
    "load_capacitance",
    "section_rating",
]
