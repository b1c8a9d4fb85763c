"""The circuit of one unit as data: parts with terminals, wires between them, and what joins the terminals inside a part."""

from dataclasses import dataclass
from typing import Literal

PartKind = Literal[
    "ground", "disconnect", "contactor", "dual-capacitor", "capacitor", "start-capacitor", "start-relay", "start-kit", "compressor",
    "drive", "fan", "board", "coil-switch", "sensor", "valve", "indoor",
]  # fmt: skip
LinkKind = Literal["fuse", "contact", "bar", "coil", "winding", "capacitor", "relay", "switch", "sensor", "electronics"]
WireGroup = Literal["line", "control", "sensor"]


@dataclass(frozen=True, slots=True)
class Part:
    """A part of the unit: its kind, the word under it, what its label says, and its terminals in drawing order."""

    name: str
    kind: PartKind
    label: str
    terminals: tuple[str, ...]
    detail: str = ""


@dataclass(frozen=True, slots=True)
class Wire:
    """A wire between two terminals, each written `part.terminal`."""

    name: str
    a: str
    b: str
    group: WireGroup = "line"


@dataclass(frozen=True, slots=True)
class Link:
    """What joins two terminals inside a part."""

    a: str
    b: str
    kind: LinkKind


@dataclass(frozen=True, slots=True)
class Circuit:
    """A unit's circuit as a graph: terminals are its nodes, wires and links its edges."""

    parts: tuple[Part, ...]
    wires: tuple[Wire, ...]
    links: tuple[Link, ...]

    def part(self, name: str) -> Part | None:
        """The part of that name, or None where this unit has none."""
        return next((part for part in self.parts if part.name == name), None)

    def terminals(self) -> frozenset[str]:
        """Every terminal of the unit, written `part.terminal`."""
        return frozenset(f"{part.name}.{own}" for part in self.parts for own in part.terminals)

    def wire_at(self, terminal: str, group: WireGroup = "line") -> Wire | None:
        """The first wire of a group on a terminal."""
        return next((wire for wire in self.wires if wire.group == group and terminal in (wire.a, wire.b)), None)

    def problems(self) -> list[str]:
        """What is wrong with the graph itself: ends that are no terminals, and terminals that nothing reaches.

        >>> Circuit((), (Wire("w", "x.1", "y.2"),), ()).problems()
        ['w ends at x.1, which is not there', 'w ends at y.2, which is not there']
        """
        there = self.terminals()
        found = [f"{wire.name} ends at {end}, which is not there" for wire in self.wires for end in (wire.a, wire.b) if end not in there]
        found += [f"a link ends at {end}, which is not there" for link in self.links for end in (link.a, link.b) if end not in there]
        ends = {end for wire in self.wires for end in (wire.a, wire.b)} | {end for link in self.links for end in (link.a, link.b)}
        return found + [f"nothing reaches {one}" for one in sorted(there - ends)]
