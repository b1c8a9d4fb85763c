"""From a device's clock to the time that counts."""

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Final

EARLIEST: Final = datetime(2000, 1, 1, tzinfo=UTC)
MOST_AHEAD: Final = timedelta(minutes=2)
_STEP: Final = timedelta(microseconds=1)


@dataclass(frozen=True, slots=True)
class Settled:
    """The time that counts, and whether the device's own could not be so."""

    at: datetime
    clock_wrong: bool = False


def settled(device_at: datetime | None, device_now: datetime | None, arrived_at: datetime) -> Settled:
    """An event's time: the device's, less how far its clock is ahead.

    device_at: when it was made by the device's clock, None where it does not say. device_now: that clock as it sent the event, None
    where it does not say (taken as right). arrived_at: the server's clock. A time before the year 2000, or more than two
    minutes ahead after correction, is taken as the arrival and marked. Source: common practice, no source.

    >>> noon = datetime(2027, 1, 4, 12, tzinfo=UTC)
    >>> fast = noon + timedelta(hours=3)
    >>> settled(fast - timedelta(minutes=5), fast, noon).at == noon - timedelta(minutes=5)
    True
    >>> settled(datetime(2099, 1, 1, tzinfo=UTC), noon, noon)
    Settled(at=datetime.datetime(2027, 1, 4, 12, 0, tzinfo=datetime.timezone.utc), clock_wrong=True)
    """
    if device_at is None:
        return Settled(arrived_at)
    ahead = timedelta() if device_now is None else device_now - arrived_at
    try:
        at = device_at - ahead
    except OverflowError:
        return Settled(arrived_at, True)
    if not EARLIEST <= at <= arrived_at + MOST_AHEAD:
        return Settled(arrived_at, True)
    return Settled(at)


def within(time: Settled, before: datetime | None, after: datetime | None) -> datetime:
    """A time raised where it would fall within its device: not before what the device made before, not after what it made after.

    before: the time of the device's last event with a lower count; after: of its next with a higher one. Where the device's own
    clock could not be so, its count is all that tells the order, and no two get one time.

    >>> noon = datetime(2027, 1, 4, 12, tzinfo=UTC)
    >>> within(Settled(noon - timedelta(hours=1)), noon, None) > noon
    True
    >>> within(Settled(noon), noon, None) > noon, within(Settled(noon, True), noon, None) > noon
    (False, True)
    """
    at = time.at
    if before is not None and (at < before or (time.clock_wrong and at == before)):
        at = before + _STEP
    return min(at, after) if after is not None else at
