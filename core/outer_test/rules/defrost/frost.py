"""Whether a coil can frost now, and so whether a defrost can be watched without forcing the cold (handbook section 9)."""

from dataclasses import dataclass
from math import exp, log

COIL_APPROACH_F = 15.0  # how far a heating coil runs below the outdoor air, °F [M]
FREEZING_F = 32.0


@dataclass(frozen=True, slots=True)
class FrostOutlook:
    """Dew or frost point and the assumed coil temperature in °F; whether frost can form, and why in words."""

    dew_f: float
    coil_f: float
    frosts: bool
    why: str


def dew_point_f(outdoor_f: float, humidity_pct: float) -> float:
    """Dew point over water at or above freezing, frost point over ice below, °F.

    outdoor_f: °F. humidity_pct: relative humidity, % above 0 to 100; raises ValueError outside.
    Magnus form with the constants of WMO No. 8, from memory.

    >>> round(dew_point_f(50, 100), 6)
    50.0
    """
    if not 0 < humidity_pct <= 100:
        raise ValueError("relative humidity must be above 0 and up to 100 %")
    air_c = (outdoor_f - 32) / 1.8
    vapour = humidity_pct / 100 * _saturation(air_c, air_c < 0)
    point = _inverse(vapour, over_ice=False)
    if point < 0:
        point = _inverse(vapour, over_ice=True)
    return point * 1.8 + 32


def _saturation(celsius: float, over_ice: bool) -> float:
    a, b = (22.46, 272.62) if over_ice else (17.62, 243.12)
    return 6.112 * exp(a * celsius / (b + celsius))


def _inverse(vapour_hpa: float, over_ice: bool) -> float:
    a, b = (22.46, 272.62) if over_ice else (17.62, 243.12)
    part = log(vapour_hpa / 6.112)
    return b * part / (a - part)


def will_it_frost(outdoor_f: float, humidity_pct: float, approach_f: float = COIL_APPROACH_F) -> FrostOutlook:
    """Whether a running coil frosts: it must be below freezing and below the dew or frost point.

    approach_f: how far the coil runs below the air, °F, an assumption [M]. Source: [D] water deposits below its dew point.

    >>> will_it_frost(36, 85).frosts, will_it_frost(60, 50).frosts, will_it_frost(20, 15).frosts
    (True, False, False)
    """
    dew, coil = dew_point_f(outdoor_f, humidity_pct), outdoor_f - approach_f
    about = f"Dew point {dew:.0f} °F; a coil {approach_f:.0f} °F below the air, an assumption, is at {coil:.0f} °F."
    if coil > FREEZING_F:
        return FrostOutlook(dew, coil, False, f"{about} Above freezing: no frost. Chill the switch or force it.")
    if coil >= dew:
        return FrostOutlook(dew, coil, False, f"{about} Too dry to frost much. Force it.")
    return FrostOutlook(dew, coil, True, f"{about} It frosts: a natural defrost can be watched.")
