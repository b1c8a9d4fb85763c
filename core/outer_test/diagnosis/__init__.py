"""One conclusion from all readings: suspects, what is accused, and the test that is worth most next (handbook section 13)."""

from outer_test.diagnosis.accuse import Accused
from outer_test.diagnosis.diagnose import Diagnosis, diagnose
from outer_test.diagnosis.faults import FAULTS, HEALTHY
from outer_test.diagnosis.hypotheses import hypotheses
from outer_test.diagnosis.observations import observe
from outer_test.diagnosis.suspects import Suspect, weigh

__all__ = [
    "FAULTS",
    "HEALTHY",
    "Accused",
    "Diagnosis",
    "Suspect",
    "diagnose",
    "hypotheses",
    "observe",
    "weigh",
]
