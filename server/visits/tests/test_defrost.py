"""Stamps of a watched defrost: once, in order, taken back without being lost."""

from datetime import timedelta
from typing import Any

from django.db import DatabaseError, connection, transaction
from django.test import TestCase
from django.utils import timezone

from outer_test.ledger import Kind
from testing.fixtures import Fixture, events, finding, fresh
from visits.models import Visit

PLATE = {
    "defrost": {"control": "time-temperature", "closes_f": 30, "opens_f": 55, "limit_min": 10}, "valve": "O", "aux_heat": {"kind": "electric"},
}  # fmt: skip


class Stamps(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("First", plate=PLATE)
        self.caller = self.mine.client()
        self.start = timezone.now() - timedelta(minutes=20)

    def post(self, kind: str, **body: Any) -> Any:
        return self.caller.do(f"/visits/{self.mine.visit.id}", kind, body)

    def stamp(self, event: str, seconds: float, **more: Any) -> Any:
        return self.post("stamp", event=event, at=(self.start + timedelta(seconds=seconds)).isoformat(), **more)

    def lanes(self, round_: dict[str, Any]) -> dict[str, str]:
        found = round_["assessment"]["findings"]
        return {one["point"].removeprefix("defrost.run."): one["verdict"] for one in found if one["rule"] == "sequence"}

    def test_stamps_count_from_the_force_and_are_judged(self) -> None:
        self.stamp("forced", 0)
        for event, seconds in (("valve-shift", 2), ("aux-on", 3)):
            self.stamp(event, seconds)
        got = self.stamp("stopped", 60).json()
        self.assertEqual([(one["event"], one["s"]) for one in got["defrost"]["stamps"]], [("forced", 0), ("valve-shift", 2), ("aux-on", 3)])
        self.assertTrue(got["defrost"]["stopped"])
        self.assertEqual((self.lanes(got)["fan"], self.lanes(got)["valve"]), ("unjudged", "good"), "not stamped is not 'it did not happen'")
        self.assertEqual({one["event"]: one["question"] for one in got["defrost"]["asked"]}["fan-off"], "Did the outdoor fan stop?")
        for said, verdict in (("no", "bad"), ("did-not-look", "unjudged"), ("yes", "good"), ("no", "bad")):
            got = self.post("answer", event="fan-off", answer=said).json()
            self.assertEqual(self.lanes(got)["fan"], verdict, said)

    def test_an_answer_belongs_to_a_run_and_is_one_of_three(self) -> None:
        self.assertEqual(self.post("answer", event="fan-off", answer="no").json()["errors"][0]["field"], "event")
        self.stamp("forced", 0)
        self.assertEqual(self.post("answer", event="fan-off", answer="perhaps").json()["errors"][0]["field"], "answer")
        self.assertEqual(self.post("answer", event="explodes", answer="no").json()["errors"][0]["field"], "event")
        same = fresh()
        for _ in range(2):
            got = self.post("answer", id=same, event="fan-off", answer="no").json()
        self.assertEqual([one["answer"] for one in got["defrost"]["asked"] if one["event"] == "fan-off"], ["no"])
        self.stamp("forced", 300)
        again = self.stamp("valve-shift", 302).json()
        self.assertEqual({one["answer"] for one in again["defrost"]["asked"]}, {""}, "another run is asked anew")

    def test_sent_twice_is_one_stamp(self) -> None:
        self.stamp("forced", 0)
        same = fresh()
        for _ in range(2):
            got = self.stamp("valve-shift", 2, id=same).json()
        self.assertEqual(len(got["defrost"]["stamps"]), 2)

    def test_a_stamp_taken_back_stays_on_record(self) -> None:
        self.stamp("forced", 0)
        stamp = self.stamp("fan-off", 2).json()["defrost"]["stamps"][-1]["id"]
        for _ in range(2):
            got = self.post("undo", stamp=stamp).json()
        self.assertEqual([one["event"] for one in got["defrost"]["stamps"]], ["forced"])
        self.assertEqual(len(events(self.mine.company, Kind.STAMP, Kind.TAKEN_BACK)), 3)
        with self.assertRaisesMessage(DatabaseError, "append only"), transaction.atomic(), connection.cursor() as cursor:
            cursor.execute("DELETE FROM ledger_event")

    def test_a_new_force_begins_a_new_run(self) -> None:
        self.stamp("forced", 0)
        self.stamp("valve-shift", 2)
        got = self.stamp("forced", 300).json()
        self.assertEqual([one["event"] for one in got["defrost"]["stamps"]], ["forced"])

    def test_what_cannot_be_is_told_at_its_field(self) -> None:
        self.assertEqual(self.stamp("valve-shift", 0).json()["errors"][0]["field"], "event")
        self.assertEqual(self.stamp("explodes", 0).json()["errors"][0]["field"], "event")
        self.stamp("forced", 100)
        self.assertEqual(self.stamp("valve-shift", 0).json()["errors"][0]["field"], "at")
        self.assertEqual(self.post("undo", stamp=fresh()).json()["errors"][0]["field"], "stamp")

    def test_a_control_that_is_not_on_record_is_asked_for_first(self) -> None:
        bare = Fixture("Second")
        shown = bare.client().get(f"/api/v1/visits/{bare.visit.id}").json()["round"]["defrost"]
        self.assertEqual((shown["way"]["way"], shown["stamps"]), ("unknown", []))

    def timed_out(self, minutes: int) -> str:
        self.stamp("forced", 60.0 * minutes)
        self.stamp("valve-shift", 60.0 * minutes + 2)
        told = self.stamp("ended", 60.0 * minutes + 602).json()
        return str(finding(told, "defrost.run.end")["why"])

    def test_a_second_run_and_a_second_visit_count_on(self) -> None:
        """Defrosts ended by time, counted over the runs of a visit and from one visit to the next."""
        self.start -= timedelta(hours=1)
        first, second = self.timed_out(0), self.timed_out(20)
        self.assertNotIn("in a row", first)
        self.assertIn("by time, 2 in a row", second)
        self.assertEqual(self.caller.do(f"/visits/{self.mine.visit.id}", "finish", {"id": fresh(), "reason": "storm"}).status_code, 200)
        later = fresh()
        opened = self.caller.do(f"/visits/{later}", "open", {"unit": str(self.mine.unit.id), "complaint": "iced-over"})
        self.assertEqual(opened.status_code, 200)
        self.assertEqual(Visit.objects.of(self.mine.company).get(id=later).timed_out_before, 2)
