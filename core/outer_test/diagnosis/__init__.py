"""One conclusion from all readings: suspects, what is accused, and the test that is worth most next (handbook section 13)."""

from outer_test.diagnosis.accuse import Accused
from outer_test.diagnosis.around_it import older_than_power
from outer_test.diagnosis.control_unknown import CONTROL
from outer_test.diagnosis.diagnose import Diagnosis, diagnose
from outer_test.diagnosis.expected import Expected, expected_here
from outer_test.diagnosis.experience import USUAL_VISITS
from outer_test.diagnosis.hypotheses import NOTHING, hypotheses
from outer_test.diagnosis.next_test import NextTest
from outer_test.diagnosis.observations import observe
from outer_test.diagnosis.predict import Slice, Table, predict, table_of
from outer_test.diagnosis.suspects import Suspect, weigh
from outer_test.diagnosis.things_tested import TESTED, Test

__all__ = [
    "CONTROL",
    "NOTHING",
    "TESTED",
    "USUAL_VISITS",
    "Accused",
    "Diagnosis",
    "Expected",
    "NextTest",
    "Slice",
    "Suspect",
    "Table",
    "Test",
    "diagnose",
    "expected_here",
    "hypotheses",
    "observe",
    "older_than_power",
    "predict",
    "table_of",
    "weigh",
]
