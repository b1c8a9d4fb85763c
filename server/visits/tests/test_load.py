"""A visit's rows: what is known of the unit, how lines ended, and never another company's."""

from django.db import connection
from django.test import TestCase
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from outer_test.ledger import Kind
from testing.fixtures import Fixture, events, fresh
from visits.load import NoSuchVisit, find_visit, load_visit


class Walls(TestCase):
    def test_another_companys_visit_is_not_found(self) -> None:
        mine, theirs = Fixture("First"), Fixture("Second")
        with self.assertRaises(NoSuchVisit):
            find_visit(mine.company, theirs.visit.pk)


class OneVisit(TestCase):
    def test_what_is_known_of_the_unit_is_read_anew_when_it_changes(self) -> None:
        mine = Fixture()
        before = load_visit(mine.company, find_visit(mine.company, mine.visit.pk)).visit
        mine.unit.plate = {"run_capacitor": {"herm_uf": 55, "vac": 440}}
        mine.unit.save()
        after = load_visit(mine.company, find_visit(mine.company, mine.visit.pk)).visit
        assert before.plate.run_capacitor
        assert after.plate.run_capacitor
        self.assertEqual((before.plate.run_capacitor.herm_uf, after.plate.run_capacitor.herm_uf), (40, 55))

    def test_a_line_keeps_how_it_ended(self) -> None:
        mine = Fixture()
        caller = mine.client()
        for what in ("Panel", "Fan wire"):
            caller.do(f"/visits/{mine.visit.id}", "lifted", {"id": fresh(), "what": what})
        panel = next(line for line in events(mine.company, Kind.LIFTED) if line.body["what"] == "Panel")
        why = {"id": fresh(), "how": "retired", "why": "cut away", "at": timezone.now().isoformat()}
        caller.do(f"/visits/{mine.visit.id}", "end", {"line": str(panel.uuid)} | why)
        loaded = load_visit(mine.company, find_visit(mine.company, mine.visit.pk))
        ends = {line.what: None if line.end is None else (line.end.how, line.end.why) for line in loaded.visit.lifted}
        self.assertEqual(ends, {"Panel": ("retired", "cut away"), "Fan wire": None})

    def test_a_reading_asks_the_database_no_more_than_it_must(self) -> None:
        mine = Fixture()
        caller = mine.client()
        caller.read(mine.visit, "cap.herm.uf", "39.9")
        entry = {"id": fresh(), "visit": str(mine.visit.id), "act": {"kind": "reading", "point": "cap.herm.uf", "typed": "39.8"}}
        # session, member; the counter found and locked, the device's last; visit with unit, its events; is it there already; write, count.
        with CaptureQueriesContext(connection) as asked:
            self.assertEqual(caller.send("POST", "/sync", {"entries": [entry]}).status_code, 200)
        rows = [query["sql"] for query in asked if not query["sql"].startswith(("SAVEPOINT", "RELEASE"))]
        self.assertEqual(len(rows), 10, rows)
