"""House rules and meters: leads change them, every version is kept, visits keep what they were judged by."""

from datetime import timedelta
from typing import Any

from django.db import DatabaseError, connection, transaction
from django.test import TestCase
from django.utils import timezone

from outer_test.judgement import SCHOOLS
from outer_test.ledger import Kind
from testing.fixtures import Caller, Fixture, events, finding, fresh
from visits.baseline import unit_baseline
from visits.models import Visit

RULES = {choice: next(iter(schools)) for choice, schools in SCHOOLS.items()}


class HouseRules(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("First")
        self.lead, self.tech = self.mine.client(self.mine.lead), self.mine.client()

    def change(self, caller: Caller, note: str = "", **choices: str) -> Any:
        version = self.tech.get("/api/v1/company/rules").json()["version"]
        return caller.send("PUT", "/company/rules", {"id": fresh(), "rules": RULES | choices, "note": note, "version": version})

    def test_every_choice_shows_its_example_under_each_school(self) -> None:
        shown = self.tech.get("/api/v1/company/rules").json()
        self.assertEqual(
            {one["choice"]: [school["school"] for school in one["schools"]] for one in shown["choices"]},
            {name: list(words) for name, words in SCHOOLS.items()},
        )
        for choice in shown["choices"]:
            says = [
                (school["finding"] or {}).get("verdict", "") + (school["finding"] or {}).get("why", "") + school["says"]
                for school in choice["schools"]
            ]
            self.assertGreater(len(set(says)), 1, f"{choice['choice']}: the example does not show what the choice changes")

    def test_only_a_lead_changes_them(self) -> None:
        self.assertEqual(self.change(self.tech, capacitor_limit="10").status_code, 403)
        self.assertEqual(self.change(self.lead, capacitor_limit="10").status_code, 200)

    def test_versions_are_kept(self) -> None:
        self.change(self.lead, "too many returns", capacitor_limit="5")
        shown = self.change(self.lead, capacitor_limit="10").json()
        self.assertEqual(
            [(one["rules"]["capacitor_limit"], one["note"]) for one in shown["versions"]], [("10", ""), ("5", "too many returns")]
        )
        with self.assertRaisesMessage(DatabaseError, "append only"), transaction.atomic(), connection.cursor() as cursor:
            cursor.execute("DELETE FROM accounts_houserulesversion")

    def test_nonsense_is_refused_at_its_field(self) -> None:
        got = self.change(self.lead, capacitor_limit="7")
        self.assertEqual(got.status_code, 422)
        self.assertIn("capacitor_limit", got.json()["errors"][0]["field"])

    def test_a_visit_keeps_its_rules_until_it_is_judged_anew(self) -> None:
        self.tech.read(self.mine.visit, "cap.herm.uf", "37.0")
        self.change(self.lead, capacitor_limit="10")
        path = f"/visits/{self.mine.visit.id}"
        shown = self.tech.get(f"/api/v1{path}").json()
        self.assertEqual((finding(shown["round"], "cap.herm.uf")["verdict"], shown["rules_are_current"]), ("bad", False))
        self.assertEqual(self.tech.send("POST", f"{path}/rejudge", {"id": fresh()}).status_code, 200)
        shown = self.tech.get(f"/api/v1{path}").json()
        self.assertEqual((finding(shown["round"], "cap.herm.uf")["verdict"], shown["rules_are_current"]), ("good", True))
        self.assertEqual(len(events(self.mine.company, Kind.RULES)), 1)

    def test_a_finished_visit_is_not_judged_anew(self) -> None:
        self.tech.do(f"/visits/{self.mine.visit.id}", "finish", {"id": fresh(), "reason": ""})
        before = Visit.objects.of(self.mine.company).get().rules
        self.change(self.lead, capacitor_limit="5")
        self.tech.send("POST", f"/visits/{self.mine.visit.id}/rejudge", {"id": fresh()})
        self.assertEqual(Visit.objects.of(self.mine.company).get().rules, before)


class Meters(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("First")
        self.lead, self.tech = self.mine.client(self.mine.lead), self.mine.client()

    def keep(self, caller: Caller, *meters: dict[str, Any]) -> Any:
        return caller.send("PUT", "/company/meters", {"meters": list(meters)})

    def test_kept_with_ranges_and_used_for_the_band(self) -> None:
        ranges = [{"pct": 1, "counts": 0, "top": 100}, {"pct": 10, "counts": 0, "top": 1000}]
        self.assertEqual(self.keep(self.lead, {"name": "clamp", "accuracy": {"uf": ranges}}).status_code, 200)
        got = self.tech.read(self.mine.visit, "cap.herm.uf", "40.0", meter="clamp").json()
        self.assertEqual(finding(got, "cap.herm.uf")["band"], [39.6, 40.4])

    def test_only_a_lead_changes_them(self) -> None:
        self.assertEqual(self.keep(self.tech, {"name": "clamp"}).status_code, 403)

    def test_a_day_that_no_visit_could_hold_is_refused(self) -> None:
        for due in ("1999-12-31", "2100-01-01", "9999-12-31"):
            got = self.keep(self.lead, {"name": "clamp", "due": due})
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, "meters.0.due"), due)

    def test_a_reading_on_an_overdue_meter_says_so(self) -> None:
        due = (timezone.localdate() - timedelta(days=1)).isoformat()
        self.keep(self.lead, {"name": "clamp", "due": due})
        got = self.tech.read(self.mine.visit, "cap.herm.uf", "40.0", meter="clamp").json()
        self.assertIn("calibration was due", finding(got, "cap.herm.uf")["caution"])
        shown = self.tech.get(f"/api/v1/visits/{self.mine.visit.id}").json()
        self.assertEqual(shown["meters"], [{"name": "clamp", "overdue": True}])

    def test_a_meter_left_out_is_retired_and_its_readings_stand(self) -> None:
        self.keep(self.lead, {"name": "clamp", "accuracy": {"uf": [{"pct": 1}]}})
        self.tech.read(self.mine.visit, "cap.herm.uf", "40.0", meter="clamp")
        shown = self.keep(self.lead, {"name": "other"}).json()
        self.assertEqual([(one["name"], one["retired"]) for one in shown["meters"]], [("clamp", True), ("other", False)])
        visit = self.tech.get(f"/api/v1/visits/{self.mine.visit.id}").json()
        self.assertEqual([one["name"] for one in visit["meters"]], ["other"])
        self.assertEqual(finding(visit["round"], "cap.herm.uf")["band"], [39.6, 40.4])

    def test_names_are_held(self) -> None:
        for meters in (({"name": " "},), ({"name": "a"}, {"name": "a "}), ({"name": "x" * 41},)):
            self.assertEqual(self.keep(self.lead, *meters).status_code, 422)
        got = self.keep(self.lead, {"name": "a", "accuracy": {"uf": [{"pct": -1}]}})
        self.assertEqual(got.status_code, 422)


