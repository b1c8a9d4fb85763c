"""The visits that a device has at hand, each with what was done on it since the server last answered."""

import json
from collections.abc import Sequence
from dataclasses import dataclass

from outer_test.acts import Doer, Done, Outcome, with_all
from outer_test.ledger import Kind, RecordData, Recorded, recorded_from
from outer_test.plain_data import plain, read_text
from outer_test.round import Round, Verdicts, round_of, verdicts_of


@dataclass(frozen=True, slots=True)
class Judged:
    """A visit's round with everything done on it, and what became of each act that the server does not have yet."""

    round: Round
    outcomes: tuple[Outcome, ...]


@dataclass(frozen=True, slots=True)
class JudgedFirst:
    """The verdict of what was done last, and what became of each act: what is shown before `Judged` is there."""

    verdicts: Verdicts
    outcomes: tuple[Outcome, ...]


def judged(recorded: Recorded, acts: Sequence[Done], doer: Doer) -> Judged:
    """The round as it is once these acts are done. The server answers the same question while a device's core still loads."""
    after, outcomes = with_all(recorded, acts, doer)
    return Judged(round_of(after, doer.by), outcomes)


class Visits:
    """Visits by their id, read once and kept.

    >>> visits = Visits()
    >>> visits.keep("v", '{"place": 0, "known": {}, "events": [], "names": {}, "me": 1, "device": "d"}')
    >>> json.loads(visits.judge("v", "[]"))["round"]["entries"]
    []
    """

    def __init__(self) -> None:
        self._kept: dict[str, tuple[Recorded, Doer]] = {}

    def keep(self, visit: str, record: str, ahead_s: float = 0.0) -> None:
        """Keep a visit's record (`RecordData` as JSON). ahead_s: how far this device's clock is ahead. Raises ReadProblem."""
        data = read_text(RecordData, record)
        self._kept[visit] = recorded_from(data), Doer(data.me, data.device, ahead_s)

    def judge(self, visit: str, acts: str) -> str:
        """`Judged` as JSON, with these acts (`Done` as JSON) on what was kept. Raises KeyError for a visit that is not kept."""
        recorded, doer = self._kept[visit]
        return json.dumps(plain(judged(recorded, read_text(tuple[Done, ...], acts), doer)), ensure_ascii=False)

    def judge_first(self, visit: str, acts: str) -> str:
        """`JudgedFirst` as JSON, likewise: at once what `judge` is going to say of what was done last."""
        recorded, doer = self._kept[visit]
        done = read_text(tuple[Done, ...], acts)
        before, earlier = with_all(recorded, done[:-1], doer)
        after, last = with_all(before, done[-1:], doer)
        return json.dumps(plain(JudgedFirst(verdicts_of(after, _points_written(before, after)), earlier + last)), ensure_ascii=False)


def _points_written(before: Recorded, after: Recorded) -> list[str]:
    return [event.body.point for event in after.events[len(before.events) :] if event.kind in (Kind.READING, Kind.SEEN)]
