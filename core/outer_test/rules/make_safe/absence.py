"""Proving that voltage is absent, and the power state that follows: the rule `absence` (handbook section 4)."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime

from outer_test.judgement import DEFAULT, Finding, HouseRules, Verdict, judged, unjudged, worst
from outer_test.measurement import Measured, say, why_unsure
from outer_test.rules.make_safe.voltage_lines import below_both_lines
from outer_test.visit import PowerState, Reading, Visit

SIX_POINTS = (
    "safe.line.v", "safe.l1_ground.v", "safe.l2_ground.v", "safe.load.v", "safe.load_l1_ground.v", "safe.load_l2_ground.v",
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Power:
    """The unit's power now: its state, since when where known, and why in words."""

    state: PowerState
    since: datetime | None
    why: str


def absent(point: str, reading: Measured, rules: HouseRules = DEFAULT) -> Finding:
    """One a.c. voltage that should be gone: under 2 V `good`, 2 to 30 V `watch`, 30 V and over `stop`.

    reading: V a.c. Source: [P: NFPA 70E 120.5, renumbered 120.6 in 2024; the 2 V and 30 V lines are T].

    >>> from outer_test.measurement import measure
    >>> absent("safe.line.v", measure("121")).verdict.value
    'stop'
    """
    verdict, school = below_both_lines(reading, rules)
    shown = "Above the range" if reading.number is None else f"{say(reading.number)} V"
    if verdict is Verdict.UNSURE:
        coarse = ("Above a range whose top is not known.", "Use a range of 600 V or more.")
        why, step = coarse if reading.number is None else why_unsure(reading, "V")
        step += " Treat it as live."
    elif verdict is Verdict.GOOD:
        why, step = f"{shown}: no voltage here.", ""
    elif verdict is Verdict.WATCH and point == "safe.control.v":
        why, step = (
            f"{shown}: control voltage still comes from indoors.",
            "Switch the indoor breaker off before touching the board.",
        )
    elif verdict is Verdict.WATCH:
        why, step = f"{shown} is stray or coupled voltage.", "Find where it comes from before you touch anything."
    else:
        why, step = f"{shown}: this is live.", "Stop. Find the disconnect that feeds it, keep it with you, prove again."
    return judged(point, "absence", verdict, why, reading, unit="V", high=30.0, watch_high=2.0, decision=school, next=step)


def last_power_up(visit: Visit) -> int:
    """Index of the last power event that made the unit live, -1 where there is none."""
    return max((index for index, event in enumerate(visit.power) if event.state == "live"), default=-1)


def counts_now(visit: Visit, at: datetime | None) -> bool:
    """Whether something read or seen at this time is newer than the last power-up. Without a power-up everything is."""
    index = last_power_up(visit)
    if index < 0:
        return True
    live_at = visit.power[index].at
    return live_at is not None and at is not None and at > live_at


def absence(visit: Visit, found: Mapping[str, Finding], readings: Mapping[str, Reading]) -> Finding:
    """Whether the unit is proved dead: tester proved, six voltages gone at the contactor, tester proved again.

    found: the judged six points. readings: the standing readings. Anything missing, older than the last power-up, or
    out of order is `unjudged` and named. Source: [P: NFPA 70E 120.5, renumbered 120.6 in 2024].
    """
    point, rule = "safe.dead", "absence"
    fresh = {name: found[name] for name in SIX_POINTS if name in found and counts_now(visit, readings[name].at)}
    verdict = worst(one.verdict for one in fresh.values())
    if fresh and verdict is not Verdict.GOOD:
        bad = min((one for one in fresh.values() if one.verdict is verdict), key=lambda one: SIX_POINTS.index(one.point))
        return judged(point, rule, verdict, f"Not proved dead: {bad.why}", next=bad.next)
    missing = [name for name in SIX_POINTS if name not in fresh]
    for name in ("safe.tester_before", "safe.tester_after"):
        if visit.saw(name) == "no":
            return judged(
                point, rule, Verdict.UNSURE, "The tester did not show a known live source, so its zeros prove nothing.",
                next="Take a tester that works and prove all six again.",
            )  # fmt: skip
        if visit.saw(name) != "yes" or not counts_now(visit, visit.saw_at(name)):
            missing.append(name)
    if missing:
        return unjudged(point, rule, f"{len(missing)} of 8 steps still to do.", tuple(missing), next="Keep or lock the pull-out.")
    times = [reading.at for name in SIX_POINTS if (reading := readings[name]).at is not None]
    before, after = visit.saw_at("safe.tester_before"), visit.saw_at("safe.tester_after")
    known = [at for at in times if at is not None]
    if known and ((before is not None and before > min(known)) or (after is not None and after < max(known))):
        return unjudged(
            point, rule, "The tester must be proved before the six readings and again after them.",
            ("safe.tester_after",), next="Prove the tester again on a live source now.",
        )  # fmt: skip
    return judged(point, rule, Verdict.GOOD, "Six voltages under 2 V, tester proved before and after.")


def power_now(visit: Visit, proof: Finding | None) -> Power:
    """The power state now. *Dead (proved)* exists only where `absence` is good; a claimed dead is shown as claimed.

    >>> power_now(Visit(), None).state
    'unknown'
    """
    last = visit.power[-1] if visit.power else None
    if proof is not None and proof.verdict is Verdict.GOOD:
        return Power("dead-proved", visit.saw_at("safe.tester_after"), "Proved by six readings at the contactor.")
    if proof is not None and proof.verdict is Verdict.STOP:
        return Power("live", None, proof.why)
    if last is None or last.state == "unknown":
        return Power("unknown", last.at if last else None, "Nobody has said or proved anything: treat it as live.")
    if last.state == "live":
        return Power("live", last.at, "Powered up: whatever was proved before no longer counts.")
    return Power("dead-claimed", last.at, "Said to be dead, not proved: treat it as live.")