class Tagged(TestCase):
    def setUp(self) -> None:
        plate = {"compressor": {"rla": 17.9, "lra": 96}, "volts": [208, 230], "fan": {"fla": 1.2}}
        self.mine = Fixture("First", plate=plate)
        self.caller = self.mine.client()

    def test_peaks_with_and_without_a_kit_are_two_readings(self) -> None:
        point = "amps.compressor.peak_a"
        self.caller.read(self.mine.visit, "start.result", "started")
        self.caller.read(self.mine.visit, point, "88", by="inrush", fitted="none")
        got = self.caller.read(self.mine.visit, point, "61", by="inrush", fitted="relay").json()
        self.assertEqual([one["stands"] for one in got["entries"] if one["point"] == point], [True, True])
        self.assertIn("kit-effect", {one["rule"] for one in got["assessment"]["findings"]})

    def test_turns_divide_amps_and_nothing_else(self) -> None:
        got = self.caller.read(self.mine.visit, "amps.fan.run_a", "9.0", turns=10).json()
        self.assertEqual(finding(got, "amps.fan.run_a")["value"], 0.9)
        self.assertEqual(self.caller.read(self.mine.visit, "line.l1_l2.v", "238", turns=2).json()["errors"][0]["field"], "turns")

    def test_tags_are_held_to_their_words(self) -> None:
        self.assertEqual(self.caller.read(self.mine.visit, "amps.compressor.peak_a", "88", by="luck").json()["errors"][0]["field"], "by")
        self.assertEqual(self.caller.read(self.mine.visit, "amps.fan.run_a", "0.9", fitted="relay").json()["errors"][0]["field"], "fitted")

    def test_the_line_by_its_station(self) -> None:
        body = {"id": fresh(), "text": "comp 12.4 fan .9 total 13.5 peak 88 inrush bare started .3s", "station": "run"}
        got = self.caller.do(f"/visits/{self.mine.visit.id}", "line", body).json()
        self.assertEqual(got["acknowledged"]["rest"], "")
        self.assertEqual(finding(got, "amps.total.run_a")["verdict"], "good")
        self.assertEqual(finding(got, "amps.compressor.peak_a")["verdict"], "good")

    def test_a_live_reading_while_proved_dead_is_caught(self) -> None:
        self.caller.read(self.mine.visit, "safe.tester_before", "yes")
        for point in ("line", "l1_ground", "l2_ground", "load", "load_l1_ground", "load_l2_ground"):
            self.caller.read(self.mine.visit, f"safe.{point}.v", "0.2")
        got = self.caller.read(self.mine.visit, "safe.tester_after", "yes").json()
        steps = {step["point"]: got["caught"].get(step["power"]) for station in got["stations"] for step in station["steps"]}
        self.assertIn("proved dead", steps["amps.compressor.run_a"])
        self.assertIsNone(steps["winding.c_r.ohm"])
        found = finding(self.caller.read(self.mine.visit, "amps.compressor.run_a", "12.0").json(), "amps.compressor.run_a")
        self.assertEqual((found["rule"], found["verdict"]), ("taken", "unjudged"))
        self.assertIn("while the unit was dead", found["why"])


