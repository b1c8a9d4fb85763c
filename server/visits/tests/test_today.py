"""The day's list: one's own first, what was left open before, nothing of tomorrow, nothing of another company."""

from datetime import timedelta
from typing import Any

from django.db import connection
from django.test import TestCase
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from testing.fixtures import Fixture, fresh
from visits.models import Visit
from visits.today import MOST_VISITS, today


class Listed(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Day", {"run_capacitor": {"herm_uf": 55, "vac": 440, "tolerance_pct": 6}})
        self.mine.visit.delete()
        self.noon = timezone.localtime().replace(hour=12, minute=0, second=0, microsecond=0)

    def visit(self, hours: float = 0, lead: bool = False, **more: Any) -> Visit:
        row: Visit = Visit.objects.of(self.mine.company).create(
            company=self.mine.company, unit=self.mine.unit, complaint="maintenance", scheduled_for=self.noon + timedelta(hours=hours),
            technician=self.mine.lead if lead else self.mine.member, **more,
        )  # fmt: skip
        return row

    def shown(self) -> list[Any]:
        return [one.id for one in today(self.mine.member).visits]

    def test_ones_own_first_then_by_the_hour(self) -> None:
        theirs, late, early = self.visit(-3, lead=True), self.visit(2), self.visit(-1)
        self.assertEqual(self.shown(), [early.id, late.id, theirs.id])
        self.assertEqual([one.mine for one in today(self.mine.lead).visits], [True, False, False])

    def test_what_was_left_open_stays_and_what_is_done_goes_with_its_day(self) -> None:
        days = 24.0
        left = self.visit(-3 * days)
        self.visit(-3 * days, finished_at=self.noon - timedelta(days=2), finished_by=self.mine.member)
        done_today = self.visit(-3 * days, finished_at=timezone.now(), finished_by=self.mine.member)
        self.visit(days)
        self.assertEqual(set(self.shown()), {left.id, done_today.id})

    def test_each_line_says_how_it_stands(self) -> None:
        row = self.visit()
        caller = self.mine.client()
        caller.read(row, "cap.herm.uf", "49.0")
        line = today(self.mine.member).visits[0]
        self.assertEqual((line.overall.value, line.readings, line.open_lines, line.technician), ("bad", 1, 1, "day-tech"))

    def test_a_finished_visit_stands_as_it_was_finished_and_is_not_judged_again(self) -> None:
        rows = [self.visit(place) for place in range(3)]
        caller = self.mine.client()
        for row, typed in zip(rows, ("49.0", "55.0", "54.0"), strict=True):
            caller.read(row, "cap.herm.uf", typed)
        before = {one.id: one for one in today(self.mine.member).visits}
        for row in rows[:2]:
            self.assertEqual(caller.do(f"/visits/{row.id}", "finish", {"id": fresh(), "reason": "the customer waits"}).status_code, 200)
        with CaptureQueriesContext(connection) as asked:
            after = {one.id: one for one in today(self.mine.member).visits}
        self.assertEqual(len([one for one in asked if "told" in one["sql"]]), 1, "the list itself")
        self.assertLessEqual(len(asked), 10)  # the list, the units, two counts, and what is written on the one that is open
        for row in rows:
            told, now = before[row.id], after[row.id]
            self.assertEqual((now.overall, now.readings, now.open_lines), (told.overall, 1, 1))
        self.assertEqual([after[row.id].overall.value for row in rows[:2]], ["bad", "good"])

    def test_another_companys_day_is_its_own(self) -> None:
        self.visit()
        other = Fixture("Elsewhere")
        self.assertEqual([one.id for one in today(other.member).visits], [other.visit.id])
        self.assertNotIn(self.mine.unit.id, {unit.id for unit in today(other.member).units})

    def test_a_crowded_day_is_cut_at_its_most(self) -> None:
        for place in range(MOST_VISITS + 3):
            self.visit(place / 100)
        self.assertEqual(len(self.shown()), MOST_VISITS)
