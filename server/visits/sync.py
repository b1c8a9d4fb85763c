"""What devices did since they last reached the server: written a visit at a time, each entry answered, none in another's way."""

import logging
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from itertools import groupby
from typing import Any
from uuid import UUID

from django.db import InterfaceError, OperationalError, transaction

from accounts.models import Company
from fleet.write_unit import NoSuchUnit, add_unit
from ledger.models import EventRow
from ledger.writer import Made, New, Writer
from outer_test.acts import Act, AddUnit, OpenVisit, Wrong, outcome_of, outcome_refused, read_act, time_of
from outer_test.ledger import EventData, RecordData, UnitAdded, event_data, known_data
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem, read_as
from visits.act import act_on_all
from visits.load import Loaded, NoSuchVisit, find_visit, load_visit
from visits.open_visit import open_visit, opened_id

logger = logging.getLogger(__name__)


class State(StrEnum):
    """What became of an entry."""

    SAVED = "saved"
    AGAIN = "again"  # it was there already
    LATER = "later"  # not now: send it again
    REFUSED = "refused"


@dataclass(frozen=True, slots=True, kw_only=True)
class Push(Made):
    """An entry as a device sends it: what was done (`kind` and its fields), and on which visit."""

    visit: UUID
    act: dict[str, Any]


@dataclass(frozen=True, slots=True)
class Acknowledged:
    """The answer to an entry: what is wrong with it, if anything, and what of an entry line stays to be typed again."""

    id: UUID
    state: State
    wrong: tuple[Wrong, ...] = ()
    rest: str = ""


@dataclass(frozen=True, slots=True)
class Since:
    """What is new on a visit: the last place, and the events beyond the place that the device knew."""

    visit: UUID
    place: int
    known: dict[str, Any]
    events: tuple[EventData, ...]


def read_push(raw: Any) -> Push:
    """An entry from its plain data. Raises ReadProblem, FieldProblem."""
    own = raw if isinstance(raw, dict) else {}
    entry = read_as(Push, {**own, "at": None})
    return entry if own.get("at") is None else replace(entry, at=time_of(own["at"]))


def push(writer: Writer, sent: Iterable[Any]) -> Iterator[Acknowledged]:
    """Write entries in the order they come, those of a visit in one transaction. Yields the answer to each.

    sent: entries as plain data. Raises ReadProblem for one without an id, which cannot be answered.
    """
    pushes: list[Push] = []
    for raw in sent:
        try:
            pushes.append(read_push(raw))
        except (ReadProblem, FieldProblem) as problem:
            named_by = read_as(UUID, raw.get("id") if isinstance(raw, dict) else None)
            yield Acknowledged(named_by, State.REFUSED, outcome_refused(problem, str(named_by)).wrong)
    for visit, own in groupby(pushes, lambda one: one.visit):
        entries = list(own)
        try:
            with transaction.atomic():
                answers = _written(writer, visit, entries)
        except (OperationalError, InterfaceError) as problem:
            logger.warning("entries on visit %s wait: %s", visit, problem)
            answers = [Acknowledged(entry.id, State.LATER) for entry in entries]
        yield from answers


def _written(writer: Writer, subject: UUID, entries: Sequence[Push]) -> list[Acknowledged]:
    """Write what was done on a visit, or on a unit that is new; the answers in the entries' order."""
    answers: dict[int, Acknowledged] = {}
    acts: dict[int, Act] = {}
    for place, entry in enumerate(entries):
        try:
            act = read_act(entry.act)
            if isinstance(act, AddUnit | OpenVisit):
                answers[place] = Acknowledged(entry.id, _begin(writer, subject, entry, act))
            else:
                acts[place] = act
        except (FieldProblem, ReadProblem) as problem:
            answers[place] = _refused(entry, problem)
        except NoSuchUnit:
            answers[place] = _refused(entry, FieldProblem("unit", "There is no such unit."))
    for place, new in zip(acts, _acted(writer, subject, [(entries[place], act) for place, act in acts.items()]), strict=True):
        entry = entries[place]
        if isinstance(new, FieldProblem):
            answers[place] = _refused(entry, new)
        else:
            outcome = outcome_of(acts[place], str(entry.id))
            answers[place] = Acknowledged(entry.id, State.SAVED if new else State.AGAIN, outcome.wrong, outcome.rest)
    return [answers[place] for place in range(len(entries))]


def _acted(writer: Writer, visit: UUID, acts: Sequence[tuple[Push, Act]]) -> Sequence[bool | FieldProblem]:
    if not acts:
        return []
    try:
        return act_on_all(writer, visit, acts)
    except NoSuchVisit:
        return [FieldProblem("visit", "There is no such visit.")] * len(acts)


def _refused(entry: Push, problem: ReadProblem | FieldProblem) -> Acknowledged:
    return Acknowledged(entry.id, State.REFUSED, outcome_refused(problem, str(entry.id)).wrong)


def _begin(writer: Writer, subject: UUID, entry: Push, act: AddUnit | OpenVisit) -> State:
    """Add the unit or open the visit, whose id is the subject's own. Raises NoSuchUnit, FieldProblem."""
    if isinstance(act, AddUnit):
        there = EventRow.objects.of(writer.company).filter(uuid=subject).exists()
        add_unit(writer, New(subject, UnitAdded(act.site, act.address, act.label, act.serial), entry.at, entry.seq))
    else:
        there = EventRow.objects.of(writer.company).filter(uuid=opened_id(subject)).exists()
        open_visit(writer, _uuid(act.unit), replace(entry, id=subject), act)
    return State.AGAIN if there else State.SAVED


def _uuid(text: str) -> UUID:
    try:
        return UUID(text)
    except ValueError:
        raise NoSuchUnit from None


def since(company: Company, known: Mapping[UUID, int]) -> Iterator[Since]:
    """What is new on these visits, each beyond the place that is known of it; a visit that is not there is left out."""
    for visit, place in known.items():
        try:
            loaded = load_visit(company, find_visit(company, visit))
        except NoSuchVisit:
            continue
        new = tuple(event_data(event) for event in loaded.events if event.place > place)
        yield Since(visit, max(loaded.place, place), known_data(loaded.known), new)


def record_of(loaded: Loaded, me: int, device: UUID) -> RecordData:
    """What a device needs to make the visit's round itself."""
    names = {str(key): name for key, name in loaded.names.items()}
    events = tuple(event_data(event) for event in loaded.events)
    return RecordData(loaded.place, known_data(loaded.known), events, names, me, str(device))
