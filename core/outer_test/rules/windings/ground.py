"""Windings to ground: the rules `winding-ground` and `insulation`, and the stop that follows (handbook section 7)."""

from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Verdict, judged, place
from outer_test.measurement import Measured, say

MEGOHM = Decimal(10) ** 6
GROUNDED_OHM = MEGOHM / 2
IEEE_43 = "IEEE 43-2013's 5 MΩ (one minute, at 40 °C) is for random-wound machines and was not written for hermetics."


def winding_ground(reading: Measured, point: str = "winding.c_ground.ohm", rules: HouseRules = DEFAULT) -> Finding:
    """One terminal to bare copper pipe: OL `good` on a range that reaches 1 MΩ; to 0.5 MΩ or a beep `bad`; above `watch`.

    reading: Ω, OL or a beep. Paint lies: scrape to bare copper. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [winding_ground(measure(text, top=40e6)).verdict.value for text in ("OL", "12000", "2000000")]
    ['good', 'bad', 'watch']
    >>> winding_ground(measure("OL")).verdict.value
    'unsure'
    """
    rule, kind = "winding-ground", reading.value.kind
    part = "fan motor" if point.startswith("fan_") else "compressor"
    limits = {"unit": "Ω", "low": float(GROUNDED_OHM)}
    if kind in ("OL", "open"):
        if kind == "OL" and reading.top is not None and reading.top >= MEGOHM:
            return judged(
                point,
                rule,
                Verdict.GOOD,
                f"OL on a range to {say(reading.top / MEGOHM)} MΩ: no path to ground.",
                reading,
                **limits,
            )
        known = f"ends at {say(reading.top)} Ω" if reading.top is not None else "has a top that is not known"
        why = f"OL, but the range {known}; it must reach 1 MΩ to tell."
        return judged(point, rule, Verdict.UNSURE, why, reading, next="Use the highest ohms range and enter its top.", **limits)
    if kind == "closed":
        return _grounded(point, part, "It beeps to ground.", reading, limits)
    cuts = Cuts(low=GROUNDED_OHM, low_is_bad=True)
    where = place(reading, cuts, rules, "Ω")
    shown = f"{say((reading.number or Decimal(0)) / 1000)} kΩ to ground"
    if where.verdict is Verdict.BAD:
        return _grounded(point, part, f"{shown}: a path to ground.", reading, limits)
    if where.verdict is Verdict.UNSURE:
        return judged(point, rule, Verdict.UNSURE, f"{shown}. {where.why_unsure}", reading, next=where.remedy, **limits)
    step = "Scrape to bare copper and measure again; then a 500 V insulation test."
    return judged(point, rule, Verdict.WATCH, f"{shown}: it should show none.", reading, decision=rules.decision, next=step, **limits)


def _grounded(point: str, part: str, why: str, reading: Measured, limits: dict[str, object]) -> Finding:
    return judged(
        point, "winding-ground", Verdict.BAD, f"{why} The {part} is done, whatever else it reads.", reading, accuses=part,
        next="Do not energise it. Replace it.", **limits,
    )  # fmt: skip


def insulation(reading: Measured, point: str = "winding.insulation.mohm", rules: HouseRules = DEFAULT) -> Finding:
    """500 V insulation test: from 100 MΩ `good`, from 0.5 MΩ `watch`, under it `bad`.

    reading: MΩ; electronics disconnected, never under vacuum.
    Source: [T] common practice; shown beside: [P: IEEE 43-2013, from memory].

    >>> from outer_test.measurement import measure
    >>> [insulation(measure(text)).verdict.value for text in ("0.3", "6.0", "45", "260")]
    ['bad', 'watch', 'watch', 'good']
    """
    rule = "insulation"
    part = "fan motor" if point.startswith("fan_") else "compressor"
    cuts = Cuts(low=Decimal("0.5"), watch_low=Decimal(100))
    limits = cuts.limits()
    if reading.number is None:
        enough = reading.top is not None and reading.top >= 100
        verdict = Verdict.GOOD if enough else Verdict.UNSURE
        why = "Above the range, which reaches 100 MΩ." if enough else "Above a range that does not reach 100 MΩ, or whose top is not known."
        return judged(point, rule, verdict, why, reading, unit="MΩ", next="" if enough else "Enter the range's top.", **limits)
    where = place(reading, cuts, rules, "MΩ")
    shown = f"{say(reading.number)} MΩ"
    if where.verdict is Verdict.BAD:
        return judged(
            point, rule, Verdict.BAD, f"{shown}: to ground. {IEEE_43}", reading, unit="MΩ", accuses=part, decision=rules.decision,
            next="Do not energise it. Replace it.", **limits,
        )  # fmt: skip
    if where.verdict is Verdict.WATCH:
        wet = reading.number < 20
        step = "Warm the crankcase a day and repeat: liquid refrigerant reads low." if wet else "Record it and measure again next visit."
        return judged(point, rule, Verdict.WATCH, f"{shown}. {IEEE_43}", reading, unit="MΩ", decision=rules.decision, next=step, **limits)
    why = where.why_unsure if where.verdict is Verdict.UNSURE else f"{shown}. {IEEE_43}"
    return judged(point, rule, where.verdict, why, reading, unit="MΩ", decision=rules.decision, next=where.remedy, **limits)


def stop_energising(bad: Finding) -> Finding:
    """The stop that a grounded winding means: somebody can get hurt when it is energised.

    >>> from outer_test.measurement import measure
    >>> stop_energising(winding_ground(measure("closed"))).verdict.value
    'stop'
    """
    why = f"{bad.why} Energised, a grounded compressor can blow a terminal out with burning oil."
    if bad.point.startswith("fan_"):
        why = f"{bad.why} Energised, the motor's frame can be live."
    return judged("power.energise", bad.rule, Verdict.STOP, why, next="Do not power this unit up. Keep or lock the pull-out.")
