"""What is said of a visit in plain words, and each school beside what it makes of a reading."""

from outer_test.report.plain_words import customer_page
from outer_test.report.school_examples import ChoiceExample, school_examples

__all__ = [
    "ChoiceExample",
    "customer_page",
    "school_examples",
]
