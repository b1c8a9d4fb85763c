"""Starting, running amps and aux heat (handbook section 8)."""

from outer_test.rules.start_and_run.applied import run_findings
from outer_test.rules.start_and_run.aux_heat import ELEMENT_AMPS, element_amps, element_circuit, expected_amps
from outer_test.rules.start_and_run.kit import KIT_EFFECT, kit_effect, kit_offer
from outer_test.rules.start_and_run.running import RUN_AMPS, TOTAL_AMPS, fan_amps, run_amps, total_amps
from outer_test.rules.start_and_run.start import START_AMPS, START_SAG, Start, start_amps, start_sag

__all__ = [
    "ELEMENT_AMPS",
    "KIT_EFFECT",
    "RUN_AMPS",
    "START_AMPS",
    "START_SAG",
    "Start",
    "TOTAL_AMPS",
    "element_amps",
    "element_circuit",
    "expected_amps",
    "fan_amps",
    "kit_effect",
    "kit_offer",
    "run_amps",
    "run_findings",
    "start_amps",
    "start_sag",
    "total_amps",
]
