"""Coil and ambient thermistors: the rule `sensor-ohm` (handbook section 9). The temperature error is judged, not ohms."""

from dataclasses import dataclass
from decimal import Decimal
from itertools import pairwise
from math import exp, log

from outer_test.judgement import Finding, Verdict, judged, unjudged
from outer_test.measurement import Measured, from_kelvin, kelvin, say

T25_K = 298.15
DEFAULT_R25, DEFAULT_B = 10_000.0, 3950.0
GOOD_F, WATCH_F = 3.0, 6.0
SHORTED_OHM = 50
BOARD_V = 5.0


@dataclass(frozen=True, slots=True)
class SensorCurve:
    """A thermistor's curve: R25 in Ω and B in K, or a table of (°F, Ω). `own` where it is this unit's, not the default."""

    r25_ohm: float = DEFAULT_R25
    b_k: float = DEFAULT_B
    table: tuple[tuple[float, float], ...] = ()
    own: bool = False

    def ohm(self, fahrenheit: float) -> float:
        """Resistance at a temperature: R25 × exp(B × (1/T − 1/298.15)), T in K; a table is for reading backwards only.

        >>> round(SensorCurve().ohm(77)), round(SensorCurve().ohm(32))
        (10000, 33621)
        """
        return self.r25_ohm * exp(self.b_k * (1 / kelvin(fahrenheit) - 1 / T25_K))

    def fahrenheit(self, ohm: float) -> float | None:
        """Temperature for a resistance; with a table ln R is linear in 1/T between its points, and None outside them.

        >>> round(SensorCurve().fahrenheit(10000), 6)
        77.0
        >>> SensorCurve(table=((32.0, 32600.0), (77.0, 10000.0))).fahrenheit(5000) is None
        True
        """
        if ohm <= 0:
            return None
        if not self.table:
            return from_kelvin(1 / (1 / T25_K + log(ohm / self.r25_ohm) / self.b_k))
        points = sorted(self.table, key=lambda point: point[1])
        for (low_f, low), (high_f, high) in pairwise(points):
            if low <= ohm <= high:
                part = (log(ohm) - log(low)) / (log(high) - log(low)) if high != low else 0.0
                return from_kelvin(1 / ((1 - part) / kelvin(low_f) + part / kelvin(high_f)))
        return None


def divider_ohm(volts: float, pull_ohm: float) -> float | None:
    """Sensor resistance from the board's divider, V = 5 × R ÷ (R + R_pull); None at or beyond the rails. Ω.

    Source: [D] a voltage divider.

    >>> divider_ohm(2.5, 10000)
    10000.0
    """
    return None if not 0 < volts < BOARD_V else pull_ohm * volts / (BOARD_V - volts)


def sensor_ohm(reading: Measured, beside_f: Measured | None, curve: SensorCurve, point: str) -> Finding:
    """A sensor turned to °F and held against a thermometer beside it: within 3 °F `good`, 6 `watch`, else `bad`.

    reading: Ω. beside_f: °F. On the default curve a large error is `unsure`: confirm the curve first. OL or near 0 is `bad`.
    Source: [D] the B-parameter equation; [T] for R25 10 kΩ, B 3950 K, and the limits.

    >>> from outer_test.measurement import measure
    >>> sensor_ohm(measure("32600"), measure("33"), SensorCurve(), "defrost.coil_sensor.ohm").verdict.value
    'good'
    """
    rule, part = "sensor-ohm", "coil sensor" if "coil" in point else "ambient sensor"
    if reading.value.kind in ("OL", "open"):
        return judged(point, rule, Verdict.BAD, "OL: open.", reading, unit="Ω", accuses=part, next="Replace the sensor.")
    if reading.value.kind == "closed" or (reading.number is not None and reading.number < SHORTED_OHM):
        return judged(point, rule, Verdict.BAD, "Near nothing: shorted.", reading, unit="Ω", accuses=part, next="Replace the sensor.")
    reads_f = curve.fahrenheit(float(reading.number or 0))
    whose = "its own curve" if curve.own else "the default curve"
    if reads_f is None:
        return unjudged(point, rule, "Outside the unit's own table.", shown=reading.value.text, unit="Ω")
    if beside_f is None or beside_f.number is None:
        needs = ("defrost.coil.f" if "coil" in point else "defrost.ambient.f",)
        why = f"It reads {say(round(reads_f, 1))} °F on {whose}; needs a thermometer beside it."
        return unjudged(point, rule, why, needs, shown=reading.value.text, unit="Ω")
    off = reads_f - float(beside_f.number)
    why = f"It reads {say(round(reads_f, 1))} °F on {whose}, the thermometer {say(beside_f.number)} °F: {say(round(abs(off), 1))} °F apart."
    limits = {"value": round(reads_f, 1), "nominal": float(beside_f.number), "unit": "°F"}
    limits |= {"watch_low": float(beside_f.number) - GOOD_F, "watch_high": float(beside_f.number) + GOOD_F}
    limits |= {"low": float(beside_f.number) - WATCH_F, "high": float(beside_f.number) + WATCH_F}
    if abs(off) <= GOOD_F:
        return judged(point, rule, Verdict.GOOD, why, None, shown=reading.value.text, **limits)
    if abs(off) <= WATCH_F:
        return judged(
            point, rule, Verdict.WATCH, why, None, shown=reading.value.text, next="Seat it and the thermometer, wait, read again.", **limits
        )
    if curve.own:
        return judged(
            point, rule, Verdict.BAD, why, None, shown=reading.value.text, accuses=part, next="Replace both sensors together.", **limits
        )
    return judged(
        point, rule, Verdict.UNSURE, why, None, shown=reading.value.text, next="Confirm this unit's sensor curve first.", **limits
    )


def sensors_agree(coil: Measured, ambient: Measured, curve: SensorCurve, rested: bool | None) -> Finding | None:
    """Both sensors of a unit off for an hour agree within 3 °F; None where a reading gives no temperature.

    coil, ambient: Ω. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> sensors_agree(measure("20000"), measure("26000"), SensorCurve(), True).verdict.value
    'watch'
    """
    both = [curve.fahrenheit(float(one.number)) if one.number else None for one in (coil, ambient)]
    if both[0] is None or both[1] is None:
        return None
    point, apart = "defrost.ambient_sensor.ohm", Decimal(repr(round(abs(both[0] - both[1]), 1)))
    if not rested:
        return unjudged(point, "sensor-ohm", "The sensors are compared only after an hour off.", ("defrost.rested",))
    sound = apart <= Decimal(repr(GOOD_F))
    why = f"Coil and ambient sensor are {say(apart)} °F apart after an hour off; 3 °F is the line."
    step = "" if sound else "One of them is off: hold each against a thermometer."
    return judged(point, "sensor-ohm", Verdict.GOOD if sound else Verdict.WATCH, why, next=step)
