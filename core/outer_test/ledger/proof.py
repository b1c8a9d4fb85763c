"""Whether a proof of death counts, by who wrote what (handbook section 4): the dangerous word wins.

What is in doubt is not known, and not known is treated as live.
"""

from collections.abc import Sequence
from datetime import timedelta
from itertools import pairwise
from typing import Final

from outer_test.ledger.event import Event, certainly_before
from outer_test.ledger.kinds import Kind
from outer_test.rules.make_safe import TESTER, reads_live
from outer_test.visit import ProofDoubt, Visit, absence_points

# A proof that rests longer than this between two of its steps is begun again: nobody knows who was at the disconnect meanwhile.
LONGEST_BREAK: Final = timedelta(minutes=30)  # common practice, no source


def proof_doubt(events: Sequence[Event], unit: Visit) -> ProofDoubt | None:
    """What keeps the latest proof from counting; None where nothing does, or where there is no whole proof.

    events: those in effect, in order. unit: a visit with the unit's plate, which says at which points death is proved.
    """
    asked = {*absence_points(unit), *TESTER}
    latest = {event.body.point: event for event in events if event.kind in (Kind.READING, Kind.SEEN) and event.body.point in asked}
    if set(latest) != asked:
        return None
    made = {event.id for event in latest.values()}
    proof = [event for event in events if event.id in made]
    if any(event.kind is Kind.POWER and is_danger(event) for event in events[events.index(proof[0]) :]):
        return None  # powered up since it was begun: it is spent, and nobody takes it for one
    if any(event.kind is Kind.READING and event.body.power is not None for event in proof):
        return None  # from a file or an older record: judged as it stood there
    since = events[events.index(proof[-1]) + 1 :]
    if len({event.device for event in proof}) > 1:
        return ProofDoubt.TWO_DEVICES
    if _is_broken(proof):
        return ProofDoubt.INTERRUPTED
    dangers = [event for event in events if event.id not in made and is_danger(event) and not certainly_before(event, proof[0])]
    # What the same device read live after its proof speaks for itself: the reading's own rule answers it.
    return ProofDoubt.LIVE_WORD if any(event not in since or event.device != proof[0].device for event in dangers) else None


def _is_broken(proof: Sequence[Event]) -> bool:
    return any(later.at - earlier.at > LONGEST_BREAK for earlier, later in pairwise(proof))


def is_danger(event: Event) -> bool:
    """Whether an event says that the unit is live: somebody's word, or 30 V and more where line voltage is read."""
    if event.kind is Kind.POWER:
        return bool(event.body.state == "live")
    return event.kind is Kind.READING and reads_live(event.body.point, event.body.value)
