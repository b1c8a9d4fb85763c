"""What is off at a unit right now: the open lines of its not-put-back list (handbook section 10)."""

from outer_test.visit.thing import Feed, Thing, cuts
from outer_test.visit.visit import Lifted, Visit


def open_lines(visit: Visit) -> tuple[Lifted, ...]:
    """Lines that are neither back, nor retired, nor left until the return visit.

    >>> from outer_test.visit.visit import LiftedEnd
    >>> [one.what for one in open_lines(Visit(lifted=(Lifted("HERM wires"), Lifted("Panel", end=LiftedEnd("back")))))]
    ['HERM wires']
    """
    return tuple(line for line in visit.lifted if line.end is None)


def things_off(visit: Visit) -> frozenset[Thing]:
    """The things that are off or bridged now, as far as they have a name.

    >>> things_off(Visit(lifted=(Lifted("compressor plug"), Lifted("the neighbour's gate"))))
    frozenset({<Thing.COMPRESSOR_PLUG: 'compressor-plug'>})
    """
    return frozenset(thing for line in open_lines(visit) if (thing := line.means) is not None)


def interrupted(visit: Visit) -> Feed:
    """What is interrupted now by the things that are off.

    >>> interrupted(Visit(lifted=(Lifted("Fan motor leads off"),)))
    <Feed.FAN: 16>
    """
    feeds = Feed.NONE
    for thing in things_off(visit):
        feeds |= cuts(thing)
    return feeds
