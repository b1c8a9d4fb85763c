"""A winding's path to ground, by ohms and by the 500 V test: `winding-ground` and `insulation` (handbook section 7)."""

from dataclasses import dataclass, replace
from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Limits, Part, Rule, Verdict, judged, place
from outer_test.measurement import Measured, numeric, say
from outer_test.visit import group_of

WINDING_GROUND = Rule("winding-ground", "Winding to ground", "common practice, no source", "T")
INSULATION = Rule("insulation", "500 V insulation test", "common practice; IEEE 43-2013 shown beside, from memory", "T P")

MEGOHM = Decimal(10) ** 6
GROUNDED_OHM, SOUND_OHM, CONFIRMED_OHM = MEGOHM / 2, 20 * MEGOHM, Decimal(10_000)
GROUNDED_MOHM, WET_MOHM, SOUND_MOHM = Decimal("0.5"), Decimal(20), Decimal(100)
IEEE_43 = "IEEE 43 asks 5 MΩ, one minute at 40 °C, of random-wound machines; it was not written for hermetics."
_LIMITS = Limits(low=float(GROUNDED_OHM), watch_low=float(SOUND_OHM))


@dataclass(frozen=True, slots=True)
class GroundTest:
    """What bears on a reading to ground: where it was read, whether the meter showed a path anywhere on this visit, an insulation
    reading taken later in MΩ, and whether the pairs are through while the other terminals read open."""

    place: str | None = None
    meter_shown_to_work: bool = True
    later_mohm: Decimal | None = None
    alone: bool = False


def in_ohms(ohm: Decimal) -> str:
    """Ohms in the prefix that a person would say.

    >>> in_ohms(Decimal("0.4")), in_ohms(Decimal(12000)), in_ohms(Decimal(5_200_000))
    ('0.4 Ω', '12 kΩ', '5.2 MΩ')
    """
    for unit, size in (("MΩ", MEGOHM), ("kΩ", Decimal(1000))):
        if abs(ohm) >= size:
            return f"{say(ohm / size)} {unit}"
    return f"{say(ohm)} Ω"


def winding_ground(reading: Measured, how: GroundTest, point: str = "winding.c_ground.ohm") -> Finding:
    """One terminal to bare copper pipe: OL or 20 MΩ and over `good`, 0.5 to 20 MΩ `watch`, under 0.5 MΩ or a beep `bad`.

    reading: Ω, OL or a beep. OL is `unsure` on a range under 1 MΩ, and where this meter showed a path nowhere. From 10 kΩ up a
    later 20 MΩ at 500 V clears it. One terminal alone with the pairs through cannot be. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [winding_ground(measure(text, unit="ohm"), GroundTest()).verdict.value for text in ("OL", "5200000", "12000", "closed")]
    ['good', 'watch', 'bad', 'bad']
    """
    part = Part.FAN_MOTOR if group_of(point) == "fan_winding" else Part.COMPRESSOR
    plain = to_ground(
        point, WINDING_GROUND, reading, wet="Warm the crankcase a day and repeat: liquid refrigerant reads low.",
        grounded=f"Do not energise it. {_whose(how.place, part)}",
    )  # fmt: skip
    if plain.verdict is Verdict.GOOD and reading.value.kind == "OL" and not how.meter_shown_to_work:
        why, step = (
            "Every ohm reading by this meter is OL: a broken test lead reads OL everywhere.",
            "Touch the leads together, then measure again.",
        )
        return replace(plain, verdict=Verdict.UNSURE, why=why, next=step)
    if plain.verdict is not Verdict.BAD:
        return plain
    shown, confirmed = _shown(reading), reading.number is not None and reading.number >= CONFIRMED_OHM
    if how.later_mohm is not None and how.later_mohm >= WET_MOHM and confirmed:
        why = f"{shown}, but {say(how.later_mohm)} MΩ at 500 V later: sound insulation."
        return replace(plain, verdict=Verdict.WATCH, why=why, next="Clean the terminals and repeat.")
    if how.alone:
        why = f"{shown}, the pairs are through and the other two read open: that is not possible."
        step = "Do not energise it. Measure all three to ground again, skin dry and off the probes."
        return replace(plain, verdict=Verdict.UNSURE, why=why, next=step)
    return plain


