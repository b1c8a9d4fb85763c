"""Saturation: the pressure that goes with an evaporating or condensing temperature, for the refrigerants of residential units.

Antoine's equation, fitted here to within 1 % from −45 to 65 °C; checked against the library CoolProp.
"""

from functools import cache
from math import exp, log

_PSI_PA, _ATMOSPHERE_PSI = 6894.757, 14.696
# ln p = A − B ÷ (t + C), p in Pa and t in °C.
_ANTOINE = {
    "R-410A": (22.0005, 2204.7296, 262.1003),
    "R-22": (21.3455, 2073.0183, 251.954),
    "R-32": (22.0838, 2230.2001, 263.1131),
    "R-134a": (21.367, 2121.4965, 241.6182),
    "R-407C": (21.7537, 2157.4616, 247.5774),
}
USUAL = "R-410A"


@cache
def known(refrigerant: str | None) -> str:
    """The name under which a plate's refrigerant is known here; an unknown one is taken as the usual one.

    >>> known("r410a"), known(None), known("R22")
    ('R-410A', 'R-410A', 'R-22')
    """
    bare = (refrigerant or "").upper().replace("-", "").replace(" ", "")
    return next((name for name in _ANTOINE if name.upper().replace("-", "") == bare), USUAL)


def pressure_psig(refrigerant: str | None, celsius: float) -> float:
    """Saturation pressure, psi over the atmosphere's.

    >>> round(pressure_psig("R-410A", 4.44))
    118
    """
    a, b, c = _ANTOINE[known(refrigerant)]
    return exp(a - b / (celsius + c)) / _PSI_PA - _ATMOSPHERE_PSI


def saturation_c(refrigerant: str | None, psig: float) -> float:
    """Saturation temperature, °C, of a pressure over the atmosphere's.

    >>> round(saturation_c("R-22", pressure_psig("R-22", 10.0)), 6)
    10.0
    """
    a, b, c = _ANTOINE[known(refrigerant)]
    return b / (a - log((psig + _ATMOSPHERE_PSI) * _PSI_PA)) - c
