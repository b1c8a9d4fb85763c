"""Two devices write on one visit at the same moment: each write is kept once, and what both mean is meant once."""

from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from threading import Barrier
from typing import Any
from uuid import uuid4

from django.db import connection
from django.test import TransactionTestCase

from ledger.writer import Made
from outer_test.acts import TypedReading
from outer_test.ledger import Kind
from testing.fixtures import Fixture, device, events
from visits.act import act_on
from visits.load import find_visit, load_visit

WRITERS, EACH = 4, 6


class AtOnce(TransactionTestCase):
    def setUp(self) -> None:
        self.mine = Fixture()

    def at_once(self, work: Callable[[int], Any]) -> list[Any]:
        """Do the work in every writer at the same moment, each on a connection of its own."""
        gate = Barrier(WRITERS)

        def write(writer: int) -> Any:
            gate.wait(timeout=20)
            try:
                return work(writer)
            finally:
                connection.close()

        with ThreadPoolExecutor(WRITERS) as writers:
            return list(writers.map(write, range(WRITERS)))

    def test_all_readings_stand_and_the_wire_is_lifted_once(self) -> None:
        def read(writer: int) -> None:
            for place in range(EACH):
                act = TypedReading(point="cap.herm.uf", typed=f"{writer + 1}{place}.5")
                act_on(device(self.mine, name=str(writer)), self.mine.visit.id, Made(id=uuid4()), act)

        self.at_once(read)
        self.assertEqual(len(events(self.mine.company, Kind.READING, Kind.SEEN)), WRITERS * EACH)
        self.assertEqual([line.body["what"] for line in events(self.mine.company, Kind.LIFTED)], ["HERM wires off"])
        visit = load_visit(self.mine.company, find_visit(self.mine.company, self.mine.visit.id)).visit
        self.assertEqual(len({reading.value for reading in visit.readings}), WRITERS * EACH)

    def test_one_write_sent_by_all_is_one_reading(self) -> None:
        made, act = Made(id=uuid4()), TypedReading(point="cap.herm.uf", typed="39.9")
        rounds = self.at_once(lambda _: act_on(device(self.mine), self.mine.visit.id, made, act))
        self.assertEqual({len(loaded.visit.readings) for loaded in rounds}, {1})
        self.assertEqual(len(events(self.mine.company, Kind.READING, Kind.SEEN)), 1)

    def test_a_line_ends_once(self) -> None:
        self.mine.client().read(self.mine.visit, "cap.herm.uf", "39.9")
        line = events(self.mine.company, Kind.LIFTED)[0]
        path, back = f"/visits/{self.mine.visit.id}", {"line": str(line.uuid), "how": "back"}
        got = self.at_once(lambda _: self.mine.client().do(path, "end", back).status_code)
        self.assertEqual(got, [200] * WRITERS)
        self.assertEqual(len(events(self.mine.company, Kind.ENDED)), 1)

    def test_the_visit_is_finished_once(self) -> None:
        path = f"/visits/{self.mine.visit.id}"
        got = self.at_once(lambda _: self.mine.client().do(path, "finish", {"reason": ""}).status_code)
        self.assertEqual(got, [200] * WRITERS)
        self.mine.visit.refresh_from_db()
        self.assertIsNotNone(self.mine.visit.finished_at)
