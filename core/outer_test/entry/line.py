"""The entry line: several readings at once, in the words technicians say."""

import re
from dataclasses import dataclass, replace

from outer_test.entry.field import TypedProblem, parse_typed
from outer_test.entry.terminals import terminals_at
from outer_test.entry.vocabulary import AT_STATION, FILLERS, PEAK_BY, PEAK_WITH, RESULTS, SAYINGS, UNITS
from outer_test.visit import POINTS, Measures, group_of, measures

_LONGEST = max(len(saying.split()) for saying in SAYINGS)
_WORD = re.compile(r"\S+")
_TURNS = re.compile(r"[x×](\d{1,2})")
_PEAK = "amps.compressor.peak_a"


@dataclass(frozen=True, slots=True)
class LineItem:
    """One reading or thing seen, understood from the line, with the tags that were said along with it."""

    point: str
    kind: str
    value: str
    said: str
    by: str = ""
    fitted: str = ""
    turns: int = 1


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


def parse_line(text: str, station: str = "") -> ParsedLine:
    """Understand a line of readings; what is not understood is kept, with its place and the reason.

    station: the station at hand, for words that mean another point there (`fan` is microfarads at the capacitors and amps
    at the run).

    >>> [(item.point, item.value) for item in parse_line("herm 50.4 fan 7,4 uF case bulged").items]
    [('cap.herm.uf', '50.4'), ('cap.fan.uf', '7.4'), ('look.capacitor.case', 'bulged')]
    >>> [(item.point, item.value) for item in parse_line("peak 88 started .3s").items]
    [('amps.compressor.peak_a', '88'), ('start.result', 'started'), ('amps.compressor.start_s', '0.3')]
    >>> parse_line("herm 50.4 wobble 3").rest
    'wobble 3'
    """
    words = [(match.group(), match.start(), match.end()) for match in _WORD.finditer(text)]
    return _Reader(text, words, station).read()


Words = list[tuple[str, int, int]]


class _Reader:
    """Reads a line word by word."""

    def __init__(self, text: str, words: Words, station: str) -> None:
        self.text, self.words, self.station = text, words, station
        self.items: list[LineItem] = []
        self.left: list[LeftOver] = []
        self.at = 0

    def read(self) -> ParsedLine:
        while self.at < len(self.words):
            if not (self._tag() or self._result() or self._through_pole()):
                self._saying()
        return ParsedLine(tuple(self.items), tuple(self.left), " ".join(piece.said for piece in self.left))

    def _word(self, at: int) -> str:
        return self.words[at][0].lower().strip(",;:=") if at < len(self.words) else ""

    def _tag(self) -> bool:
        """How a peak was caught, what was fitted, or the turns through the jaw: said of the reading before."""
        if not self.items:
            return False
        word, last = self._word(self.at), self.items[-1]
        turns = _TURNS.fullmatch(word)
        if turns and POINTS[last.point].unit == "a" and int(turns.group(1)) >= 1:
            change = replace(last, turns=int(turns.group(1)))
        elif last.point == _PEAK and word in PEAK_BY:
            change = replace(last, by=PEAK_BY[word])
        elif last.point == _PEAK and word in PEAK_WITH:
            change = replace(last, fitted=PEAK_WITH[word])
        else:
            return False
        self.items[-1] = replace(change, said=f"{last.said} {self.words[self.at][0]}")
        self.at += 1
        return True

    def _result(self) -> bool:
        """`started .3s`, `hummed`: what a start came to, with its time where one follows."""
        word = self._word(self.at)
        if word not in RESULTS:
            return False
        self.items.append(LineItem("start.result", "seen", RESULTS[word], self.words[self.at][0]))
        self.at += 1
        if self.at < len(self.words) and word == "started" and self._word(self.at)[:1] in set("0123456789."):
            self._value_of(("amps.compressor.start_s",), self.at, self.at)
        return True

    def _through_pole(self) -> bool:
        """`drop .03 at 14.2`: the amps through the pole just measured."""
        before = self.items[-1].point if self.items else ""
        if self._word(self.at) != "at" or measures(before) is not Measures.DROP:
            return False
        self._value_of((before.replace(".drop_v", ".a"),), self.at, self.at + 1)
        return True

    def _saying(self) -> None:
        points, length = self._saying_at(self.at)
        if not points:
            end = self.at + 1
            while end < len(self.words) and not self._saying_at(end)[0] and self._word(end) not in RESULTS:
                end += 1
            self._leave(end, f'"{self.words[self.at][0]}" is not a reading this line knows.')
            return
        self._value_of(points, self.at, self.at + length)

    def _saying_at(self, at: int) -> tuple[tuple[str, ...], int]:
        point, taken = terminals_at([self._word(place) for place in range(at, min(at + 4, len(self.words)))])
        if point and (taken > 1 or self._word(at) not in SAYINGS):
            return (point,), taken  # terminals before parts: `common to start` is no start capacitor
        here = "run" if self.items and group_of(self.items[-1].point) == "amps" else self.station
        for length in range(min(_LONGEST, len(self.words) - at), 0, -1):
            said = " ".join(self._word(place) for place in range(at, at + length))
            if said in AT_STATION.get(here, {}):
                return (AT_STATION[here][said],), length
            if said in SAYINGS:
                return SAYINGS[said], length
        return (), 0

    def _value_of(self, points: tuple[str, ...], begin: int, at: int) -> None:
        """Read the value that begins at `at` for these points; the piece of the line begins at `begin`."""
        while self._word(at) in FILLERS and at < len(self.words):
            at += 1
        choices = POINTS[points[0]].choices
        end = at + 1 if self._word(at) in choices else at  # its own word, even where that begins another reading: `at the terminals`
        while end < len(self.words) and end < at + 2 and (end == at or self._is_unit(end)) and not self._saying_at(end)[0]:
            end += 1
        said = self.text[self.words[begin][1] : self.words[max(end, begin + 1) - 1][2]]
        value = " ".join(word for word, _, _ in self.words[at:end])
        try:
            kind, kept = _value(points[0], value)
        except TypedProblem as problem:
            self._leave(max(end, begin + 1), str(problem), begin)
            return
        self.items += [LineItem(point, kind, kept, said if point == points[0] else "") for point in points]
        self.at = end

    def _is_unit(self, at: int) -> bool:
        return self._word(at) in UNITS

    def _leave(self, end: int, why: str, begin: int | None = None) -> None:
        begin = self.at if begin is None else begin
        start, stop = self.words[begin][1], self.words[end - 1][2]
        self.left.append(LeftOver(self.text[start:stop], start, stop, why))
        self.at = end


def _value(point: str, said: str) -> tuple[str, str]:
    about = POINTS[point]
    text = said.rstrip(",;")
    if about.kind == "number":
        return "number", parse_typed(text, point).value
    word = text.lower()
    if word not in about.choices:
        raise TypedProblem(f"{point.rsplit('.', 1)[-1]} is one of {', '.join(about.choices)}.")
    return "seen", word
