"""The contactor's coil: its resistance and its voltage, the rules `coil-ohm` and `coil-volts` (handbook section 6)."""

from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Rule, Verdict, judged, place, unjudged
from outer_test.measurement import Measured, exact, say

COIL_OHM = Rule("coil-ohm", "Contactor coil resistance", "common practice, no source", "T")
COIL_VOLTS = Rule(
    "coil-volts", "Voltage at the contactor coil", "IEC 60947-4-1, closes at 85 %, from memory; upper side common practice", "P T"
)

NO_CALL_V = Decimal(5)
USUAL_COIL_V = 24.0
LOW_OHM, WATCH_LOW_OHM, WATCH_HIGH_OHM = Decimal(3), Decimal(5), Decimal(30)
OTHER_COIL = 5  # over this many times the upper figure it is open, or another coil's
LOW_V, WATCH_LOW_V, WATCH_HIGH_V, HIGH_V = Decimal("20.4"), Decimal(22), Decimal(28), Decimal(30)


def coil_ohm(
    reading: Measured, rules: HouseRules = DEFAULT, point: str = "contactor.coil.ohm", coil_v: float = USUAL_COIL_V
) -> Finding:  # fmt: skip
    """A coil with its leads off. For 24 V: 5 to 30 Ω `good`, 3 to 5 and over 30 `watch`, under 3 shorted and OL open `bad`.

    reading: Ω, OL, or a beep, which says nothing about a coil. coil_v: its rated V; the figures grow with (V ÷ 24)², and over
    five times the upper one is open, or another coil. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [coil_ohm(measure(text)).verdict.value for text in ("OL", "1.2", "11.0", "closed")]
    ['bad', 'bad', 'good', 'unsure']
    """
    scale = (exact(coil_v) / exact(USUAL_COIL_V)) ** 2
    top = WATCH_HIGH_OHM * scale * OTHER_COIL
    cuts = Cuts(LOW_OHM * scale, WATCH_LOW_OHM * scale, WATCH_HIGH_OHM * scale, top)
    limits, volts = cuts.limits(), f"{say(coil_v)} V coil"
    if reading.value.kind in ("closed", "open"):
        return judged(
            point, COIL_OHM, Verdict.UNSURE, "A beep shows continuity only; it cannot judge a coil.", reading, unit="Ω",
            limits=limits, next="Measure its ohms, leads off.",
        )  # fmt: skip
    if reading.value.kind == "OL" and reading.top is not None and reading.top < top:
        return judged(
            point, COIL_OHM, Verdict.UNSURE, "OL shows only that it is above this range, which ends too low.", reading, unit="Ω",
            limits=limits, next=f"Measure it on a range of {say(top)} Ω or more.",
        )  # fmt: skip
    if reading.is_open or reading.number is None:
        return judged(
            point, COIL_OHM, Verdict.BAD, "The coil is open.", reading, unit="Ω", limits=limits, next="Replace the contactor.",
        )  # fmt: skip
    where = place(reading, cuts, rules, "Ω")
    shown = f"{say(reading.number)} Ω"
    words = {
        (Verdict.GOOD, ""): (f"{shown}: a {volts} lies between {say(cuts.watch_low or 0)} and {say(cuts.watch_high or 0)} Ω.", ""),
        (Verdict.WATCH, "below"): (f"{shown} is low for a {volts}.", "Measure it again with the leads off."),
        (Verdict.WATCH, "above"): (f"{shown} is high for a {volts}.", "Look at its terminals; watch the pull-in."),
        (Verdict.BAD, "below"): (
            f"{shown}: shorted. It takes the transformer or the control fuse with it.",
            "Replace the contactor, then measure the control voltage.",
        ),
        (Verdict.BAD, "above"): (f"{shown}: open, or a coil of other volts.", "Read the coil's own label; else replace the contactor."),
    }
    why, step = words.get((where.verdict, where.side), (where.why_unsure, where.remedy))
    return judged(point, COIL_OHM, where.verdict, why, reading, unit="Ω", decision=rules.decision, next=step, limits=limits)


