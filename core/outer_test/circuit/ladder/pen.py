"""Drawing one section of a ladder: wires are taken from the circuit by their two ends, and never made up."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field, replace
from typing import Literal

from outer_test.circuit.graph import Circuit, Part, Wire
from outer_test.circuit.ladder.drawn import Anchor, Live, Place, Rung, Shape, Spot, State, Stroke, Symbol, Words
from outer_test.circuit.off import thing_at
from outer_test.visit import words_for

At = tuple[float, float]
Side = Literal["left", "right", "above", "below", "over", "under", "aside left", "aside right"]
LEFT, RIGHT = 36.0, 324.0  # the two rails
CAPACITOR_LEFT, CAPACITOR_RIGHT = 214.0, 292.0


@dataclass(frozen=True, slots=True)
class Looks:
    """How things stand, by name: parts and wires proven or suspect, terminals live, wires off, contacts known to be made."""

    parts: Mapping[str, State]
    wires: Mapping[str, State]
    live: Mapping[str, Live]
    off: Collection[str]
    closed: Collection[str]


@dataclass(slots=True)
class Pen:
    """A section while it is drawn."""

    circuit: Circuit
    looks: Looks
    symbols: list[Symbol] = field(default_factory=list)
    strokes: list[Stroke] = field(default_factory=list)
    spots: list[Spot] = field(default_factory=list)
    rungs: list[Rung] = field(default_factory=list)

    def part(self, name: str) -> Part:
        """The circuit's part of that name. Raises KeyError where this unit has none."""
        found = self.circuit.part(name)
        if found is None:
            raise KeyError(name)
        return found

    def has(self, terminal: str) -> bool:
        """Whether this unit's circuit has the terminal, written `part.terminal`."""
        name, _, own = terminal.partition(".")
        part = self.circuit.part(name)
        return part is not None and own in part.terminals

    def symbol(
        self, part: str, shape: Shape, at: At, size: tuple[float, float], *words: Words, upright: bool = False, element: str = ""
    ) -> None:
        """A part by its middle. element: which of its contacts or sections this is. upright: it lies along a rail."""
        closed = shape is Shape.BAR or f"{part}.{element}" in self.looks.closed
        state = self.looks.parts.get(f"{part}.{element}") or self.looks.parts.get(part, "not-yet")
        words = tuple(_fitted(one, at, size) for one in words)
        self.symbols.append(Symbol(part, shape, *at, *size, state, words, _path(shape, at, size, upright, closed)))

    def contact(self, part: str, element: str, ends: tuple[float, float], y: float, title: str = "", rise: float = 20) -> None:
        """A contact between two places of a rung, with its title over it."""
        middle = (ends[0] + ends[1]) / 2
        words = (Words(title, middle, y - rise, faint=True),) if title else ()
        self.symbol(part, Shape.CONTACT, (middle, y), (ends[1] - ends[0], 12), *words, element=element)

    def box(self, part: str, at: At, wide: float, text: str) -> None:
        """A part shown as a box with its name in it."""
        self.symbol(part, Shape.BOX, at, (wide, 24), Words(text, at[0], at[1] + 4))

    def spot(self, terminal: str, at: At, letter: str = "", to: Side = "above") -> None:
        """A terminal, with its letter to one side of it."""
        x, y = at
        anchors: dict[str, tuple[float, float, Anchor]] = {
            "left": (x - 8, y + 4, "end"),
            "right": (x + 8, y + 4, "start"),
            "above": (x, y - 9, "middle"),
            "below": (x, y + 18, "middle"),
            "over": (x, y - 20, "middle"),
            "under": (x, y + 26, "middle"),
            "aside left": (x - 6, y - 7, "end"),
            "aside right": (x + 6, y - 7, "start"),
        }
        self.spots.append(Spot(terminal, x, y, Words(letter, *anchors[to]) if letter else None))

    def wire(self, one: str, two: str, *places: At) -> None:
        """The circuit's wire between two terminals. Raises KeyError where the circuit has none."""
        wire = self._wire(one, two)
        thing = thing_at(wire)
        live = self.looks.live.get(one, Live.NONE) or self.looks.live.get(two, Live.NONE)
        state, lifts = self.looks.wires.get(wire.name, "not-yet"), words_for(thing) if thing is not None else ""
        self.strokes.append(Stroke(wire.name, tuple(Place(*one) for one in places), state, live, wire.name in self.looks.off, lifts))

    def _wire(self, one: str, two: str) -> Wire:
        for wire in self.circuit.wires:
            if {wire.a, wire.b} == {one, two}:
                return wire
        raise KeyError(f"{one} to {two}")

    def rail(self, node: str, *places: At) -> None:
        """A piece of a rail, which is all one terminal."""
        self.strokes.append(Stroke("", tuple(Place(*one) for one in places), "rail", self.looks.live.get(node, Live.NONE)))

    def rung(self, name: str, top: float, bottom: float) -> None:
        """Mark a stretch that can be shown alone."""
        self.rungs.append(Rung(name, top, bottom))


_LETTER, _FIGURE = 6.4, 8.4  # how wide a letter and a figure are, at their usual size
_ROUND = 0.86  # of a motor's width is free beside its middle


def _fitted(words: Words, at: At, size: tuple[float, float]) -> Words:
    """Words that stand within their part, made small where they are wider than it."""
    inside = words.anchor == "middle" and words.x == at[0] and abs(words.y - at[1]) < size[1] / 2
    wide = len(words.text) * (_FIGURE if words.figure else _LETTER)
    return replace(words, small=True) if inside and wide > size[0] * _ROUND else words


def _path(shape: Shape, at: At, size: tuple[float, float], upright: bool, closed: bool) -> str:
    """The lines of a symbol that is more, or other, than its outline."""
    (x, y), (wide, high) = at, size
    if shape is Shape.GROUND:
        return f"M{x} {y - 8}v5M{x - 10} {y - 3}h20M{x - 6} {y + 1}h12M{x - 2.5} {y + 5}h5"
    if shape is Shape.FUSE:
        return f"M{x} {y - high / 2}v{high}" if closed else ""
    if shape not in (Shape.CONTACT, Shape.BAR):
        return ""
    if upright:
        return f"M{x} {y - high / 2}v{high}" if closed else f"M{x} {y + high / 2}v-6l-9 -{high - 14}M{x} {y - high / 2}v4"
    return f"M{x - wide / 2} {y}h{wide}" if closed else f"M{x - wide / 2} {y}h5l{wide - 12} -9M{x + wide / 2} {y}h-4"
