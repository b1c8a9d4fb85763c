"""A meter's log taken in: a judged look, row-by-row errors, and all of it or nothing."""

import time
from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import TestCase, TransactionTestCase, override_settings

from fleet.models import UnitStanding
from outer_test.ledger import Kind
from testing.fixtures import Caller, Fixture, events, fresh, own_files
from testing.worker import worker_beside
from visits.models import ImportJob, Visit

PLATE = {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}}
HEADING = "serial;time;reading;value;unit\n"
MAPPING = {"value": "value", "at": "time", "serial": "serial", "point": "reading", "sign": "unit"}
GOOD = HEADING + "S-1;2024-05-02 09:00;herm;55,1;uF\nS-1;2024-05-02 09:01;fan;7,5;uF\nS-1;2025-05-03 10:00;herm;49,0;uF\n"


def bring(caller: Caller, content: str | bytes, **fields: Any) -> Any:
    """Bring a file; gives back the response."""
    file = SimpleUploadedFile("log.csv", content.encode() if isinstance(content, str) else content)
    return caller.post("/api/v1/imports", {"id": fresh(), "file": file} | fields)


@override_settings(WORK_AT_ONCE=True)
class Log(TestCase):
    def setUp(self) -> None:
        own_files(self)
        self.mine = Fixture("Log", PLATE)
        self.caller = self.mine.client()

    def ask(self, job: str, what: str, body: Any = None, status: int = 200) -> dict[str, Any]:
        got = self.caller.send("POST", f"/imports/{job}/{what}", body)
        self.assertEqual(got.status_code, status, got.content)
        told: dict[str, Any] = got.json()
        return told

    def checked(self, content: str, mapping: dict[str, Any] | None = None, **fields: Any) -> dict[str, Any]:
        job = bring(self.caller, content, **fields).json()["id"]
        return self.ask(job, "check", mapping or MAPPING)

    def count(self) -> int:
        return len(events(self.mine.company, Kind.READING, Kind.SEEN))

    def test_looked_at_judged_and_kept(self) -> None:
        brought = bring(self.caller, GOOD).json()
        self.assertEqual(brought["columns"], ["serial", "time", "reading", "value", "unit"])
        self.assertEqual((brought["mapping"]["value"], brought["state"]), ("value", "new"))
        looked = self.ask(brought["id"], "check", MAPPING)
        self.assertEqual((looked["state"], looked["total"], looked["visits"], looked["problem_count"]), ("checked", 3, 2, 0))
        self.assertEqual([one["verdict"] for one in looked["preview"]], ["good", "good", "bad"])
        self.assertEqual(self.count(), 0)
        self.assertEqual(self.ask(brought["id"], "keep")["state"], "done")
        self.assertEqual(self.count(), 3)
        self.assertEqual(Visit.objects.of(self.mine.company).filter(finished_at__isnull=False).count(), 2)
        self.assertEqual(UnitStanding.objects.of(self.mine.company).get().rank, 1)
        file = self.caller.send("GET", f"/units/{self.mine.unit.id}").json()
        history = next(one for one in file["points"] if one["point"] == "cap.herm.uf")
        self.assertEqual([one["told"]["value"] for one in history["readings"]], ["55.1", "49.0"])
        self.assertEqual(self.ask(brought["id"], "keep")["state"], "done", "asked again it says what is so")
        self.assertEqual(self.count(), 3)
        self.assertEqual(self.count(), 3)

    def test_one_wrong_row_and_nothing_is_kept(self) -> None:
        looked = self.checked(GOOD + "S-9;2025-05-03 10:00;herm;50;uF\nS-1;2025-05-03 10:00;nose;50;uF\n")
        self.assertEqual([(one["line"], one["column"]) for one in looked["problems"]], [(5, "serial"), (6, "reading")])
        self.ask(looked["id"], "keep", status=422)
        self.assertEqual(self.count(), 0)

    def test_for_one_unit_no_serial_is_needed(self) -> None:
        looked = self.checked(
            "t,v\n2024-05-02 09:00,55.1\n", {"value": "v", "at": "t", "fixed_point": "cap.herm.uf"}, unit=str(self.mine.unit.id)
        )
        self.assertEqual((looked["total"], looked["problem_count"]), (1, 0))

    def test_a_heading_under_a_preamble_and_one_unit_for_all(self) -> None:
        brought = bring(self.caller, "Logger;blue\nby;S. Ames\n\ntime;value\n2024-05-02 09:00;55,1\n2024-05-02 09:01;55,0\n").json()
        self.assertEqual((brought["mapping"]["heading"], brought["columns"], brought["lines"][0]), (4, ["time", "value"], "Logger;blue"))
        job, unit = brought["id"], str(self.mine.unit.id)
        mapping = brought["mapping"] | {"fixed_point": "cap.herm.uf"}
        self.assertEqual(self.ask(job, "check", mapping)["problem_count"], 2, "no unit is named")
        looked = self.ask(job, "look", {"heading": 4, "unit": unit})
        self.assertEqual((looked["unit"], looked["state"], looked["problem_count"]), (unit, "new", 0))
        self.assertEqual(self.ask(job, "check", mapping)["problem_count"], 0)
        other = self.ask(job, "look", {"heading": 1, "unit": unit})
        self.assertEqual((other["columns"], other["state"]), (["Logger", "blue"], "new"))
        self.ask(job, "check", mapping, status=422)
        self.ask(job, "look", {"heading": 4, "unit": unit})
        self.assertEqual(self.ask(job, "check", mapping)["total"], 2)
        self.assertEqual(self.ask(job, "keep")["state"], "done")
        self.ask(job, "look", {"heading": 4, "unit": unit}, status=422)
        stranger = Fixture("Stranger")
        theirs = bring(self.caller, GOOD).json()["id"]
        self.ask(theirs, "look", {"heading": 1, "unit": str(stranger.unit.id)}, status=404)

    def test_the_same_file_is_known_again(self) -> None:
        first = self.checked(GOOD)
        self.assertIsNone(first["saved_before"])
        self.assertIsNone(self.checked(GOOD)["saved_before"], "brought, but not saved")
        self.ask(first["id"], "keep")
        again = bring(self.caller, GOOD).json()
        self.assertEqual(again["saved_before"]["by_whom"], self.mine.member.shown_name)
        self.assertIsNone(bring(self.caller, GOOD + "S-1;2025-05-04 10:00;herm;49,1;uF\n").json()["saved_before"])
        other = Fixture("Another")
        self.assertIsNone(bring(other.client(), GOOD).json()["saved_before"], "nobody learns what others brought")

    def test_a_columns_mapping_is_asked_for(self) -> None:
        job = bring(self.caller, GOOD).json()["id"]
        for wrong in ({}, {"value": "value"}, {"value": "nose", "at": "time"}):
            self.ask(job, "check", wrong, status=422)

    def test_files_that_are_no_csv(self) -> None:
        for content in (b"", b"one column\n1\n", b"\xff\xfe\x00a", b"a,b\x00c\n", b"PK\x03\x04\xff\xff"):
            got = bring(self.caller, content)
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, "file"), content)
        other = Fixture("Other")
        self.assertEqual(bring(self.caller, GOOD, unit=str(other.unit.id)).status_code, 404)
        job = bring(self.caller, GOOD).json()["id"]
        self.assertEqual(other.client().send("GET", f"/imports/{job}").status_code, 404)

    def test_cancelled_before_it_is_kept(self) -> None:
        looked = self.checked(GOOD)
        self.assertEqual(self.ask(looked["id"], "cancel")["state"], "cancelled")
        self.ask(looked["id"], "keep", status=422)
        self.assertEqual(self.count(), 0)


