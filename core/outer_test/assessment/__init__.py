"""The one question: what do this visit's readings say?"""

from outer_test.assessment.accuse import accused_parts
from outer_test.assessment.assess import Assessment, assess, power_of

__all__ = [
    "Assessment",
    "accused_parts",
    "assess",
    "power_of",
]
