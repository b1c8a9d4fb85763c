"""What devices send and ask for: entries done since they last had signal, what is new, and a round while their own core loads."""

from dataclasses import dataclass, field
from typing import Annotated, Any, cast
from uuid import UUID

from django.http import HttpResponse
from ninja import Body, Router
from pydantic import Field, WrapValidator

from api.answer import answer
from api.problems import Problem, Refused
from api.signed_in import Asking, device_of, writer_of
from ledger.writer import Made
from outer_test.acts import AnyAct, Doer, Done
from outer_test.on_device import Judged, judged
from visits.kit import Kit, kit_of
from visits.load import find_visit, load_visit
from visits.sync import Acknowledged, Since, push, read_push, since

router = Router(tags=["sync"])
MOST_AT_ONCE, MOST_VISITS = 200, 50


@dataclass(frozen=True, slots=True, kw_only=True)
class Entry(Made):
    """An entry as a device keeps it: what was done, on which visit."""

    visit: UUID
    act: Annotated[AnyAct, Field(discriminator="kind")]


# The API's document shows an entry's shape; what comes is read one by one, so that a wrong one dams nothing.
RawEntry = Annotated[Entry, WrapValidator(lambda raw, _: raw)]


@dataclass(frozen=True, slots=True)
class Sync:
    """Entries to be written, in their order, and of which visits the device knows how much: the last place, by visit."""

    entries: list[RawEntry] = field(default_factory=list)
    known: dict[UUID, int] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Synced:
    """The answer to each entry, and what is new on each visit that was named."""

    acknowledged: tuple[Acknowledged, ...]
    since: tuple[Since, ...]


@dataclass(frozen=True, slots=True)
class Waiting:
    """What was done on a visit and is not on the server yet."""

    entries: list[RawEntry] = field(default_factory=list)


@router.get("/kit", response={200: Kit, 401: Problem})
def kit(request: Asking) -> HttpResponse:
    """What a device keeps of its company to open a visit where there is no signal."""
    return answer(kit_of(request.auth, device_of(request)))


@router.post("/sync", response={200: Synced, 401: Problem, 403: Problem, 413: Problem, 422: Problem, 503: Problem})
def sync(request: Asking, body: Body[Sync]) -> HttpResponse:
    """Write what a device did, each entry answered by itself, and give back what is new. Sent twice, it is written once."""
    if len(body.entries) > MOST_AT_ONCE or len(body.known) > MOST_VISITS:
        raise Refused(413, f"Send at most {MOST_AT_ONCE} entries and {MOST_VISITS} visits at once.")
    acknowledged = tuple(push(writer_of(request), cast(list[Any], body.entries)))
    return answer(Synced(acknowledged, tuple(since(request.auth.company, body.known))))


@router.post("/visits/{visit_id}/judge", response={200: Judged, 401: Problem, 403: Problem, 404: Problem, 422: Problem})
def judge(request: Asking, visit_id: UUID, body: Body[Waiting]) -> HttpResponse:
    """The visit's round with these entries on it; nothing is written. A device asks while its own core is still loading."""
    company, writer = request.auth.company, writer_of(request)
    recorded = load_visit(company, find_visit(company, visit_id))
    entries = [read_push(raw) for raw in cast(list[Any], body.entries[:MOST_AT_ONCE])]
    acts = [Done(str(one.id), (one.at or writer.now).isoformat(), one.seq or 0, one.after, one.act) for one in entries]
    return answer(judged(recorded, acts, Doer(request.auth.pk, str(device_of(request)), writer.ahead_s)))