class Baseline(TestCase):
    def test_the_earliest_finished_visit_with_the_shells_temperature(self) -> None:
        mine = Fixture("First", plate={"compressor": {"rla": 17.9}})
        caller = mine.client()
        for pair, ohm in (("c_r", "0.60"), ("c_s", "1.90"), ("r_s", "2.50")):
            caller.read(mine.visit, f"winding.{pair}.ohm", ohm)
        self.assertEqual(unit_baseline(mine.company, mine.unit), [])
        caller.read(mine.visit, "winding.shell.f", "77")
        caller.do(f"/visits/{mine.visit.id}", "finish", {"id": fresh(), "reason": "storm"})
        opened = fresh()
        caller.do(f"/visits/{opened}", "open", {"unit": str(mine.unit.id), "complaint": "hums-no-start"})
        path = f"/visits/{opened}"
        for pair, ohm in (("c_r", "0.55"), ("c_s", "1.90"), ("r_s", "2.45")):
            caller.do(path, "reading", {"id": fresh(), "point": f"winding.{pair}.ohm", "typed": ohm})
        got = caller.do(path, "reading", {"id": fresh(), "point": "winding.shell.f", "typed": "77"}).json()
        found = [one for one in got["assessment"]["findings"] if one["rule"] == "winding-short"]
        self.assertEqual(
            [(one["point"], one["verdict"]) for one in found],
            [("winding.r_s.ohm", "good"), ("winding.c_r.ohm", "watch"), ("winding.c_s.ohm", "good")],
        )
