"""Contactor coil, poles, faces and replacement (handbook section 6)."""

from outer_test.rules.contactor.applied import armature_findings, contactor_findings
from outer_test.rules.contactor.coil import COIL_VOLTS, USUAL_COIL_V, coil_ohm, control_cuts, control_volts
from outer_test.rules.contactor.poles import compare_poles, pole_drop, pole_heat, pole_heat_seen, pole_through
from outer_test.rules.contactor.replacement import contactor_fit

__all__ = [
    "COIL_VOLTS",
    "USUAL_COIL_V",
    "armature_findings",
    "coil_ohm",
    "compare_poles",
    "contactor_findings",
    "contactor_fit",
    "control_cuts",
    "control_volts",
    "pole_drop",
    "pole_heat",
    "pole_heat_seen",
    "pole_through",
]
