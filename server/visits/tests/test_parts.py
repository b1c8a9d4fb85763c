"""A part put in on a visit: from then on its readings are the new part's, on the round, the sheet and the unit's record."""

from typing import Any

from django.test import TestCase

from testing.fixtures import Fixture, fresh

PLATE = {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}, "compressor": {"rla": 17.9, "lra": 96}}
DUAL = {"part": "run capacitor", "section": "both", "uf": 55, "fan_uf": 7.5, "vac": 440, "old_goes": "customer"}


class Parts(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Parts", plate=PLATE)
        self.caller = self.mine.client()
        self.visit = f"/visits/{self.mine.visit.id}"
        self.caller.read(self.mine.visit, "cap.herm.uf", "39.9")

    def put_in(self, repair: dict[str, Any], part_id: str | None = None, **in_hand: str) -> Any:
        return self.caller.do(self.visit, "part", {"id": part_id or fresh(), "repair": repair, "in_hand": in_hand})

    def parts_on_file(self) -> list[str]:
        return [one["part"] for one in self.caller.send("GET", f"/units/{self.mine.unit.id}").json()["parts"]]

    def test_both_sections_at_once_with_what_they_measured(self) -> None:
        got = self.put_in(DUAL, herm="55.3", fan="7,4 uF").json()
        self.assertEqual([one["repair"]["part"] for one in got["parts"]], ["run capacitor"])
        told = {one["point"]: one["verdict"] for one in got["assessment"]["findings"]}
        self.assertEqual((told["cap.new_herm.uf"], told["cap.new_fan.uf"]), ("good", "good"))
        self.assertNotIn("cap.herm.uf", told, "the old part's reading is history")
        self.assertEqual((got["assessment"]["as_found"], got["assessment"]["as_left"]), ("bad", "good"))
        self.assertEqual(got["diagnosis"]["accused"], [])
        self.assertEqual(sorted(self.parts_on_file()), ["run capacitor, FAN", "run capacitor, HERM"])

    def test_sent_twice_it_is_put_in_once(self) -> None:
        same = fresh()
        for _ in range(2):
            got = self.put_in(DUAL, same, herm="55.3").json()
        self.assertEqual(len(got["parts"]), 1)
        self.assertEqual(len(self.parts_on_file()), 2)
        self.assertEqual(sum(1 for one in got["entries"] if one["point"] == "cap.new_herm.uf"), 1)

    def test_what_cannot_be_is_told_at_its_field(self) -> None:
        for repair, in_hand, field in (
            (DUAL, {"herm": "fifty"}, "in_hand.herm"), ({**DUAL, "uf": -1}, {}, "uf"), ({**DUAL, "part": "flux coil"}, {}, "part"),
            ({**DUAL, "note": "x" * 201}, {}, "note"),
        ):  # fmt: skip
            with self.subTest(field):
                got = self.put_in(repair, **in_hand)
                self.assertEqual(got.status_code, 422, got.body)
                self.assertIn(field, got.json()["errors"][0]["field"])
        self.assertEqual((self.parts_on_file(), self.caller.send("GET", self.visit).json()["round"]["parts"]), ([], []))

    def test_taken_off_the_record_the_old_readings_stand_again(self) -> None:
        part = fresh()
        self.put_in({"part": "contactor"}, part)
        for _ in range(2):
            got = self.caller.do(self.visit, "part-undo", {"part": part, "id": fresh()}).json()
        self.assertEqual((got["parts"], self.parts_on_file()), ([], []))
        self.assertEqual(self.caller.do(self.visit, "part-undo", {"part": fresh(), "id": fresh()}).status_code, 422)

    def test_the_sheet_says_what_was_put_in(self) -> None:
        self.put_in(DUAL, herm="55.3", fan="7.5")
        page = self.caller.send("GET", f"{self.visit}/report").content.decode()
        self.assertIn("New part put in: run capacitor.", page)
        self.assertNotIn("It needs work", page)

    def test_another_company_cannot(self) -> None:
        other = Fixture("Elsewhere").client()
        self.assertEqual(other.do(self.visit, "part", {"id": fresh(), "repair": DUAL}).status_code, 404)

    def test_repaired_and_proved_it_leaves_the_watch_list_and_the_trend_begins_anew(self) -> None:
        watched = self.caller.send("GET", "/fleet/watch").json
        self.put_in(DUAL, herm="55.3", fan="7.5")
        self.assertEqual(self.caller.do(self.visit, "finish", {"id": fresh(), "reason": "storm"}).status_code, 200)
        self.assertEqual(watched()["carry"], [])
        self.assertNotIn("cap.herm.uf", [one["point"] for unit in watched()["units"] for one in unit["watched"]])
        points = {one["point"]: one for one in self.caller.send("GET", f"/units/{self.mine.unit.id}").json()["points"]}
        self.assertEqual([(one["told"]["value"], one["line"]) for one in points["cap.herm.uf"]["readings"]], [("39.9", 0), ("55.3", 1)])

    def test_left_as_it_was_found_it_is_on_the_list_and_the_van_carries_one(self) -> None:
        self.assertEqual(self.caller.do(self.visit, "finish", {"id": fresh(), "reason": "storm"}).status_code, 200)
        found = self.caller.send("GET", "/fleet/watch").json()
        self.assertEqual([one["point"] for unit in found["units"] for one in unit["watched"]], ["cap.herm.uf"])
        self.assertEqual(sum(one["count"] for one in found["carry"]), 1)
