"""What is written on a visit: once, in order, never changed; and what it then says."""

from datetime import timedelta
from typing import Any

from django.db import DatabaseError, connection, transaction
from django.test import TestCase
from django.utils import timezone

from accounts.append_only import AppendOnlyError
from accounts.models import Unscoped
from ledger.models import EventRow
from outer_test.ledger import Kind
from testing.fixtures import Fixture, events, finding, fresh
from visits.models import Visit


class Writing(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture(
            meters={"clamp": {"accuracy": {"uf": {"pct": 1.9, "counts": 2}}}},
        )
        self.mine.member.van_stock = [{"uf": 40, "fan_uf": 5, "vac": 440}]
        self.mine.member.save()
        self.caller = self.mine.client()
        self.visit = self.mine.visit

    def read(self, point: str, typed: str, **more: Any) -> Any:
        return self.caller.read(self.visit, point, typed, **more)

    def post(self, kind: str, **body: Any) -> Any:
        return self.caller.do(f"/visits/{self.visit.id}", kind, body)

    def test_a_reading_is_judged_as_it_is_kept(self) -> None:
        got = self.read("cap.herm.uf", "36.9", meter="clamp")
        self.assertEqual(got.status_code, 200)
        found = finding(got.json(), "cap.herm.uf")
        self.assertEqual((found["verdict"], found["low"], found["shown"]), ("bad", 37.6, "36.9"))
        self.assertEqual(found["fits"][0]["parts"], ["40 + 5 µF 440 V"])

    def test_sent_twice_is_written_once(self) -> None:
        same = fresh()
        for _ in range(3):
            self.assertEqual(self.read("cap.herm.uf", "39.9", id=same).status_code, 200)
        self.assertEqual(len(events(self.mine.company, Kind.READING, Kind.SEEN)), 1)
        self.assertEqual(self.read("cap.herm.uf", "38.0", id=same).status_code, 422)

    def test_a_correction_supersedes_and_the_first_stays(self) -> None:
        first = fresh()
        self.read("cap.herm.uf", "3.99", id=first)
        got = self.read("cap.herm.uf", "39.9", supersedes=first).json()
        self.assertEqual([(one["value"], one["stands"]) for one in got["entries"]], [("3.99", False), ("39.9", True)])
        self.assertEqual(finding(got, "cap.herm.uf")["verdict"], "good")
        self.assertEqual(got["entries"][0]["by_whom"], "first-tech")

    def test_superseding_names_a_reading_of_the_same_point(self) -> None:
        first = fresh()
        self.read("cap.fan.uf", "4.9", id=first)
        for wrong in (first, fresh()):
            self.assertEqual(self.read("cap.herm.uf", "39.9", supersedes=wrong).json()["errors"][0]["field"], "supersedes")

    def test_bad_typing_is_answered_at_its_field_and_nothing_is_kept(self) -> None:
        for typed in ("abc", "5.0.4", "-5", "4500", "", "33 V", "closed"):
            got = self.read("cap.herm.uf", typed)
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, "typed"), typed)
        self.assertEqual(self.read("cap.nose.uf", "5").json()["errors"][0]["field"], "point")
        self.assertEqual(self.read("cap.herm.uf", "5", meter="stick").json()["errors"][0]["field"], "meter")
        self.assertEqual(self.read("cap.herm.uf", "5", at="2027-01-14T09:00:00").json()["errors"][0]["field"], "at")
        self.assertEqual(len(events(self.mine.company, Kind.READING, Kind.SEEN)), 0)

    def test_the_entry_line_keeps_what_it_understood_and_gives_back_the_rest(self) -> None:
        got = self.post("line", text="herm 39.9 wobble 3 fan 4,9 uF").json()
        self.assertEqual([one["point"] for one in got["entries"]], ["cap.herm.uf", "cap.fan.uf"])
        self.assertEqual(got["acknowledged"]["rest"], "wobble 3")
        self.assertEqual([one["field"] for one in got["acknowledged"]["wrong"]], ["wobble 3"])

    def test_lifted_lines_come_by_themselves_once(self) -> None:
        self.read("cap.herm.uf", "39.9")
        got = self.read("cap.herm.uf", "39.8").json()
        self.assertEqual([line["what"] for line in got["lifted"]], ["HERM wires off"])
        self.assertEqual(got["assessment"]["open_lines"], 1)

    def test_pulling_the_disconnect_is_a_line_and_claims_dead(self) -> None:
        got = self.post("power", state="dead-claimed").json()
        self.assertEqual(got["assessment"]["power"]["state"], "dead-claimed")
        self.assertEqual([line["what"] for line in got["lifted"]], ["Disconnect pulled"])

    def test_dead_is_proved_by_readings_and_lost_by_power_up(self) -> None:
        self.post("power", state="dead-claimed")
        self.read("safe.tester_before", "yes")
        for point in ("line", "l1_ground", "l2_ground", "load", "load_l1_ground", "load_l2_ground"):
            self.read(f"safe.{point}.v", "0.2")
        got = self.read("safe.tester_after", "yes").json()
        self.assertEqual(got["assessment"]["power"]["state"], "dead-proved")
        kept = self.read("cap.herm.uf", "39.9").json()["entries"][-1]
        self.assertEqual(kept["power"], "dead-proved")
        later = (timezone.now() + timedelta(seconds=1)).isoformat()
        self.assertEqual(self.post("power", state="live", at=later).json()["assessment"]["power"]["state"], "live")
        self.assertEqual(self.read("cap.fan.uf", "5.0").json()["entries"][-1]["power"], "live")

    def test_finishing_waits_for_the_list(self) -> None:
        line = self.read("cap.herm.uf", "39.9").json()["lifted"][0]["id"]
        refused = self.caller.do(f"/visits/{self.visit.id}", "finish", {"id": fresh(), "reason": " "})
        self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, "reason"))
        self.assertIn("HERM wires off", refused.json()["errors"][0]["message"])
        self.assertEqual(self.post("end", line=line, how="left", why="").status_code, 422)
        self.assertEqual(self.post("end", line=line, how="back").status_code, 200)
        done = self.caller.do(f"/visits/{self.visit.id}", "finish", {"id": fresh(), "reason": ""})
        self.assertEqual((done.status_code, done.json()["finish_reason"]), (200, ""))
        self.assertEqual([one["value"] for one in self.read("cap.fan.uf", "5.0").json()["waiting"]][-1], "5.0 µF")

    def test_what_was_left_opens_on_the_return_visit(self) -> None:
        line = self.read("cap.herm.uf", "39.9").json()["lifted"][0]["id"]
        self.post("end", line=line, how="left", why="part ordered")
        self.caller.do(f"/visits/{self.visit.id}", "finish", {"id": fresh(), "reason": ""})
        again = fresh()
        for _ in range(2):
            self.caller.do(f"/visits/{again}", "open", {"unit": str(self.mine.unit.id), "complaint": "hums-no-start"})
        shown = self.caller.get(f"/api/v1/visits/{again}").json()
        self.assertEqual([(one["what"], one["how"]) for one in shown["round"]["lifted"]], [("HERM wires off", "")])
        self.assertEqual(Visit.objects.of(self.mine.company).get(id=again).return_of_id, self.visit.id)

    def test_a_forced_finish_keeps_its_reason(self) -> None:
        self.read("cap.herm.uf", "39.9")
        done = self.caller.do(f"/visits/{self.visit.id}", "finish", {"id": fresh(), "reason": "storm"}).json()
        self.assertEqual((done["finish_reason"], done["assessment"]["open_lines"]), ("storm", 1))

    def test_a_finished_visit_keeps_the_plate_it_was_judged_by(self) -> None:
        self.read("cap.herm.uf", "39.9")
        self.caller.do(f"/visits/{self.visit.id}", "finish", {"id": fresh(), "reason": "storm"})
        self.mine.unit.plate = {"run_capacitor": {"herm_uf": 80, "vac": 440}}
        self.mine.unit.save(update_fields=["plate"])
        got = self.caller.get(f"/api/v1/visits/{self.visit.id}").json()
        self.assertEqual(finding(got["round"], "cap.herm.uf")["nominal"], 40)

    def test_a_corrected_plate_judges_anew_and_keeps_its_history(self) -> None:
        self.read("cap.herm.uf", "39.9")
        plate = {"run_capacitor": {"herm_uf": 45, "fan_uf": 5, "vac": 440}}
        got = self.post("plate", plate=plate, fitted=[], why="read again in the shade").json()
        self.assertEqual(finding(got, "cap.herm.uf")["verdict"], "bad")
        history = self.caller.get(f"/api/v1/visits/{self.visit.id}").json()["plate_history"]
        self.assertEqual([one["why"] for one in history], ["read again in the shade"])

    def test_a_plate_out_of_bounds_is_refused_at_its_field(self) -> None:
        got = self.post("plate", plate={"mca": -3}, fitted=[])
        self.assertEqual(got.status_code, 422)
        self.assertRegex(got.json()["errors"][0]["field"], r"plate\.mca$")

    def test_a_new_visit_is_opened_once_and_is_on_todays_list(self) -> None:
        path, body = f"/visits/{fresh()}", {"id": fresh(), "unit": str(self.mine.unit.id), "complaint": "iced-over", "began": "slowly"}
        for _ in range(2):
            self.assertEqual(self.caller.do(path, "open", body).status_code, 200)
        today = self.caller.get("/api/v1/today").json()
        self.assertEqual([one["complaint"] for one in today["visits"]].count("iced-over"), 1)


class AppendOnly(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture()
        self.mine.client().read(self.mine.visit, "cap.herm.uf", "39.9")

    def test_rows_refuse_change_and_delete(self) -> None:
        entry = events(self.mine.company, Kind.READING, Kind.SEEN)[0]
        entry.kind = "note"
        with self.assertRaises(AppendOnlyError):
            entry.save()
        with self.assertRaises(AppendOnlyError):
            entry.delete()

    def test_the_database_refuses_too(self) -> None:
        for sql in ("UPDATE ledger_event SET kind = 'note'", "DELETE FROM ledger_event"):
            with self.assertRaisesMessage(DatabaseError, "append only"), transaction.atomic(), connection.cursor() as cursor:
                cursor.execute(sql)

    def test_a_query_without_a_company_refuses(self) -> None:
        for model in (Visit, EventRow):
            with self.assertRaises(Unscoped):
                model.objects.all()
