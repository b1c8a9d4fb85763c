"""Line and control voltage, fuses, and where a voltage is lost (handbook section 8)."""

from outer_test.rules.power_up.applied import power_findings
from outer_test.rules.power_up.control_trace import BOARD_PASS, CONTROL_TRACE, Safeties, board_pass
from outer_test.rules.power_up.fuse import FUSE, breaker
from outer_test.rules.power_up.line_trace import LINE_TRACE
from outer_test.rules.power_up.line_volts import LINE_VOLTS, line_volts, volt_limits
from outer_test.rules.power_up.unbalance import UNBALANCE, voltage_unbalance

__all__ = [
    "BOARD_PASS",
    "CONTROL_TRACE",
    "FUSE",
    "LINE_TRACE",
    "LINE_VOLTS",
    "Safeties",
    "UNBALANCE",
    "board_pass",
    "breaker",
    "line_volts",
    "power_findings",
    "volt_limits",
    "voltage_unbalance",
]
