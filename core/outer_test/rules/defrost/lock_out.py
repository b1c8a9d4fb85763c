"""Defrosts that ended by time, counted over runs and visits: after so many in a row a board gives up (handbook section 9)."""

from collections.abc import Iterable, Sequence

from outer_test.nameplate import Defrost
from outer_test.rules.defrost.run import Run
from outer_test.rules.defrost.sequence_end import limit_s, limit_slack_s
from outer_test.visit import DefrostEvent, Visit


def ended_by_time(events: Sequence[DefrostEvent], defrost: Defrost) -> bool | None:
    """Whether a run ended at its board's time limit; None where it did not end, or the limit is not on record.

    >>> seen = [DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"), DefrostEvent(600, "ended")]
    >>> ended_by_time(seen, Defrost(control="demand", limit_min=10)), ended_by_time(seen, Defrost(control="demand"))
    (True, None)
    """
    run, limit = Run(events, 0.0), limit_s(defrost)
    ended = run.at.get("ended")
    if ended is None or limit is None:
        return None
    return "switch-open" not in run.at and ended - (run.begin or 0.0) >= limit - limit_slack_s(defrost)


def timed_out_in_a_row(runs: Iterable[Sequence[DefrostEvent]], defrost: Defrost, before: int = 0) -> int:
    """How many ended by time in a row up to the last of these runs, the earliest first; `before` were counted before them.

    >>> short = [DefrostEvent(0, "forced"), DefrostEvent(200, "switch-open"), DefrostEvent(200, "ended")]
    >>> timed_out_in_a_row([short], Defrost(limit_min=10), 3), timed_out_in_a_row([], Defrost(), 3)
    (0, 3)
    """
    for events in runs:
        timed_out = ended_by_time(events, defrost)
        if timed_out is not None:
            before = before + 1 if timed_out else 0
    return before


def timed_out_after(visit: Visit) -> int:
    """How many defrosts ended by time in a row when this visit was over.

    >>> timed_out_after(Visit(timed_out_before=2))
    2
    """
    runs = [visit.defrost_run] if visit.defrost_run else []
    return timed_out_in_a_row(runs, visit.plate.defrost, visit.timed_out_before)
