"""Units out of use, units entered twice, places by two names: nothing that was read is lost, and old ids and stickers lead to it."""

from typing import Any

from django.test import TestCase

from fleet.models import Site, Unit
from ledger.models import EventRow
from outer_test.ledger import Kind
from testing.fixtures import Fixture, events, fresh
from visits.models import Visit

PLATE = {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}}


class InOrder(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Order", PLATE)
        self.lead, self.tech = self.mine.client(self.mine.lead), self.mine.client()
        self.first = self.mine.unit
        self.second = self.add("Order Street One", "pad again", "S-1b")

    def add(self, site: str, label: str, serial: str = "") -> Unit:
        body = {"id": fresh(), "site": site, "address": "somewhere else", "label": label, "serial": serial}
        uuid = self.tech.do("/units/" + fresh(), "unit", body).json()["id"]
        unit: Unit = Unit.objects.of(self.mine.company).get(pk=uuid)
        return unit

    def open(self, unit: Unit) -> Visit:
        uuid = fresh()
        self.tech.do(f"/visits/{uuid}", "open", {"id": uuid, "unit": str(unit.pk), "complaint": "maintenance"})
        row: Visit = Visit.objects.of(self.mine.company).get(pk=uuid)
        return row

    def finished(self, unit: Unit, value: str) -> Visit:
        row = self.open(unit)
        self.tech.read(row, "cap.herm.uf", value)
        self.tech.do(f"/visits/{row.pk}", "finish", {"id": fresh(), "reason": "for the test"})
        return row

    def act(self, unit: Unit, what: str, body: Any = None, status: int = 200) -> Any:
        got = self.lead.send("POST", f"/units/{unit.pk}/{what}", body)
        self.assertEqual(got.status_code, status, got.content)
        return got.json()

    def file(self, unit: object) -> Any:
        return self.tech.send("GET", f"/units/{unit}").json()

    def test_out_of_use_it_is_on_no_list_and_keeps_its_file(self) -> None:
        Unit.objects.of(self.mine.company).filter(pk=self.second.pk).update(plate=PLATE)
        self.finished(self.second, "40.0")
        self.assertEqual(len(self.tech.send("GET", "/fleet/watch").json()["carry"]), 1)
        self.act(self.first, "archive", {"why": "taken down"}, status=422)  # it has an open visit
        self.act(self.second, "archive", {"why": " "}, status=422)
        self.assertEqual(self.act(self.second, "archive", {"why": "taken down"})["archived"], "taken down")
        self.assertNotIn(str(self.second.pk), self.tech.send("GET", "/today").content.decode())
        self.assertEqual(self.tech.send("GET", "/fleet/watch").json()["units"], [])
        self.assertEqual(self.tech.send("GET", "/fleet/watch").json()["carry"], [])
        found = self.tech.send("GET", "/fleet/find?q=again").json()["units"]
        self.assertEqual([(one["id"], one["archived"]) for one in found], [(str(self.second.pk), True)])
        self.assertEqual(len(self.file(self.second.pk)["visits"]), 1)
        self.assertEqual(self.act(self.second, "back")["archived"], "")
        self.assertEqual(len(self.tech.send("GET", "/fleet/watch").json()["units"]), 1)
        self.assertEqual([one.body.get("why", "") for one in events(self.mine.company, Kind.ARCHIVED)], ["taken down", ""])

    def test_a_visit_opened_there_puts_it_in_use_again(self) -> None:
        self.act(self.second, "archive", {"why": "sold"})
        self.open(self.second)
        self.assertEqual(self.file(self.second.pk)["archived"], "")

    def test_entered_twice_it_is_one_again(self) -> None:
        self.finished(self.second, "54.0")
        waiting = self.open(self.second)
        self.tech.send("POST", f"/units/{self.second.pk}/parts", {"id": fresh(), "part": "contactor", "note": "burnt"})
        self.tech.send("PUT", f"/units/{self.second.pk}/notes", {"notes": "gate code 12", "version": 0})
        old = EventRow.objects.of(self.mine.company).filter(unit=self.second.pk).count()
        merged = self.act(self.second, "merge", {"into": str(self.first.pk)})
        self.assertEqual((merged["id"], len(merged["visits"]), merged["parts"][0]["note"]), (str(self.first.pk), 3, "burnt"))
        self.assertEqual([one["notes"] for one in merged["notes_before"]], ["gate code 12"])
        self.assertEqual([one["told"]["value"] for one in merged["points"][0]["readings"]], ["54.0"])
        self.assertEqual(merged["plate"]["run_capacitor"]["herm_uf"], 55)
        self.assertEqual(self.file(self.second.pk)["id"], str(self.first.pk), "the old id leads there")
        self.assertEqual(self.tech.send("GET", f"/units/by-tag/{self.second.tag}").json()["id"], str(self.first.pk), "and the old sticker")
        self.assertEqual(self.tech.send("GET", "/fleet/find?q=again").json()["units"], [])
        self.assertEqual(EventRow.objects.of(self.mine.company).filter(unit=self.second.pk).count(), old, "what was written stays")
        self.assertEqual(self.tech.read(waiting, "cap.herm.uf", "53.9").status_code, 200)
        self.open(self.second)  # a device that does not know yet
        self.assertEqual(len(self.file(self.first.pk)["visits"]), 4)
        third = self.add("Order Street 1", "third")
        self.act(third, "merge", {"into": str(self.second.pk)})
        self.assertEqual(self.file(third.pk)["id"], str(self.first.pk), "through the one before")
        self.act(self.first, "merge", {"into": str(third.pk)}, status=422)

    def test_a_serial_that_is_taken_over_is_written(self) -> None:
        bare = self.add("Order Street 1", "without a label")
        self.assertEqual(self.act(self.second, "merge", {"into": str(bare.pk)})["serial"], "S-1b")
        called = [one.body.get("serial", "") for one in events(self.mine.company, Kind.UNIT) if one.unit == bare.pk]
        self.assertEqual(called, ["", "S-1b"])

    def test_a_place_by_two_names_is_one(self) -> None:
        neighbour = self.add("Order Street One", "east pad")
        self.finished(neighbour, "54.0")
        moved = self.act(self.second, "merge-place", {"into": str(self.first.pk)})
        self.assertEqual((moved["site"], moved["label"], moved["serial"]), ("Order Street 1", "pad again", "S-1b"))
        self.assertEqual(self.file(neighbour.pk)["site"], "Order Street 1")
        self.assertEqual(Unit.objects.of(self.mine.company).values("site").distinct().count(), 1)
        self.assertEqual(self.tech.send("GET", "/fleet/find?q=else").json()["units"], [])
        self.act(self.second, "merge-place", {"into": str(self.first.pk)}, status=422)
        self.assertEqual(Site.objects.of(self.mine.company).count(), 2)

    def test_leads_only_and_nobody_elses(self) -> None:
        other = Fixture("Elsewhere")
        for what, body in (
            ("archive", {"why": "x"}),
            ("back", None),
            ("merge", {"into": str(self.first.pk)}),
            ("merge-place", {"into": str(self.first.pk)}),
        ):
            self.assertEqual(self.tech.send("POST", f"/units/{self.second.pk}/{what}", body).status_code, 403)
            self.assertEqual(other.client(other.lead).send("POST", f"/units/{self.second.pk}/{what}", body).status_code, 404)
        for what in ("merge", "merge-place"):
            self.act(self.second, what, {"into": str(other.unit.pk)}, status=404)
