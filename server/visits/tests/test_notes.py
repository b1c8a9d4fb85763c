"""Notes on a visit: each is kept once, stays as it was written, prints on the sheet and goes out with the visit file."""

import json

from django.test import TestCase

from testing.fixtures import Fixture, fresh


class Notes(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("First")
        self.caller = self.mine.client()
        self.path = f"/visits/{self.mine.visit.id}"

    def write(self, text: str, note: str | None = None) -> dict[str, object]:
        answer = self.caller.do(self.path, "note", {"id": note or fresh(), "text": text})
        self.assertEqual(answer.status_code, 200, answer.body)
        got: dict[str, object] = answer.json()
        return got

    def test_sent_twice_it_is_there_once(self) -> None:
        note = fresh()
        self.write("Gate code 4411", note)
        shown = self.write("Gate code 4411", note)
        self.assertEqual([one["text"] for one in shown["notes"]], ["Gate code 4411"])  # type: ignore[attr-defined]

    def test_it_prints_and_goes_out_and_in(self) -> None:
        self.write("Whip rubbed at the knockout <b>")
        page = self.caller.send("GET", f"{self.path}/report").content.decode()
        self.assertIn("Whip rubbed at the knockout &lt;b&gt;", page)
        out = json.loads(self.caller.send("GET", f"{self.path}/file").content)
        self.assertEqual([note["text"] for note in out["notes"]], ["Whip rubbed at the knockout <b>"])

    def test_nothing_and_too_much_are_refused(self) -> None:
        for text in ("", "   ", "x" * 1001):
            answer = self.caller.do(self.path, "note", {"id": fresh(), "text": text})
            self.assertEqual(answer.status_code, 422)
            self.assertEqual(answer.json()["errors"], [{"field": "text", "message": "Use 1 to 1000 characters."}])

    def test_on_a_finished_visit_it_waits(self) -> None:
        self.caller.do(self.path, "finish", {"id": fresh(), "reason": "storm"})
        self.assertEqual(self.write("late")["notes"], [])
