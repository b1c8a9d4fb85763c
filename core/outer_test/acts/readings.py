"""Typing a reading, or a line of them."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Any, ClassVar, Literal

from outer_test.acts.act import Act, Body, Moment
from outer_test.entry import ParsedLine, Typed, TypedProblem, parse_line, parse_typed
from outer_test.ledger import Event, Kind, Recorded, SeenAt
from outer_test.measurement import FieldProblem
from outer_test.visit import PEAK_BY, PEAK_FITTED, POINTS, Lifted, Reading, words_for

Entry = Reading | SeenAt
MOST_ON_A_LINE = 2000


def entry_of(point: str, value: str, **tags: Any) -> Entry:
    """A reading, or a thing seen where the point is one that is looked at. Raises FieldProblem.

    >>> entry_of("cap.herm.uf", "39.9").value
    '39.9'
    """
    about = POINTS.get(point)
    if about is None:
        raise FieldProblem("point", f'"{point[:60]}" is no point of a visit')
    return SeenAt(point, value) if about.kind == "seen" else Reading(point, value, **tags)


@dataclass(frozen=True, slots=True, kw_only=True)
class TypedReading(Act):
    """One reading as typed, or a thing seen. `top` is the range's top, `supersedes` the reading it corrects."""

    kind: Literal["reading"] = "reading"
    point: str
    typed: str
    meter: str = ""
    by: Literal["", "inrush", "max-hold"] = ""
    fitted: Literal["", "none", "two-wire", "relay"] = ""
    turns: int = 1
    top: float | None = None
    supersedes: str | None = None
    writes: ClassVar[tuple[Kind, ...]] = (Kind.READING, Kind.SEEN)

    @property
    def entry(self) -> Entry:
        """What is written of it. Raises FieldProblem where it was typed wrong."""
        point = POINTS.get(self.point)
        if point is None:
            raise FieldProblem("point", "There is no such reading.")
        try:
            typed = Typed(self.typed) if point.kind == "seen" else parse_typed(self.typed, self.point)
        except TypedProblem as problem:
            raise FieldProblem("typed", str(problem)) from None
        return entry_of(
            self.point, typed.value, meter=self.meter or None, by=self.by or None, fitted=self.fitted or None, turns=self.turns,
            top=self.top, supersedes=self.supersedes or None, unit_said=typed.unit_said,
        )  # fmt: skip

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The reading, and the line that taking it puts on the list."""
        return _written([self.entry], known)

    def same(self, event: Event) -> bool:
        """Whether an event with this act's id is this reading."""
        entry = self.entry
        return event.kind in self.writes and (event.body.point, event.body.value) == (entry.point, entry.value)


@dataclass(frozen=True, slots=True, kw_only=True)
class TypedLine(Act):
    """An entry line as typed. `station` is the one at hand."""

    kind: Literal["line"] = "line"
    text: str
    meter: str = ""
    station: str = ""
    writes: ClassVar[tuple[Kind, ...]] = (Kind.READING, Kind.SEEN)

    @property
    def parsed(self) -> ParsedLine:
        """What was understood of it, and what was not. Raises FieldProblem where it is too long."""
        if len(self.text) > MOST_ON_A_LINE:
            raise FieldProblem("text", f"Use up to {MOST_ON_A_LINE} characters.")
        return parse_line(self.text, self.station)

    @property
    def rest(self) -> tuple[str, tuple[tuple[str, str], ...]]:
        """The words that were not understood, and why."""
        parsed = self.parsed
        return parsed.rest, tuple((piece.said, piece.why) for piece in parsed.left_over)

    @property
    def entries(self) -> list[Entry]:
        """What was understood."""
        return [
            entry_of(item.point, item.value, meter=self.meter or None, by=item.by or None, fitted=item.fitted or None, turns=item.turns)
            for item in self.parsed.items
        ]

    def bodies(self, known: Recorded, moment: Moment) -> Iterator[Body]:
        """The readings that were understood, each with the line that it puts on the list."""
        return _written(self.entries, known)

    def same(self, event: Event) -> bool:
        """Whether an event with this act's first id is the line's first reading."""
        first = self.entries[0]
        return event.kind in self.writes and (event.body.point, event.body.value) == (first.point, first.value)


def _written(entries: Sequence[Entry], known: Recorded) -> Iterator[Body]:
    """The entries in order. What taking a reading lifts goes on the list with it; a correction lifts nothing again."""
    off = set(known.off)
    for place, entry in enumerate(entries):
        _check(entry, known)
        name = "" if len(entries) == 1 else str(place)
        thing = POINTS[entry.point].lifts
        if thing is not None and thing not in off and not (isinstance(entry, Reading) and entry.supersedes):
            off.add(thing)
            yield f"{name} lifted", Lifted(words_for(thing), thing=thing), 2 * place - 1
        yield name, entry, 2 * place


def _check(entry: Entry, known: Recorded) -> None:
    if isinstance(entry, SeenAt):
        return
    for name, value, words in (("by", entry.by, PEAK_BY), ("fitted", entry.fitted, PEAK_FITTED)):
        if value and (value not in words or entry.point != "amps.compressor.peak_a"):
            raise FieldProblem(name, f"Use one of: {', '.join(words)}; only for a start peak.")
    if entry.turns != 1 and POINTS[entry.point].unit != "a":
        raise FieldProblem("turns", "Turns through the jaw are for amps only.")
    if entry.meter and entry.meter not in known.known.meters:
        raise FieldProblem("meter", f'"{entry.meter[:40]}" is not among the company\'s meters')
    if entry.supersedes:
        there = next((event for event in known.events if event.id == entry.supersedes and event.kind is Kind.READING), None)
        if there is None or there.body.point != entry.point:
            raise FieldProblem("supersedes", "There is no such reading at this point of this visit.")
