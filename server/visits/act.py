"""Writing what somebody did on a visit: every act by the one door."""

from collections.abc import Callable, Iterable, Iterator
from uuid import UUID

from django.db import transaction

from fleet.write_unit import carry, ids_of
from ledger.read import events_of_units
from ledger.writer import Made, Writer
from outer_test.acts import Act, Body, Moment
from outer_test.ledger import Kind
from outer_test.measurement import FieldProblem
from visits.load import Loaded, load_visit
from visits.to_core import as_it_stands
from visits.write import Write, write_all, write_on_visit


def act_on(writer: Writer, visit_id: UUID, made: Made, act: Act) -> Loaded:
    """Write what an act says, and give back the visit as it then stands. Sent twice it is written once.

    Raises NoSuchVisit, FieldProblem.
    """
    with transaction.atomic():
        loaded = write_on_visit(writer, visit_id, made, _bodies(writer, made, act), act.same)
        return _with_plate(writer, loaded) if Kind.PLATE in act.writes else loaded


def act_on_all(writer: Writer, visit_id: UUID, acts: Iterable[tuple[Made, Act]]) -> list[bool | FieldProblem]:
    """Write acts in their order; of each whether it is new, or what is wrong with it. Raises NoSuchVisit."""
    told: list[bool | FieldProblem] = []
    with transaction.atomic():
        for own in _up_to_a_plate(acts):
            writes = [Write(made, _bodies(writer, made, act), act.same) for made, act in own]
            loaded, some = write_all(writer, visit_id, writes)
            told += some
            if Kind.PLATE in own[-1][1].writes and some[-1] is True:
                _with_plate(writer, loaded)
    return told


def _bodies(writer: Writer, made: Made, act: Act) -> Callable[[Loaded], Iterator[Body]]:
    moment = Moment(str(made.id), made.at or writer.now, str(writer.device), writer.ahead_s)
    return lambda known: act.bodies(known, moment)


def _up_to_a_plate(acts: Iterable[tuple[Made, Act]]) -> Iterator[list[tuple[Made, Act]]]:
    """The acts in parts that end with a plate: what comes after it goes by it."""
    part: list[tuple[Made, Act]] = []
    for made, act in acts:
        part.append((made, act))
        if Kind.PLATE in act.writes:
            yield part
            part = []
    if part:
        yield part


def _with_plate(writer: Writer, loaded: Loaded) -> Loaded:
    """The plate that was read last is the unit's own: of two read by people who did not know of each other, the later."""
    row = loaded.row
    carry(row.unit, events_of_units(writer.company, ids_of(row.unit), [Kind.PLATE]).events[-1].body)
    if row.frozen is not None and row.finished_at is None:  # it is open again: it goes by what is read now
        row.frozen = as_it_stands(writer.company, row.unit, row.technician.van_stock)
        row.save(update_fields=["frozen"])
    return load_visit(writer.company, row)
