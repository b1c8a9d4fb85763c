"""Three winding pairs: which terminal is which, whether they are plausible, and whether they add up (handbook section 7)."""

from collections.abc import Mapping
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Finding, Limits, Rule, Verdict, judged
from outer_test.measurement import Measured, arithmetic_band, by_one_meter, exact, numeric, say

WINDING_ID = Rule("winding-id", "Which terminal is which", "run and start in series are the highest pair", "D")
WINDING_SUM = Rule("winding-sum", "Winding pairs add up", "windings in series", "D")
WINDING_PLAUSIBLE = Rule("winding-plausible", "A winding that is there", "derived: under 5 % of rated volts ÷ LRA", "D")

Pair = tuple[str, str]
UNLABELLED: dict[Pair, str] = {("t1", "t2"): "t1_t2", ("t2", "t3"): "t2_t3", ("t1", "t3"): "t1_t3"}
BEYOND, REPEAT = Decimal("0.05"), Decimal("0.5")
LEAST_PART, LEAST_FAN_OHM = Decimal("0.05"), Decimal("0.5")


@dataclass(frozen=True, slots=True)
class Identified:
    """Which unlabelled terminal is common, start and run; and the pairs under their own names, `c_r`, `c_s`, `r_s`."""

    common: str
    start: str
    run: str
    pairs: dict[str, Measured]


def winding_id(pairs: Mapping[str, Measured], motor: str = "winding") -> tuple[Finding, Identified | None]:
    """Tell common, start and run from three unlabelled pairs.

    pairs: `t1_t2`, `t2_t3`, `t1_t3` in Ω. The highest is run to start, the terminal not in it is common; from common the
    higher is start. Two pairs within their combined band leave it `unsure`; with an OL among them common is unknown.
    Source: [D] the run and start windings in series are the highest pair.

    >>> from outer_test.measurement import measure
    >>> found, known = winding_id({"t1_t2": measure("2.5"), "t2_t3": measure("1.9"), "t1_t3": measure("0.6")})
    >>> known.common, known.start, known.run
    ('t3', 't2', 't1')
    """
    point = f"{motor}.t1_t3.ohm"
    if any(pair.number is None or pair.is_open for pair in pairs.values()):
        why = "One of the pairs is open, so which terminal is common is not known."
        return judged(point, WINDING_ID, Verdict.UNSURE, why, next="Find the terminals by the wiring diagram."), None
    ordered = sorted(UNLABELLED, key=lambda pair: numeric(pairs[UNLABELLED[pair]]), reverse=True)
    values = [pairs[UNLABELLED[pair]] for pair in ordered]
    for higher, lower in ((values[0], values[1]), (values[1], values[2])):
        gap = by_one_meter([higher], [lower])
        if numeric(gap) <= gap.half:
            why = f"{say(numeric(higher))} and {say(numeric(lower))} Ω are too close for this meter to tell apart."
            step = "Use a finer range, or null the leads, and measure all three again."
            return judged(point, WINDING_ID, Verdict.UNSURE, why, next=step), None
    high, middle, low = ordered
    common = next(name for name in ("t1", "t2", "t3") if name not in high)
    start = next(name for name in middle if name != common)
    run = next(name for name in low if name != common)
    known = {"r_s": pairs[UNLABELLED[high]], "c_s": pairs[UNLABELLED[middle]], "c_r": pairs[UNLABELLED[low]]}
    why = f"Common is {common.upper()}, start is {start.upper()}, run is {run.upper()}: the highest pair is run to start."
    return judged(point, WINDING_ID, Verdict.GOOD, why), Identified(common, start, run, known)


def least_winding_ohm(rated_v: float | None, lra: float | None) -> Decimal:
    """Under this a winding is shorted or the probes are on the wrong two terminals, Ω: 5 % of V_rated ÷ LRA; 0.5 Ω without an LRA.

    Source: [D] a locked winding's impedance is V ÷ LRA, of which its resistance is a part.

    >>> round(least_winding_ohm(230, 96), 3)
    Decimal('0.120')
    """
    if rated_v is None or lra is None:
        return LEAST_FAN_OHM
    return LEAST_PART * exact(rated_v) / exact(lra)


