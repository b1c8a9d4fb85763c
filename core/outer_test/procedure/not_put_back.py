"""The not-put-back list, which alone governs finishing (handbook section 10)."""

from outer_test.visit import Lifted, PowerState, Thing, Visit, open_lines


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


class LiftProblem(ValueError):
    """A wire that may not come off yet; the message says why."""


def check_lift(visit: Visit, line: Lifted, power: PowerState) -> None:
    """Raise LiftProblem where this may not be lifted now: a board's wires move dead, and one by one.

    That is how nobody is hurt, none is forgotten and none changes places. power: the state now. Source: handbook section 9, board swap.

    >>> off = Lifted("Board wire Y (yellow)", id="1")
    >>> check_lift(Visit(lifted=(off,)), Lifted("Board wire O (orange)", id="2"), "dead-proved")
    Traceback (most recent call last):
    ...
    outer_test.procedure.not_put_back.LiftProblem: one wire at a time: Board wire Y (yellow) is still off
    """
    if line.means is not Thing.BOARD_WIRE:
        return
    if power == "live":
        raise LiftProblem("the unit is live: prove it dead before a board wire is touched")
    off = next((one for one in open_lines(visit) if one.means is Thing.BOARD_WIRE and one.id != line.id), None)
    if off is not None:
        raise LiftProblem(f"one wire at a time: {off.words} is still off")
