"""What is done to the visit as a whole: a note, the plate as it was read, its end, and opening it again."""

from collections.abc import Iterator
from dataclasses import dataclass, field
from typing import ClassVar, Literal

from outer_test.acts.act import Act, Body, Moment
from outer_test.ledger import Finished, Kind, PlateRead, Recorded, Reopened, Signature
from outer_test.measurement import FieldProblem
from outer_test.nameplate import Contactor, Plate
from outer_test.procedure import FinishProblem, check_finish
from outer_test.visit import FittedCapacitor, Note

MOST = 1000


@dataclass(frozen=True, slots=True, kw_only=True)
class NewNote(Act):
    """A note on the visit."""

    kind: Literal["note"] = "note"
    text: str
    writes: ClassVar[tuple[Kind, ...]] = (Kind.NOTE,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The note."""
        if not self.text.strip() or len(self.text) > MOST:
            raise FieldProblem("text", f"Use 1 to {MOST} characters.")
        yield "", Note(self.text.strip()), 0


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateTyped(Act):
    """The plate as it was read, the parts fitted by their own labels, and why it was read again."""

    kind: Literal["plate"] = "plate"
    plate: Plate
    fitted: tuple[FittedCapacitor, ...] = field(default=())
    contactor_fitted: Contactor | None = None
    why: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.PLATE,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The plate; the one before stays in the unit's history."""
        yield "", PlateRead(self.plate, self.fitted, self.contactor_fitted, self.why), 0


@dataclass(frozen=True, slots=True, kw_only=True)
class FinishVisit(Act):
    """The visit is finished. With lines still open it needs a reason, which prints on the sheet."""

    kind: Literal["finish"] = "finish"
    reason: str = ""
    core: str = ""
    digest: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.FINISHED,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The end; nothing where it is finished already."""
        if known.closing.finish is not None:
            return
        try:
            check_finish(known.visit, self.reason)
        except FinishProblem as problem:
            raise FieldProblem("reason", f"{problem}. Put it back, or say why it stays off.") from None
        yield "", Finished(self.reason.strip(), self.core, self.digest), 0


@dataclass(frozen=True, slots=True, kw_only=True)
class ReopenVisit(Act):
    """A finished visit is opened again, for a reason; what arrived after its end counts from then on."""

    kind: Literal["reopen"] = "reopen"
    reason: str
    writes: ClassVar[tuple[Kind, ...]] = (Kind.REOPENED,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The opening; nothing where it is open."""
        event = Reopened(self.reason.strip())
        if known.closing.finish is not None:
            yield "", event, 0


@dataclass(frozen=True, slots=True, kw_only=True)
class SignVisit(Act):
    """A signature drawn on the screen: strokes of points (x, y), from 0 to 1, in a box one wide and a third high."""

    kind: Literal["signature"] = "signature"
    name: str
    strokes: tuple[tuple[tuple[float, float], ...], ...]
    digest: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.SIGNATURE,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The signature."""
        strokes = tuple(tuple((round(x, 4), round(y, 4)) for x, y in stroke) for stroke in self.strokes)
        yield "", Signature(self.name.strip(), strokes, self.digest), 0
