"""What a start kit does: the rule `kit-effect` (handbook section 8)."""

from dataclasses import dataclass
from decimal import Decimal

from outer_test.judgement import Finding, HouseRules, Rule, Verdict, judged, unjudged
from outer_test.measurement import Measured, numeric, say

KIT_EFFECT = Rule(
    "kit-effect", "What a start kit does", "common practice; the inrush figures from the motor equations", "T D", choice="scroll_kit"
)

POINT = "amps.compressor.peak_a"
NO_DIFFERENCE, FLOOR_A, FLOOR_PART, QUICKER_S = Decimal("0.05"), Decimal(15), Decimal("0.20"), Decimal("0.1")
STILL_IN_A = Decimal("0.5")
_BURN = "Start kits run hot: do not touch one that has worked."


@dataclass(frozen=True, slots=True)
class KitTest:
    """A start without and a start with the kit: peaks in A and how each was caught, start times in s, and the outcome with it.

    hummed_before: whether it hummed without. started: whether it started with the kit; None where no start was tried after it.
    """

    before: Measured | None = None
    after: Measured | None = None
    before_by: str | None = None
    after_by: str | None = None
    before_s: Measured | None = None
    after_s: Measured | None = None
    hummed_before: bool = False
    started: bool | None = None


def kit_effect(kit: KitTest) -> Finding | None:
    """A kit is proved by what the start does: hummed without and started with it, or faster by 0.1 s or more, is `good`.

    Peaks only beside that, both by the same means; under 5 % apart is no difference. By max-hold 15 A or 20 % off `good`, less
    `watch`, higher `bad`. By inrush 5 % off `good`, else `watch`. Tried and still hums `watch`. None where there is nothing to
    compare. Source: [T]; the inrush figures [D].

    >>> from outer_test.measurement import measure
    >>> kit_effect(KitTest(measure("88"), measure("61"), "max-hold", "max-hold", started=True)).verdict.value
    'good'
    >>> kit_effect(KitTest(measure("62"), measure("66"), "max-hold", "inrush", started=True)).verdict.value
    'unsure'
    """
    if kit.after is None and kit.after_s is None:
        return None
    if kit.started is None:
        return unjudged(
            POINT, KIT_EFFECT, "A kit is fitted, and no start was tried after it.", ("start.result",), next="Call for it to run."
        )
    if not kit.started:
        why = "Tried with a kit, and it still does not start."
        return _found(Verdict.WATCH, why, "Take the kit off again and go on: volts while it tries, pressures, windings.")
    if kit.hummed_before:
        return _found(Verdict.GOOD, "It hummed without the kit and starts with it.", "Needing a kit is itself a sign: plan for it.")
    if kit.before_s is not None and kit.after_s is not None:
        faster = numeric(kit.before_s) - numeric(kit.after_s)
        if faster >= QUICKER_S:
            return _found(Verdict.GOOD, f"It starts {say(faster, 2)} s faster with the kit.")
    if kit.before is None or kit.after is None or kit.before.number is None or kit.after.number is None:
        return None
    if kit.before_by is None or kit.before_by != kit.after_by:
        why = "The two peaks were not caught by the same means: a floor cannot be compared with a peak."
        return _found(Verdict.UNSURE, why, "Take both by inrush, or time both starts.")
    return _by_peaks(kit.before.number, kit.after.number, kit.before_by)


def _by_peaks(before: Decimal, after: Decimal, by: str) -> Finding:
    off, part = before - after, (before - after) / before if before else Decimal(0)
    shown = f"{say(before)} A without, {say(after)} A with the kit"
    if abs(part) < NO_DIFFERENCE:
        return _found(Verdict.WATCH, f"{shown}: no difference, starts vary by as much.", "Time both starts; look at the kit's wiring.")
    if by == "max-hold":
        if off >= FLOOR_A or part >= FLOOR_PART:
            return _found(Verdict.GOOD, f"{shown}, by max-hold: it helps.")
        if off > 0:
            return _found(Verdict.WATCH, f"{shown}, by max-hold: it helps little.", "Look at the kit's wiring and the run capacitor.")
        return _found(Verdict.BAD, f"{shown}, by max-hold: it makes it worse.", f"Remove it. {_BURN}")
    if off > 0:
        return _found(Verdict.GOOD, f"{shown}, by inrush: it helps.")
    return _found(Verdict.WATCH, f"{shown}, by inrush: higher.", "The kit is too large, or its relay opens late.")


def kit_stays_in(amps: Measured) -> Finding | None:
    """Amps still in the kit's own wire a second after the start: `bad`, its relay does not open. amps: A. Source: [T].

    >>> from outer_test.measurement import measure
    >>> kit_stays_in(measure("4.2")).verdict.value
    'bad'
    """
    point = "amps.kit.a"
    if amps.number is None:
        return None
    if amps.number > STILL_IN_A:
        why = f"{say(amps.number)} A in the kit's own wire a second after the start: its relay does not open."
        return judged(point, KIT_EFFECT, Verdict.BAD, why, amps, unit="A", next=f"Remove it. {_BURN}")
    return judged(point, KIT_EFFECT, Verdict.GOOD, f"{say(amps.number)} A: the kit is out again.", amps, unit="A")


def _found(verdict: Verdict, why: str, step: str = "") -> Finding:
    return judged(POINT, KIT_EFFECT, verdict, why, next=step, caution=_BURN if verdict is not Verdict.GOOD else "")


_ON_A_SCROLL = {
    "after-ladder": "only after capacitors, leads, windings, ground, volts and pressures are proved: a scroll starts unloaded, "
    "so needing a kit is itself a sign",
    "freely": "freely, it spares the compressor",
    "never": "never on a scroll",
}
_KIND = {"relay": "relay and capacitor, three wires", "two-wire": "two-wire, all in one"}


def kit_offer(rules: HouseRules, is_scroll: bool) -> str:
    """Whether and how a start kit is tried as a test, by the house rule. Source: [T] common practice, by house rule.

    >>> kit_offer(HouseRules(scroll_kit="never"), True)
    'House rule for a start kit: never on a scroll.'
    """
    how = f"{_KIND[rules.start_kit]}; " if not is_scroll or rules.scroll_kit != "never" else ""
    when = _ON_A_SCROLL[rules.scroll_kit] if is_scroll else "as a test, after everything before it"
    return f"House rule for a start kit: {how}{when}."
