"""A value and its digits, units, meters, bands, and what a reading can decide (handbook section 2)."""

from outer_test.measurement.bands import arithmetic_band, by_one_meter, numeric, product, total
from outer_test.measurement.decision import (
    LEAST_RATIO,
    MOST_TURNS,
    DecisionSchool,
    closeness,
    confidence,
    decide,
    turns_to_decide,
    why_unsure,
)
from outer_test.measurement.deviation import largest_deviation
from outer_test.measurement.meter import Accuracy, Measured, accuracy_for, measure, measured
from outer_test.measurement.quantity import FieldProblem, Record, quantity, sentence
from outer_test.measurement.temperature import celsius, from_kelvin, kelvin
from outer_test.measurement.value import Value, ValueProblem, exact, parse_value, say

__all__ = [
    "LEAST_RATIO",
    "MOST_TURNS",
    "Accuracy",
    "DecisionSchool",
    "FieldProblem",
    "Measured",
    "Record",
    "Value",
    "ValueProblem",
    "accuracy_for",
    "arithmetic_band",
    "by_one_meter",
    "celsius",
    "closeness",
    "confidence",
    "decide",
    "exact",
    "from_kelvin",
    "kelvin",
    "largest_deviation",
    "measure",
    "measured",
    "numeric",
    "parse_value",
    "product",
    "quantity",
    "say",
    "sentence",
    "total",
    "turns_to_decide",
    "why_unsure",
]
