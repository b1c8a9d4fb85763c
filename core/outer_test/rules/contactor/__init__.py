"""Contactor coil, poles, faces and replacement (handbook section 6)."""

from outer_test.rules.contactor.applied import armature_findings, contactor_findings
from outer_test.rules.contactor.coil import control_volts
from outer_test.rules.contactor.poles import pole_drop

__all__ = [
    "armature_findings",
    "contactor_findings",
    "control_volts",
    "pole_drop",
]
