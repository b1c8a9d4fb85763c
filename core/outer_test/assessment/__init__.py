"""The one question: what do this visit's readings say?"""

from outer_test.assessment.assess import Assessment, Judged, assess, assessment_of, judge, power_of
from outer_test.assessment.repairs import as_left
from outer_test.assessment.stops import StopKind, stops_of

__all__ = [
    "Assessment",
    "Judged",
    "StopKind",
    "as_left",
    "assess",
    "assessment_of",
    "judge",
    "power_of",
    "stops_of",
]
