"""What devices send: each entry answered by itself, none in another's way, everything written once, and nothing lost to an end."""

from datetime import timedelta
from typing import Any
from unittest.mock import patch

from django.db import OperationalError
from django.test import TestCase
from django.utils import timezone

from accounts.models import Company
from outer_test.ledger import Kind
from testing.fixtures import Caller, Fixture, events, fresh
from visits.act import act_on_all
from visits.models import Visit


def reading(typed: str, point: str = "cap.herm.uf") -> dict[str, Any]:
    return {"kind": "reading", "point": point, "typed": typed}


class Sync(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Sync")
        self.caller = self.mine.client()
        self.visit = str(self.mine.visit.id)

    def entry(self, act: dict[str, Any], **more: Any) -> dict[str, Any]:
        return {"id": fresh(), "visit": self.visit, "act": act} | more

    def send(self, *entries: dict[str, Any], known: dict[str, int] | None = None, caller: Caller | None = None) -> Any:
        got = (caller or self.caller).send("POST", "/sync", {"entries": entries, "known": known or {}})
        self.assertEqual(got.status_code, 200, got.content)
        return got.json()

    def states(self, answer: Any) -> list[str]:
        return [one["state"] for one in answer["acknowledged"]]

    def test_a_wrong_entry_steps_aside_with_its_reason_and_dams_nothing(self) -> None:
        answer = self.send(
            self.entry(reading("39.9")), self.entry(reading("abc")), self.entry({"kind": "dance"}), self.entry(reading("5.0", "cap.fan.uf")),
            self.entry({"kind": "note"}), self.entry(reading("1"), visit=fresh()), self.entry(reading("1"), at="yesterday"),
            self.entry({"kind": "note", "text": "dog", "loud": True}),
        )  # fmt: skip
        self.assertEqual([one["state"] for one in answer["acknowledged"] if one["wrong"] == []], ["saved", "saved"])
        fields = {one["wrong"][0]["field"] for one in answer["acknowledged"] if one["wrong"]}
        self.assertEqual(fields, {"typed", "kind", "text", "visit", "at", "loud"})
        self.assertEqual([row.body["value"] for row in events(self.mine.company, Kind.READING)], ["39.9", "5.0"])

    def test_sent_again_it_is_there_already(self) -> None:
        same = self.entry(reading("39.9"))
        self.assertEqual(self.states(self.send(same, same)), ["saved", "again"])
        self.assertEqual(self.states(self.send(same)), ["again"])
        line = self.entry({"kind": "line", "text": "herm 39.9 fan 5.0"})
        self.assertEqual(self.states(self.send(line)) + self.states(self.send(line)), ["saved", "again"])
        self.assertEqual(len(events(self.mine.company, Kind.READING)), 3)

    def test_an_entry_without_an_id_cannot_be_answered(self) -> None:
        got = self.caller.send("POST", "/sync", {"entries": [{"visit": self.visit, "act": reading("1")}]})
        self.assertEqual(got.status_code, 422)
        self.assertEqual(self.caller.send("POST", "/sync", {"entries": [self.entry(reading("1"))] * 201}).status_code, 413)

    def test_what_the_database_cannot_take_now_waits_and_the_other_visit_goes_on(self) -> None:
        second = Visit.objects.of(self.mine.company).create(
            company=self.mine.company, unit=self.mine.unit, technician=self.mine.member, scheduled_for=timezone.now(), complaint="maintenance"
        )  # fmt: skip

        def stuck(writer: Any, visit: Any, *more: Any) -> Any:
            if str(visit) == self.visit:
                raise OperationalError("canceling statement due to lock timeout")
            return act_on_all(writer, visit, *more)

        with patch("visits.sync.act_on_all", stuck), self.assertLogs("visits.sync", "WARNING"):
            answer = self.send(self.entry(reading("39.9")), self.entry(reading("38.8"), visit=str(second.pk)))
        self.assertEqual(self.states(answer), ["later", "saved"])
        self.assertEqual([row.body["value"] for row in events(self.mine.company, Kind.READING)], ["38.8"])

    def test_in_comes_what_others_wrote_since_and_nothing_of_another_company(self) -> None:
        place = self.caller.send("GET", f"/visits/{self.visit}").json()["record"]["place"]
        other = self.mine.client(self.mine.lead)
        self.send(self.entry(reading("39.9")), caller=other)
        foreign = Fixture("Foreign")
        answer = self.send(known={self.visit: place, str(foreign.visit.id): 0})
        self.assertEqual([one["visit"] for one in answer["since"]], [self.visit])
        self.assertEqual([one["kind"] for one in answer["since"][0]["events"]], ["lifted", "reading"])
        again = self.send(known={self.visit: answer["since"][0]["place"]})
        self.assertEqual(again["since"][0]["events"], [])

    def test_judging_writes_nothing_and_says_what_will_be_written(self) -> None:
        entries = [self.entry(reading("36.9"), seq=1, after=0), self.entry(reading("abc"), seq=2, after=0)]
        got = self.caller.send("POST", f"/visits/{self.visit}/judge", {"entries": entries}).json()
        self.assertEqual([one["value"] for one in got["round"]["entries"]], ["36.9"])
        self.assertEqual([bool(one["wrong"]) for one in got["outcomes"]], [False, True])
        self.assertEqual(events(self.mine.company, Kind.READING), [])
        self.send(*entries)
        written = self.caller.send("GET", f"/visits/{self.visit}").json()["round"]
        for part in ("path", "diagnosis", "ladder", "expected"):
            self.assertEqual(written[part], got["round"][part], part)

    def test_a_unit_and_a_visit_made_without_signal_come_with_what_was_read_there(self) -> None:
        unit, visit = fresh(), fresh()
        then = (timezone.now() - timedelta(hours=3)).replace(microsecond=0)
        answer = self.send(
            self.entry({"kind": "unit", "site": "Far Barn", "address": "Track 2", "label": "north"}, visit=unit),
            self.entry({"kind": "open", "unit": unit, "complaint": "hums-no-start"}, visit=visit, at=then.isoformat()),
            self.entry({"kind": "plate", "plate": {"run_capacitor": {"herm_uf": 40, "vac": 440}}}, visit=visit),
            self.entry(reading("31.0"), visit=visit),
        )
        self.assertEqual(self.states(answer), ["saved"] * 4)
        shown = self.caller.send("GET", f"/visits/{visit}").json()
        self.assertEqual((shown["site"], shown["complaint"], shown["scheduled_for"]), ("Far Barn", "hums-no-start", then.isoformat()))
        self.assertEqual([one["value"] for one in shown["round"]["entries"]], ["31.0"])

    def test_the_kit_opens_a_visit_as_the_server_would(self) -> None:
        Company.objects.filter(pk=self.mine.company.pk).update(meters={"clamp": {"accuracy": {"uf": {"pct": 2, "counts": 5}}}})
        Fixture("Stranger")
        kit = self.caller.send("GET", "/kit").json()
        self.assertEqual([one["site"] for one in kit["units"]], ["Sync Street 1"])
        visit = fresh()
        self.send(self.entry({"kind": "open", "unit": kit["units"][0]["id"], "complaint": "iced-over"}, visit=visit))
        record = self.caller.send("GET", f"/visits/{visit}").json()["record"]
        self.assertEqual(record["known"], kit["units"][0]["known"] | {"complaint": "iced-over"})
        self.assertEqual((record["me"], record["device"], record["names"]), (kit["me"], kit["device"], kit["names"]))


class AfterTheEnd(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Ends")
        self.one, self.other = self.mine.client(), self.mine.client(self.mine.lead)
        self.path = f"/visits/{self.mine.visit.id}"
        self.start = timezone.now() - timedelta(minutes=30)

    def do(self, caller: Caller, kind: str, minute: int, **act: Any) -> dict[str, Any]:
        body = {"at": (self.start + timedelta(minutes=minute)).isoformat(), "after": 0} | act
        got = caller.do(self.path, kind, body)
        self.assertEqual(got.status_code, 200, got.body)
        return got.json()

    def test_what_was_read_before_it_counts_though_it_comes_later(self) -> None:
        self.do(self.one, "reading", 1, point="cap.fan.uf", typed="5.0")
        self.do(self.one, "finish", 10, reason="storm")
        self.mine.visit.refresh_from_db()
        self.assertEqual(self.mine.visit.overall, "good")
        shown = self.do(self.other, "reading", 5, point="cap.herm.uf", typed="31.0")
        self.assertEqual(([one["value"] for one in shown["entries"]], shown["waiting"]), (["5.0", "31.0"], []))
        self.mine.visit.refresh_from_db()
        self.assertEqual((self.mine.visit.overall, self.mine.visit.readings), ("bad", 2))
        watched = self.one.send("GET", "/fleet/watch").json()["units"]
        self.assertEqual([one["point"] for unit in watched for one in unit["watched"]], ["cap.herm.uf"])

    def test_what_came_to_something_else_since_is_told_at_the_end_and_the_signature(self) -> None:
        shown = self.do(self.one, "reading", 1, point="cap.fan.uf", typed="5.0")
        ended = self.do(self.one, "finish", 10, reason="storm", core=shown["core"], digest=shown["digest"])
        signed = self.do(self.one, "signature", 11, name="P. Holder", strokes=[[[0.1, 0.1]]], digest=ended["digest"])
        self.assertEqual([(one["judged_otherwise"], one["signed_otherwise"]) for one in (ended, signed)], [(False, False)] * 2)
        later = self.do(self.other, "reading", 5, point="cap.herm.uf", typed="31.0")
        self.assertEqual((later["judged_otherwise"], later["signed_otherwise"]), (True, True))
        self.assertIn("changed after it was signed", self.one.send("GET", f"{self.path}/report").content.decode())

    def test_a_line_that_comes_to_light_brings_the_visit_back_to_the_day(self) -> None:
        self.do(self.one, "finish", 10, reason="")
        Visit.objects.of(self.mine.company).update(
            scheduled_for=timezone.now() - timedelta(days=3), finished_at=timezone.now() - timedelta(days=3)
        )
        self.assertEqual(self.one.send("GET", "/today").json()["visits"], [])
        self.do(self.other, "lifted", 5, what="FAN wire off")
        self.assertEqual([one["open_lines"] for one in self.one.send("GET", "/today").json()["visits"]], [1])
