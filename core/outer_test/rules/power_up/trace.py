"""A voltage followed along its way, and the fault pinned between the last live and the first dead point (handbook section 8)."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from decimal import Decimal

from outer_test.measurement import Measured


@dataclass(frozen=True, slots=True)
class Place:
    """A point on the way, what it is called, and what lies just before it."""

    point: str
    name: str
    before: str


@dataclass(frozen=True, slots=True)
class Traced:
    """The last live and the first dead point, where both were measured; and the dead points behind it."""

    last_live: Place | None
    first_dead: Place | None
    behind: tuple[Place, ...] = ()


def trace(way: Sequence[Place], volts: Mapping[str, Measured], dead_below: Decimal) -> Traced:
    """Follow a voltage along `way`. volts: by point, V; points without a number are passed over.

    Source: [D] what is dead after what is live has lost it in between.

    >>> from outer_test.measurement import measure
    >>> way = (Place("a", "the panel", ""), Place("b", "the contactor", "the wire"))
    >>> trace(way, {"a": measure("238"), "b": measure("0")}, Decimal(30)).first_dead.name
    'the contactor'
    """
    last_live: Place | None = None
    first_dead: Place | None = None
    behind: list[Place] = []
    for place in way:
        reading = volts.get(place.point)
        if reading is None or reading.number is None:
            continue
        if abs(reading.number) >= dead_below:
            if first_dead is None:
                last_live = place
        elif first_dead is None:
            first_dead = place
        else:
            behind.append(place)
    return Traced(last_live, first_dead, tuple(behind))
