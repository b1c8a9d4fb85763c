"""Coil and ambient thermistors: the rule `sensor-ohm` (handbook section 9). The temperature error is judged, not ohms."""

from dataclasses import dataclass
from decimal import Decimal
from itertools import pairwise
from math import exp, log

from outer_test.judgement import Finding, Limits, Rule, Verdict, judged, unjudged
from outer_test.measurement import Measured, from_kelvin, kelvin, numeric, say

SENSOR_OHM = Rule("sensor-ohm", "Defrost sensors", "the B-parameter equation; curve and limits are common practice", "D T")

T25_K = 298.15
DEFAULT_R25, DEFAULT_B = 10_000.0, 3950.0
GOOD_F, WATCH_F = 3.0, 6.0
SHORTED_PART = 0.02
KILOHM_ASKED = 1000
COLDEST_F = 0.0  # where no thermometer says, a coil this cold
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


def sensor_ohm(
    reading: Measured, beside_f: Measured | None, curve: SensorCurve, point: str, unit_said: bool = False
) -> Finding:  # fmt: skip
    """A sensor turned to °F and held against a thermometer beside it: within 3 °F `good`, 6 `watch`, else `bad`.

    reading: Ω. beside_f: °F. unit_said: the unit was confirmed; else a number under 1,000 for a 10 kΩ sensor is asked back, it may
    be kΩ. On the default curve a large error is `unsure`. OL is `bad` only on a range that ends above twice R at that temperature.
    Source: [D] the B-parameter equation; [T] for R25 10 kΩ, B 3950 K, and the limits.

    >>> from outer_test.measurement import measure
    >>> sensor_ohm(measure("32600"), measure("33"), SensorCurve(), "defrost.coil_sensor.ohm").verdict.value
    'good'
    """
    is_coil = "coil" in point
    beside = None if beside_f is None or beside_f.number is None else float(beside_f.number)

    def found(verdict: Verdict, why: str, step: str = "") -> Finding:
        return judged(point, SENSOR_OHM, verdict, why, reading, unit="Ω", next=step)

    if reading.value.kind == "open":
        return found(Verdict.UNSURE, "A beep test cannot judge a sensor.", "Measure its ohms.")
    if reading.value.kind == "closed":
        return found(Verdict.BAD, "It beeps: shorted.", "Unplug it and measure again.")
    if reading.value.kind == "OL":
        needed = 2 * curve.ohm(beside if beside is not None else COLDEST_F)
        if reading.top is None or float(reading.top) <= needed:
            why = f"OL on a range that may end below this sensor: {say(round(needed, -3))} Ω is needed here."
            return found(Verdict.UNSURE, why, "Measure on a higher range and enter its top.")
        return found(Verdict.BAD, "OL: open.", "Look at its plug and lead, then measure once more.")
    ohm = numeric(reading)
    if not unit_said and ohm < KILOHM_ASKED and curve.r25_ohm >= DEFAULT_R25 / 2:
        return found(Verdict.UNSURE, f"{say(ohm)}: Ω or kΩ? A sensor of this kind reads in kΩ.", "Say which unit the meter showed.")
    if float(ohm) < SHORTED_PART * curve.r25_ohm:
        return found(Verdict.BAD, "Near nothing: shorted.", "Unplug it and measure again.")
    reads_f = curve.fahrenheit(float(ohm))
    whose = "its own curve" if curve.own else "the default curve"
    if reads_f is None:
        return unjudged(point, SENSOR_OHM, "Outside the unit's own table.", shown=reading.value.text, unit="Ω")
    if beside is None:
        why = f"It reads {say(round(reads_f, 1))} °F on {whose}; needs a thermometer beside it."
        needs = ("defrost.coil.f" if is_coil else "defrost.ambient.f",)
        return unjudged(point, SENSOR_OHM, why, needs, shown=reading.value.text, unit="Ω")
    return _by_temperature(reading, reads_f, beside, curve, point, whose)


def _by_temperature(reading: Measured, reads_f: float, beside: float, curve: SensorCurve, point: str, whose: str) -> Finding:
    off = abs(reads_f - beside)
    why = f"It reads {say(round(reads_f, 1))} °F on {whose}, the thermometer {say(beside)} °F: {say(round(off, 1))} °F apart."
    limits = Limits(beside - WATCH_F, beside - GOOD_F, beside + GOOD_F, beside + WATCH_F)

    def found(verdict: Verdict, step: str = "") -> Finding:
        return judged(
            point, SENSOR_OHM, verdict, why, shown=reading.value.text, value=round(reads_f, 1), nominal=beside, unit="°F", limits=limits,
            next=step,
        )  # fmt: skip

    if off <= GOOD_F:
        return found(Verdict.GOOD)
    if off <= WATCH_F:
        return found(Verdict.WATCH, "Seat it and the thermometer, wait, read again.")
    if curve.own:
        return found(Verdict.BAD, "Seat it and the thermometer, wait, and read once more before a new one goes in.")
    return found(Verdict.UNSURE, "Confirm this unit's sensor curve first.")


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
        return unjudged(point, SENSOR_OHM, "The sensors are compared only after an hour off.", ("defrost.rested",))
    sound = apart <= Decimal(repr(GOOD_F))
    why = f"Coil and ambient sensor are {say(apart)} °F apart after an hour off; 3 °F is the line."
    step = "" if sound else "One of them is off: hold each against a thermometer."
    return judged(point, SENSOR_OHM, Verdict.GOOD if sound else Verdict.WATCH, why, next=step)
