"""A technician's van: counted by hand, counted down by what is put in, offered where it fits, one's own alone."""

from typing import Any

from django.test import TestCase

from accounts.models import Member
from testing.fixtures import Fixture, finding, fresh

DUAL = {"uf": 40, "fan_uf": 5, "vac": 440, "duty": "run", "count": 2}
SINGLE = {"uf": 5, "fan_uf": None, "vac": 440, "duty": "run", "count": 1}


class Van(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Van")
        self.caller, self.path = self.mine.client(), f"/visits/{self.mine.visit.id}"

    def stock(self, *parts: dict[str, Any], version: int = 0, status: int = 200) -> Any:
        got = self.caller.send("PUT", "/van", {"parts": parts, "version": version})
        self.assertEqual(got.status_code, status, got.content)
        return got.json()

    def counts(self) -> list[int]:
        return [part["count"] for part in self.caller.send("GET", "/van").json()["parts"]]

    def put_in(self, **repair: Any) -> str:
        act, uuid = {"part": "run capacitor", "uf": 40, "fan_uf": 5, "vac": 440} | repair, fresh()
        for _ in range(2):  # sent twice it is taken once
            self.assertEqual(self.caller.do(self.path, "part", {"id": uuid, "repair": act}).status_code, 200)
        return uuid

    def test_a_part_put_in_is_off_the_van_and_taken_back_on_it_again(self) -> None:
        self.stock(DUAL, SINGLE)
        part = self.put_in()
        self.assertEqual(self.counts(), [1, 1])
        self.put_in(section="fan", uf=None)
        self.assertEqual(self.counts(), [1, 0])
        for _ in range(2):
            self.assertEqual(self.caller.do(self.path, "part-undo", {"id": fresh(), "part": part}).status_code, 200)
        self.assertEqual(self.counts(), [2, 0])
        for other in ({"vac": 370}, {"part": "contactor"}, {"put_back": True}, {"section": "fan", "uf": None}):
            self.put_in(**other)
        self.assertEqual(self.counts(), [2, 0], "other parts, old ones, and more than there were change nothing")

    def test_what_fits_comes_from_the_technicians_own(self) -> None:
        self.stock(DUAL)
        read = self.caller.read(self.mine.visit, "cap.herm.uf", "30.1").json()
        self.assertEqual([one["parts"] for one in finding(read, "cap.herm.uf")["fits"]], [["40 + 5 µF 440 V"]])
        lead = self.mine.client(self.mine.lead)
        self.assertEqual(lead.send("GET", "/van").json()["parts"], [])
        self.stock(version=1)
        again = self.caller.send("GET", self.path).json()["round"]
        self.assertEqual(finding(again, "cap.herm.uf")["fits"], [])

    def test_two_tabs_and_a_repair_meanwhile_do_not_undo_each_other(self) -> None:
        self.stock(DUAL)
        self.stock(DUAL | {"count": 9}, status=409)
        self.put_in()
        self.stock(DUAL, version=1, status=409)
        self.assertEqual(self.counts(), [1])

    def test_what_cannot_be_is_refused_by_its_field(self) -> None:
        for wrong, field in (({"uf": 0}, "uf"), ({"count": -1}, "count"), ({"vac": 24}, "vac"), ({"duty": "walk"}, "duty")):
            told = self.stock(SINGLE, DUAL | wrong, status=422)["errors"][0]["field"]
            self.assertTrue(told.endswith(field), told)
        self.assertEqual(self.stock(DUAL, DUAL, status=422)["errors"][0]["field"], "parts.1.uf")
        self.assertEqual(Member.objects.get(pk=self.mine.member.pk).van_stock, [])
