"""Moist air: how much water it holds, and where its dew point lies.

Source: Magnus's formula with Sonntag's constants, from memory; checked with the library psychrolib (ASHRAE's formulae).
"""

from math import exp, log

_PRESSURE_PA = 101_325.0
_OVER_WATER = (611.2, 17.62, 243.12)
_OVER_ICE = (611.2, 22.46, 272.62)


def celsius(fahrenheit: float) -> float:
    """°C from °F.

    >>> celsius(32.0)
    0.0
    """
    return (fahrenheit - 32) / 1.8


def fahrenheit(celsius_: float) -> float:
    """°F from °C.

    >>> fahrenheit(100.0)
    212.0
    """
    return celsius_ * 1.8 + 32


def saturation_pa(celsius_: float) -> float:
    """The pressure of saturated water vapour, Pa: over ice below 0 °C.

    >>> round(saturation_pa(20))
    2333
    """
    base, slope, offset = _OVER_WATER if celsius_ >= 0 else _OVER_ICE
    return base * exp(slope * celsius_ / (offset + celsius_))


def humidity_ratio(celsius_: float, share: float) -> float:
    """Kilograms of water in a kilogram of dry air at a relative humidity of `share`, 0 to 1, and sea level.

    >>> round(humidity_ratio(20, 0.5), 4)
    0.0072
    """
    vapour = share * saturation_pa(celsius_)
    return 0.621945 * vapour / (_PRESSURE_PA - vapour)


def dew_point(celsius_: float, share: float) -> float:
    """The dew or frost point, °C.

    >>> round(dew_point(20, 0.5), 1)
    9.3
    """
    vapour = log(max(share, 1e-6) * saturation_pa(celsius_) / 611.2)
    for _, slope, offset in (_OVER_WATER, _OVER_ICE):
        found = offset * vapour / (slope - vapour)
        if found >= 0:
            return found
    return found
