"""What an answer to a write says again, and what it leaves out for a page that has it."""

from typing import Any

from django.test import TestCase

from testing.fixtures import Fixture, fresh

PLATE: dict[str, Any] = {"run_capacitor": {"herm_uf": 40, "fan_uf": 5, "vac": 440, "tolerance_pct": 6}}


class Plan(TestCase):
    """Every write answers with the round as it then stands: its stations, and what is caught by the power."""

    def setUp(self) -> None:
        self.mine = Fixture(plate=PLATE)
        self.caller = self.mine.client()
        self.visit = f"/visits/{self.mine.visit.id}"

    def whole(self) -> Any:
        return self.caller.send("GET", self.visit).json()["round"]

    def test_a_bad_section_asks_for_its_new_part_and_a_mended_one_no_more(self) -> None:
        plan = self.whole()["stations"]
        bad = self.caller.read(self.mine.visit, "cap.herm.uf", "30.0").json()
        self.assertIn("cap.new_herm.uf", [step["point"] for station in bad["stations"] for step in station["steps"]])
        good = self.caller.read(self.mine.visit, "cap.herm.uf", "39.9").json()
        self.assertEqual(good["stations"], plan)

    def test_a_plate_read_elsewhere_brings_its_stations(self) -> None:
        self.mine.unit.plate = PLATE | {"defrost": {"control": "demand"}}
        self.mine.unit.save()
        got = self.caller.read(self.mine.visit, "cap.herm.uf", "39.9").json()
        self.assertIn("defrost", [station["name"] for station in got["stations"]])

    def test_what_is_caught_changes_with_the_power_and_not_with_the_plan(self) -> None:
        plan, said = self.whole()["stations"], {}
        for state in ("dead-claimed", "live"):
            got = self.caller.do(self.visit, "power", {"id": fresh(), "state": state}).json()
            self.assertEqual(got["stations"], plan)
            said[state] = got["caught"]
        self.assertIn("only said to be dead", said["dead-claimed"]["dead"])
        self.assertIn("is live", said["live"]["dead"])
        self.assertEqual([set(one) for one in said.values()], [{"dead"}, {"dead"}])
