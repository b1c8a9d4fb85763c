"""Two people change one thing: the second is told who and what, and loses nothing; the notes' history and record."""

from typing import Any

from django.test import TestCase

from outer_test.judgement import SCHOOLS
from testing.fixtures import Fixture, fresh

RULES = {choice: next(iter(schools)) for choice, schools in SCHOOLS.items()}
BOARD = {"control": "demand", "limit_min": 12}


class Overtaken(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Both")
        self.lead, self.other = self.mine.client(self.mine.lead), self.mine.client()

    def refused(self, got: Any, *words: str) -> None:
        self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (409, "version"), got.content)
        for word in words:
            self.assertIn(word, got.json()["errors"][0]["message"])

    def test_notes(self) -> None:
        path = f"/units/{self.mine.unit.id}"
        shown = self.other.send("GET", path).json()["notes_version"]
        self.assertEqual(self.lead.send("PUT", f"{path}/notes", {"notes": "gate code 12", "version": shown}).status_code, 200)
        self.refused(self.other.send("PUT", f"{path}/notes", {"notes": "dog", "version": shown}), "both-lead", "gate code 12")
        now = self.other.send("GET", path).json()
        self.assertEqual(now["notes"], "gate code 12")
        changed = self.other.send("PUT", f"{path}/notes", {"notes": "gate code 12, dog", "version": now["notes_version"]}).json()
        told = [(one["by_whom"], one["notes"]) for one in changed["notes_before"]]
        self.assertEqual(told, [("both-tech", "gate code 12, dog"), ("both-lead", "gate code 12")])
        record = [one["what"] for one in self.lead.send("GET", "/people").json()["changes"]]
        self.assertEqual(sum("changed the notes of" in one for one in record), 2)

    def test_rules(self) -> None:
        def save(version: int, **choices: str) -> Any:
            return self.lead.send("PUT", "/company/rules", {"id": fresh(), "rules": RULES | choices, "version": version})

        self.assertEqual(save(0, capacitor_limit="10").json()["version"], 1)
        self.refused(save(0, capacitor_limit="5"), "both-lead", "capacitor limit 10")
        self.assertEqual(self.lead.send("GET", "/company/rules").json()["rules"]["capacitor_limit"], "10")
        self.assertEqual(save(1, capacitor_limit="5").status_code, 200)

    def test_rules_sent_twice_are_once(self) -> None:
        body = {"id": fresh(), "rules": RULES | {"capacitor_limit": "10"}, "version": 0}
        self.assertEqual([self.lead.send("PUT", "/company/rules", body).json()["version"] for _ in range(2)], [1, 1])

    def test_boards_with_any_name(self) -> None:
        def save(limit: int, version: int) -> Any:
            return self.lead.send(
                "PUT", "/company/boards", {"name": "60/90 board", "defrost": BOARD | {"limit_min": limit}, "version": version}
            )

        self.assertEqual(save(12, 0).status_code, 200)
        self.refused(save(10, 0), "both-lead", "limit min 12")
        boards = self.lead.send("GET", "/company/boards").json()["boards"]
        self.assertEqual([one["version"] for one in boards if one["name"] == "60/90 board"], [1])
        self.refused(self.lead.send("DELETE", "/company/boards/60/90 board?version=0"))
        self.assertEqual(self.lead.send("DELETE", "/company/boards/60/90 board?version=1").status_code, 200, "a name with a stroke works")
        self.refused(save(10, 1), "taken off the list")
