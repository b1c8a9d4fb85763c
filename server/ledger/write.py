"""Writing to the ledger: the one door. Locked by company, sent safely twice, in one true order of time."""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from datetime import UTC, datetime

from django.db import transaction

from ledger.models import Counter, EventRow
from ledger.writer import New, Subject, Writer
from outer_test.acts import ROOM
from outer_test.ledger import VERSION, Kind, Settled, kind_of, settled, within
from outer_test.measurement import FieldProblem
from outer_test.plain_data import sparse

_YEARS = range(1900, 2200)  # a device's time outside of these is noted as wrong, and not itself


class Ledger:
    """A company's ledger while one writer has it: nobody else of the company writes until the transaction ends."""

    def __init__(self, writer: Writer) -> None:
        Counter.objects.of(writer.company).get_or_create(company=writer.company)
        self.writer = writer
        self._counter = Counter.objects.of(writer.company).select_for_update().get()
        self._own = EventRow.objects.of(writer.company).filter(device=writer.device)
        self._last: tuple[int, datetime | None] = self._own.order_by("-seq").values_list("seq", "at").first() or (0, None)
        self._waiting: list[EventRow] = []

    def write_events(self, subject: Subject, events: Sequence[New]) -> list[EventRow]:
        """Write these, in this order; gives back the rows that are new. One whose id is there already is left as it is.

        Raises FieldProblem (`id`) where an id stands for something else.
        """
        there = {row.uuid: row for row in EventRow.objects.of(self.writer.company).filter(uuid__in=[event.id for event in events])}
        rows = [self._row(subject, event) for event in events if not _is_there(event, subject, there.get(event.id))]
        self._put()
        if rows:
            self._counter.save(update_fields=["last"])
        return rows

    def _put(self) -> None:
        EventRow.objects.of(self.writer.company).bulk_create(self._waiting, batch_size=1000)
        self._waiting = []

    def _row(self, subject: Subject, event: New) -> EventRow:
        writer = self.writer
        time = settled(event.at, writer.device_now, writer.now)
        seq, at = self._placed(event, time)
        self._counter.last += 1
        row = EventRow(
            company=writer.company, uuid=event.id, place=self._counter.last, site=subject.site, unit=subject.unit, visit=subject.visit,
            member=writer.member, device=writer.device, seq=seq, after=event.after, device_at=_keepable(event.at), at=at,
            arrived_at=writer.now, clock_wrong=time.clock_wrong, kind=kind_of(event.body).value, version=VERSION, body=sparse(event.body),
        )  # fmt: skip
        self._waiting.append(row)
        return row

    def _placed(self, event: New, time: Settled) -> tuple[int, datetime]:
        """The event's count on its device and its time within it. A count that is taken (a device that forgot) goes on from the last."""
        last, last_at = self._last
        seq = (last // ROOM + 1) * ROOM if event.seq is None else event.seq * ROOM + event.besides
        if seq <= last:
            self._put()
            if self._own.filter(seq=seq).exists():
                seq = (last // ROOM + 1) * ROOM
            else:  # it was made before what came before it
                before = self._own.filter(seq__lt=seq).order_by("-seq").values_list("at", flat=True).first()
                after = self._own.filter(seq__gt=seq).order_by("seq").values_list("at", flat=True).first()
                return seq, within(time, before, after)
        at = within(time, last_at, None)
        self._last = seq, at
        return seq, at


@contextmanager
def ledger_of(writer: Writer) -> Iterator[Ledger]:
    """The company's ledger, locked for this writer until the transaction ends."""
    with transaction.atomic():
        yield Ledger(writer)


def _is_there(event: New, subject: Subject, row: EventRow | None) -> bool:
    if row is None:
        return False
    kind = kind_of(event.body)
    same = (row.kind, row.visit, row.unit) == (kind.value, subject.visit, subject.unit)
    if same and kind in (Kind.READING, Kind.SEEN):
        same = (row.body["point"], row.body["value"]) == (event.body.point, event.body.value)
    if not same:
        raise FieldProblem("id", "This id was already used for something else.")
    return True


def _keepable(at: datetime | None) -> datetime | None:
    return at.astimezone(UTC) if at is not None and at.year in _YEARS else None
