"""Starting: the rules `start-amps` and `kit-effect` (handbook section 8)."""

from dataclasses import dataclass
from decimal import Decimal
from typing import Literal

from outer_test.judgement import DEFAULT, Cuts, Finding, HouseRules, Verdict, judged, place, unjudged
from outer_test.measurement import Measured, exact, say

Result = Literal["started", "hummed", "tripped", "nothing"]
LOCKED = Decimal("0.85")
QUICK_S, SLOW_S = Decimal("0.5"), Decimal(1)
KIT_A, KIT_PART = Decimal(15), Decimal("0.20")


@dataclass(frozen=True, slots=True)
class Start:
    """One start: whether it started, how long it took, how the peak was caught, with what fitted.

    seconds: s. lra: A. rated_v, starting_v: V, None where not known. by: `inrush` or `max-hold`, None where not said.
    """

    result: Result | None = None
    seconds: Measured | None = None
    lra: float | None = None
    rated_v: float | None = None
    starting_v: Measured | None = None
    by: str | None = None
    fitted: str | None = None
    kit_on_unit: str | None = None

    @property
    def started(self) -> bool | None:
        """Whether it started; a start time says that it did."""
        if self.result is not None:
            return self.result == "started"
        return True if self.seconds is not None else None


def locked_ratio(peak: Measured, start: Start) -> Decimal | None:
    """Peak ÷ LRA × V_rated ÷ V_while_starting (1 where not read); None where LRA or the peak is not known.

    >>> from outer_test.measurement import measure
    >>> round(locked_ratio(measure("88"), Start(lra=96, rated_v=230, starting_v=measure("212"))), 3)
    Decimal('0.994')
    """
    if start.lra is None or peak.number is None:
        return None
    ratio = peak.number / exact(start.lra)
    volts = start.starting_v.number if start.starting_v is not None else None
    if start.rated_v is not None and volts:
        ratio = ratio * exact(start.rated_v) / volts
    return ratio


def start_amps(peak: Measured, start: Start, rules: HouseRules = DEFAULT) -> Finding:
    """A start's peak on the compressor's common wire. Time and outcome decide: a healthy start stands near LRA for an instant.

    peak: A. Not started: ratio from 0.85 `bad`, the rotor does not turn, cause not yet named; under it `bad`, look
    upstream. Started: to 0.5 s `good`, to 1 s `watch`, over `bad`; time unknown: under 0.85 by true inrush `good`, by
    max-hold `watch`; from 0.85 `watch`. Two start devices at once: `watch`. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> start_amps(measure("88"), Start(result="started", seconds=measure("0.3"), lra=96)).verdict.value
    'good'
    >>> start_amps(measure("88"), Start(result="hummed", lra=96)).verdict.value
    'bad'
    """
    point, rule = "amps.compressor.peak_a", "start-amps"
    ratio = locked_ratio(peak, start)
    about = f"Peak {peak.value.text} A" + (f", {say(ratio, 2)} of LRA." if ratio is not None else ".")
    if start.by == "max-hold":
        about += " Max-hold shows a floor, not the peak."
    details: dict[str, object] = {"unit": "A", "nominal": start.lra, "decision": rules.decision}
    if start.started is None:
        return unjudged(
            point, rule, f"{about} Did it start? Without that a peak says nothing.", ("start.result",), shown=peak.value.text, **details,
            next="Note whether it started, and how long it took.",
        )  # fmt: skip
    if not start.started:
        return _not_started(point, rule, about, ratio, peak, details)
    found = _started(point, rule, about, ratio, peak, start, rules, details)
    if _two_devices(start) and found.verdict is Verdict.GOOD:
        why = f"{found.why} Two start devices at once: one is enough."
        return judged(point, rule, Verdict.WATCH, why, peak, next="Take one of the start devices off.", **details)
    return found


def _two_devices(start: Start) -> bool:
    own, fitted = start.kit_on_unit, start.fitted
    return own not in (None, "none") and fitted not in (None, "none") and own != fitted


