"""The entry line: several readings at once, in the words technicians say."""

import re
from dataclasses import dataclass

from outer_test.points import POINTS
from outer_test.typed import TypedProblem, parse_typed

# What is said, for each point. Longer sayings win over shorter ones.
SAYINGS: dict[str, str] = {
    "herm": "cap.herm.uf", "hrm": "cap.herm.uf", "comp cap": "cap.herm.uf", "fan": "cap.fan.uf", "fan cap": "cap.fan.uf",
    "start": "cap.start.uf", "start cap": "cap.start.uf", "new herm": "cap.new_herm.uf", "new fan": "cap.new_fan.uf",
    "line": "safe.line.v", "l1l2": "safe.line.v", "l1 l2": "safe.line.v", "l1g": "safe.l1_ground.v", "l1 gnd": "safe.l1_ground.v",
    "l1 ground": "safe.l1_ground.v", "l2g": "safe.l2_ground.v", "l2 gnd": "safe.l2_ground.v", "l2 ground": "safe.l2_ground.v",
    "load": "safe.load.v", "load l1g": "safe.load_l1_ground.v", "load l1 gnd": "safe.load_l1_ground.v",
    "load l1 ground": "safe.load_l1_ground.v", "load l2g": "safe.load_l2_ground.v", "load l2 gnd": "safe.load_l2_ground.v",
    "load l2 ground": "safe.load_l2_ground.v", "control": "safe.control.v", "rc": "safe.control.v", "r c": "safe.control.v",
    "dc herm": "safe.c_herm.vdc", "c herm": "safe.c_herm.vdc", "dc fan": "safe.c_fan.vdc", "c fan": "safe.c_fan.vdc",
    "dc herm fan": "safe.herm_fan.vdc", "herm fan": "safe.herm_fan.vdc", "dc start": "safe.start.vdc",
    "case": "look.capacitor.case", "cap case": "look.capacitor.case", "faces": "look.contactor.faces",
    "insects": "look.contactor.insects", "wiring": "look.wiring", "wires": "look.wiring", "coil": "look.coil.face",
    "sensor": "look.sensor.seat", "lights": "look.board.lights", "tester": "safe.tester_before",
    "tester before": "safe.tester_before", "tester again": "safe.tester_after", "tester after": "safe.tester_after",
}  # fmt: skip
_LONGEST = max(len(saying.split()) for saying in SAYINGS)
_WORD = re.compile(r"\S+")


@dataclass(frozen=True, slots=True)
class LineItem:
    """One reading or thing seen, understood from the line."""

    point: str
    kind: str
    value: str
    said: str


@dataclass(frozen=True, slots=True)
class LeftOver:
    """A piece of the line that was not understood, where it stands, and why."""

    said: str
    start: int
    end: int
    why: str


@dataclass(frozen=True, slots=True)
class ParsedLine:
    """What was understood, in order, and what was not; `rest` is the line that should stay in the box."""

    items: tuple[LineItem, ...]
    left_over: tuple[LeftOver, ...]
    rest: str


def parse_line(text: str) -> ParsedLine:
    """Understand a line of readings; what is not understood is kept, with its place and the reason.

    >>> [(item.point, item.value) for item in parse_line("herm 50.4 fan 7,4 uF case bulged").items]
    [('cap.herm.uf', '50.4'), ('cap.fan.uf', '7.4'), ('look.capacitor.case', 'bulged')]
    >>> parse_line("herm 50.4 wobble 3").rest
    'wobble 3'
    """
    words = [(match.group(), match.start(), match.end()) for match in _WORD.finditer(text)]
    items: list[LineItem] = []
    left: list[LeftOver] = []
    at = 0
    while at < len(words):
        point, length = _saying_at(words, at)
        if point is None:
            end = _run_of_unknown(words, at)
            left.append(_piece(text, words, at, end, f'"{words[at][0]}" is not a reading this line knows.'))
            at = end
            continue
        end = _value_end(words, at + length)
        said = text[words[at][1] : words[end - 1][2]]
        try:
            kind, value = _value(point, [word for word, _, _ in words[at + length : end]])
        except TypedProblem as problem:
            left.append(_piece(text, words, at, end, str(problem)))
        else:
            items.append(LineItem(point, kind, value, said))
        at = end
    return ParsedLine(tuple(items), tuple(left), " ".join(piece.said for piece in left))


Words = list[tuple[str, int, int]]


def _saying_at(words: Words, at: int) -> tuple[str | None, int]:
    for length in range(min(_LONGEST, len(words) - at), 0, -1):
        said = " ".join(word.lower().strip(",;:=") for word, _, _ in words[at : at + length])
        if said in SAYINGS:
            return SAYINGS[said], length
    return None, 0


def _value_end(words: Words, at: int) -> int:
    """One past the last word of the value that begins at `at`: everything up to the next saying, two words at most."""
    end = at
    while end < len(words) and end < at + 2 and (end == at or _is_unit(words[end][0])) and _saying_at(words, end)[0] is None:
        end += 1
    return end


def _is_unit(word: str) -> bool:
    return not any(character.isdigit() for character in word) and word.lower().strip(",;") in {
        "uf", "µf", "μf", "mfd", "nf", "v", "vac", "vdc", "a", "amps", "volts", "ohm", "ohms", "ω", "line",
    }  # fmt: skip


def _run_of_unknown(words: Words, at: int) -> int:
    end = at + 1
    while end < len(words) and _saying_at(words, end)[0] is None:
        end += 1
    return end


def _value(point: str, said: list[str]) -> tuple[str, str]:
    about = POINTS[point]
    text = " ".join(said).rstrip(",;")
    if about.kind == "number":
        return "number", parse_typed(text, point).value
    word = text.lower()
    if word not in about.choices:
        raise TypedProblem(f"{point.rsplit('.', 1)[-1]} is one of {', '.join(about.choices)}.")
    return "seen", word


def _piece(text: str, words: Words, at: int, end: int, why: str) -> LeftOver:
    start, stop = words[at][1], words[end - 1][2]
    return LeftOver(text[start:stop], start, stop, why)
