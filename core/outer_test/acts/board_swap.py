"""The wire map of a defrost board that is swapped."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import ClassVar, Literal

from outer_test.acts.act import Act, Body, Moment
from outer_test.ledger import Kind, Recorded, Wire
from outer_test.measurement import FieldProblem
from outer_test.rules.defrost import line_names
from outer_test.visit import BoardWire

MOST_WIRES = 60


@dataclass(frozen=True, slots=True, kw_only=True)
class NewWire(Act):
    """A line of the wire map: a new wire, also on a terminal that has one, or a correction of the wire `of`."""

    kind: Literal["wire"] = "wire"
    terminal: str
    colour: str = ""
    goes_to: str = ""
    new_terminal: str = ""
    on_old: bool = False
    of: str | None = None
    gone: bool = False
    writes: ClassVar[tuple[Kind, ...]] = (Kind.WIRE,)

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The line; old lines stay on record. A wire that was taken off keeps its name: the list would lose it."""
        line = Wire(
            self.terminal.strip(), self.colour.strip(), self.goes_to.strip(), self.new_terminal.strip(), self.on_old, self.of or "",
            self.gone,
        )  # fmt: skip
        _check(known, line)
        yield "", line, 0


def _check(known: Recorded, line: Wire) -> None:
    wires = known.visit.board_wires
    if not line.terminal and not line.gone:
        raise FieldProblem("terminal", "say which terminal the wire is on")
    if not line.of:
        if line.gone or len(wires) >= MOST_WIRES:
            raise FieldProblem("terminal", "This wire is not on the map." if line.gone else f"Use at most {MOST_WIRES} wires.")
        return
    place = next((place for place, wire in enumerate(wires) if wire.id == line.of), None)
    if place is None:
        raise FieldProblem("of", "This wire is not on the map.")
    mended = replace(wires[place], terminal=line.terminal, colour=line.colour)
    after = (*wires[:place], *(() if line.gone else (mended,)), *wires[place + 1 :])
    # A wire taken off is on the list by its name; a change to a like one would number it anew.
    same = _named(after).items()
    if {name for _, name in _named(wires).items() - same} & {lifted.words for lifted in known.visit.lifted}:
        raise FieldProblem("terminal", f"{line_names(wires)[place]} is off already, so its name cannot change.")


def _named(wires: Sequence[BoardWire]) -> dict[str | None, str]:
    """What each wire, by its id, is called on the not-put-back list."""
    return dict(zip((wire.id for wire in wires), line_names(wires), strict=True))
