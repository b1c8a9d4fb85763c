"""The contactor's coil: its resistance and its voltage, the rules `coil-ohm` and `coil-volts` (handbook section 6)."""

from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Verdict, judged, place
from outer_test.measurement import Measured, say

OHM_CUTS = Cuts(low=Decimal(3), watch_low=Decimal(5), watch_high=Decimal(30))
CONTROL_CUTS = Cuts(low=Decimal("20.4"), watch_low=Decimal(22), watch_high=Decimal(28), high=Decimal(30))


def coil_ohm(
    reading: Measured, rules: HouseRules = DEFAULT, point: str = "contactor.coil.ohm", part: str = "contactor"
) -> Finding:  # fmt: skip
    """A 24 V coil, leads off: 5 to 30 Ω `good`; OL open and under 3 Ω shorted `bad`; 3 to 5 and over 30 Ω `watch`.

    reading: Ω, OL, or a beep. point, part: where it was read and what is accused; a two-stage unit has two.
    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> coil_ohm(measure("OL")).accuses
    'contactor'
    """
    rule = "coil-ohm"
    limits = OHM_CUTS.limits()
    kind = reading.value.kind
    if kind == "closed":
        return judged(
            point, rule, Verdict.BAD, "It beeps, so 2 Ω or less: shorted.", reading, unit="Ω", accuses=part,
            next="Replace the contactor. Look at the transformer and its fuse too.", **limits,
        )  # fmt: skip
    if kind == "open" or (kind == "OL" and reading.top is not None and reading.top < 30):
        return judged(
            point, rule, Verdict.UNSURE, "Only shows that it is above this range, which ends too low.", reading, unit="Ω",
            next="Measure it on a range of 200 Ω or more.", **limits,
        )  # fmt: skip
    if reading.number is None:
        return judged(
            point, rule, Verdict.BAD, "OL: the coil is open.", reading, unit="Ω", accuses=part, next="Replace the contactor.",
            **limits,
        )  # fmt: skip
    where = place(reading, OHM_CUTS, rules, "Ω")
    shown = f"{say(reading.number)} Ω"
    words = {
        (Verdict.GOOD, ""): (f"{shown}: 24 V coils lie between 5 and 30 Ω.", ""),
        (Verdict.WATCH, "below"): (f"{shown} is low for a 24 V coil.", "Measure it again with the leads off."),
        (Verdict.WATCH, "above"): (f"{shown} is high for a 24 V coil.", "Look at its terminals; watch the pull-in."),
        (Verdict.BAD, "below"): (
            f"{shown}: shorted. It takes the transformer or the control fuse with it.",
            "Replace the contactor, then measure the control voltage.",
        ),
    }
    why, step = words.get((where.verdict, where.side), (where.why_unsure, where.remedy))
    blame = part if where.verdict is Verdict.BAD else ""
    return judged(point, rule, where.verdict, why, reading, unit="Ω", decision=rules.decision, next=step, accuses=blame, **limits)


def coil_volts(reading: Measured, rules: HouseRules = DEFAULT) -> Finding:
    """Volts at the coil with a call: 22 to 28 V `good`, to 20.4 and to 30 V `watch`, beyond `bad`.

    reading: V a.c. A low voltage accuses the supply, not the coil.
    Source: [P: IEC 60947-4-1 closes at 85 %, from memory; the upper side is T].

    >>> from outer_test.measurement import measure
    >>> [coil_volts(measure(text)).verdict.value for text in ("19.8", "21.0", "26.4", "29.1", "31.0")]
    ['bad', 'watch', 'good', 'watch', 'bad']
    """
    return control_volts("contactor.coil.v", "coil-volts", reading, rules)


def control_volts(point: str, rule: str, reading: Measured, rules: HouseRules) -> Finding:
    """Control voltage anywhere on its way, by the bands of `coil-volts`. reading: V a.c.

    >>> from outer_test.measurement import measure
    >>> control_volts("control.r_c.v", "control-trace", measure("26.1"), HouseRules()).verdict.value
    'good'
    """
    limits = CONTROL_CUTS.limits()
    if reading.number is None:
        return judged(
            point, rule, Verdict.UNSURE, "OL says only that it is above the range.", reading, unit="V", next="Use a range of 40 V or more.",
            **limits,
        )  # fmt: skip
    where = place(reading, CONTROL_CUTS, rules, "V")
    shown = f"{say(reading.number)} V"
    words = {
        (Verdict.GOOD, ""): (f"{shown}: enough for a 24 V coil.", ""),
        (Verdict.WATCH, "below"): (
            f"{shown} is low: it may chatter.",
            "Look for a weak transformer, a long or thin wire, a bad joint.",
        ),
        (Verdict.WATCH, "above"): (f"{shown} is high.", "Look at the transformer's tap for 208 or 230 V."),
        (Verdict.BAD, "below"): (
            f"{shown}: a 24 V coil closes at 20.4 V (85 %). This is the supply, not the coil.",
            "Follow the 24 V back to where it is lost.",
        ),
        (Verdict.BAD, "above"): (f"{shown}: too high, it burns coils.", "Look at the transformer and its tap."),
    }
    why, step = words.get((where.verdict, where.side), (where.why_unsure, where.remedy))
    blame = "control supply" if (where.verdict, where.side) == (Verdict.BAD, "below") and rule == "coil-volts" else ""
    return judged(
        point, rule, where.verdict, why, reading, unit="V", nominal=24.0, decision=rules.decision, next=step, accuses=blame, **limits
    )  # fmt: skip
