"""The ledger's own promises: places without gaps, one true order of time, and questions that touch one company's rows."""

import json
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest.mock import patch
from uuid import uuid4

from django.db import connection
from django.test import TestCase, TransactionTestCase
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from ledger.models import Counter, EventRow
from ledger.read import events_of_visits
from ledger.roles import append_only_tables
from ledger.write import ledger_of
from ledger.writer import New, Subject, Writer, own_writer
from outer_test.measurement import FieldProblem
from outer_test.visit import Note, Reading
from testing.fixtures import Fixture, device

NOW = datetime(2027, 1, 14, 9, tzinfo=UTC)


class Places(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("First")
        self.subject = Subject(self.mine.site.pk, self.mine.unit.pk, self.mine.visit.pk)

    def write(self, writer: Writer, *events: New) -> list[EventRow]:
        with ledger_of(writer) as ledger:
            return ledger.write_events(self.subject, events)

    def test_places_have_no_gaps_and_sent_twice_is_written_once(self) -> None:
        new = [New(uuid4(), Note(str(place))) for place in range(5)]
        writer = device(self.mine)
        self.assertEqual([row.place for row in self.write(writer, *new)], [1, 2, 3, 4, 5])
        self.assertEqual(self.write(writer, *new), [])
        self.assertEqual([row.place for row in self.write(writer, *new, New(uuid4(), Note("more")))], [6])
        self.assertEqual(Counter.objects.of(self.mine.company).get().last, 6)

    def test_an_id_stands_for_one_thing(self) -> None:
        new = New(uuid4(), Reading("cap.herm.uf", "50"))
        self.write(device(self.mine), new)
        for body in (Reading("cap.herm.uf", "51"), Note("50")):
            with self.assertRaises(FieldProblem):
                self.write(device(self.mine), New(new.id, body))
        self.assertEqual(Counter.objects.of(self.mine.company).get().last, 1)

    def test_a_write_that_fails_takes_no_place(self) -> None:
        with patch("ledger.write.sparse", side_effect=RuntimeError), self.assertRaises(RuntimeError):
            self.write(device(self.mine), New(uuid4(), Note("x")))
        self.assertEqual([row.place for row in self.write(device(self.mine), New(uuid4(), Note("y")))], [1])

    def test_the_count_of_a_device_is_its_order_whatever_came_first(self) -> None:
        writer = Writer(self.mine.member, uuid4(), NOW, NOW)
        made = {seq: New(uuid4(), Note(str(seq)), NOW - timedelta(minutes=10 - seq), seq) for seq in (1, 2, 3)}
        for seq in (1, 3, 2):
            self.write(writer, made[seq])
        read = events_of_visits(self.mine.company, [self.mine.visit.pk])[self.mine.visit.pk].events
        self.assertEqual([event.body.text for event in read], ["1", "2", "3"])
        self.assertEqual(sorted(event.place for event in read), [1, 2, 3])

    def test_a_device_that_forgot_its_count_goes_on_from_its_last(self) -> None:
        writer = Writer(self.mine.member, uuid4(), NOW, NOW)
        for text in ("before", "after"):
            self.write(writer, New(uuid4(), Note(text), NOW, 1))
        read = events_of_visits(self.mine.company, [self.mine.visit.pk])[self.mine.visit.pk].events
        self.assertEqual([event.body.text for event in read], ["before", "after"])

    def test_times_are_bounded_and_marked(self) -> None:
        for said, at, wrong in (
            (NOW - timedelta(minutes=5), NOW - timedelta(minutes=5), False), (NOW + timedelta(minutes=1), NOW + timedelta(minutes=1), False),
            (NOW + timedelta(hours=2), NOW, True), (datetime(2099, 1, 1, tzinfo=UTC), NOW, True), (datetime(1, 1, 1, tzinfo=UTC), NOW, True),
            (datetime(9999, 12, 31, 23, tzinfo=UTC), NOW, True), (datetime(1999, 12, 31, tzinfo=UTC), NOW, True),
        ):  # fmt: skip
            with self.subTest(said=said):
                row = self.write(Writer(self.mine.member, uuid4(), NOW, NOW), New(uuid4(), Note("x"), said))[0]
                self.assertEqual((row.at, row.clock_wrong), (at, wrong))

    def test_a_clock_that_is_hours_off_is_put_right(self) -> None:
        fast = NOW + timedelta(hours=3)
        row = self.write(Writer(self.mine.member, uuid4(), fast, NOW), New(uuid4(), Note("x"), fast - timedelta(minutes=4)))[0]
        self.assertEqual((row.at, row.device_at, row.clock_wrong), (NOW - timedelta(minutes=4), fast - timedelta(minutes=4), False))

    def test_what_cannot_be_read_is_named_and_the_rest_is_there(self) -> None:
        rows = self.write(device(self.mine), *(New(uuid4(), Note(text)) for text in ("a", "b", "c")))
        with connection.cursor() as cursor:
            cursor.execute("ALTER TABLE ledger_event DISABLE TRIGGER append_only")
            cursor.execute("UPDATE ledger_event SET body = '{\"text\": 5}' WHERE uuid = %s", [rows[0].uuid])
            cursor.execute("UPDATE ledger_event SET kind = 'hologram' WHERE uuid = %s", [rows[1].uuid])
        read = events_of_visits(self.mine.company, [self.mine.visit.pk])[self.mine.visit.pk]
        self.assertEqual([event.body.text for event in read.events], ["c"])
        self.assertEqual({one.id for one in read.unreadable}, {rows[0].uuid, rows[1].uuid})
        shown = self.mine.client().send("GET", f"/visits/{self.mine.visit.pk}").json()
        self.assertEqual((shown["round"]["unreadable"], [note["text"] for note in shown["round"]["notes"]]), (2, ["c"]))

    def test_every_partition_is_append_only(self) -> None:
        self.assertEqual(sum(table.startswith("ledger_event") for table in append_only_tables()), 17)


class AtOnce(TransactionTestCase):
    def test_writers_at_once_leave_no_gap_and_no_place_twice(self) -> None:
        mine = Fixture("Busy")
        subject = Subject(mine.site.pk, mine.unit.pk, mine.visit.pk)

        def write(name: int) -> None:
            try:
                for place in range(8):
                    with ledger_of(own_writer(mine.member, str(name))) as ledger:
                        ledger.write_events(subject, [New(uuid4(), Note(f"{name} {place}")) for _ in range(1 + place % 3)])
            finally:
                connection.close()

        with ThreadPoolExecutor(4) as pool:
            list(pool.map(write, range(4)))
        places = sorted(EventRow.objects.of(mine.company).values_list("place", flat=True))
        self.assertEqual(places, list(range(1, len(places) + 1)))
        self.assertEqual(Counter.objects.of(mine.company).get().last, len(places))


class Plans(TestCase):
    """The day, a visit, a unit and the watch list, in a company whose ledger is long."""

    def test_one_partition_and_no_walk_through_the_events(self) -> None:
        mine, others = Fixture("Long"), [Fixture(name) for name in ("Second", "Third")]
        for fixture in (mine, *others):
            for number in range(30):
                with ledger_of(own_writer(fixture.member, str(number))) as ledger:
                    events = [New(uuid4(), Reading("cap.herm.uf", "39.9"), timezone.now()) for _ in range(60)]
                    ledger.write_events(Subject(fixture.site.pk, uuid4(), uuid4()), events)
        caller = mine.client()
        caller.read(mine.visit, "cap.herm.uf", "39.9")
        with connection.cursor() as cursor:
            cursor.execute("ANALYZE")
        for path in ("/today", f"/visits/{mine.visit.pk}", f"/units/{mine.unit.pk}", "/fleet/watch"):
            with self.subTest(path):
                with CaptureQueriesContext(connection) as asked:
                    self.assertEqual(caller.send("GET", path).status_code, 200)
                for query in asked.captured_queries:
                    if "ledger_event" in query["sql"] and query["sql"].startswith("SELECT"):
                        nodes = list(self.nodes(query["sql"]))
                        self.assertLessEqual(len({node["Relation Name"] for node in nodes}), 1, query["sql"])
                        self.assertNotIn("Seq Scan", {node["Node Type"] for node in nodes}, query["sql"])

    def nodes(self, sql: str) -> Iterator[dict[str, Any]]:
        """The parts of a query's plan that read a partition of the ledger."""
        with connection.cursor() as cursor:
            cursor.execute(f"EXPLAIN (FORMAT JSON) {sql}")
            told = cursor.fetchone()[0]
        waiting = [(json.loads(told) if isinstance(told, str) else told)[0]["Plan"]]
        while waiting:
            node = waiting.pop()
            waiting += node.get("Plans", [])
            if node.get("Relation Name", "").startswith("ledger_event"):
                yield node
