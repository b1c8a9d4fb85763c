"""A visit's rows, found with SQL that was composed once: the same rows as the plain query, and never another company's."""

from django.db import connection
from django.test import TestCase
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from accounts.composed import Composed
from testing.fixtures import Fixture, fresh
from visits.load import NoSuchVisit, find_visit, load_visit
from visits.models import Entry, LiftedLine, Visit


class ComposedQueries(TestCase):
    @classmethod
    def setUpTestData(cls) -> None:
        cls.mine, cls.theirs = Fixture("First"), Fixture("Second")
        for one in (cls.mine, cls.theirs):
            for typed in ("39.9", "38.8"):
                one.client().read(one.visit, "cap.herm.uf", typed)

    def test_the_same_rows_as_the_plain_query_in_its_order(self) -> None:
        entries = Composed[Entry](lambda company, visit: Entry.objects.of(company).filter(visit=visit).order_by("-id"))
        for one in (self.mine, self.theirs, self.mine):
            plain = list(Entry.objects.of(one.company).filter(visit=one.visit).order_by("-id"))
            self.assertEqual(len(plain), 2)
            self.assertEqual(entries.of(one.company, one.visit.pk), plain)
            self.assertEqual([row.value for row in entries.of(one.company, one.visit.pk)], ["38.8", "39.9"])

    def test_another_companys_key_finds_nothing(self) -> None:
        entries = Composed[Entry](lambda company, visit: Entry.objects.of(company).filter(visit=visit))
        self.assertEqual(entries.of(self.mine.company, self.theirs.visit.pk), [])
        with self.assertRaises(NoSuchVisit):
            find_visit(self.mine.company, self.theirs.visit.pk)

    def test_it_asks_once_and_composes_once(self) -> None:
        composed = []

        def rows(company: object, visit: object) -> object:
            composed.append(visit)
            return Visit.objects.of(self.mine.company).filter(id=visit)

        visits = Composed[Visit](rows)  # type: ignore[arg-type]
        for _ in range(3):
            with CaptureQueriesContext(connection) as asked:
                self.assertEqual([row.pk for row in visits.of(self.mine.company, self.mine.visit.pk)], [self.mine.visit.pk])
            self.assertEqual(len(asked), 1)
        self.assertEqual(len(composed), 1)

    def test_a_query_that_asks_for_more_is_refused(self) -> None:
        more = Composed[Entry](lambda company, visit: Entry.objects.of(company).filter(visit=visit, point="cap.herm.uf"))
        turned = Composed[Entry](lambda company, visit: Entry._base_manager.filter(visit=visit).filter(company=company))
        for query in (more, turned):
            with self.assertRaisesMessage(TypeError, "a company and a key"):
                query.of(self.mine.company, self.mine.visit.pk)


class OneVisit(TestCase):
    def test_what_is_known_of_the_unit_is_read_anew_when_it_changes(self) -> None:
        mine = Fixture()
        before = load_visit(mine.company, find_visit(mine.company, mine.visit.pk)).visit
        mine.unit.plate = {"run_capacitor": {"herm_uf": 55, "vac": 440}}
        mine.unit.save()
        after = load_visit(mine.company, find_visit(mine.company, mine.visit.pk)).visit
        self.assertEqual((before.plate.run_capacitor.herm_uf, after.plate.run_capacitor.herm_uf), (40, 55))

    def test_a_line_keeps_how_it_ended(self) -> None:
        mine = Fixture()
        caller = mine.client()
        for what in ("Panel", "Fan wire"):
            caller.send("POST", f"/visits/{mine.visit.id}/lifted", {"id": fresh(), "what": what})
        panel = LiftedLine.objects.of(mine.company).get(what="Panel")
        why = {"id": fresh(), "how": "retired", "why": "cut away", "at": timezone.now().isoformat()}
        caller.send("POST", f"/visits/{mine.visit.id}/lifted/{panel.uuid}/end", why)
        loaded = load_visit(mine.company, find_visit(mine.company, mine.visit.pk))
        ends = {line.what: None if line.end is None else (line.end.how, line.end.why) for line in loaded.visit.lifted}
        self.assertEqual(ends, {"Panel": ("retired", "cut away"), "Fan wire": None})

    def test_a_reading_asks_the_database_no_more_than_it_must(self) -> None:
        mine = Fixture()
        caller = mine.client()
        caller.read(mine.visit, "cap.herm.uf", "39.9")
        # session, member; visit, unit; entries, power, lifted, how they ended; the reading itself. The rest is BEGIN and COMMIT.
        with CaptureQueriesContext(connection) as asked:
            self.assertEqual(caller.read(mine.visit, "cap.herm.uf", "39.8").status_code, 200)
        rows = [query["sql"] for query in asked if not query["sql"].startswith(("SAVEPOINT", "RELEASE"))]
        self.assertEqual(len(rows), 9, rows)
