"""A unit's ladder as data: what is drawn and where. One geometry, drawn alike on screen and on paper.

Places are in units of a drawing 360 wide, x to the right, y down. One of them is about a pixel on a phone.
"""

from dataclasses import dataclass
from enum import StrEnum
from typing import Literal

WIDE = 360.0
State = Literal["proven", "not-yet", "suspect"]
Anchor = Literal["start", "middle", "end"]


class Shape(StrEnum):
    """What a part is drawn as."""

    FUSE = "fuse"
    CONTACT = "contact"
    BAR = "bar"
    MOTOR = "motor"
    COIL = "coil"
    CAPACITOR = "capacitor"
    BOX = "box"
    GROUND = "ground"


class Live(StrEnum):
    """What stands on a wire while the unit is live."""

    NONE = ""
    L1 = "L1"
    L2 = "L2"
    L3 = "L3"
    LOW = "24V"


@dataclass(frozen=True, slots=True)
class Place:
    """A place on the drawing."""

    x: float
    y: float


@dataclass(frozen=True, slots=True)
class Words:
    """Words of the drawing and where they stand. `faint` for what only explains, `figure` for a number with its unit; `small` where
    they would not fit into their part otherwise."""

    text: str
    x: float
    y: float
    anchor: Anchor = "middle"
    faint: bool = False
    figure: bool = False
    small: bool = False


@dataclass(frozen=True, slots=True)
class Symbol:
    """A part, or one element of it, by its middle and size.

    path: the lines drawn of it, as SVG: a contact's blade, made or open, a fuse's link, the sign for ground; else empty.
    """

    part: str
    shape: Shape
    x: float
    y: float
    w: float
    h: float
    state: State
    words: tuple[Words, ...] = ()
    path: str = ""


@dataclass(frozen=True, slots=True)
class Stroke:
    """A wire, or a piece of a rail (which has no state of its own). `off` where it is on the not-put-back list.

    lifts: what goes on that list where it is lifted, in words; empty where no reading asks for it.
    """

    wire: str
    places: tuple[Place, ...]
    state: State | Literal["rail"]
    live: Live = Live.NONE
    off: bool = False
    lifts: str = ""


@dataclass(frozen=True, slots=True)
class Spot:
    """A terminal, and its letter where it has one."""

    terminal: str
    x: float
    y: float
    letter: Words | None = None


@dataclass(frozen=True, slots=True)
class Rung:
    """A stretch of the drawing from `top` to `bottom` that can be shown alone."""

    name: str
    top: float
    bottom: float


@dataclass(frozen=True, slots=True)
class ProbeSpot:
    """Where the probes of a reading stand: red and black, or the clamp; the rungs it touches; and the same in words."""

    point: str
    red: Place | None
    black: Place | None
    clamp: Place | None
    rungs: tuple[str, ...]
    says: str


@dataclass(frozen=True, slots=True)
class Section:
    """One of the ladder's two parts: line voltage, or 24 V."""

    name: Literal["line", "control"]
    title: str
    height: float
    symbols: tuple[Symbol, ...]
    strokes: tuple[Stroke, ...]
    spots: tuple[Spot, ...]
    rungs: tuple[Rung, ...]
    probes: tuple[ProbeSpot, ...]


@dataclass(frozen=True, slots=True)
class Ladder:
    """This unit drawn as a line diagram: line voltage above, 24 V below. `says` is the same in words."""

    sections: tuple[Section, ...]
    says: str
