"""Writing readings and things seen on a visit."""

from collections.abc import Iterator, Sequence
from typing import Any
from uuid import UUID

from ledger.writer import Made, Writer
from outer_test.ledger import Event, Kind, SeenAt
from outer_test.measurement import FieldProblem
from outer_test.visit import PEAK_BY, PEAK_FITTED, POINTS, Lifted, Reading, words_for
from visits.load import Loaded
from visits.write import write_on_visit

Entry = Reading | SeenAt


def write_entries(writer: Writer, visit_id: UUID, made: Made, entries: Sequence[Entry]) -> Loaded:
    """Write readings and things seen, in order, and give back the visit as it then stands.

    What taking a reading lifts goes on the list with it; a correction lifts nothing again. Raises NoSuchVisit, FieldProblem.
    """

    def bodies(known: Loaded) -> Iterator[tuple[str, Any, int]]:
        off = set(known.off)
        for place, entry in enumerate(entries):
            _check(entry, known)
            name = "" if len(entries) == 1 else str(place)
            thing = POINTS[entry.point].lifts
            if thing is not None and thing not in off and not (isinstance(entry, Reading) and entry.supersedes):
                off.add(thing)
                yield f"{name} lifted", Lifted(words_for(thing), thing=thing), 2 * place - 1
            yield name, entry, 2 * place

    def same(event: Event) -> bool:
        body = event.body
        return event.kind in (Kind.READING, Kind.SEEN) and (body.point, body.value) == (entries[0].point, entries[0].value)

    return write_on_visit(writer, visit_id, made, bodies, same)


def entry_of(point: str, value: str, **tags: Any) -> Entry:
    """A reading, or a thing seen where the point is one that is looked at. Raises FieldProblem."""
    about = POINTS.get(point)
    if about is None:
        raise FieldProblem("point", f'"{point[:60]}" is no point of a visit')
    return SeenAt(point, value) if about.kind == "seen" else Reading(point, value, **tags)


def _check(entry: Entry, known: Loaded) -> None:
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
