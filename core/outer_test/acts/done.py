"""Acts that were done one after the other, put on what is on record."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from outer_test.acts.act import Moment
from outer_test.acts.apply import Outcome, outcome_of, outcome_refused, read_act, with_act
from outer_test.ledger import Recorded
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem


@dataclass(frozen=True, slots=True)
class Done:
    """An act as a device keeps it: its own id, the device's time and count, the last place it knew of, and what was done.

    `at` is a time with its offset, in any year: a device's clock may say anything.
    """

    id: str
    at: str
    seq: int
    after: int | None
    act: dict[str, Any]


@dataclass(frozen=True, slots=True)
class Doer:
    """Who does it, on which device, and how far that device's clock is ahead of the server's, s."""

    by: int | None = None
    device: str = ""
    ahead_s: float = 0.0


def time_of(text: Any) -> datetime:
    """A device's time as it says it. Raises FieldProblem (`at`).

    >>> time_of("0001-01-01T00:00:00Z").year
    1
    """
    try:
        at = datetime.fromisoformat(text)
    except (TypeError, ValueError):
        raise FieldProblem("at", "needs a time such as 2027-01-14T09:42:00Z") from None
    if at.tzinfo is None:
        raise FieldProblem("at", "needs its offset from UTC, as in 2027-01-14T09:42:00Z")
    return at


def with_all(recorded: Recorded, acts: Iterable[Done], doer: Doer) -> tuple[Recorded, tuple[Outcome, ...]]:
    """What is on record once these are done, and what became of each. One that is wrong writes nothing and dams nothing.

    >>> from outer_test.visit import Visit
    >>> at, what = "2027-01-04T09:00:00Z", {"kind": "reading", "point": "cap.herm.uf", "typed": "39.9"}
    >>> recorded, outcomes = with_all(Recorded(Visit(), ()), [Done("0d2b6a0a-7f6e-4c52-9a5e-2f4a2b8f7c11", at, 1, 0, what)], Doer())
    >>> [reading.value for reading in recorded.visit.readings], outcomes[0].refused
    (['39.9'], False)
    """
    outcomes = []
    for done in acts:
        try:
            moment = Moment(done.id, time_of(done.at), doer.device, doer.ahead_s)
            act = read_act(done.act)
            recorded = with_act(recorded, act, moment, done.seq, done.after, doer.by)
            outcomes.append(outcome_of(act, done.id))
        except (FieldProblem, ReadProblem) as problem:
            outcomes.append(outcome_refused(problem, done.id))
    return recorded, tuple(outcomes)
