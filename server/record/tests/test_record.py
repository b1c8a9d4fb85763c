"""A unit's record, the watch list and finding: made through the same doors as in the field."""

from datetime import UTC, date, datetime, timedelta
from typing import Any
from uuid import uuid4

from django.db import connection
from django.test import TestCase, override_settings
from django.utils import timezone

from fleet.models import Site, Unit, UnitStanding
from fleet.write_unit import find_text_of
from record.watch import end_of_next_month
from testing.fixtures import Caller, Fixture, fresh
from visits.find_text import find_text_of as find_text_of_visit
from visits.keep import fill_in_old
from visits.models import Visit

PLATE = {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}}


class Recorded(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Record", PLATE)
        self.caller = self.mine.client()
        self.mine.visit.delete()

    def visit(self, days_ago: int, *readings: tuple[str, str], finish: bool = True, unit: Unit | None = None) -> Visit:
        """A visit some days ago with these readings, finished."""
        row: Visit = Visit.objects.of(self.mine.company).create(
            company=self.mine.company, unit=unit or self.mine.unit, technician=self.mine.member, complaint="maintenance",
            scheduled_for=timezone.now() - timedelta(days=days_ago),
        )  # fmt: skip
        for point, typed in readings:
            self.assertEqual(self.caller.read(row, point, typed).status_code, 200)
        if finish:
            got = self.caller.do(f"/visits/{row.id}", "finish", {"id": fresh(), "reason": "wires are back"})
            self.assertEqual(got.status_code, 200, got.body)
        return row

    def file(self) -> dict[str, Any]:
        got = self.caller.send("GET", f"/units/{self.mine.unit.id}")
        self.assertEqual(got.status_code, 200, got.content)
        told: dict[str, Any] = got.json()
        return told

    def point(self, name: str) -> dict[str, Any]:
        return next(one for one in self.file()["points"] if one["point"] == name)


class UnitFile(Recorded):
    def test_every_reading_with_its_limits_and_the_drift(self) -> None:
        for year, typed in enumerate(("52.4", "53.1", "53.8", "54.6", "55.1")):
            self.visit(365 * year, ("cap.herm.uf", typed))
        history = self.point("cap.herm.uf")
        self.assertEqual([one["told"]["value"] for one in history["readings"]], ["55.1", "54.6", "53.8", "53.1", "52.4"])
        self.assertEqual(history["readings"][0]["told"]["low"], 51.7)
        self.assertIsNotNone(history["trend"]["crosses"])
        self.assertEqual(len(self.file()["visits"]), 5)

    def test_what_no_rule_judges_is_in_the_record_too(self) -> None:
        self.visit(5, ("contactor.pole1.a", "12.1"))
        told = self.point("contactor.pole1.a")["readings"][0]["told"]
        self.assertEqual((told["value"], told["verdict"]), ("12.1", None))

    def test_limits_stay_as_they_stood(self) -> None:
        self.visit(300, ("cap.herm.uf", "54.0"))
        self.mine.unit.plate = {"run_capacitor": {"herm_uf": 45, "vac": 440, "tolerance_pct": 6}}
        self.mine.unit.save()
        self.assertEqual(self.point("cap.herm.uf")["readings"][0]["told"]["nominal"], 55)

    def test_visits_finished_before_this_was_kept_are_filled_in(self) -> None:
        self.visit(30, ("cap.herm.uf", "49.0"))
        Visit.objects.of(self.mine.company).update(told=None, overall="", find_text="")
        UnitStanding.objects.of(self.mine.company).delete()
        self.assertEqual((fill_in_old(), fill_in_old()), (1, 0))
        self.assertEqual(self.point("cap.herm.uf")["readings"][0]["told"]["verdict"], "bad")
        self.assertEqual(UnitStanding.objects.of(self.mine.company).get().rank, 1)

    def test_an_open_visit_is_there_too(self) -> None:
        self.visit(0, ("cap.herm.uf", "49.0"), finish=False)
        self.assertEqual(self.point("cap.herm.uf")["readings"][0]["told"]["verdict"], "bad")
        self.assertEqual([(one["finished"], one["overall"]) for one in self.file()["visits"]], [(False, "bad")])

    def test_a_new_part_starts_a_new_line(self) -> None:
        self.visit(800, ("cap.herm.uf", "49.0"))
        at = (timezone.now() - timedelta(days=700)).isoformat()
        got = self.caller.send("POST", f"/units/{self.mine.unit.id}/parts", {"id": fresh(), "part": "run capacitor, HERM", "at": at})
        self.assertEqual(got.status_code, 200, got.content)
        self.visit(10, ("cap.herm.uf", "55.2"))
        self.assertEqual([one["line"] for one in self.point("cap.herm.uf")["readings"]], [0, 1])
        self.assertEqual(self.file()["parts"][0]["part"], "run capacitor, HERM")
        for wrong, field in (({"part": "nose"}, "part"), ({"part": "contactor", "at": "2099-01-01T00:00:00Z"}, "at")):
            refused = self.caller.send("POST", f"/units/{self.mine.unit.id}/parts", {"id": fresh()} | wrong)
            self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, field))

    def test_notes_and_new_units(self) -> None:
        self.assertEqual(
            self.caller.send("PUT", f"/units/{self.mine.unit.id}/notes", {"notes": "gate code at the desk", "version": 0}).json()["notes"],
            "gate code at the desk",
        )
        path, body = f"/units/{fresh()}", {"site": "Mill Race 2", "address": "Mill Race", "label": "roof", "serial": "Z-9"}
        for _ in range(2):
            self.assertEqual(self.caller.do(path, "unit", body).status_code, 200)
        self.assertEqual(Unit.objects.of(self.mine.company).count(), 2)
        refused = self.caller.do(f"/units/{fresh()}", "unit", body | {"label": " "})
        self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, "label"))

    def test_its_sticker_opens_it_only_to_its_company(self) -> None:
        tag = Unit.objects.of(self.mine.company).get(id=self.mine.unit.id).tag
        self.assertGreaterEqual(len(tag), 20)
        self.assertEqual(self.caller.send("GET", f"/units/by-tag/{tag}").json()["id"], str(self.mine.unit.id))
        self.assertEqual(Fixture("Stranger").client().send("GET", f"/units/by-tag/{tag}").status_code, 404)


