"""The day: visits by date, given to somebody, moved, cancelled with a reason, and corrected in what they are for and where they are."""

from datetime import timedelta
from typing import Any

from django.test import TestCase
from django.utils import timezone

from fleet.models import Unit
from outer_test.ledger import Kind
from testing.fixtures import Did, Fixture, events, fresh
from visits.models import Visit


class Planning(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Plan")
        self.caller = self.mine.client()
        self.path = f"/visits/{self.mine.visit.id}"
        self.noon = timezone.localtime().replace(hour=12, minute=0, second=0, microsecond=0)

    def do(self, kind: str, **act: Any) -> Did:
        return self.caller.do(self.path, kind, act)

    def day(self, days: int) -> list[dict[str, Any]]:
        day = (self.noon + timedelta(days=days)).date().isoformat()
        found: list[dict[str, Any]] = self.caller.send("GET", f"/today?day={day}").json()["visits"]
        return found

    def plan(self, days: int, technician: int | None = None) -> Did:
        when = (self.noon + timedelta(days=days)).isoformat()
        return self.do("plan", scheduled_for=when, technician=technician or self.mine.member.pk)

    def test_moved_to_tomorrow_and_given_to_another_it_is_on_their_list(self) -> None:
        self.assertEqual(self.plan(1, self.mine.lead.pk).status_code, 200)
        tomorrow = self.day(1)
        self.assertEqual([(one["technician_key"], one["mine"]) for one in tomorrow], [(self.mine.lead.pk, False)])
        self.assertEqual((self.day(0), self.caller.send("GET", "/today").json()["visits"]), ([], []))

    def test_yesterdays_open_ones_are_on_todays_list_and_on_their_own_day(self) -> None:
        self.plan(-1)
        self.assertEqual([len(self.day(days)) for days in (-1, 0, 1)], [1, 1, 0])

    def test_only_the_companys_people_can_have_it(self) -> None:
        stranger = Fixture("Stranger").member
        refused = self.plan(1, stranger.pk)
        self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, "technician"))
        opened = self.caller.do(
            f"/visits/{fresh()}", "open", {"unit": str(self.mine.unit.id), "complaint": "iced-over", "technician": stranger.pk}
        )
        self.assertEqual(opened.json()["errors"][0]["field"], "technician")

    def test_cancelled_it_leaves_the_list_with_its_reason_and_planned_again_it_is_back(self) -> None:
        self.assertEqual(self.do("cancel", reason=" ").json()["errors"][0]["field"], "reason")
        self.assertEqual(self.do("cancel", reason="customer moved").json()["cancelled"], "customer moved")
        self.assertEqual([one["cancelled"] for one in self.day(0)], ["customer moved"])
        Visit.objects.of(self.mine.company).update(scheduled_for=self.noon - timedelta(days=2))
        self.assertEqual(self.day(0), [], "a cancelled visit is not left over")
        self.assertEqual(self.plan(0).json()["cancelled"], "")
        self.assertEqual([one["cancelled"] for one in self.day(0)], [""])

    def test_a_finished_visit_is_not_cancelled(self) -> None:
        self.do("finish", reason="")
        self.assertEqual(self.do("cancel", reason="customer moved").json()["errors"][0]["field"], "reason")

    def test_what_it_is_for_turns_out_otherwise(self) -> None:
        shown = self.do("correct", complaint="hums-no-start", began="suddenly", notes="gate code").json()
        self.assertNotEqual(shown["path"][0]["title"], "Plate")
        visit = self.caller.send("GET", self.path).json()
        self.assertEqual((visit["complaint"], visit["began"], visit["notes"]), ("hums-no-start", "suddenly", "gate code"))
        self.assertEqual(self.do("correct", complaint="haunted").json()["errors"][0]["field"], "complaint")
        found = self.caller.send("GET", "/fleet/find?q=hums").json()["visits"]
        self.assertEqual(len(found), 1)

    def test_a_unit_is_called_otherwise_and_stays_the_same_unit(self) -> None:
        self.do("reading", point="cap.herm.uf", typed="39.9")
        self.assertEqual(self.do("correct-unit", site="", address="x", label="y").json()["errors"][0]["field"], "site")
        self.assertEqual(self.do("correct-unit", site="Weir 4", address="Weir Lane 4", label="roof", serial="S-9").status_code, 200)
        visit = self.caller.send("GET", self.path).json()
        self.assertEqual([visit[name] for name in ("site", "address", "unit", "serial")], ["Weir 4", "Weir Lane 4", "roof", "S-9"])
        self.assertEqual((Unit.objects.of(self.mine.company).count(), len(visit["round"]["entries"])), (1, 1))
        self.assertEqual(len(events(self.mine.company, Kind.UNIT)), 1)
        self.assertEqual(len(self.caller.send("GET", "/fleet/find?q=S-9").json()["units"]), 1)

    def test_opened_for_another_day_and_another_technician(self) -> None:
        visit, when = fresh(), self.noon + timedelta(days=3)
        act = {
            "unit": str(self.mine.unit.id), "complaint": "maintenance", "scheduled_for": when.isoformat(), "technician": self.mine.lead.pk,
            "notes": "bring the ladder",
        }  # fmt: skip
        self.assertEqual(self.caller.do(f"/visits/{visit}", "open", act).status_code, 200)
        self.assertEqual(
            [(one["id"], one["technician_key"], one["notes"]) for one in self.day(3)], [(visit, self.mine.lead.pk, "bring the ladder")]
        )

    def test_a_day_that_is_none(self) -> None:
        for day in ("soon", "0001-01-01", "9999-12-31"):
            self.assertEqual(self.caller.send("GET", f"/today?day={day}").status_code, 422, day)
