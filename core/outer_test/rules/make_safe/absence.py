"""Proving that voltage is absent: the rule `absence` (handbook section 4)."""

from collections.abc import Iterator, Mapping
from datetime import datetime
from functools import lru_cache

from outer_test.judgement import Finding, Limits, Rule, Verdict, judged, unjudged, worst
from outer_test.measurement import Measured, parse_value, say
from outer_test.rules.make_safe.voltage_lines import DANGER_V, GONE_V, below_both_lines
from outer_test.visit import POINTS, Feed, Measures, ProofDoubt, Reading, Visit, absence_points, last_power_up, superseded

ABSENCE = Rule(
    "absence",
    "Absence of voltage",
    "NFPA 70E 120.5 (120.6 in 2024), from memory; the 2 V and 30 V lines are common practice",
    "P T",
)

TESTER = ("safe.tester_before", "safe.tester_after")
_LIMITS = Limits(watch_high=float(GONE_V), high=float(DANGER_V))
DOUBT_WORDS = {
    ProofDoubt.TWO_DEVICES: "The proof was made on two devices: one person proves all of it, on one.",
    ProofDoubt.INTERRUPTED: "The proof rested for more than half an hour: nobody knows who was at the disconnect meanwhile.",
    ProofDoubt.LIVE_WORD: "Another device has it live, and not surely before this proof.",
}
_LOW_IMPEDANCE = "Try again at low impedance (LoZ): what falls away is stray or coupled; what stays, find where it comes from."


@lru_cache(maxsize=4096)
def absent(point: str, reading: Measured) -> Finding:
    """One a.c. voltage that should be gone: under 2 V `good`, 2 to 30 V `watch`, 30 V and over `stop`.

    reading: V a.c. Kept, for a visit's power is asked at every reading's own place.
    Source: [P: NFPA 70E 120.5, renumbered 120.6 in 2024; the 2 V and 30 V lines are T].

    >>> from outer_test.measurement import measure
    >>> absent("safe.line.v", measure("121")).verdict.value
    'stop'
    """
    verdict = below_both_lines(reading)
    shown = "Above the range" if reading.number is None else f"{say(reading.number)} V"
    if verdict is Verdict.UNSURE:
        why, step = "Above a range whose top is not known.", "Use a range of 600 V or more. Treat it as live."
    elif verdict is Verdict.GOOD:
        why, step = f"{shown}: no voltage here.", ""
    elif verdict is Verdict.WATCH and point == "safe.control.v":
        why = f"{shown}: control voltage still comes from indoors."
        step = "Switch the indoor breaker off before touching the board."
    elif verdict is Verdict.WATCH:
        why, step = f"{shown}: stray or coupled voltage, or not off.", _LOW_IMPEDANCE
    else:
        why, step = f"{shown}: this is live.", "Stop. Find the next disconnect up, pull it and keep it with you, prove absence again."
    return judged(point, ABSENCE, verdict, why, reading, unit="V", limits=_LIMITS, next=step)


def counts_now(visit: Visit, at: datetime | None) -> bool:
    """Whether something read or seen at this time is newer than the last power-up. Without a power-up everything is."""
    index = last_power_up(visit)
    if index < 0:
        return True
    live_at = visit.power[index].at
    return live_at is not None and at is not None and at > live_at


def absence(visit: Visit, found: Mapping[str, Finding], readings: Mapping[str, Reading]) -> Finding:
    """Whether the unit is proved dead: tester proved, every voltage gone at the contactor, tester proved again.

    found: the judged points of the proof. readings: the standing readings. Anything missing, older than the last power-up, or
    out of order is `unjudged` and named; three phase asks every phase. Source: [P: NFPA 70E 120.5, renumbered 120.6 in 2024].
    """
    point, asked = "safe.dead", absence_points(visit)
    fresh = {name: found[name] for name in asked if name in found and counts_now(visit, readings[name].at)}
    verdict = worst(one.verdict for one in fresh.values())
    if fresh and verdict is not Verdict.GOOD:
        bad = min((one for one in fresh.values() if one.verdict is verdict), key=lambda one: asked.index(one.point))
        return judged(point, ABSENCE, verdict, f"Not proved dead: {bad.why}", next=bad.next)
    missing = [name for name in asked if name not in fresh]
    for name in TESTER:
        if visit.saw(name) == "no":
            return judged(
                point, ABSENCE, Verdict.UNSURE, "The tester did not show a known live source, so its zeros prove nothing.",
                next="Take a tester that works and prove all of them again.",
            )  # fmt: skip
        if visit.saw(name) != "yes" or not counts_now(visit, visit.saw_at(name)):
            missing.append(name)
    if missing:
        why = f"{len(missing)} of {len(asked) + len(TESTER)} steps still to do."
        return unjudged(point, ABSENCE, why, tuple(missing), next="Keep or lock the pull-out.")
    known = [at for name in asked if (at := readings[name].at) is not None]
    before, after = (visit.saw_at(name) for name in TESTER)
    if known and ((before is not None and before > min(known)) or (after is not None and after < max(known))):
        why = f"The tester must be proved before the {len(asked)} readings and again after them."
        return unjudged(point, ABSENCE, why, ("safe.tester_after",), next="Prove the tester again on a live source now.")
    if (live := _live_meanwhile(visit, asked)) is not None:
        why = f"{live.value} V was read here since the tester was first proved: what was read before it proves nothing."
        return unjudged(point, ABSENCE, why, (*asked, *TESTER), next="Prove all of it again from the start.")
    if visit.proof_doubt is not None:
        everything = (*asked, *TESTER)
        return unjudged(point, ABSENCE, DOUBT_WORDS[visit.proof_doubt], everything, next="Prove all of it again from the start.")
    return judged(point, ABSENCE, Verdict.GOOD, f"{len(asked)} voltages under 2 V, tester proved before and after.")


def _live_meanwhile(visit: Visit, asked: tuple[str, ...]) -> Reading | None:
    """A reading that found line voltage within the proof, or since at a point of it, though a later one there shows nothing."""
    began, done = (visit.saw_at(name) for name in TESTER)
    for reading in live_readings(visit, began):
        if reading.point in asked or done is None or (reading.at is not None and reading.at <= done):
            return reading
    return None


def live_readings(visit: Visit, since: datetime | None) -> Iterator[Reading]:
    """The readings after a time that found line voltage, those too that were read again since, but none that was corrected.

    >>> list(live_readings(Visit(readings=(Reading("line.l1_l2.v", "240"),)), None))
    []
    """
    gone = superseded(visit)
    for reading in visit.readings:
        later = since is not None and reading.at is not None and reading.at > since
        if later and reading.id not in gone and reads_live(reading.point, reading.value):
            yield reading


def reads_live(point: str, value: str) -> bool:
    """Whether a reading says that the unit is live: 30 V and more, or no number at all, where line voltage is read.

    >>> reads_live("line.l1_l2.v", "240"), reads_live("line.l1_l2.v", "2.4"), reads_live("control.r_c.v", "31")
    (True, False, False)
    """
    record, shown = POINTS[point], parse_value(value)
    at_the_line = record.measures is Measures.ABSENCE or (record.power == "live" and bool(record.fed_by & Feed.LINE))
    return at_the_line and record.unit == "v" and (shown.number is None or abs(shown.number) >= DANGER_V)
