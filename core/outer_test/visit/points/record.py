"""What is known of one point of the round: one record each, that everything else asks."""

from dataclasses import dataclass, field
from enum import StrEnum
from typing import Literal

from outer_test.judgement import Part, plain_name
from outer_test.visit.thing import Feed, Thing

Power = Literal["dead", "live", "any"]
Kind = Literal["number", "seen"]


class Measures(StrEnum):
    """What a point is there to tell, where a rule asks for all points that tell the same."""

    TESTER = "tester"
    ABSENCE = "absence"
    CHARGE = "charge"
    NEW_PART = "new-part"
    GROUND = "ground"
    INSULATION = "insulation"
    UNLABELLED = "unlabelled"
    DROP = "drop"
    SENSOR = "sensor"
    LEAD = "lead"
    LINE_FUSE = "line-fuse"
    ELEMENT = "element"
    UPSTREAM = "upstream"
    OTHER = "other"


# Found by asking what has to be proved before anything is known of the power: these ask for none.
ASKS_NO_POWER = frozenset({Measures.TESTER, Measures.ABSENCE, Measures.CHARGE, Measures.NEW_PART, Measures.UPSTREAM})

UNIT_SIGN = {
    "uf": "µF", "v": "V", "vdc": "V d.c.", "a": "A", "ohm": "Ω", "mohm": "MΩ", "f": "°F", "s": "s", "h": "h",
    "psi": "psi", "dif": "°F", "flashes": "flashes", "": "",
}  # fmt: skip
MAY_BE_NEGATIVE = ("f", "vdc", "psi", "dif")

# Far above anything a residential outdoor unit shows, so that only slips of the key or the meter's prefix are caught.
_CEILING = {
    "uf": 200.0, "v": 1000.0, "vdc": 1000.0, "a": 600.0, "ohm": 1e8, "mohm": 1e6, "f": 400.0, "s": 3600.0, "h": 9e4,
    "psi": 1000.0, "dif": 200.0, "flashes": 60.0,
}  # fmt: skip

LIVE_CAUTION = "Live work: rated gloves and meter, nothing else in the cabinet touched."
ARC = "Keep your other hand off the cabinet. Rated gloves and tester; until it is proved, treat it as live."
SHORTED = "Shorting it with a screwdriver arcs and marks the terminals, and must never be done near a flammable refrigerant. Bleed it."
GROUND_HAZARD = (
    "A grounded compressor can blow a terminal out with burning oil when energised: "
    "measure at the plug or wires first, cover on for any live test."
)
NO_PUSH = "Never push a fan blade to help it start: it is sharp, and the winding is cooking."
NEVER_LIVE = "Never measure live at the compressor's terminals, and never face them."
INSULATION_TESTER = "The tester puts out 500 V: hands off, discharge the winding afterwards."


@dataclass(frozen=True, slots=True)
class Point:
    """A place to measure or look at, and how it is done.

    name: its key in files; a measured one ends in its unit. station: where it is asked for. power: what the work needs.
    part: what it is read on. title, short, how, caution: what the technician reads. choices: the words a looked-at point takes,
    separated by spaces. needed: whether a round is incomplete without it. lifts: what taking it adds to the not-put-back list.
    tags: what is said along with it. clamp: whether turns through the jaw count. timer, timer_s: a clock that belongs to it, s.
    counts: whether it is counted, not read. limit: above this a typed value is taken for a slip. probes: the terminals, red
    and black, as `part.terminal` of the unit's circuit; `herm` and `fan_section` are the capacitor that carries a section.
    clamp_at: the terminal whose wire goes through the jaw. fed_by: what has to be whole for it to mean anything.
    say: what it is called on the entry line, separated by `|`; say_here: words that mean it only at its own station.
    plain: what the customer is told it is, where that is not its part's own name. measures: what it is there to tell.
    tells_of, proves: the circuit's parts or sections of them, and wires by their two ends, that are as the reading is; an end is a terminal, a part
    (`board.`), or a capacitor's terminal wherever it is (`HERM`, `.C`).
    """

    name: str
    station: str
    power: Power
    part: Part
    title: str
    short: str = ""
    how: str = ""
    choices_text: str = ""
    needed: bool = True
    caution: str = ""
    lifts: Thing | None = None
    tags: tuple[str, ...] = ()
    clamp: bool = False
    timer: str = ""
    timer_s: float = 0.0
    counts: bool = False
    limit: float | None = None
    probes: tuple[str, str] | None = None
    clamp_at: str = ""
    fed_by: Feed = Feed.NONE
    say: str = ""
    say_here: str = ""
    plain: str = ""
    measures: Measures = Measures.OTHER
    tells_of: tuple[str, ...] = ()
    proves: tuple[tuple[str, str], ...] = ()

    choices: tuple[str, ...] = field(init=False)
    kind: Kind = field(init=False)
    unit: str = field(init=False)
    sign: str = field(init=False)
    ceiling: float | None = field(init=False)

    def __post_init__(self) -> None:
        unit = "" if self.choices_text else self.name.replace("_", ".").rsplit(".", 1)[-1]
        derived = {
            "choices": tuple(self.choices_text.split()),
            "kind": "seen" if self.choices_text else "number",
            "unit": unit,
            "sign": UNIT_SIGN[unit],
            "ceiling": None if self.choices_text else self.limit if self.limit is not None else _CEILING[unit],
        }
        for name, value in derived.items():
            object.__setattr__(self, name, value)

    @property
    def plain_words(self) -> str:
        """What the customer is told it is."""
        return self.plain or plain_name(self.part)