class WatchList(Recorded):
    def watch(self, query: str = "") -> dict[str, Any]:
        got = self.caller.send("GET", f"/fleet/watch{query}")
        self.assertEqual(got.status_code, 200, got.content)
        told: dict[str, Any] = got.json()
        return told

    def second_unit(self, name: str) -> Unit:
        site = Site.objects.of(self.mine.company).create(company=self.mine.company, name=name, address="somewhere")
        unit: Unit = Unit.objects.of(self.mine.company).create(company=self.mine.company, site=site, label="pad", plate=PLATE)
        return unit

    def test_worst_first_then_the_soonest(self) -> None:
        drifting, sound = self.second_unit("Drift Lane"), self.second_unit("Sound Lane")
        for year, typed in enumerate(("52.2", "53.0", "53.8", "54.6", "55.4")):
            self.visit(365 * year, ("cap.herm.uf", typed), unit=drifting)
        self.visit(3, ("cap.herm.uf", "55.0"), unit=sound)
        self.visit(2, ("cap.herm.uf", "49.0"))
        listed = self.watch()
        self.assertEqual([one["site"] for one in listed["units"]], ["Record Street 1", "Drift Lane"])
        self.assertEqual([(one["part"], one["count"]) for one in listed["carry"]], [("dual 55 + 7.5 µF 440 V", 1)])
        self.assertEqual(len(self.watch("?point=cap.herm.uf")["units"]), 2)
        self.assertEqual(self.watch("?point=cap.fan.uf")["units"], [])
        self.assertEqual(self.caller.send("GET", "/fleet/watch?point=nose").status_code, 422)

    def test_a_repair_takes_it_off(self) -> None:
        self.visit(20, ("cap.herm.uf", "49.0"))
        self.assertEqual(len(self.watch()["units"]), 1)
        self.caller.send("POST", f"/units/{self.mine.unit.id}/parts", {"id": fresh(), "part": "run capacitor, HERM"})
        self.visit(0, ("cap.herm.uf", "55.1"))
        self.assertEqual(self.watch()["units"], [])
        self.assertEqual(UnitStanding.objects.of(self.mine.company).count(), 1)

    def test_another_company_sees_none_of_it(self) -> None:
        self.visit(1, ("cap.herm.uf", "49.0"))
        other = Fixture("Other").client().send("GET", "/fleet/watch").json()
        self.assertEqual((other["units"], other["carry"]), ([], []))

    def test_end_of_next_month(self) -> None:
        today = date(2027, 1, 31)
        self.assertEqual(str(end_of_next_month(today)), "2027-02-28")


