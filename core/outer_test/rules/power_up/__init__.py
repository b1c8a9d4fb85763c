"""Line and control voltage, fuses, and where a voltage is lost (handbook section 8)."""

from outer_test.rules.power_up.applied import power_findings
from outer_test.rules.power_up.control_trace import CONTROL_TRACE, Safeties, board_pass
from outer_test.rules.power_up.fuse import breaker, dead_checks, fuse_ohm, fuse_volts
from outer_test.rules.power_up.line_volts import line_findings, line_volts, volt_limits
from outer_test.rules.power_up.unbalance import must_not_run, voltage_unbalance

__all__ = [
    "CONTROL_TRACE",
    "Safeties",
    "board_pass",
    "breaker",
    "dead_checks",
    "fuse_ohm",
    "fuse_volts",
    "line_findings",
    "line_volts",
    "must_not_run",
    "power_findings",
    "volt_limits",
    "voltage_unbalance",
]
