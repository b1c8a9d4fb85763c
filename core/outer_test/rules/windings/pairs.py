"""Three winding pairs: which terminal is which, and whether they add up: `winding-id`, `winding-sum` (handbook section 7)."""

from collections.abc import Mapping
from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Finding, Verdict, judged
from outer_test.measurement import Measured, arithmetic_band, say, total

Pair = tuple[str, str]
UNLABELLED: dict[Pair, str] = {("t1", "t2"): "t1_t2", ("t2", "t3"): "t2_t3", ("t1", "t3"): "t1_t3"}
LEAST_EXCESS, MOST_EXCESS = Decimal("0.05"), Decimal("0.5")


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
    point, rule = f"{motor}.t1_t3.ohm", "winding-id"
    if any(one.number is None for one in pairs.values()):
        return judged(
            point, rule, Verdict.UNSURE, "One of the pairs is OL, so common is not known.", next="Find the terminals by the wiring diagram."
        ), None  # fmt: skip
    ordered = sorted(UNLABELLED, key=lambda pair: pairs[UNLABELLED[pair]].number or Decimal(0), reverse=True)
    values = [pairs[UNLABELLED[pair]] for pair in ordered]
    for higher, lower in ((values[0], values[1]), (values[1], values[2])):
        gap = total([higher], [lower])
        if (gap.number or Decimal(0)) <= gap.half:
            return judged(
                point, rule, Verdict.UNSURE,
                f"{say(higher.number or 0)} and {say(lower.number or 0)} Ω cannot be told apart by this meter.",
                next="Use a finer range, or null the leads, and measure all three again.",
            ), None  # fmt: skip
    high, middle, low = ordered
    common = next(name for name in ("t1", "t2", "t3") if name not in high)
    start = next(name for name in middle if name != common)
    run = next(name for name in low if name != common)
    known = {"r_s": pairs[UNLABELLED[high]], "c_s": pairs[UNLABELLED[middle]], "c_r": pairs[UNLABELLED[low]]}
    why = f"Common is {common.upper()}, start is {start.upper()}, run is {run.upper()}: the highest pair is run to start."
    return judged(point, rule, Verdict.GOOD, why), Identified(common, start, run, known)


def winding_sum(c_r: Measured, c_s: Measured, r_s: Measured, leads: Measured | None = None, point: str = "winding.r_s.ohm") -> Finding:
    """Common to run plus common to start must be run to start; the residue is what is left over.

    c_r, c_s, r_s: Ω. leads: Ω of the leads touched together, subtracted from each pair. |residue| up to the arithmetic
    sum of the bands is `good`; positive beyond it `unsure` until the leads are nulled, then `watch`, and over 0.5 Ω
    beyond it `watch` at once; negative beyond it `unsure`. Source: [D] windings in series.

    >>> from outer_test.measurement import measure
    >>> winding_sum(measure("0.9"), measure("2.2"), measure("2.8")).verdict.value
    'unsure'
    >>> winding_sum(measure("0.9"), measure("2.2"), measure("2.8"), measure("0.3")).verdict.value
    'good'
    """
    plus, minus = [c_r, c_s], [r_s] if leads is None else [r_s, leads]
    residue = total(plus, minus).number or Decimal(0)
    band = arithmetic_band([*plus, *minus])
    shown = [say(one.number or 0) for one in (c_r, c_s, r_s)]
    why = f"{shown[0]} + {shown[1]} against {shown[2]} Ω leaves {say(residue, 3)} Ω; the bands allow {say(band, 3)} Ω."
    if leads is not None:
        why += f" Leads of {say(leads.number or 0)} Ω are taken off each pair."
    rule, excess = "winding-sum", residue - band
    verdict, step = Verdict.GOOD, ""
    if residue < -band:
        verdict, step = Verdict.UNSURE, "It cannot be negative: measure all three again."
    elif excess > 0 and (leads is not None or excess > MOST_EXCESS):
        verdict = Verdict.WATCH
        step = "Winding to winding, or a bad joint: clean the terminals and measure again; record it."
        if leads is None:
            step = "Touch the leads together and enter what they read; if it stays, winding to winding or a bad joint."
    elif excess > 0:
        verdict, step = Verdict.UNSURE, "The leads may not be nulled: touch them together and enter what they read."
    return judged(
        point, rule, verdict, why, unit="Ω", value=float(residue), watch_low=float(-band), watch_high=float(band), nominal=0.0, next=step,
        needs=("winding.leads.ohm",) if verdict is Verdict.UNSURE and excess > 0 else (),
    )  # fmt: skip
