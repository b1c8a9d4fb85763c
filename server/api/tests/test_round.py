"""What an answer to a write says again, and what it leaves out for a page that has it."""

from typing import Any

from django.test import TestCase

from testing.fixtures import Caller, Fixture, fresh

PLATE: dict[str, Any] = {"run_capacitor": {"herm_uf": 40, "fan_uf": 5, "vac": 440, "tolerance_pct": 6}}


class KnownPlan(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture(plate=PLATE)
        self.caller = self.mine.client()
        self.visit = f"/visits/{self.mine.visit.id}"

    def whole(self) -> Any:
        return self.caller.send("GET", self.visit).json()["round"]

    def knowing(self, plan: str) -> Caller:
        caller = self.mine.client()
        caller.defaults["HTTP_KNOWN_PLAN"] = plan
        return caller

    def test_the_stations_are_there_unless_their_plan_is_named(self) -> None:
        plan = self.whole()["plan"]
        for named, there in (("", True), ("of another visit", True), (plan, False)):
            with self.subTest(named):
                got = self.knowing(named).read(self.mine.visit, "cap.herm.uf", "39.9").json()
                self.assertEqual(got["stations"] is not None, there)
                self.assertEqual(got["plan"], plan)

    def test_every_write_honours_it(self) -> None:
        caller = self.knowing(self.whole()["plan"])
        line = {"id": fresh(), "what": "panel"}
        writes = (
            ("POST", "/line", {"id": fresh(), "text": "herm 39.9"}),
            ("POST", "/power", {"id": fresh(), "state": "dead-claimed"}),
            ("POST", "/lifted", line),
            ("POST", f"/lifted/{line['id']}/end", {"id": fresh(), "how": "back"}),
            ("PUT", "/conditions", {"outdoor_f": 41}),
            ("POST", "/rejudge", {"id": fresh()}),
            ("POST", "/finish", {"reason": "left open"}),
        )
        for method, path, body in writes:
            with self.subTest(path):
                got = caller.send(method, f"{self.visit}{path}", body)
                self.assertEqual(got.status_code, 200, got.content)
                self.assertIsNone(got.json().get("round", got.json())["stations"])

    def test_a_bad_section_makes_another_plan_and_a_mended_one_the_first_again(self) -> None:
        plan = self.whole()["plan"]
        caller = self.knowing(plan)
        bad = caller.read(self.mine.visit, "cap.herm.uf", "30.0").json()
        self.assertNotEqual(bad["plan"], plan)
        self.assertIn("cap.new_herm.uf", [step["point"] for station in bad["stations"] for step in station["steps"]])
        good = caller.read(self.mine.visit, "cap.herm.uf", "39.9").json()
        self.assertEqual((good["plan"], good["stations"]), (plan, None))

    def test_a_plate_read_elsewhere_brings_its_stations(self) -> None:
        caller = self.knowing(self.whole()["plan"])
        self.mine.unit.plate = PLATE | {"defrost": {"control": "demand"}}
        self.mine.unit.save()
        got = caller.read(self.mine.visit, "cap.herm.uf", "39.9").json()
        self.assertIn("defrost", [station["name"] for station in got["stations"]])

    def test_what_is_caught_changes_with_the_power_and_not_with_the_plan(self) -> None:
        plan = self.whole()["plan"]
        said = {}
        for state in ("dead-claimed", "live"):
            got = self.knowing(plan).send("POST", f"{self.visit}/power", {"id": fresh(), "state": state}).json()
            self.assertIsNone(got["stations"])
            said[state] = got["caught"]
        self.assertIn("only said to be dead", said["dead-claimed"]["dead"])
        self.assertIn("is live", said["live"]["dead"])
        self.assertEqual([set(one) for one in said.values()], [{"dead"}, {"dead"}])
