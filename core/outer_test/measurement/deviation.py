"""How far values lie from their mean."""

from collections.abc import Sequence
from decimal import Decimal


def largest_deviation(values: Sequence[Decimal]) -> Decimal:
    """The largest deviation from the mean ÷ the mean. Source: [P: NEMA MG 1, 14.36, from memory].

    >>> round(largest_deviation([Decimal(460), Decimal(467), Decimal(450)]) * 100, 2)
    Decimal('1.96')
    """
    mean = sum(values, Decimal(0)) / len(values)
    return max(abs(value - mean) for value in values) / mean if mean else Decimal(0)
