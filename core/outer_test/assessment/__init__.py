"""The one question: what do this visit's readings say?"""

from outer_test.assessment.assess import Assessment, Judged, assess, assessment_of, judge, overall_of, points_read, power_of, still_asked
from outer_test.assessment.power import Power
from outer_test.assessment.repairs import as_found, as_left, read_in_hand
from outer_test.assessment.stops import Stop, StopKind, stops_of

__all__ = [
    "Assessment",
    "Judged",
    "Power",
    "Stop",
    "StopKind",
    "as_found",
    "as_left",
    "assess",
    "assessment_of",
    "judge",
    "overall_of",
    "points_read",
    "power_of",
    "read_in_hand",
    "still_asked",
    "stops_of",
]
