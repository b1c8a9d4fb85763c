"""What is off at a unit right now: the open lines of its not-put-back list (handbook section 10)."""

from outer_test.visit.visit import Lifted, Visit


def open_lines(visit: Visit) -> tuple[Lifted, ...]:
    """Lines that are neither back, nor retired, nor left until the return visit.

    >>> from outer_test.visit.visit import LiftedEnd
    >>> [one.what for one in open_lines(Visit(lifted=(Lifted("HERM wires"), Lifted("Panel", end=LiftedEnd("back")))))]
    ['HERM wires']
    """
    return tuple(line for line in visit.lifted if line.end is None)