class Finding(Recorded):
    def setUp(self) -> None:
        super().setUp()
        for site, label, serial in (("Weir Cottage 12", "rear pad", "KX-204418"), ("Cooper Street 7", "roof", "AB-1")):
            place = Site.objects.of(self.mine.company).create(company=self.mine.company, name=site, address="Hill County")
            unit = Unit(company=self.mine.company, site=place, label=label, serial=serial, plate=PLATE)
            unit.find_text = find_text_of(unit)
            unit.save()

    def sites(self, words: str) -> list[str]:
        got = self.caller.send("GET", f"/fleet/find?q={words}")
        self.assertEqual(got.status_code, 200, got.content)
        return [one["site"] for one in got.json()["units"]]

    def test_by_words_beginnings_serials_and_misspelt(self) -> None:
        for words in ("weir", "wei cot", "KX-204418", "204418", "weer cottage", "weir cotage"):
            self.assertIn("Weir Cottage 12", self.sites(words), words)
        self.assertEqual(self.sites("weir")[0], "Weir Cottage 12")
        for words in ("", "x", "%", "'", "a & | ! b", "zzzzqqqq"):
            self.assertEqual(
                self.sites(words.replace("&", "%26").replace("%", "%25") if words == "%" else words.replace("&", "%26")), [], words
            )

    def test_visits_by_complaint_and_day(self) -> None:
        opened = self.caller.do(f"/visits/{uuid4()}", "open", {"unit": str(self.mine.unit.id), "complaint": "iced-over"})
        self.assertEqual(opened.status_code, 200, opened.body)
        got = self.caller.send("GET", "/fleet/find?q=iced").json()
        self.assertEqual([one["complaint"] for one in got["visits"]], ["iced-over"])
        self.assertEqual(Fixture("Nosy").client().send("GET", "/fleet/find?q=iced").json(), {"units": [], "visits": []})

    def test_visits_by_their_day_however_it_is_typed(self) -> None:
        visit = self.visit(0, finish=False)
        visit.scheduled_for = datetime(2027, 1, 14, 12, tzinfo=UTC)
        visit.find_text = find_text_of_visit(visit, "Wren Hartle")
        visit.save()
        for words in ("2027-01-14", "2027-01", "01/14/2027", "jan 2027", "January 14 2027", "wren 2027", "2027"):
            with self.subTest(words):
                got = self.caller.send("GET", f"/fleet/find?q={words}").json()
                self.assertEqual([one["id"] for one in got["visits"]], [str(visit.id)])
        for words in ("2027-02", "2027-01-15", "feb 2027"):
            with self.subTest(words):
                self.assertEqual(self.caller.send("GET", f"/fleet/find?q={words}").json()["visits"], [])

    def test_both_ways_have_an_index(self) -> None:
        with connection.cursor() as cursor:
            cursor.execute("SELECT indexdef FROM pg_indexes WHERE tablename IN ('fleet_unit', 'visits_visit')")
            said = " ".join(row[0] for row in cursor.fetchall())
        self.assertEqual(said.count("gin_trgm_ops"), 1)  # likeness is asked of units alone
        self.assertEqual(said.count("fastupdate=off"), 3)
        self.assertEqual(said.count("to_tsvector"), 2)


@override_settings(WORK_AT_ONCE=True)
class Experience(TestCase):
    def proved(self, name: str, **company: Any) -> tuple[Fixture, Caller]:
        """A company whose one finished visit proved a weak capacitor."""
        mine = Fixture(name, {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440}}, **company)
        caller, visit = mine.client(), f"/visits/{mine.visit.id}"
        self.assertEqual(caller.send("GET", "/fleet/experience").json(), [])
        caller.read(mine.visit, "cap.herm.uf", "15.0")
        caller.read(mine.visit, "cap.fan.uf", "7.5")
        part = {"part": "run capacitor", "uf": 55, "fan_uf": 7.5, "vac": 440}
        put_in = caller.do(visit, "part", {"id": fresh(), "repair": part, "in_hand": {"herm": "55.1", "fan": "7.6"}})
        self.assertEqual(put_in.status_code, 200, put_in.body)
        caller.do(visit, "finish", {"id": fresh(), "reason": "done"})
        return mine, caller

    def next_visit(self, mine: Fixture, caller: Caller) -> dict[str, Any]:
        """What the company's next visit is opened with, as a device has it."""
        opened = fresh()
        did = caller.do(f"/visits/{opened}", "open", {"unit": str(mine.unit.id), "complaint": "hums-no-start"})
        self.assertEqual(did.status_code, 200, did.body)
        known: dict[str, Any] = caller.send("GET", f"/visits/{opened}").json()["record"]["known"]
        return known

    def test_it_weighs_in_where_a_lead_lets_it_as_it_stood_at_the_opening(self) -> None:
        mine, caller = self.proved("Weighs", rules={"experience": "own"})
        weak = [{"complaint": "maintenance", "fault": "herm weak", "visits": 1}]
        self.assertEqual(self.next_visit(mine, caller)["experience"], weak)
        self.assertEqual(caller.send("GET", "/kit").json()["known"]["experience"], weak)

    def test_it_weighs_in_nowhere_else(self) -> None:
        mine, caller = self.proved("Table")
        self.assertFalse(self.next_visit(mine, caller).get("experience"))

    def test_a_proved_repair_counts_and_an_unproved_one_does_not(self) -> None:
        _, caller = self.proved("Experience")
        told = caller.send("GET", "/fleet/experience").json()
        self.assertEqual(
            [(one["complaint"], one["visits"], [cause["count"] for cause in one["causes"]]) for one in told], [("maintenance", 1, [1])]
        )
        self.assertIn("weak", told[0]["causes"][0]["says"])
        self.assertEqual(Fixture("Nosy").client().send("GET", "/fleet/experience").json(), [])