def control_cuts(coil_v: float = USUAL_COIL_V) -> Cuts:
    """The limits of control voltage, V: closes at 85 % of the coil's volts.

    >>> control_cuts(120).low
    Decimal('102.0')
    """
    scale = exact(coil_v) / exact(USUAL_COIL_V)
    return Cuts(LOW_V * scale, WATCH_LOW_V * scale, WATCH_HIGH_V * scale, HIGH_V * scale)


def control_volts(
    point: str, rule: Rule, reading: Measured, rules: HouseRules = DEFAULT, coil_v: float = USUAL_COIL_V
) -> Finding:  # fmt: skip
    """Control voltage anywhere on its way: 22 to 28 V `good`, to 20.4 and to 30 V `watch`, beyond `bad`; by the coil's volts.

    reading: V a.c. Where a low voltage is lost is not this rule's to say.
    Source: [P: IEC 60947-4-1 closes at 85 %, from memory; the upper side is T].

    >>> from outer_test.measurement import measure
    >>> [control_volts("contactor.coil.v", COIL_VOLTS, measure(text)).verdict.value for text in ("19.8", "21.0", "26.4", "29.1", "31.0")]
    ['bad', 'watch', 'good', 'watch', 'bad']
    """
    cuts = control_cuts(coil_v)
    limits, coil = cuts.limits(), f"{say(coil_v)} V coil"
    if reading.number is None:
        return judged(
            point, rule, Verdict.UNSURE, "OL says only that it is above the range.", reading, unit="V", limits=limits,
            next="Use a higher range.",
        )  # fmt: skip
    where = place(reading, cuts, rules, "V")
    shown = f"{say(reading.number)} V"
    words = {
        (Verdict.GOOD, ""): (f"{shown}: enough for a {coil}.", ""),
        (Verdict.WATCH, "below"): (f"{shown} is low: it may chatter.", "Look for a weak transformer, a long or thin wire, a bad joint."),
        (Verdict.WATCH, "above"): (f"{shown} is high.", "Look at the transformer's tap for 208 or 230 V."),
        (Verdict.BAD, "below"): (
            f"{shown}: a {coil} closes at {say(cuts.low or 0)} V (85 %).",
            "Read the control voltage back towards the transformer, to where it is whole.",
        ),
        (Verdict.BAD, "above"): (f"{shown}: too high, it burns coils.", "Look at the transformer and its tap."),
    }
    why, step = words.get((where.verdict, where.side), (where.why_unsure, where.remedy))
    return judged(point, rule, where.verdict, why, reading, unit="V", nominal=coil_v, decision=rules.decision, next=step, limits=limits)


def second_coil_volts(volts: Measured, stage: str | None, rules: HouseRules, coil_v: float = USUAL_COIL_V) -> Finding:
    """Volts at the second contactor's coil, which only high stage asks for. stage: as seen at `amps.stage`. Source: [T].

    >>> from outer_test.judgement import DEFAULT
    >>> from outer_test.measurement import measure
    >>> [second_coil_volts(measure("0.2"), stage, DEFAULT).verdict.value for stage in ("low", None)]
    ['good', 'unjudged']
    """
    point = "contactor2.coil.v"
    if volts.number is None or volts.number >= NO_CALL_V or stage == "high":
        return control_volts(point, COIL_VOLTS, volts, rules, coil_v)
    shown = f"{say(volts.number)} V"
    if stage == "low":
        return judged(point, COIL_VOLTS, Verdict.GOOD, f"{shown}: no call for high stage, as it should be.", volts, unit="V")
    why = f"{shown}: was there a call for high stage?"
    return unjudged(point, COIL_VOLTS, why, ("amps.stage",), shown=volts.value.text, unit="V")
