"""Shorted turns, by comparison at one temperature: the rule `winding-short` (handbook section 7)."""

from decimal import Decimal
from typing import Literal

from outer_test.judgement import DEFAULT, Finding, HouseRules, Limits, Rule, Verdict, judged
from outer_test.measurement import Measured, celsius, exact, numeric, product, say, total

WINDING_SHORT = Rule(
    "winding-short", "Winding against its baseline", "IEEE 112 for the temperature, from memory; 5 and 15 % are common practice", "P T"
)

Conductor = Literal["copper", "aluminium"]
CONSTANT_C = {"copper": Decimal("234.5"), "aluminium": Decimal(225)}
REFERENCE_C = Decimal(25)
UNDER, OVER = Decimal("0.05"), Decimal("0.15")


def at_25c(ohm: Measured, shell_f: float, conductor: Conductor = "copper") -> Measured:
    """A winding's resistance as it would be at 25 °C: R × (K + 25) ÷ (K + T), K 234.5 for copper, 225 for aluminium.

    ohm: Ω. shell_f: temperature of the soaked shell, °F. Source: [P: IEEE 112, from memory].

    >>> from outer_test.measurement import measure
    >>> say(at_25c(measure("2.000"), 122).number)
    '1.824'
    """
    constant = CONSTANT_C[conductor]
    return product([ohm], factor=(constant + REFERENCE_C) / (constant + celsius(exact(shell_f))))


def winding_short(now: Measured, baseline: Measured, point: str, rules: HouseRules = DEFAULT) -> Finding:
    """Held against the unit's own baseline, both at 25 °C and less the leads: over 5 % under it or 15 % over it is `watch` where
    the difference also exceeds both readings' combined band, else `unsure`.

    now, baseline: Ω at 25 °C. Source: [P: IEEE 112 for the temperature; 5 and 15 % are common practice].

    >>> from outer_test.measurement import measure
    >>> [winding_short(measure(text), measure("0.600"), "winding.c_r.ohm").verdict.value for text in ("0.552", "0.590", "0.7")]
    ['watch', 'good', 'watch']
    """
    before, value = numeric(baseline), numeric(now)
    floor, ceiling = before * (1 - UNDER), before * (1 + OVER)
    off = say(abs(value / before - 1) * 100, 2) if before else "0"
    why = f"{say(value)} Ω at 25 °C, {off} % {'under' if value < before else 'over'} this unit's baseline of {say(before)} Ω."
    verdict, step = Verdict.GOOD, ""
    if not floor <= value <= ceiling:
        apart = total([now], [baseline])
        if abs(numeric(apart)) <= apart.half:
            verdict = Verdict.UNSURE
            why = f"{why} The two readings together are ±{say(apart.half, 2)} Ω: too coarse to tell."
            step = "Null the leads and use a meter that shows 0.01 Ω."
        else:
            verdict = Verdict.WATCH
            step = (
                "Turns may be shorted: measure again on clean terminals, and watch the running amps."
                if value < before
                else "A joint, or other terminals: clean them and measure again."
            )
    return judged(
        point, WINDING_SHORT, verdict, why, now, unit="Ω", limits=Limits(watch_low=float(floor), watch_high=float(ceiling)),
        nominal=float(before), decision=rules.decision, next=step,
    )  # fmt: skip


def start_above_run(c_r: Measured, c_s: Measured, motor: str = "winding") -> Finding | None:
    """`watch` where the start winding does not read above the run winding; None where it does. Both in Ω.

    Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> start_above_run(measure("1.9"), measure("1.2")).verdict.value
    'watch'
    """
    if c_r.number is None or c_s.number is None or c_s.number > c_r.number:
        return None
    why = f"Start ({say(c_s.number)} Ω) does not read above run ({say(c_r.number)} Ω)."
    return judged(
        f"{motor}.c_s.ohm", WINDING_SHORT, Verdict.WATCH, why, c_s, unit="Ω",
        next="Were start and run mixed up? Else the start winding has shorted turns.",
    )  # fmt: skip
