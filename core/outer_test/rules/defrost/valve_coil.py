"""The reversing valve's solenoid: the rule `valve-coil` (handbook section 9)."""

from decimal import Decimal
from typing import Literal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Rule, Verdict, judged, place, unjudged
from outer_test.measurement import Measured, numeric, say

VALVE_COIL = Rule("valve-coil", "Reversing valve coil", "common practice, no source", "T")

OHM_CUTS = Cuts(low=Decimal(5), watch_low=Decimal(8), watch_high=Decimal(60))
LINE_COIL_OHM = Decimal(200)
FEEDS_V = 20
IN_DEFROST, IN_HEATING, AT_THERMOSTAT = "defrost.valve_coil.v", "defrost.valve_heating.v", "control.stat_valve.v"
CAUTION = "Never energise it off its stem: it burns out."
_POINT = "defrost.valve_coil.ohm"


def valve_coil(reading: Measured, rules: HouseRules = DEFAULT, inverter: bool = False) -> Finding:
    """A 24 V solenoid: 8 to 60 Ω `good`, 5 to 8 and over 60 `watch`, OL and under 5 `bad`. A coil for line volts, as some inverter
    units have, has ohms of its own: `unjudged`.

    reading: Ω, OL or a beep, which says nothing about a coil. Source: [T].

    >>> from outer_test.measurement import measure
    >>> [valve_coil(measure(text)).verdict.value for text in ("3.0", "6.0", "17.5", "75", "OL")]
    ['bad', 'watch', 'good', 'watch', 'bad']
    """
    limits = OHM_CUTS.limits()

    def found(verdict: Verdict, why: str, step: str = "") -> Finding:
        return judged(
            _POINT, VALVE_COIL, verdict, why, reading, unit="Ω", decision=rules.decision, next=step, caution=CAUTION, limits=limits
        )  # fmt: skip

    if reading.value.kind in ("closed", "open"):
        return found(Verdict.UNSURE, "A beep shows continuity only; it cannot judge a coil.", "Measure its ohms, leads off.")
    if reading.value.kind == "OL" and reading.top is not None and reading.top < 60:
        return found(Verdict.UNSURE, "OL on a range that ends too low.", "Use a range of 200 Ω or more.")
    if reading.is_open or reading.number is None:
        return found(Verdict.BAD, "The coil is open.", "Look at its plug, measure once more, then replace the coil.")
    if inverter and reading.number >= LINE_COIL_OHM:
        why = f"{say(reading.number)} Ω: a coil for line volts has ohms of its own."
        return unjudged(_POINT, VALVE_COIL, why, shown=reading.value.text, unit="Ω", next="Hold it against the maker's figure.")
    where = place(reading, OHM_CUTS, rules, "Ω")
    why = f"{say(reading.number)} Ω; 24 V solenoids lie between 8 and 60 Ω. {where.why_unsure}".strip()
    step = {Verdict.BAD: "Shorted: replace the coil, and look at the control fuse.", Verdict.WATCH: "Measure again, leads off."}
    return found(where.verdict, why, step.get(where.verdict, where.remedy))


def valve_volts(point: str, volts: Measured, valve: Literal["O", "B"], in_defrost: bool) -> Finding:
    """The solenoid's volts by what it is and when they were read: O, 24 V in defrost and none in heating; B, the other way round.

    volts: V a.c., read in that state. Source: [T].

    >>> from outer_test.measurement import measure
    >>> [valve_volts("defrost.valve_heating.v", measure("25.6"), valve, False).verdict.value for valve in ("O", "B")]
    ['bad', 'good']
    """
    fed, asked = numeric(volts) >= FEEDS_V, (valve == "O") is in_defrost
    when = "in defrost" if in_defrost else "in heating"
    should = f"{valve} valve has {'24 V' if asked else 'none'} {when}"
    why = f"{say(numeric(volts))} V: an {should}." if valve == "O" else f"{say(numeric(volts))} V: a {should}."
    if fed is asked:
        return judged(point, VALVE_COIL, Verdict.GOOD, why, volts, unit="V")
    if point == AT_THERMOSTAT:
        return judged(point, VALVE_COIL, Verdict.BAD, why, volts, unit="V", next="Set the thermostat's O or B as this unit's valve asks.")
    if asked:
        step = "Read O (or B) to C at the board: none there is the board, 24 V there is the wire."
    else:
        step = "Read O or B at the thermostat: a wrong setting energises it; else the board does."
    return judged(point, VALVE_COIL, Verdict.BAD, why, volts, unit="V", next=step, caution=CAUTION)
