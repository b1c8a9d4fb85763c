"""Rules opened by their name."""

from django.test import TestCase

from outer_test.rules import RULES
from testing.fixtures import Fixture


class RulePages(TestCase):
    def setUp(self) -> None:
        self.caller = Fixture().client()

    def test_every_rule_opens_and_says_something(self) -> None:
        pages = self.caller.send("GET", "/rules").json()
        self.assertEqual([page["name"] for page in pages], list(RULES))
        for page in pages:
            with self.subTest(page["name"]):
                self.assertTrue(page["says"] and page["source"] and page["title"])
                self.assertNotIn(">>>", " ".join(page["says"]))

    def test_one_with_its_house_choices(self) -> None:
        page = self.caller.send("GET", "/rules/pole-drop").json()
        self.assertIn("by heat, 9 BTU/h is bad", page["schools"])

    def test_no_such_rule(self) -> None:
        self.assertEqual(self.caller.send("GET", "/rules/flux").status_code, 404)
