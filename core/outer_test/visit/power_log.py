"""What the power was, from what was said of it in order of time (handbook section 4)."""

from datetime import datetime

from outer_test.visit.thing import Feed, cuts
from outer_test.visit.visit import Lifted, PowerState, Visit


def last_power_up(visit: Visit) -> int:
    """Index of the last power event that made the unit live, -1 where there is none.

    >>> last_power_up(Visit())
    -1
    """
    return max((index for index, event in enumerate(visit.power) if event.state == "live"), default=-1)


def powered_up_at(visit: Visit, by: datetime | None = None) -> datetime | None:
    """The latest time the unit was made live, at `by` or before where that is given; None where no such time is on record.

    >>> powered_up_at(Visit()) is None
    True
    """
    return max(
        (event.at for event in visit.power if event.state == "live" and event.at is not None and (by is None or event.at <= by)),
        default=None,
    )


def power_at(visit: Visit, at: datetime | None, proved_at: datetime | None = None) -> PowerState | None:
    """The power on record at a time; None where the record does not say. proved_at: when the unit was proved dead.

    Events and readings without times contradict nothing. A power-up ends a proof.

    >>> power_at(Visit(), None) is None
    True
    """
    if at is None:
        return None
    before = [event for event in visit.power if event.at is not None and event.at <= at]
    last = max(before, key=lambda event: event.at or at, default=None)
    if proved_at is not None and proved_at <= at and (last is None or last.at is None or last.state != "live" or last.at < proved_at):
        return "dead-proved"
    return None if last is None else last.state


def off_at(visit: Visit, at: datetime | None) -> tuple[Lifted, ...]:
    """The lines of the list that were off or on at a time; without a time those that are open now.

    >>> off_at(Visit(lifted=(Lifted("Compressor plug off"),)), None)[0].words
    'Compressor plug off'
    """
    return tuple(line for line in visit.lifted if _was_off(line, at))


def _was_off(line: Lifted, at: datetime | None) -> bool:
    if at is None or line.at is None:
        return line.end is None
    return line.at <= at and (line.end is None or (line.end.at is not None and line.end.at > at))


def interrupted_by(visit: Visit, feed: Feed, at: datetime | None) -> Lifted | None:
    """The line on the list that interrupts a feed at a time; None where nothing does.

    >>> interrupted_by(Visit(lifted=(Lifted("Compressor plug off"),)), Feed.COMPRESSOR, None).words
    'Compressor plug off'
    """
    return next((line for line in off_at(visit, at) if line.means is not None and cuts(line.means) & feed), None)
