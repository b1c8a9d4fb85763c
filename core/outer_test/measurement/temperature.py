"""Temperatures turned from one scale to another. Source: [D], the scales' definitions."""

from decimal import Decimal

ZERO_C_K = 273.15


def celsius(fahrenheit: Decimal) -> Decimal:
    """°C from °F.

    >>> celsius(Decimal(77))
    Decimal('25')
    """
    return (fahrenheit - 32) * 5 / 9


def kelvin(fahrenheit: float) -> float:
    """K from °F.

    >>> kelvin(77)
    298.15
    """
    return (fahrenheit - 32) / 1.8 + ZERO_C_K


def from_kelvin(kelvins: float) -> float:
    """°F from K.

    >>> round(from_kelvin(298.15), 9)
    77.0
    """
    return (kelvins - ZERO_C_K) * 1.8 + 32
