"""What is said of the power, and what is lifted, pulled or jumpered and put back."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import ClassVar, Literal

from outer_test.acts.act import Act, Body, Moment
from outer_test.assessment import power_of
from outer_test.ledger import Ended, Kind, Recorded
from outer_test.measurement import FieldProblem
from outer_test.procedure import LiftProblem, check_lift
from outer_test.visit import Lifted, PowerEvent, Thing, thing_of, words_for


@dataclass(frozen=True, slots=True, kw_only=True)
class PowerSaid(Act):
    """What the power is said to be: live, or claimed dead. Dead is only ever proved by readings."""

    kind: Literal["power"] = "power"
    state: Literal["live", "dead-claimed"]
    writes: ClassVar[tuple[Kind, ...]] = (Kind.POWER,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The word, and the pulled disconnect where it is claimed dead."""
        yield "", PowerEvent(self.state), 0
        if self.state == "dead-claimed" and Thing.DISCONNECT not in known.off:
            yield "lifted", Lifted(words_for(Thing.DISCONNECT), thing=Thing.DISCONNECT), 1


@dataclass(frozen=True, slots=True, kw_only=True)
class LiftedWhat(Act):
    """Something lifted, pulled or jumpered."""

    kind: Literal["lifted"] = "lifted"
    what: str
    writes: ClassVar[tuple[Kind, ...]] = (Kind.LIFTED,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """A line of the not-put-back list."""
        words = self.what.strip()
        if len(self.what) > 120:
            raise FieldProblem("what", "Use 1 to 120 characters.")
        line = Lifted(words, thing=thing_of(words))
        try:
            check_lift(known.visit, line, power_of(known.visit).state)
        except LiftProblem as problem:
            raise FieldProblem("what", str(problem)) from None
        yield "", line, 0


@dataclass(frozen=True, slots=True, kw_only=True)
class LiftedHow(Act):
    """How a line of the list ends; all but `back` need a reason."""

    kind: Literal["end"] = "end"
    line: str
    how: Literal["back", "retired", "left"]
    why: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.ENDED,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The end. What is said of a line first stands; what somebody who did not know of that says too is written as well."""
        end = Ended(self.line, self.how, self.why.strip())
        if not any(event.id == self.line and event.kind is Kind.LIFTED for event in known.events):
            raise FieldProblem("line", "There is no such line on this visit.")
        if not any(event.kind is Kind.ENDED and event.body.line == self.line for event in known.events):
            yield "", end, 0
