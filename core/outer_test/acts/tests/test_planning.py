"""Planning acts: what they write, and what cannot be so."""

from typing import Any
from unittest import TestCase

from outer_test.acts import Doer, Done, Outcome, with_all
from outer_test.ledger import Kind, Recorded
from outer_test.visit import Visit

WHEN = "2027-01-05T09:00:00-05:00"


def after(*acts: dict[str, Any]) -> tuple[Recorded, tuple[Outcome, ...]]:
    done = [
        Done(f"0d2b6a0a-7f6e-4c52-9a5e-2f4a2b8f7c{place}", f"2027-01-04T09:{place}:00Z", place, 0, act)
        for place, act in enumerate(acts, 10)
    ]
    return with_all(Recorded(Visit(complaint="maintenance"), (), {1: "Ann", 2: "Bo"}), done, Doer(1, "phone"))


class Planning(TestCase):
    def test_a_visit_is_cancelled_until_it_is_planned_again(self) -> None:
        cancel, plan = {"kind": "cancel", "reason": "customer moved"}, {"kind": "plan", "scheduled_for": WHEN, "technician": 2}
        self.assertEqual(after(plan)[0].cancelled, "")
        self.assertEqual(after(plan, cancel)[0].cancelled, "customer moved")
        self.assertEqual(after(plan, cancel, plan)[0].cancelled, "")

    def test_what_cannot_be(self) -> None:
        for act, field in (
            ({"kind": "plan", "scheduled_for": WHEN, "technician": 3}, "technician"), ({"kind": "plan", "scheduled_for": "noon", "technician": 2}, "scheduled_for"),
            ({"kind": "plan", "scheduled_for": "2027-01-05T09:00:00", "technician": 2}, "scheduled_for"), ({"kind": "cancel", "reason": ""}, "reason"),
            ({"kind": "correct", "complaint": "haunted"}, "complaint"), ({"kind": "correct", "complaint": "", "notes": "x" * 2001}, "notes"),
            ({"kind": "correct-unit", "site": " ", "address": "a", "label": "l"}, "site"),
        ):  # fmt: skip
            with self.subTest(act=act):
                recorded, (outcome,) = after(act)
                self.assertEqual((recorded.events, [wrong.field for wrong in outcome.wrong]), ((), [field]))

    def test_a_finished_visit_is_not_cancelled(self) -> None:
        outcomes = after({"kind": "finish", "reason": ""}, {"kind": "cancel", "reason": "moved"})[1]
        self.assertEqual([outcome.refused for outcome in outcomes], [False, True])

    def test_a_corrected_complaint_is_what_the_visit_is_concluded_by(self) -> None:
        recorded, _ = after({"kind": "correct", "complaint": "iced-over", "began": "slowly"})
        self.assertEqual((recorded.visit.complaint, recorded.visit.began), ("iced-over", "slowly"))
        self.assertEqual([event.kind for event in recorded.of(*Kind)], [Kind.CORRECTED])
