"""The not-put-back list, which alone governs finishing (handbook section 10)."""

from outer_test.visit import Visit, open_lines


class FinishProblem(ValueError):
    """A visit that cannot be finished yet; the message names the open lines."""


def check_finish(visit: Visit, force_reason: str = "") -> None:
    """Raise FinishProblem unless every line has ended, or a reason to finish by force is given.

    force_reason: printed on the sheet. Source: handbook section 10.

    >>> from outer_test.visit import Lifted
    >>> check_finish(Visit(lifted=(Lifted("HERM wires"),)))
    Traceback (most recent call last):
    ...
    outer_test.procedure.not_put_back.FinishProblem: not put back yet: HERM wires
    """
    lines = open_lines(visit)
    if lines and not force_reason.strip():
        raise FinishProblem(f"not put back yet: {', '.join(line.words for line in lines)}")
