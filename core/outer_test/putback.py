"""The not-put-back list, which alone governs finishing (handbook section 10)."""

from outer_test.visit import Lifted, Visit


class FinishProblem(ValueError):
    """A visit that cannot be finished yet; the message names the open lines."""


def open_lines(visit: Visit) -> tuple[Lifted, ...]:
    """Lines that are neither back, nor retired, nor left until the return visit.

    >>> from outer_test.visit import LiftedEnd
    >>> [one.what for one in open_lines(Visit(lifted=(Lifted("HERM wires"), Lifted("Panel", end=LiftedEnd("back")))))]
    ['HERM wires']
    """
    return tuple(line for line in visit.lifted if line.end is None)


def check_finish(visit: Visit, force_reason: str = "") -> None:
    """Raise FinishProblem unless every line has ended, or a reason to finish by force is given.

    force_reason: printed on the sheet. Source: handbook section 10.

    >>> check_finish(Visit(lifted=(Lifted("HERM wires"),)))
    Traceback (most recent call last):
    ...
    outer_test.putback.FinishProblem: not put back yet: HERM wires
    """
    lines = open_lines(visit)
    if lines and not force_reason.strip():
        raise FinishProblem(f"not put back yet: {', '.join(line.what for line in lines)}")