def to_ground(point: str, rule: Rule, reading: Measured, wet: str, grounded: str) -> Finding:
    """Any part to bare metal, its wires off: OL or 20 MΩ and over `good`, from 0.5 MΩ `watch`, under it or a beep `bad`.

    reading: Ω, OL or a beep. OL is `unsure` on a range under 1 MΩ. wet, grounded: the step where it is `watch`, and where `bad`.
    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> to_ground("heater.ground.ohm", WINDING_GROUND, measure("12000"), "Dry it.", "Replace it.").next
    'Replace it.'
    """

    def found(verdict: Verdict, why: str, step: str = "") -> Finding:
        return judged(point, rule, verdict, why, reading, unit="Ω", limits=_LIMITS, next=step)

    if reading.value.kind == "open":
        return found(Verdict.UNSURE, "A beep test cannot judge insulation.", "Measure ohms on the highest range.")
    if reading.value.kind == "OL":
        if reading.top is not None and reading.top >= MEGOHM:
            return found(Verdict.GOOD, "No path to ground.")
        top = "ends too low" if reading.top is not None else "has a top that is not known"
        return found(Verdict.UNSURE, f"OL on a range that {top}; it must reach 1 MΩ.", "Use the highest ohms range and enter its top.")
    ohm, shown = Decimal(0) if reading.value.kind == "closed" else numeric(reading), _shown(reading)
    if ohm >= SOUND_OHM:
        return found(Verdict.GOOD, f"{shown}: no path to ground.")
    if ohm >= GROUNDED_OHM:
        return found(Verdict.WATCH, f"{shown}: it should show none.", wet)
    return found(Verdict.BAD, f"{shown}: a path to ground.", grounded)


def _shown(reading: Measured) -> str:
    return "It beeps to ground" if reading.value.kind == "closed" else f"{in_ohms(numeric(reading))} to ground"


def _whose(where: str | None, part: Part) -> str:
    if where == "terminals" or part is Part.FAN_MOTOR:
        return f"Skin dry and off the probes it is the {part.value}: repeat it once."
    return "At the plug or wires it is the harness or the compressor: repeat at the terminals, harness off."


def insulation(reading: Measured, point: str = "winding.insulation.mohm", rules: HouseRules = DEFAULT) -> Finding:
    """500 V insulation test: from 100 MΩ `good`, from 0.5 MΩ `watch`, under it `bad` and a stop.

    reading: MΩ; electronics disconnected, never under vacuum.
    Source: [T] common practice; shown beside: [P: IEEE 43-2013, from memory].

    >>> from outer_test.measurement import measure
    >>> [insulation(measure(text)).verdict.value for text in ("0.3", "6.0", "45", "260")]
    ['bad', 'watch', 'watch', 'good']
    """
    cuts = Cuts(watch_low=SOUND_MOHM)
    limits = Limits(low=float(GROUNDED_MOHM), watch_low=float(SOUND_MOHM))
    if reading.number is None:
        enough = reading.top is not None and reading.top >= SOUND_MOHM
        verdict = Verdict.GOOD if enough else Verdict.UNSURE
        why = "Above the range, which reaches 100 MΩ." if enough else "Above a range that does not reach 100 MΩ, or whose top is not known."
        return judged(point, INSULATION, verdict, why, reading, unit="MΩ", next="" if enough else "Enter the range's top.", limits=limits)
    shown = f"{say(reading.number)} MΩ"
    if reading.number < GROUNDED_MOHM:  # a stop's limit: the value decides
        return judged(
            point, INSULATION, Verdict.BAD, f"{shown} to ground at 500 V. {IEEE_43}", reading, unit="MΩ", limits=limits,
            next="Do not energise it. Clean and dry the terminals and repeat it once.",
        )  # fmt: skip
    where = place(reading, cuts, rules, "MΩ")
    wet = reading.number < WET_MOHM
    step = "Warm the crankcase a day and repeat: liquid refrigerant reads low." if wet else "Record it and measure again next visit."
    return judged(
        point, INSULATION, where.verdict, f"{shown}. {IEEE_43}", reading, unit="MΩ", decision=rules.decision, limits=limits,
        next=step if where.verdict is Verdict.WATCH else "",
    )  # fmt: skip


def stop_energising(found: Finding, rule: Rule) -> Finding:
    """The stop that a path to ground means: somebody can get hurt when it is energised.

    >>> from outer_test.measurement import measure
    >>> stop_energising(winding_ground(measure("closed"), GroundTest()), WINDING_GROUND).verdict.value
    'stop'
    """
    why = f"{found.why} Energised, a grounded compressor can blow a terminal out with burning oil."
    if group_of(found.point) == "fan_winding":
        why = f"{found.why} Energised, the motor's frame can be live."
    step = "Do not power this unit up. Keep or lock the pull-out."
    return judged("power.energise", rule, Verdict.STOP, why, next=step, needs=(found.point,))
