"""Line and control voltage, fuses, and where a voltage is lost (handbook section 8)."""

from outer_test.rules.power_up.applied import power_findings
from outer_test.rules.power_up.control_trace import Safeties, board_pass
from outer_test.rules.power_up.line_trace import breaker, fuse
from outer_test.rules.power_up.line_volts import leg_volts, line_volts, start_sag
from outer_test.rules.power_up.unbalance import voltage_unbalance

__all__ = [
    "Safeties",
    "board_pass",
    "breaker",
    "fuse",
    "leg_volts",
    "line_volts",
    "power_findings",
    "start_sag",
    "voltage_unbalance",
]