class Beside(TransactionTestCase):
    """Beside the request, as it runs in the field: progress is seen, and stopping it in the middle keeps nothing."""

    def setUp(self) -> None:
        worker_beside(self, own_files(self))
        self.mine = Fixture("Beside", PLATE)
        self.caller = self.mine.client()

    def wait(self, job: str, *states: str) -> dict[str, Any]:
        for _ in range(600):
            told: dict[str, Any] = self.caller.send("GET", f"/imports/{job}").json()
            if told["state"] in states:
                return told
            time.sleep(0.05)
        raise AssertionError(f"still {told['state']}")

    def test_kept_and_another_cancelled_in_the_middle(self) -> None:
        days = [
            f"S-1;{2000 + place // 300}-{1 + place // 28 % 11:02d}-{1 + place % 28:02d} 09:00;herm;5{place % 10},1;uF"
            for place in range(600)
        ]
        job = bring(self.caller, HEADING + "\n".join(days)).json()["id"]
        self.caller.send("POST", f"/imports/{job}/check", MAPPING)
        self.assertEqual(self.wait(job, "checked", "failed")["problem_count"], 0)
        self.caller.send("POST", f"/imports/{job}/keep")
        self.caller.send("POST", f"/imports/{job}/cancel")
        ended = self.wait(job, "cancelled", "done", "failed")
        kept = len(events(self.mine.company, Kind.READING, Kind.SEEN))
        self.assertEqual((ended["state"], kept) in (("cancelled", 0), ("done", 600)), True, f"{ended['state']} {kept}")
        if ended["state"] == "cancelled":
            self.caller.send("POST", f"/imports/{job}/check", MAPPING)
            self.wait(job, "checked")
            self.caller.send("POST", f"/imports/{job}/keep")
            self.assertEqual(self.wait(job, "done", "failed")["state"], "done")
            self.assertEqual(len(events(self.mine.company, Kind.READING, Kind.SEEN)), 600)
        self.assertEqual(ImportJob.objects.of(self.mine.company).count(), 1)
