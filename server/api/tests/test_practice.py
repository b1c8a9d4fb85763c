"""The simulated board by its door: hidden by the draw, called, marked; and nothing of it on any record."""

from django.test import TestCase

from ledger.models import EventRow
from outer_test.practice import NOTHING_WRONG
from testing.fixtures import Caller, Fixture

BOARD = "timed, plain"


class Board(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("First")
        self.caller = self.mine.client()
        self.before = EventRow.objects.of(self.mine.company).count()

    def field(self, response: object) -> str:
        self.assertEqual(getattr(response, "status_code", None), 422)
        return str(response.json()["errors"][0]["field"])  # type: ignore[attr-defined]

    def test_a_hidden_fault_is_watched_and_called(self) -> None:
        shown = self.caller.send("GET", f"/practice/defrost?board={BOARD}&draw=12").json()
        self.assertEqual((shown["events"][0]["event"], shown["events"][0]["s"]), ("forced", 0))
        self.assertNotIn("fault", shown, "it stays hidden")
        called = {"board": BOARD, "draw": 12, "stamps": shown["events"], "named": "gremlins"}
        marked = self.caller.send("POST", "/practice/defrost", called).json()
        self.assertFalse(marked["right"])
        self.assertIn(marked["fault"], {NOTHING_WRONG, *(one["fault"] for one in shown["faults"])})
        marked = self.caller.send("POST", "/practice/defrost", called | {"named": marked["fault"]}).json()
        self.assertTrue(marked["right"])
        self.assertTrue(all(one["happened_s"] == one["stamped_s"] for one in marked["stamps"]))
        self.assertEqual(EventRow.objects.of(self.mine.company).count(), self.before, "nothing of it is written")

    def test_a_fault_that_was_asked_for_is_the_one_put_in(self) -> None:
        asked = f"/practice/defrost?board={BOARD}&fault=fan relay stuck"
        self.assertNotIn("fan-off", {one["event"] for one in self.caller.send("GET", asked).json()["events"]})
        called = {"board": BOARD, "draw": 0, "fault": "fan relay stuck", "stamps": [], "named": ""}
        self.assertEqual(self.caller.send("POST", "/practice/defrost", called).json()["fault"], "fan relay stuck")

    def test_what_cannot_be_is_told_at_its_field(self) -> None:
        self.assertEqual(self.field(self.caller.send("GET", "/practice/defrost?board=none such&draw=1")), "board")
        self.assertEqual(self.field(self.caller.send("GET", f"/practice/defrost?board={BOARD}&fault=gremlins")), "fault")
        called = {"board": BOARD, "draw": 0, "stamps": [{"event": "fan-off", "s": 5}] * 101, "named": ""}
        self.assertEqual(self.field(self.caller.send("POST", "/practice/defrost", called)), "stamps")

    def test_a_stranger_is_turned_away(self) -> None:
        self.assertEqual(Caller().send("GET", f"/practice/defrost?board={BOARD}").status_code, 401)
