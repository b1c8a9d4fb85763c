"""What `./judge` answers: a visit's assessment and its conclusion as plain data, ready to be written as JSON."""

from typing import Any

from outer_test.assessment import as_left, assessment_of, judge
from outer_test.diagnosis import Diagnosis, Suspect, diagnose
from outer_test.plain_data import plain
from outer_test.visit import Visit


def answer_for(visit: Visit) -> dict[str, Any]:
    """Everything the visit's readings say, each for itself and all together. Keys without a value are None, not left out.

    >>> sorted(answer_for(Visit()))[:4]
    ['accused', 'as_found', 'as_left', 'figures']
    """
    judged = judge(as_left(visit))
    assessment = plain(assessment_of(visit, judged))
    for finding in (*assessment["findings"], *assessment["found"]):
        del finding["tape"]  # geometry, which is for drawing
    return {**assessment, **conclusion(diagnose(visit, judged))}


def conclusion(found: Diagnosis) -> dict[str, Any]:
    """A conclusion as plain data.

    >>> conclusion(diagnose(Visit()))["accused"]
    []
    """
    return {
        "suspects": [_suspect(suspect) for suspect in found.suspects],
        "accused": plain(found.accused),
        "next": plain(found.next),
        "path": list(found.path),
    }


def _suspect(one: Suspect) -> dict[str, Any]:
    return {
        "fault": one.fault,
        "part": plain(one.part),
        "says": one.says,
        "probability": plain(one.probability),
        "for": list(one.evidence_for),
        "against": list(one.evidence_against),
    }
