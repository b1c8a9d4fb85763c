"""What is said of a visit in plain words, and each school beside what it makes of a reading."""

from outer_test.report.answer import answer_for
from outer_test.report.plain_words import CustomerPage, customer_page, plain_words
from outer_test.report.school_examples import ChoiceExample, school_examples

__all__ = [
    "ChoiceExample",
    "CustomerPage",
    "answer_for",
    "customer_page",
    "plain_words",
    "school_examples",
]
