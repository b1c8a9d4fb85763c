"""A value and its digits, units, meters, bands, and what a reading can decide (handbook section 2)."""

from outer_test.measurement.bands import arithmetic_band, numeric, product, total
from outer_test.measurement.decision import DecisionSchool, confidence, decide, why_unsure
from outer_test.measurement.deviation import largest_deviation
from outer_test.measurement.meter import Accuracy, Measured, accuracy_for, measure, measured
from outer_test.measurement.quantity import FieldProblem, Record, quantity
from outer_test.measurement.temperature import celsius, from_kelvin, kelvin
from outer_test.measurement.value import ValueProblem, exact, parse_value, say

__all__ = [
    "Accuracy",
    "DecisionSchool",
    "FieldProblem",
    "Measured",
    "Record",
    "ValueProblem",
    "accuracy_for",
    "arithmetic_band",
    "celsius",
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
    "total",
    "why_unsure",
]