def winding_plausible(pair: Measured, least: Decimal, leads: Measured | None, point: str) -> Finding | None:
    """One pair from common against the least a winding has: the whole band under it `bad`, reaching under it `unsure`.

    pair: Ω. least: Ω, from `least_winding_ohm`. leads: Ω, taken off where known. None where the band lies above. Source: [D].

    >>> from outer_test.measurement import measure
    >>> winding_plausible(measure("0.00", unit="ohm"), Decimal("0.12"), None, "winding.c_r.ohm").verdict.value
    'bad'
    """
    own = pair if leads is None else by_one_meter([pair], [leads])
    low, high = max(numeric(own) - own.half, Decimal(0)), numeric(own) + own.half
    if low >= least:
        return None
    shown = f"{say(numeric(own))} Ω where a winding has at least {say(least, 2)} Ω"
    limits = Limits(low=float(least))
    if high < least:
        why = f"{shown}: shorted, or the probes were on the wrong two terminals."
        return judged(
            point, WINDING_PLAUSIBLE, Verdict.BAD, why, pair, unit="Ω", limits=limits, next="Measure this pair again on clean terminals."
        )
    step = "Null the leads, and use a meter that shows 0.01 Ω." if leads is None else "Use a meter that shows 0.01 Ω."
    return judged(
        point,
        WINDING_PLAUSIBLE,
        Verdict.UNSURE,
        f"{shown}: this meter cannot tell it from a short.",
        pair,
        unit="Ω",
        limits=limits,
        next=step,
    )


def winding_sum(
    c_r: Measured, c_s: Measured, r_s: Measured, leads: Measured | None = None, point: str = "winding.r_s.ohm", one_meter: bool = True
) -> Finding:
    """Common to run plus common to start must be run to start; the residue is what is left over.

    c_r, c_s, r_s: Ω. leads: Ω of the leads touched together, taken off once. one_meter: all by one meter, which shares its
    error: 1½ last digits (2 with leads) count; else the sum of the bands. Within, or beyond by under 0.05 Ω, `good`. Positive
    beyond: `unsure` until the leads are entered, then `watch`; over 0.5 Ω either way repeat all three first; negative `unsure`.
    Source: [D] windings in series.

    >>> from outer_test.measurement import measure
    >>> winding_sum(measure("0.9"), measure("2.2"), measure("2.8")).verdict.value
    'unsure'
    >>> winding_sum(measure("0.9"), measure("2.2"), measure("2.8"), measure("0.3")).verdict.value
    'good'
    """
    plus, minus = [c_r, c_s], [r_s] if leads is None else [r_s, leads]
    left = by_one_meter(plus, minus)
    residue, band = numeric(left), left.half if one_meter else arithmetic_band([*plus, *minus])
    shown = [say(numeric(pair)) for pair in (c_r, c_s, r_s)]
    why = f"{shown[0]} + {shown[1]} against {shown[2]} Ω leaves {say(residue, 3)} Ω; the bands allow {say(band, 3)} Ω."
    if leads is not None:
        why += f" Leads of {say(numeric(leads))} Ω are taken off."
    allowed = band + BEYOND
    verdict, step = Verdict.GOOD, ""
    needs: tuple[str, ...] = ()
    if abs(residue) > REPEAT and abs(residue) >= allowed:
        verdict, step = Verdict.UNSURE, "So far apart it is a slip of the probes first: measure all three again on clean terminals."
    elif residue <= -allowed:
        verdict, step = Verdict.UNSURE, "It cannot be negative: measure all three again."
    elif residue >= allowed and leads is not None:
        verdict, step = Verdict.WATCH, "Winding to winding, or the wrong terminals: clean them and measure again; record it."
    elif residue >= allowed:
        verdict, step = Verdict.UNSURE, "The leads may not be nulled: touch them together and enter what they read."
        needs = ("winding.leads.ohm",)
    return judged(
        point, WINDING_SUM, verdict, why, unit="Ω", value=float(residue), limits=Limits(watch_low=float(-allowed),
        watch_high=float(allowed)),
        nominal=0.0, next=step, needs=needs,
    )  # fmt: skip
