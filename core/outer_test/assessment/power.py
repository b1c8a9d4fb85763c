"""The unit's power state now, from what was said, what was proved, and what contradicts both (handbook section 4)."""

from dataclasses import dataclass
from datetime import datetime

from outer_test.judgement import Finding, Verdict
from outer_test.rules import SetAside
from outer_test.rules.make_safe import DOUBT_WORDS, live_readings
from outer_test.visit import PowerState, Visit


@dataclass(frozen=True, slots=True)
class Power:
    """The unit's power now: its state, since when where known, and why in words."""

    state: PowerState
    since: datetime | None
    why: str


def power_now(visit: Visit, proof: Finding | None, proved_at: datetime | None = None, aside: tuple[SetAside, ...] = ()) -> Power:
    """The power state now. *Dead (proved)* exists only where `absence` is good; a claimed dead is shown as claimed.

    proved_at: when it was proved, where the proof is good. aside: readings set aside; one that shows the record wrong ends dead at once.

    >>> power_now(Visit(), None).state
    'unknown'
    """
    last = visit.power[-1] if visit.power else None
    wrong = next((one for one in aside if one.record_wrong), None)
    if wrong is not None:
        return Power("live", None if wrong.reading is None else wrong.reading.at, wrong.why)
    if proof is not None and proof.verdict is Verdict.GOOD:
        live = list(live_readings(visit, proved_at))
        if live:
            return Power("live", live[-1].at, f"{live[-1].value} V was read since it was proved dead: what was proved no longer counts.")
        return Power("dead-proved", proved_at, f"Proved at the contactor: {proof.why}")
    if proof is not None and proof.verdict is Verdict.STOP:
        return Power("live", None, proof.why)
    if visit.proof_doubt is not None:
        return Power("unknown", None, f"{DOUBT_WORDS[visit.proof_doubt]} Treat it as live.")
    if last is None or last.state == "unknown":
        return Power("unknown", last.at if last else None, "Nobody has said or proved anything: treat it as live.")
    if last.state == "live":
        return Power("live", last.at, "Powered up: whatever was proved before no longer counts.")
    return Power("dead-claimed", last.at, "Said to be dead, not proved: treat it as live.")
