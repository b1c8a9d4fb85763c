"""Starting, running amps and aux heat (handbook section 8)."""

from outer_test.rules.start_and_run.applied import run_findings
from outer_test.rules.start_and_run.aux_heat import element_amps, element_circuit, expected_amps
from outer_test.rules.start_and_run.kit import KitTest, kit_effect, kit_offer, kit_stays_in
from outer_test.rules.start_and_run.running import FanRuns, Running, fan_amps, run_amps, total_amps
from outer_test.rules.start_and_run.start import Start, start_amps, start_sag

__all__ = [
    "FanRuns",
    "KitTest",
    "Running",
    "Start",
    "element_amps",
    "element_circuit",
    "expected_amps",
    "fan_amps",
    "kit_effect",
    "kit_offer",
    "kit_stays_in",
    "run_amps",
    "run_findings",
    "start_amps",
    "start_sag",
    "total_amps",
]
