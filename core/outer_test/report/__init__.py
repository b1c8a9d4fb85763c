"""What is said of a visit in plain words, and each school beside what it makes of a reading."""

from outer_test.report.answer import answer_for
from outer_test.report.school_examples import ChoiceExample, school_examples

__all__ = [
    "ChoiceExample",
    "answer_for",
    "school_examples",
]
