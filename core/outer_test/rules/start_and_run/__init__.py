"""Starting, running amps and aux heat (handbook section 8)."""

from outer_test.rules.start_and_run.applied import run_findings
from outer_test.rules.start_and_run.locked_rotor import Rung, locked_rotor_ladder

__all__ = [
    "Rung",
    "locked_rotor_ladder",
    "run_findings",
]