def _not_started(point: str, rule: str, about: str, ratio: Decimal | None, peak: Measured, details: dict[str, object]) -> Finding:
    if ratio is None:
        return judged(
            point, rule, Verdict.BAD, f"{about} It did not start. LRA is not known, so locked or starved is not told.", peak, **details,
            needs=("compressor.lra",), next="Go down the locked-rotor ladder.",
        )  # fmt: skip
    if ratio >= LOCKED:
        return judged(
            point, rule, Verdict.BAD, f"{about} The rotor does not turn; the cause is not named yet.", peak, **details,
            next="Go down the locked-rotor ladder, in order.",
        )  # fmt: skip
    return judged(
        point, rule, Verdict.BAD, f"{about} It does not draw what a locked rotor draws: it is not fully fed.", peak, **details,
        next="Look upstream: contactor, leads, overload, line volts while it tries.",
    )  # fmt: skip


def _started(
    point: str,
    rule: str,
    about: str,
    ratio: Decimal | None,
    peak: Measured,
    start: Start,
    rules: HouseRules,
    details: dict[str, object],
) -> Finding:
    if start.seconds is not None and start.seconds.number is not None:
        where = place(start.seconds, Cuts(watch_high=QUICK_S, high=SLOW_S), rules, "s")
        why = f"{about} Started in {say(start.seconds.number)} s; half a second is healthy, one second the most."
        step = {
            Verdict.WATCH: "Measure the run capacitor and the volts while it starts.",
            Verdict.BAD: "It struggles: run capacitor, leads, volts while it starts, then windings.",
            Verdict.UNSURE: where.remedy,
        }.get(where.verdict, "")
        return judged(point, rule, where.verdict, f"{why} {where.why_unsure}".strip(), peak, next=step, **details)
    if ratio is None:
        return unjudged(
            point, rule, f"{about} Needs the start time, or LRA.", ("amps.compressor.start_s", "compressor.lra"),
            shown=peak.value.text, **details,
        )  # fmt: skip
    if ratio >= LOCKED:
        return judged(
            point,
            rule,
            Verdict.WATCH,
            f"{about} Near locking, and how long is not known.",
            peak,
            next="Time the start.",
            **details,
        )
    if start.by == "inrush":
        return judged(point, rule, Verdict.GOOD, f"{about} It started, well under locking.", peak, **details)
    why = about if start.by == "max-hold" else f"{about} How it was caught is not said, so it may be a floor."
    return judged(point, rule, Verdict.WATCH, why, peak, next="Time the start, or use a true inrush function.", **details)


def kit_effect(before: Measured, after: Measured) -> Finding:
    """What a start kit took off the peak: from 15 A or 20 % `good`, less `watch`, higher than without `bad`.

    before, after: A. Source: [T] common practice, no source.

    >>> from outer_test.measurement import measure
    >>> [kit_effect(measure("88"), measure(text)).verdict.value for text in ("61", "80", "91")]
    ['good', 'watch', 'bad']
    """
    point, rule = "amps.compressor.peak_a", "kit-effect"
    first, second = before.number or Decimal(0), after.number or Decimal(0)
    off = first - second
    part = off / first if first else Decimal(0)
    change = f"{say(abs(off))} A ({say(abs(part) * 100, 2)} %) {'less' if off >= 0 else 'more'}"
    why = f"{say(first)} A without, {say(second)} A with the kit: {change}."
    caution = "Kits run hot: do not touch."
    if off < 0:
        return judged(point, rule, Verdict.BAD, why, after, unit="A", next="Remove it; check its wiring.", caution=caution)
    if off >= KIT_A or part >= KIT_PART:
        return judged(point, rule, Verdict.GOOD, why, after, unit="A", caution=caution)
    return judged(point, rule, Verdict.WATCH, why, after, unit="A", next="Check the kit's wiring and the run capacitor.", caution=caution)
