"""Board profiles that a lead edits, and the arithmetic that needs no visit."""

from django.test import TestCase

from outer_test.nameplate import SHIPPED
from testing.fixtures import Fixture

OWN = {"control": "demand", "limit_min": 12, "lights": [{"flashes": 2, "meaning": "Coil sensor", "colour": "red"}]}


class Boards(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Boards")
        self.lead, self.technician = self.mine.client(self.mine.lead), self.mine.client()

    def names(self) -> dict[str, bool]:
        return {one["name"]: one["shipped"] for one in self.technician.send("GET", "/company/boards").json()["boards"]}

    def test_generic_ones_ship(self) -> None:
        self.assertEqual(self.names(), dict.fromkeys(sorted(SHIPPED), True))

    def test_a_lead_adds_changes_and_takes_off(self) -> None:
        self.assertEqual(self.lead.send("PUT", "/company/boards", {"name": "Hill board", "defrost": OWN, "version": 0}).status_code, 200)
        self.assertFalse(self.names()["Hill board"])
        changed = self.lead.send("PUT", "/company/boards", {"name": "demand, plain", "defrost": OWN, "version": 0}).json()
        self.assertEqual([one["defrost"]["limit_min"] for one in changed["boards"] if one["name"] == "demand, plain"], [12])
        self.assertFalse(self.names()["demand, plain"])
        self.assertEqual(self.lead.send("DELETE", "/company/boards/demand, plain?version=1").status_code, 200)
        self.assertTrue(self.names()["demand, plain"])
        self.assertEqual(self.lead.send("DELETE", "/company/boards/demand, plain?version=2").status_code, 422)

    def test_technicians_read_only(self) -> None:
        self.assertEqual(self.technician.send("PUT", "/company/boards", {"name": "x", "defrost": OWN, "version": 0}).status_code, 403)
        self.assertEqual(self.technician.send("DELETE", "/company/boards/x?version=0").status_code, 403)

    def test_nonsense_is_refused_at_its_field(self) -> None:
        for name, defrost, field in (("", OWN, "name"), ("x", {}, "control"), ("x", OWN | {"closes_f": 60, "opens_f": 50}, "closes_f")):
            got = self.lead.send("PUT", "/company/boards", {"name": name, "defrost": defrost, "version": 0})
            self.assertEqual(got.status_code, 422)
            self.assertIn(field, got.json()["errors"][0]["field"])


class Advice(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Advice")
        self.caller = self.mine.client()

    def test_switch_mark(self) -> None:
        got = self.caller.send("GET", "/advice/switch-mark?mark=L55-25")
        self.assertEqual([(one["closes_f"], one["opens_f"], one["plausible"]) for one in got.json()], [(30, 55, True), (55, 80, False)])
        wrong = self.caller.send("GET", "/advice/switch-mark?mark=hello")
        self.assertEqual((wrong.status_code, wrong.json()["errors"][0]["field"]), (422, "mark"))

    def test_interval(self) -> None:
        use = {"bins": [{"outdoor_f": 30, "hours": 100}], "minutes_each": 6, "aux_kw": 10, "price_kwh": 0.2}
        ask = {"climate": "all-electric", "set_minutes": 45, "use": use, "hours_between": 1.5, "hours_most": 12}
        got = self.caller.send("POST", "/advice/interval", ask).json()
        self.assertEqual((got["advice"]["minutes"], got["frosting_hours"], got["credit"]), (60, 100, 1.03))
        self.assertEqual([one["minutes"] for one in got["costs"]], [30, 45, 60, 90, 120])
        self.assertAlmostEqual(next(one for one in got["costs"] if one["minutes"] == 60)["cost_a_season"], 20)
        self.mine.company.rules = {"interval": "ninety"}
        self.mine.company.save()
        self.assertEqual(self.caller.send("POST", "/advice/interval", ask).json()["advice"]["minutes"], 90)
        for wrong, field in (({"climate": "wet"}, "climate"), ({"climate": "all-electric", "use": {"run_share": 3}}, "run_share")):
            refused = self.caller.send("POST", "/advice/interval", wrong)
            self.assertEqual(refused.status_code, 422)
            self.assertIn(field, refused.json()["errors"][0]["field"])
