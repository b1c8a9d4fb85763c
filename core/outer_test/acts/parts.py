"""Parts put in: from then on the part's readings are the new part's (handbook section 14)."""

from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from typing import ClassVar, Literal

from outer_test.acts.act import Act, Body, Moment
from outer_test.entry import TypedProblem, parse_typed
from outer_test.ledger import Kind, Recorded, TakenBack, standing
from outer_test.measurement import FieldProblem
from outer_test.visit import Reading, Repair


@dataclass(frozen=True, slots=True, kw_only=True)
class NewPart(Act):
    """A part put in; `in_hand` is what a run capacitor's sections measured, as typed, by `herm` and `fan`."""

    kind: Literal["part"] = "part"
    repair: Repair
    in_hand: dict[str, str] = field(default_factory=dict)
    writes: ClassVar[tuple[Kind, ...]] = (Kind.PART,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The part, its rating, and what it measured in the hand."""
        if len(self.repair.note) > 200:
            raise FieldProblem("note", "Use up to 200 characters.")
        readings = [_in_hand(section, typed) for section, typed in self.in_hand.items() if typed.strip()]
        yield "", replace(self.repair, at=None, id=None), 0
        for place, (section, reading) in enumerate(readings, 1):
            yield section, reading, place


def _in_hand(section: str, typed: str) -> tuple[str, Reading]:
    if section not in ("herm", "fan"):
        raise FieldProblem("in_hand", "Use the sections herm and fan.")
    point = f"cap.new_{section}.uf"
    try:
        return section, Reading(point, parse_typed(typed, point).value)
    except (TypedProblem, FieldProblem) as problem:
        words = problem.message if isinstance(problem, FieldProblem) else str(problem)
        raise FieldProblem(f"in_hand.{section}", words) from None


@dataclass(frozen=True, slots=True, kw_only=True)
class TakenOff(Act):
    """A part that was never put in is taken off the record; its line stays."""

    kind: Literal["part-undo"] = "part-undo"
    part: str
    writes: ClassVar[tuple[Kind, ...]] = (Kind.TAKEN_BACK,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """Nothing where it is off already."""
        if any(event.id == self.part for event in standing(known.events, Kind.PART)):
            yield "", TakenBack(self.part), 0
        elif not any(event.kind is Kind.PART and event.id == self.part for event in known.events):
            raise FieldProblem("part", "This part was not put in on this visit.")
