"""Units, their parts and notes, the watch list's pages and the find box: what is asked wrongly is told at its field."""

from datetime import timedelta
from typing import Any
from uuid import uuid4

from django.test import TestCase
from django.utils import timezone
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from hypothesis.extra.django import TestCase as HypothesisTestCase

from fleet.models import Site, Unit, UnitStanding
from fleet.write_unit import find_text_of
from outer_test.history import PARTS
from outer_test.ledger import Kind
from record.find import find
from testing.fixtures import Fixture, events, fresh


class Units(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Units")
        self.caller = self.mine.client()

    def add(self, **changed: Any) -> Any:
        body = {"id": fresh(), "site": "Sluice House", "address": "4 Sluice Lane", "label": "roof", "serial": "S-77"} | changed
        return self.caller.do(f"/units/{body.pop('id')}", "unit", body)

    def refused(self, got: Any, field: str) -> None:
        self.assertEqual(got.status_code, 422, got.json())
        self.assertEqual(got.json()["errors"][0]["field"].split(".")[-1], field)

    def test_a_site_of_the_same_name_and_address_is_one_site(self) -> None:
        for label in ("roof", "yard"):
            self.assertEqual(self.add(label=label).status_code, 200)
        self.assertEqual(Site.objects.of(self.mine.company).filter(name="Sluice House").count(), 1)
        self.assertEqual(self.add(address="5 Sluice Lane").status_code, 200)
        self.assertEqual(Site.objects.of(self.mine.company).filter(name="Sluice House").count(), 2)

    def test_sent_twice_it_is_one_unit(self) -> None:
        same = fresh()
        self.assertEqual({self.add(id=same).json()["id"] for _ in range(3)}, {same})
        self.assertEqual(Unit.objects.of(self.mine.company).filter(serial="S-77").count(), 1)

    def test_a_unit_of_another_company_is_not_taken_over(self) -> None:
        theirs = Fixture("Theirs").unit
        self.assertEqual(self.add(id=str(theirs.id)).status_code, 409)
        theirs.refresh_from_db()
        self.assertEqual(theirs.label, "pad")

    def test_what_is_missing_or_too_long_is_told_at_its_field(self) -> None:
        for field, wrong in (("site", " "), ("address", ""), ("label", "x" * 81), ("serial", "x" * 41), ("site", "x" * 121)):
            with self.subTest(field):
                self.refused(self.add(**{field: wrong}), field)
        self.assertEqual(Unit.objects.of(self.mine.company).count(), 1)

    def test_parts(self) -> None:
        path = f"/units/{self.mine.unit.id}/parts"
        for field, wrong in (
            ("part", {"part": "flux part"}), ("note", {"note": "x" * 201}), ("at", {"at": (timezone.now() + timedelta(days=3)).isoformat()}),
            ("at", {"at": "2027-01-14T09:00:00"}), ("at", {"at": "0001-01-01T00:00:00Z"}),
        ):  # fmt: skip
            with self.subTest(field, wrong=str(wrong)[:40]):
                self.refused(self.caller.send("POST", path, {"id": fresh(), "part": PARTS[0]} | wrong), field)
        same = fresh()
        for _ in range(2):
            self.assertEqual(self.caller.send("POST", path, {"id": same, "part": PARTS[0], "note": " new "}).status_code, 200)
        part = events(self.mine.company, Kind.FITTED)[0]
        self.assertEqual((part.body["note"], part.member), ("new", self.mine.member))

    def test_notes(self) -> None:
        path = f"/units/{self.mine.unit.id}/notes"
        self.refused(self.caller.send("PUT", path, {"notes": "x" * 4001, "version": 0}), "notes")
        self.assertEqual(self.caller.send("PUT", path, {"notes": " Dog.\n", "version": 0}).json()["notes"], "Dog.")

    def test_opening_a_visit(self) -> None:
        path, unit = f"/visits/{fresh()}", str(self.mine.unit.id)
        self.refused(self.caller.do(path, "open", {"unit": unit, "complaint": "haunted"}), "complaint")
        self.refused(self.caller.do(path, "open", {"unit": unit, "complaint": "maintenance", "began": "at night"}), "began")
        same = fresh()
        for state in ("saved", "again"):
            got = self.caller.do(path, "open", {"id": same, "unit": unit, "complaint": "iced-over", "began": "slowly"})
            self.assertEqual((got.status_code, got.json()["acknowledged"]["state"]), (200, state))
        for stranger in (fresh(), "nowhere"):
            got = self.caller.do(f"/visits/{fresh()}", "open", {"unit": stranger, "complaint": "maintenance"})
            self.assertEqual(got.status_code, 404)


class WatchPages(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Watch")
        self.caller = self.mine.client()

    def stand(self, count: int, **standing: Any) -> None:
        """Units that stand like this."""
        company, now = self.mine.company, timezone.now()
        units = [Unit(company=company, site=self.mine.site, label=f"pad {place}") for place in range(count)]
        Unit.objects.of(company).bulk_create(units)
        UnitStanding.objects.of(company).bulk_create(
            UnitStanding(**({"company": company, "unit": unit, "rank": 1, "visit_at": now} | standing)) for unit in units
        )

    def pages(self, query: str = "") -> list[dict[str, Any]]:
        """Every page, by asking for the next while there is one."""
        got: Any = None
        pages: list[dict[str, Any]] = []
        while got is None or got["more"]:
            got = self.caller.send("GET", f"/fleet/watch?page={len(pages)}{query}").json()
            pages.append(got)
            self.assertLess(len(pages), 50)
        return pages

    def test_every_unit_stands_on_exactly_one_page(self) -> None:
        self.stand(130)
        pages = self.pages()
        shown = [one["id"] for page in pages for one in page["units"]]
        self.assertGreater(len(pages), 1)
        self.assertEqual((len(shown), len(set(shown))), (130, 130))

    def test_what_is_carried_counts_all_pages_and_only_what_is_due(self) -> None:
        watched = [{"point": "cap.herm.uf", "title": "t", "verdict": "bad", "value": "49 µF", "why": "low", "crosses": None, "earliest": None, "carry": {"uf": 55, "fan_uf": 7.5, "vac": 440}}]  # fmt: skip
        self.stand(70, watched=watched, points=["cap.herm.uf"])
        first = self.pages()[0]
        self.assertEqual([(one["part"], one["count"]) for one in first["carry"]], [("dual 55 + 7.5 µF 440 V", 70)])

    def test_by_point_and_nonsense(self) -> None:
        self.stand(3, points=["cap.herm.uf"])
        self.stand(2, points=["contactor.coil.ohm"])
        self.assertEqual(sum(len(page["units"]) for page in self.pages("&point=contactor.coil.ohm")), 2)
        for query in ("point=nose", "page=-1", "page=1001", "page=x"):
            self.assertEqual(self.caller.send("GET", f"/fleet/watch?{query}").status_code, 422, query)


class FindBox(HypothesisTestCase):
    @settings(max_examples=40, deadline=None, suppress_health_check=[HealthCheck.too_slow])
    @given(st.text(max_size=90))
    def test_no_words_make_it_fall_over(self, words: str) -> None:
        mine = Fixture(f"Find {uuid4().hex[:8]}")
        Unit.objects.of(mine.company).update(find_text=find_text_of(mine.unit))
        got = mine.client().get("/api/v1/fleet/find", {"q": words})
        self.assertIn(got.status_code, (200, 404, 422), got.content)

    @settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.too_slow])
    @given(st.integers(0, 10), st.sampled_from("abcdefghijklmnopqrstuvwxyz"))
    def test_one_wrong_letter_still_finds_it(self, place: int, letter: str) -> None:
        mine = Fixture(f"Typo {uuid4().hex[:8]}")
        mine.site.name = "Thornbridge Mill"
        mine.site.save()
        mine.unit.refresh_from_db()
        Unit.objects.of(mine.company).update(find_text=find_text_of(Unit.objects.of(mine.company).select_related("site").get()))
        word = "Thornbridge"
        slip = word[:place] + letter + word[place + 1 :]
        self.assertEqual([unit.id for unit in find(mine.company, slip).units], [mine.unit.id], slip)
