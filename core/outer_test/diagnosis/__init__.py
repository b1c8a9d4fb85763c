"""One conclusion from all readings: suspects, what is accused, and the test that is worth most next (handbook section 13)."""

from outer_test.diagnosis.accuse import Accused
from outer_test.diagnosis.diagnose import Diagnosis, diagnose
from outer_test.diagnosis.suspects import Suspect

__all__ = [
    "Accused",
    "Diagnosis",
    "Suspect",
    "diagnose",
]
