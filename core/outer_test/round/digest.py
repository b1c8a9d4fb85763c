"""What a visit came to in a few letters: by them two devices know whether they saw the same."""

from hashlib import sha256

from outer_test.assessment import Assessment
from outer_test.diagnosis import Diagnosis

_LETTERS = 12


def digest_of(assessment: Assessment, diagnosis: Diagnosis) -> str:
    """The digest of every verdict and of the parts accused, whatever words are said of them.

    >>> from outer_test.assessment import assess
    >>> from outer_test.diagnosis import diagnose
    >>> from outer_test.visit import Visit
    >>> len(digest_of(assess(Visit()), diagnose(Visit())))
    12
    """
    verdicts = sorted(f"{one.point} {one.rule} {one.verdict}" for one in (*assessment.findings, *assessment.found))
    accused = sorted(f"{one.part} {one.fault}" for one in diagnosis.accused)
    told = "\n".join((assessment.overall, assessment.as_found, assessment.as_left, *verdicts, *accused))
    return sha256(told.encode()).hexdigest()[:_LETTERS]
