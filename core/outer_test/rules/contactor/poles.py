"""The contactor's closed poles under load: the rules `pole-through` and `pole-drop` (handbook section 6)."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from decimal import Decimal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Limits, Place, Rule, Verdict, judged, place, unjudged, worst
from outer_test.measurement import Measured, by_one_meter, exact, numeric, product, say
from outer_test.visit import group_of

POLE_THROUGH = Rule("pole-through", "A closed pole that is open", "common practice, no source", "T")
POLE_DROP = Rule("pole-drop", "Drop across a closed pole", "common practice, little is published", "T", choice="contact_drop")

BTU_PER_WATT = Decimal("3.412")
OPEN_V = Decimal(5)
HOTTER_F = Decimal(20)
GOOD_V, BAD_V, STRICT_V = Decimal("0.05"), Decimal("0.2"), Decimal("0.1")
GOOD_BTU, BAD_BTU = Decimal(1), Decimal(9)
LEAST_LOAD = Decimal("0.25")
LINE_MOVES = Decimal("0.02")  # between two readings of the line


@dataclass(frozen=True, slots=True)
class PoleHeat:
    """What a drop means: watts and BTU/h made in the pole, its resistance in mΩ."""

    watts: Measured
    btu_h: Measured
    milliohm: Measured


def pole_heat(drop: Measured, amps: Measured) -> PoleHeat:
    """Heat and resistance of a closed pole. drop: V. amps: A, not 0.

    W = V × I; BTU/h = 3.412 × W; mΩ = 1000 V ÷ I. Source: [D] from Ohm's and Joule's laws.

    >>> from outer_test.measurement import measure
    >>> heat = pole_heat(measure("0.20"), measure("15.0"))
    >>> say(heat.watts.number), say(heat.btu_h.number), say(heat.milliohm.number)
    ('3', '10.24', '13.33')
    """
    return PoleHeat(product([drop, amps]), product([drop, amps], factor=BTU_PER_WATT), product([drop], [amps], factor=Decimal(1000)))


def pole_through(
    drop: Measured, armature: str | None, point: str = "contactor.pole1.drop_v", insects: bool = False
) -> Finding | None:  # fmt: skip
    """Line voltage across a pole (over 5 V) with the armature seen in is an open contact; None at 5 V or less.

    drop: V. armature: in, out, or None where nobody looked: then a high voltage is `unsure`, the contactor may be open.
    insects: found in it, which explain it as well and cost nothing to clear. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> pole_through(measure("118"), "in").verdict.value, pole_through(measure("118"), None).verdict.value
    ('bad', 'unsure')
    """
    if drop.number is not None and abs(drop.number) <= OPEN_V:
        return None
    shown = "Above the range" if drop.number is None else f"{say(drop.number)} V"
    limits = Limits(high=float(OPEN_V))
    if armature == "in":
        cause, step = "pitted or burnt, or insects between the faces", "Power off and prove it dead; look at the faces."
        if insects:
            cause, step = (
                "the insects found in it keep the faces apart",
                "Power off, prove it dead, clean the insects out, and read it again.",
            )
        why = f"{shown} across the pole with the armature in: an open contact, {cause}."
        return judged(point, POLE_THROUGH, Verdict.BAD, why, drop, unit="V", limits=limits, next=step)
    why = "the contactor is open, so this is no drop" if armature == "out" else "nobody noted whether the armature is in"
    return judged(
        point, POLE_THROUGH, Verdict.UNSURE, f"{shown} across the pole, but {why}.", drop, unit="V", limits=limits,
        next="Call for it to run, see the armature in, and measure again.",
        needs=() if armature == "out" else (f"{group_of(point)}.armature",),
    )  # fmt: skip


def pole_drop(
    drop: Measured,
    amps: Measured | None = None,
    full_load_a: float | None = None,
    rules: HouseRules = DEFAULT,
    point: str = "contactor.pole1.drop_v",
) -> Finding:
    """Volts across a closed pole under load, judged by the house's school.

    drop: V. amps: A through it at the time. full_load_a: RLA + FLA, A. By volts: to 0.05 `good`, under 0.2 `watch`,
    from 0.2 `bad`; strict: from 0.1 `bad`; by heat: to 1 BTU/h `good`, from 9 `bad`. Scaled to full load,
    V × (RLA + FLA) ÷ I, 0.2 V or more through its whole band while the raw drop is below is `watch`. Under a quarter of full
    load nothing is scaled, and a small drop proves nothing. Source: [T], little is published.

    >>> from outer_test.measurement import measure
    >>> pole_drop(measure("0.14"), measure("9.5"), 19.1).why[:44]
    '0.14 V. Heat 1.33 W, 4.538 BTU/h; 14.74 mΩ; '
    """
    rule, school = POLE_DROP, rules.contact_drop
    if drop.number is None:
        return judged(point, rule, Verdict.UNSURE, "No number to judge.", drop, unit="V", next="Use the millivolt range.")
    upright, number = replace(drop, number=abs(drop.number)), abs(drop.number)
    carrying = amps is not None and amps.number is not None and amps.number > 0
    heat = pole_heat(upright, amps) if carrying and amps is not None else None
    too_little = _too_little(amps, full_load_a)
    if too_little and number <= GOOD_V:
        return unjudged(
            point, rule, f"{say(number)} V with next to no load: it proves nothing.", (_amps_point(point),),
            shown=drop.value.text, unit="V",
            next="Read it with the compressor running.",
        )  # fmt: skip
    if school == "heat":
        if heat is None:
            return unjudged(
                point, rule, "Judged by heat, which needs the amps through this pole.", (_amps_point(point),), shown=drop.value.text,
                unit="V", next="Read the amps through this pole.",
            )  # fmt: skip
        cuts = Cuts(watch_high=GOOD_BTU, high=BAD_BTU, high_is_bad=True)
        where = place(heat.btu_h, cuts, rules, "BTU/h")
        unit, value, judged_by = "BTU/h", heat.btu_h, f"{say(BAD_BTU)} BTU/h"
    else:
        bad = STRICT_V if school == "strict-volts" else BAD_V
        cuts = Cuts(watch_high=GOOD_V, high=bad, high_is_bad=True)
        where = place(upright, cuts, rules, "V")
        if drop.value.resolution >= Decimal("0.1") and number < 1:
            why = "Volts to one decimal are too coarse for a drop."
            return judged(point, rule, Verdict.UNSURE, why, drop, unit="V", limits=cuts.limits(), next="Use the millivolt range.")
        unit, value, judged_by = "V", upright, f"{say(bad)} V"
    scaled = None if too_little else _scaled(upright, amps, full_load_a)
    verdict = where.verdict
    if verdict is Verdict.GOOD and scaled is not None and (scaled.low or 0) >= BAD_V > number:
        verdict = Verdict.WATCH
    why, step = _words(number, heat, scaled, verdict, where, judged_by)
    return judged(
        point, rule, verdict, why, value, unit=unit, school=school, decision=rules.decision, next=step, limits=cuts.limits(),
    )  # fmt: skip


def _too_little(amps: Measured | None, full_load_a: float | None) -> bool:
    """Whether the current on record is no load worth the name."""
    if amps is None or amps.number is None:
        return False
    return amps.number == 0 or (full_load_a is not None and amps.number < LEAST_LOAD * exact(full_load_a))


def _amps_point(point: str) -> str:
    return point.replace(".drop_v", ".a")


def _scaled(drop: Measured, amps: Measured | None, full_load_a: float | None) -> Measured | None:
    if amps is None or not amps.number or full_load_a is None:
        return None
    return product([drop], [amps], exact(full_load_a))


def _words(
    number: Decimal, heat: PoleHeat | None, scaled: Measured | None, verdict: Verdict, where: Place, judged_by: str
) -> tuple[str, str]:
    parts = [f"{say(number)} V."]
    if heat is None:
        parts.append("No amps, so heat and full load are not judged.")
    else:
        watts, btu, mohm = (say(one.number or 0) for one in (heat.watts, heat.btu_h, heat.milliohm))
        at_full = f"; at full load {say(scaled.number or 0, 3)} V" if scaled is not None else ""
        parts.append(f"Heat {watts} W, {btu} BTU/h; {mohm} mΩ{at_full}.")
    if verdict is Verdict.UNSURE:
        return f"{' '.join(parts)} {where.why_unsure}", "Use the millivolt range."
    if verdict is Verdict.BAD:
        parts.append(f"{judged_by} is the line.")
        return " ".join(parts), "Power off and prove it dead; look at the faces, tighten the screws dead, read it again."
    if verdict is Verdict.WATCH:
        return " ".join(parts), "Record it; look at the faces and the terminal screws, dead."
    return " ".join(parts), ""


def volts_agree(line: Measured, load: Measured, drops: Sequence[Measured], point: str = "contactor.load.v") -> Finding | None:
    """Line less what drops at the closed poles must be the load side; None where it is, within bands and a line that moves.

    line, load, drops: V. Source: [D] Kirchhoff's voltage law; the line moves by 2 % between readings [T].

    >>> from outer_test.measurement import measure
    >>> volts_agree(measure("240"), measure("120"), [measure("0.02"), measure("0.02")]).verdict.value
    'unsure'
    """
    if any(one.number is None for one in (line, load, *drops)):
        return None
    upright = [replace(drop, number=abs(numeric(drop))) for drop in drops]
    gap = by_one_meter([line], [load, *upright])
    if abs(numeric(gap)) <= gap.half + LINE_MOVES * numeric(line):
        return None
    why = f"{say(numeric(line))} V in, {say(numeric(load))} V out, and the drops explain only part of it: one of them is wrong."
    return judged(point, POLE_DROP, Verdict.UNSURE, why, load, unit="V", next="Read line side, load side and each pole again, running.")


def compare_poles(findings: dict[str, Finding], drops: dict[str, Measured]) -> dict[str, Finding]:
    """Raise the worse of two poles to `watch` where it drops over twice the other and over 0.05 V.

    findings, drops: by the pole's point, V. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> one, two = "contactor.pole1.drop_v", "contactor.pole2.drop_v"
    >>> drops = {one: measure("0.02"), two: measure("0.06")}
    >>> compare_poles({p: pole_drop(d, point=p) for p, d in drops.items()}, drops)[two].verdict.value
    'watch'
    """
    if len(drops) != 2 or any(drop.number is None for drop in drops.values()):
        return findings
    low, high = sorted(drops, key=lambda point: abs(numeric(drops[point])))
    small, large = abs(drops[low].number or Decimal(0)), abs(drops[high].number or Decimal(0))
    if not (large > 2 * small and large > GOOD_V):
        return findings
    found = findings[high]
    verdict = worst([found.verdict, Verdict.WATCH])
    why = f"{found.why} Over twice the other pole's {say(small)} V."
    return findings | {high: replace(found, verdict=verdict, why=why, next=found.next or "Look at this pole's faces and screws, dead.")}


def pole_heat_seen(one_f: Measured, two_f: Measured, contactor: str = "contactor") -> tuple[Finding, Finding]:
    """Two poles by infrared: one over 20 °F hotter than the other is `watch`. Both in °F. Source: [T], no source.

    >>> from outer_test.measurement import measure
    >>> [found.verdict.value for found in pole_heat_seen(measure("96"), measure("131"))]
    ['good', 'watch']
    """
    first, second = one_f.number or Decimal(0), two_f.number or Decimal(0)

    def found(point: str, reading: Measured, hotter: Decimal) -> Finding:
        hot = hotter > HOTTER_F
        apart = f"{say(abs(hotter))} °F ({say(abs(hotter) * 5 / 9, 2)} °C) {'hotter' if hotter >= 0 else 'cooler'}"
        why = f"{apart} than the other pole; 20 °F (11 °C) is the line."
        step = "Look at this pole's faces and screws, dead." if hot else ""
        return judged(point, POLE_DROP, Verdict.WATCH if hot else Verdict.GOOD, why, reading, unit="°F", next=step)

    return (
        found(f"{contactor}.pole1.f", one_f, first - second),
        found(f"{contactor}.pole2.f", two_f, second - first),
    )
