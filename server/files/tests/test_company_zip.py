"""A company's zip, changed by hand as a stranger or a slip would: refused in words that name the place, and nothing is written."""

import hashlib
import io
import json
import zipfile
from collections.abc import Callable
from typing import Any
from uuid import uuid4

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import TestCase, override_settings
from PIL import Image

from fleet.models import Site, Unit
from fleet.parts import parts_of
from outer_test.ledger import Kind
from setup.demo import empty_company
from testing.fixtures import Fixture, events, fresh, own_files
from testing.made import take_in, zipped
from visits.models import Photo, Visit

Change = Callable[[Any], None]


def again(content: bytes, changes: dict[str, Change | bytes | None]) -> bytes:
    """The zip with some of its files changed (JSON by a function, others by new content, or left out), its manifest mended to fit."""
    with zipfile.ZipFile(io.BytesIO(content)) as archive:
        files = {name: archive.read(name) for name in archive.namelist()}
    for wanted, change in changes.items():
        name = next(file for file in files if file == wanted or file.endswith(wanted))
        if change is None:
            del files[name]
        elif isinstance(change, bytes):
            files[name] = change
        else:
            value = json.loads(files[name])
            change(value)
            files[name] = json.dumps(value).encode()
    heading = json.loads(files.pop("manifest.json"))
    heading["files"] = [{"name": name, "bytes": len(one), "sha256": hashlib.sha256(one).hexdigest()} for name, one in files.items()]
    into = io.BytesIO()
    with zipfile.ZipFile(into, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, one in files.items():
            archive.writestr(name, one)
        archive.writestr("manifest.json", json.dumps(heading))
    return into.getvalue()


@override_settings(WORK_AT_ONCE=True)
class ChangedByHand(TestCase):
    def setUp(self) -> None:
        self.folder = own_files(self)
        self.mine = Fixture("Zip", {"run_capacitor": {"herm_uf": 55, "vac": 440}})
        self.caller, self.lead = self.mine.client(), self.mine.client(self.mine.lead)
        self.caller.read(self.mine.visit, "cap.herm.uf", "49.0")
        self.caller.do(f"/visits/{self.mine.visit.id}", "finish", {"id": fresh(), "reason": "for the zip"})
        self.caller.send("POST", f"/units/{self.mine.unit.id}/parts", {"id": fresh(), "part": "contactor", "note": "burnt"})
        self.photo(part=str(events(self.mine.company, Kind.FITTED)[0].uuid))
        self.before = set(self.folder.rglob("*.jpg"))
        self.whole = zipped(self.lead)

    def photo(self, **of: str) -> Any:
        from_camera = io.BytesIO()
        Image.new("RGB", (64, 48), "#a4491b").save(from_camera, "JPEG")
        file = SimpleUploadedFile("p.jpg", from_camera.getvalue())
        return self.caller.post(
            f"/api/v1/files/units/{self.mine.unit.id}/photos", {"id": fresh(), "photo": file, "about": "contactor"} | of
        )

    def take_in(self, content: bytes) -> dict[str, Any]:
        return take_in(self.lead, content)

    def refused(self, said: str, changes: dict[str, Change | bytes | None]) -> None:
        got = self.take_in(again(self.whole, changes))
        self.assertEqual(got["state"], "failed", got)
        self.assertIn(said, got["problem"])
        self.assertEqual(Unit.objects.of(self.mine.company).count() + Visit.objects.of(self.mine.company).count(), 0)
        self.assertEqual(Site.objects.of(self.mine.company).count(), 0)
        self.assertEqual(set(self.folder.rglob("*.jpg")), self.before, "no photo is left behind")

    def test_each_slip_is_named_and_leaves_nothing(self) -> None:
        empty_company(self.mine.company)
        visit = f"visits/{self.mine.visit.id}.json"
        changes: list[tuple[str, dict[str, Change | bytes | None]]] = [
            ("company.json", {"company.json": lambda it: it.update(rules={"capacitor_limit": "seven"})}),
            ("company.json", {"company.json": b"not json"}),
            ("units.json", {"units.json": b"{}"}),
            ("units.json", {"units.json": lambda it: it[0].update(plate={"mca": -4})}),
            ("Use 1 to 80 characters", {"units.json": lambda it: it[0].update(label="x" * 81)}),
            ("parts.json", {"parts.json": lambda it: it[0].update(part="flux part")}),
            ("parts.json", {"parts.json": lambda it: it[0].update(unit=str(uuid4()))}),
            ("cannot be read", {"parts.json": None}),
            (visit, {visit: b'{"format": "outer-test-visit", "version": 1, "nose": 1}'}),
            (visit, {visit: lambda it: it["readings"][0].update(value="fifty")}),
            ("names a unit that does not exist", {".about.json": lambda it: it.update(unit=str(uuid4()))}),
            ("cannot be read", {f"{self.mine.visit.id}.about.json": None}),
            ("not a JPEG, PNG or WebP", {".jpg": b"no picture"}),
            ("company.json", {"company.json": lambda it: it.update(meters={"blue": {"accuracy": {"volts": {"pct": 1}}}})}),
            ("company.json", {"company.json": lambda it: it.update(meters={"blue": {"accuracy": 3}})}),
            ("company.json", {"company.json": lambda it: it.update(meters={"blue": "good"})}),
            ("company.json", {"company.json": lambda it: it.update(meters={"x" * 41: {}})}),
            ("company.json", {"company.json": lambda it: it.update(boards={"bare": {}})}),
            ("company.json", {"company.json": lambda it: it.update(letterhead="x" * 2001)}),
            ("units.json", {"units.json": lambda it: it[0].update(notes="x" * 4001)}),
            ("is not JSON", {"units.json": b'[{"label": "\\u0000"}]'}),
        ]
        for said, change in changes:
            with self.subTest(said, names=list(change)):
                self.refused(said, change)
        self.assertEqual(self.take_in(self.whole)["state"], "done", "and the untouched one still goes in")

    def test_nothing_of_others_is_learnt_by_a_zip(self) -> None:
        """Whether or not this server has had it, what comes of it is the same; and each company has its own."""
        other = Fixture("Other")
        tag, unit, visit = self.mine.unit.tag, self.mine.unit.pk, self.mine.visit.pk
        empty_company(other.company)
        self.assertEqual(take_in(other.client(other.lead), self.whole)["state"], "done")
        empty_company(self.mine.company)
        self.assertEqual(self.take_in(self.whole)["state"], "done")
        for company in (self.mine.company, other.company):
            self.assertEqual(Unit.objects.of(company).get().tag, tag, "its stickers go on working")
            self.assertNotIn(unit, Unit.objects.of(company).values_list("id", flat=True))
            self.assertNotIn(visit, Visit.objects.of(company).values_list("id", flat=True))
            self.assertEqual(Photo.objects.of(company).count(), 1)

    def test_a_photo_of_a_part_comes_back_with_its_part(self) -> None:
        before = Photo.objects.of(self.mine.company).get()
        empty_company(self.mine.company)
        self.assertEqual(self.take_in(self.whole)["taken"]["photos"], 1)
        photo = Photo.objects.of(self.mine.company).get()
        self.assertEqual((photo.uuid, photo.part), (before.uuid, before.part))
        self.assertEqual([(one.id, one.note) for one in parts_of(self.mine.company, photo.unit)], [(photo.part, "burnt")])

    def test_a_photo_names_a_part_of_its_own_unit(self) -> None:
        second: Any = Unit.objects.of(self.mine.company).create(company=self.mine.company, site=self.mine.site, label="roof")
        stray = fresh()
        self.caller.send("POST", f"/units/{second.id}/parts", {"id": stray, "part": "contactor"})
        got = self.photo(part=stray)
        self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, "part"))
