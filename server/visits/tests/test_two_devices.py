"""Two devices on one visit, through the API: proofs, dangers, ends and what neither knew of the other."""

from datetime import timedelta
from typing import Any

from django.test import TestCase
from django.utils import timezone

from testing.fixtures import Caller, Fixture
from visits.models import Visit

PROOF = (
    ("safe.tester_before", "yes"), *((f"safe.{point}.v", "0.2") for point in (
        "line", "l1_ground", "l2_ground", "load", "load_l1_ground", "load_l2_ground",
    )), ("safe.tester_after", "yes"),
)  # fmt: skip


class TwoDevices(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Two")
        self.one, self.other = self.mine.client(), self.mine.client(self.mine.lead)
        self.seq = 0

    def post(self, caller: Caller, kind: str, clock: timedelta | None = None, **body: Any) -> dict[str, Any]:
        self.seq += 1
        headers = {} if clock is None else {"Outer-Test-Clock": (timezone.now() + clock).isoformat()}
        got = caller.do(f"/visits/{self.mine.visit.pk}", kind, {"seq": self.seq} | body, headers=headers)
        self.assertEqual(got.status_code, 200, got.body)
        return got.json()

    def prove(self, caller: Caller, **more: Any) -> dict[str, Any]:
        for point, typed in PROOF:
            shown = self.post(caller, "reading", point=point, typed=typed, **more)
        return shown

    def state(self, shown: dict[str, Any]) -> str:
        return str(shown["assessment"]["power"]["state"])

    def test_a_live_that_the_prover_knew_of_is_past(self) -> None:
        live = self.post(self.other, "power", state="live")
        self.assertEqual(self.state(self.prove(self.one, after=live["place"])), "dead-proved")

    def test_a_live_that_the_prover_did_not_know_of_leaves_it_not_known(self) -> None:
        self.post(self.other, "power", state="live", at=(timezone.now() - timedelta(hours=2)).isoformat())
        shown = self.prove(self.one, after=0)
        self.assertEqual(self.state(shown), "unknown")
        self.assertIn("Another device has it live", shown["assessment"]["power"]["why"])

    def test_a_device_two_minutes_fast_does_not_keep_a_unit_dead(self) -> None:
        fast = timedelta(minutes=2)
        self.assertEqual(self.state(self.prove(self.one, clock=fast, at=(timezone.now() + fast).isoformat())), "dead-proved")
        shown = self.post(self.other, "reading", point="safe.line.v", typed="240", at=timezone.now().isoformat())
        self.assertNotEqual(self.state(shown), "dead-proved")

    def test_half_a_proof_each_is_none(self) -> None:
        for place, (point, typed) in enumerate(PROOF):
            shown = self.post((self.one, self.other)[place % 2], "reading", point=point, typed=typed)
        self.assertEqual(self.state(shown), "unknown")
        self.assertIn("two devices", shown["assessment"]["power"]["why"])

    def test_a_reading_dated_ahead_does_not_keep_later_ones_from_standing(self) -> None:
        self.post(self.one, "reading", point="cap.herm.uf", typed="31", at="2099-01-01T00:00:00Z")
        shown = self.post(self.one, "reading", point="cap.herm.uf", typed="39.9")
        self.assertEqual(
            [(one["value"], one["stands"], one["clock_wrong"]) for one in shown["entries"]], [("31", False, True), ("39.9", True, False)]
        )

    def test_a_reading_in_the_year_one_is_marked_and_every_list_stands(self) -> None:
        for at in ("0001-01-01T00:00:00+14:00", "0001-01-01T00:00:00-12:00", "9999-12-31T23:59:59-12:00"):
            shown = self.post(self.one, "reading", point="cap.herm.uf", typed="39.9", at=at)
        self.assertEqual({one["clock_wrong"] for one in shown["entries"]}, {True})
        self.post(self.one, "finish", reason="the storm")
        for path in ("/today", f"/units/{self.mine.unit.pk}", f"/visits/{self.mine.visit.pk}", "/fleet/watch"):
            self.assertEqual(self.one.send("GET", path).status_code, 200)

    def test_a_finish_is_not_refused_for_what_another_lifted_since(self) -> None:
        self.post(self.other, "lifted", what="FAN wire off", after=0)
        shown = self.post(self.one, "finish", reason="", after=0)
        self.assertIsNotNone(shown["finished_at"])
        self.assertEqual(
            [(one["kind"], one["about"], one["mine"]) for one in shown["conflicts"]], [("lifted-as-finished", "FAN wire off", True)]
        )

    def test_one_wire_lifted_twice_stands_twice_and_both_are_told(self) -> None:
        self.post(self.other, "lifted", what="FAN wire off", after=0)
        shown = self.post(self.one, "lifted", what="fan wire", after=0)
        self.assertEqual([one["what"] for one in shown["lifted"]], ["FAN wire off", "fan wire"])
        self.assertEqual([one["kind"] for one in shown["conflicts"]], ["lifted-twice"])

    def test_two_plates_are_both_kept_and_the_later_stands(self) -> None:
        for caller, uf in ((self.other, 45), (self.one, 55)):
            shown = self.post(caller, "plate", after=0, plate={"run_capacitor": {"herm_uf": uf, "vac": 440}})
        self.assertEqual(shown["plate"]["run_capacitor"]["herm_uf"], 55)
        self.assertEqual([caller.send("GET", "/today").json()["visits"][0]["overtaken"] for caller in (self.other, self.one)], [1, 0])
        self.assertEqual([one["kind"] for one in shown["conflicts"]], ["two-plates"])
        history = self.one.send("GET", f"/visits/{self.mine.visit.pk}").json()["plate_history"]
        self.assertEqual([one["by_whom"] for one in history], ["two-tech", "two-lead"])

    def test_a_list_survives_a_visit_that_cannot_be_read_and_says_so(self) -> None:
        Visit.objects.of(self.mine.company).filter(pk=self.mine.visit.pk).update(frozen={"plate": {"volts": "many"}})
        with self.assertLogs("visits.load", "ERROR"):
            shown = self.one.send("GET", "/today").json()["visits"][0]
            visits = self.one.send("GET", f"/units/{self.mine.unit.pk}").json()["visits"]
        self.assertIn("cannot be read", shown["problem"])
        self.assertIn("cannot be read", visits[0]["problem"])
