"""Power, the not-put-back list and the finish, at their edges: sent twice, sent late, too long, without a reason."""

from datetime import timedelta
from typing import Any

from django.test import TestCase
from django.utils import timezone

from outer_test.ledger import Kind
from testing.fixtures import Fixture, events, fresh
from visits.models import Visit


class Lists(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Lists")
        self.caller = self.mine.client()
        self.path = f"/visits/{self.mine.visit.id}"

    def post(self, kind: str, status: int = 200, **body: Any) -> dict[str, Any]:
        got = self.caller.do(self.path, kind, body)
        self.assertEqual(got.status_code, status, got.body)
        return got.json()

    def lift(self, what: str, **more: Any) -> str:
        lines = self.post("lifted", what=what, **more)["lifted"]
        return str(next(line["id"] for line in reversed(lines) if line["what"] == what.strip()))

    def test_a_line_sent_twice_is_one_line(self) -> None:
        same = fresh()
        for _ in range(3):
            self.post("lifted", id=same, what="D1 jumper")
        self.assertEqual(len(events(self.mine.company, Kind.LIFTED)), 1)

    def test_an_id_that_stands_for_something_else_is_refused(self) -> None:
        same = fresh()
        self.post("lifted", id=same, what="D1 jumper")
        for kind, body in (("power", {"state": "live"}), ("note", {"text": "dog"}), ("finish", {"reason": "storm"})):
            with self.subTest(kind):
                sent: dict[str, Any] = {"id": same} | body
                self.assertEqual(self.post(kind, 422, **sent)["errors"][0]["field"], "id")

    def test_what_a_line_may_say(self) -> None:
        for what in ("", "   ", "x" * 121):
            with self.subTest(what[:5]):
                told = self.post("lifted", status=422, what=what)
                self.assertEqual(told["errors"][0]["field"], "what")
        self.assertEqual(self.post("lifted", what="  fan wire  ")["lifted"][0]["what"], "fan wire")

    def test_a_line_ends_once_and_as_it_was_first_said(self) -> None:
        line = self.lift("fan wire")
        self.post("end", line=line, how="left", why="no light")
        again = self.post("end", line=line, how="back")
        self.assertEqual((again["lifted"][0]["how"], again["lifted"][0]["why"]), ("left", "no light"))
        self.assertEqual(len(events(self.mine.company, Kind.ENDED)), 1)

    def test_every_ending_but_back_needs_its_reason(self) -> None:
        line = self.lift("fan wire")
        for how in ("retired", "left"):
            for why in ("", "  "):
                told = self.post("end", line=line, status=422, how=how, why=why)
                self.assertEqual(told["errors"][0]["field"].rsplit(".", maxsplit=1)[-1], "why")
        self.post("end", line=line, status=422, how="lost", why="x")
        self.post("end", line=line, status=422, how="left", why="x" * 301)
        self.assertEqual(len(events(self.mine.company, Kind.ENDED)), 0)
        self.post("end", line=line, how="back")

    def test_a_line_of_another_visit_is_not_ended_here(self) -> None:
        line = self.lift("fan wire")
        second: Visit = Visit.objects.of(self.mine.company).create(
            company=self.mine.company,
            unit=self.mine.unit,
            technician=self.mine.member,
            scheduled_for=timezone.now(),
            complaint="maintenance",
        )
        got = self.caller.do(f"/visits/{second.id}", "end", {"line": line, "id": fresh(), "how": "back"})
        self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, "line"))

    def test_power_said_twice_is_said_once_and_the_disconnect_stands_once(self) -> None:
        same = fresh()
        for _ in range(2):
            self.post("power", id=same, state="dead-claimed")
        shown = self.post("power", state="dead-claimed")
        self.assertEqual([one["what"] for one in shown["lifted"]], ["Disconnect pulled"])
        self.assertEqual(len(events(self.mine.company, Kind.POWER)), 2)

    def test_dead_is_never_just_said_to_be_proved(self) -> None:
        self.post("power", status=422, state="dead-proved")
        self.assertEqual(self.post("power", state="dead-claimed")["assessment"]["power"]["state"], "dead-claimed")

    def test_the_disconnect_pulled_again_is_a_line_again(self) -> None:
        self.post("power", state="dead-claimed")
        line = events(self.mine.company, Kind.LIFTED)[0]
        self.post("end", line=str(line.uuid), how="back")
        self.post("power", state="live")
        shown = self.post("power", state="dead-claimed")
        self.assertEqual([one["what"] for one in shown["lifted"]], ["Disconnect pulled", "Disconnect pulled"])

    def test_what_was_typed_in_a_dead_spot_keeps_its_own_time(self) -> None:
        then = (timezone.now() - timedelta(minutes=40)).replace(microsecond=0)
        shown = self.post("lifted", what="fan wire", at=then.isoformat())
        self.assertEqual(shown["lifted"][0]["at"], then.isoformat())
        self.post("lifted", status=422, what="fan wire", at="2027-01-14T09:00:00")

    def test_finishing(self) -> None:
        self.lift("fan wire")
        for reason, field in (("", "reason"), ("   ", "reason"), ("x" * 301, "reason")):
            told = self.post("finish", status=422, reason=reason)
            self.assertEqual(told["errors"][0]["field"], field)
        self.assertIsNone(Visit.objects.of(self.mine.company).get().finished_at)
        first = self.post("finish", reason=" storm ")
        self.assertEqual((first["finish_reason"], first["finished_by"]), ("storm", "lists-tech"))
        again = self.post("finish", reason="another reason")
        self.assertEqual((again["finish_reason"], again["finished_at"]), ("storm", first["finished_at"]))

    def test_what_comes_after_the_end_waits_until_the_visit_is_opened_again(self) -> None:
        line = self.lift("fan wire")
        ended = self.post("finish", reason="storm")
        late: tuple[tuple[str, dict[str, Any]], ...] = (
            ("lifted", {"what": "x"}), ("end", {"line": line, "how": "back"}), ("power", {"state": "live"}),
            ("reading", {"point": "cap.herm.uf", "typed": "40"}), ("line", {"text": "herm 40"}),
            ("stamp", {"event": "forced"}), ("wire", {"terminal": "Y"}),
        )  # fmt: skip
        for kind, body in late:
            with self.subTest(kind):
                waits = self.post(kind, **body)
                self.assertEqual((waits["entries"], waits["lifted"], waits["power_log"]), ([], ended["lifted"], []))
        self.assertIn(("Compressor section, C to HERM", "40 µF"), [(one["what"], one["value"]) for one in waits["waiting"]])
        self.post("reopen", status=422, reason=" ")
        again = self.post("reopen", reason="the readings of the second phone")
        self.assertEqual((again["waiting"], again["finished_at"]), ([], None))
        self.assertEqual((len(again["entries"]), again["lifted"][0]["how"], len(again["power_log"])), (2, "back", 1))
        self.assertIsNone(Visit.objects.of(self.mine.company).get().told)
        self.assertEqual(self.post("finish", reason="now all of it")["finish_reason"], "now all of it")
        self.assertTrue(Visit.objects.of(self.mine.company).get().told)

    def test_opening_an_open_visit_changes_nothing(self) -> None:
        self.post("reopen", reason="for fun")
        self.assertEqual(events(self.mine.company, Kind.REOPENED), [])


