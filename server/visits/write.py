"""Writing on a visit: one way for every kind of event.

What was true when it was made is never refused for what others did since: a write is held against the visit as its own device
knew it. What does not fit with what others did is kept, and shown.
"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from accounts.models import Company
from ledger.read import read_row
from ledger.write import ledger_of
from ledger.writer import Made, New, Subject, Writer, named
from outer_test.acts import written
from outer_test.ledger import Event, Kind
from outer_test.measurement import FieldProblem
from outer_test.plain_data import sparse
from visits.conclude import conclude_later
from visits.keep import TOLD, keep_told, refresh_standing
from visits.load import Loaded, find_visit, load_visit
from visits.planning import KINDS as PLANNING
from visits.planning import take_plan
from visits.to_core import as_it_stands
from visits.van import count_down

Bodies = Iterable[tuple[str, Any, int]]


def of_kind(kind: Kind) -> Callable[[Event], bool]:
    """Whether an event is of this kind: what an id that is there already must stand for."""
    return lambda event: event.kind is kind


@dataclass(frozen=True, slots=True)
class Write:
    """One act to be written. bodies: what it makes of the visit as the writer's device knew it: (name, body, place besides the act
    itself); the name "" is the act itself and has the client's UUID, every other one made from it. same: whether an event of this id
    is what is written here.
    """

    made: Made
    bodies: Callable[[Loaded], Bodies]
    same: Callable[[Event], bool]


def write_on_visit(writer: Writer, visit_id: UUID, made: Made, bodies: Callable[[Loaded], Bodies], same: Callable[[Event], bool]) -> Loaded:
    """Write one act, and give back the visit as it then stands; sent twice it is written once. Raises NoSuchVisit, FieldProblem."""
    loaded, (problem,) = write_all(writer, visit_id, [Write(made, bodies, same)])
    if isinstance(problem, FieldProblem):
        raise problem
    return loaded


def write_all(writer: Writer, visit_id: UUID, writes: Iterable[Write]) -> tuple[Loaded, list[bool | FieldProblem]]:
    """Write acts, one after the other, and give back the visit as it then stands; and of each act whether it is new, or what is wrong
    with it: then nothing of it is written, and the others are. Raises NoSuchVisit."""
    company = writer.company
    told: list[bool | FieldProblem] = []
    with ledger_of(writer) as ledger:
        row = find_visit(company, visit_id)
        before = after = load_visit(company, row)
        for write in writes:
            there = written(after, str(write.made.id)) is not None
            try:
                new = list(_events(after, writer, write))
                rows = ledger.write_events(Subject(row.unit.site_id, row.unit_id, row.pk), new)
            except FieldProblem as problem:
                told.append(problem)
                continue
            after = after.with_events([read_row(one) for one in rows])
            told.append(not there)
        return add_up(company, before, after), told


def _events(loaded: Loaded, writer: Writer, write: Write) -> Iterable[New]:
    """What an act writes on the visit as its device knew it; nothing where it is there already."""
    made = write.made
    there = written(loaded, str(made.id))
    if there is not None:
        if not write.same(there):
            raise FieldProblem("id", "This id was already used for something else.")
        return
    known = loaded if made.after is None else loaded.as_known_to(str(writer.device), made.after)
    for name, body, besides in write.bodies(known):
        yield New(made.id if name == "" else named(made, name), body, made.at, made.seq, made.after, besides)


def add_up(company: Company, before: Loaded, after: Loaded) -> Loaded:
    """Put into the visit's row what its events now add up to."""
    row, changed = after.row, set[str]()
    new = after.events[len(before.events) :]
    count_down(company, after.events, new)
    planned = [event for event in new if event.kind in PLANNING]
    if planned:
        take_plan(company, after, planned)
    if any(event.kind is Kind.RULES for event in new):
        row.rules, changed = sparse(after.visit.rules), {"rules"}
    finish = after.closing.finish
    if finish is None and row.finished_at is not None:
        row.finished_at, row.finished_by, row.finish_reason = None, None, ""
        row.told, row.overall = None, ""
        changed |= {"finished_at", "finished_by", "finish_reason", "told", "overall"}
    elif finish is not None and row.finished_at is None:
        row.frozen = row.frozen or as_it_stands(company, row.unit, row.technician.van_stock)
        row.finished_at, row.finish_reason = finish.at, finish.body.reason
        row.finished_by_id = finish.by
        keep_told(row, after)
        changed |= {"frozen", "finished_at", "finished_by", "finish_reason", *TOLD}
    elif finish is not None and len(after.closing.counting) > len(before.closing.counting):  # done before the end, arrived after it
        keep_told(row, after)
        changed |= set(TOLD)
    if changed:
        row.save(update_fields=sorted(changed))
    if finish is not None and "told" in changed:
        conclude_later(row)
    if finish is not None and "told" in changed:
        refresh_standing(company, row.unit, after.visit, row.scheduled_for)
    return after