class LeftOver(TestCase):
    """What was left until the return visit opens on it, and only that."""

    def test_lines_left_come_along_once(self) -> None:
        mine = Fixture("Left")
        caller = mine.client()
        path = f"/visits/{mine.visit.id}"
        for what, how in (("jumper", "left"), ("fan wire", "back"), ("old sensor", "retired")):
            line = fresh()
            caller.do(path, "lifted", {"id": line, "what": what})
            caller.do(path, "end", {"line": line, "id": fresh(), "how": how, "why": "" if how == "back" else "board on order"})
        self.assertEqual(caller.do(path, "finish", {"id": fresh(), "reason": ""}).status_code, 200)
        opened = fresh()
        for _ in range(2):
            caller.do(f"/visits/{opened}", "open", {"unit": str(mine.unit.id), "complaint": "maintenance"})
        shown = caller.send("GET", f"/visits/{opened}").json()["round"]
        self.assertEqual([(one["what"], one["how"]) for one in shown["lifted"]], [("jumper", "")])
        self.assertEqual(Visit.objects.of(mine.company).get(id=opened).return_of_id, mine.visit.id)
        third = fresh()
        caller.do(f"/visits/{third}", "open", {"unit": str(mine.unit.id), "complaint": "maintenance"})
        self.assertEqual(len(caller.send("GET", f"/visits/{third}").json()["round"]["lifted"]), 1, "the second is not finished yet")
