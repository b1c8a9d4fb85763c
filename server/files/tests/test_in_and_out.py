"""Files in and out: visit files, CSV, the company's zip, iCalendar (read by the icalendar package), QR codes decoded back, photos."""

import csv
import io
import json
import struct
import zipfile
import zlib
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest.mock import patch
from uuid import uuid4

import segno
import zxingcpp
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db.models import QuerySet
from django.test import TestCase, override_settings
from django.utils import timezone
from icalendar import Calendar
from PIL import Image

from files.labels import qr_svg
from files.made import do_file, forget_files
from files.photo_in import PhotoOf, keep_photo
from files.visit_in import write_whole
from fleet.models import Unit
from outer_test.visit import Reading, Seen
from outer_test.visit import Visit as CoreVisit
from setup.demo import empty_company
from testing.fixtures import Caller, Fixture, fresh, own_files
from testing.made import take_in as take_in_zip
from testing.made import zipped
from visits.load import load_visit
from visits.models import FileJob, Photo, Visit

PLATE = {
    "run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}, "valve": "O", "aux_heat": {"kind": "electric"},
    "defrost": {"control": "time-temperature", "minutes": 60, "closes_f": 30, "opens_f": 55},
}  # fmt: skip


def picture(size: tuple[int, int] = (640, 480), form: str = "JPEG", **more: Any) -> bytes:
    """A picture with a place in its EXIF, where the form has one."""
    image, into = Image.new("RGB", size, "#a4491b"), io.BytesIO()
    exif = Image.Exif()
    exif[0x8825] = {1: "N", 2: (51.0, 28.0, 38.0)}
    exif[0x010E] = "where we were"
    image.save(into, form, **({"exif": exif} if form == "JPEG" else {}) | more)
    return into.getvalue()


class Files(TestCase):
    def setUp(self) -> None:
        self.files = own_files(self)
        self.mine = Fixture("Files", PLATE, letterhead="12 Mill Lane")
        self.caller, self.lead = self.mine.client(), self.mine.client(self.mine.lead)
        self.path = f"/visits/{self.mine.visit.id}"

    def work(self) -> None:
        """A visit with something of everything, finished."""
        self.caller.do(self.path, "power", {"id": fresh(), "state": "dead-claimed"})
        self.caller.read(self.mine.visit, "cap.herm.uf", "49.0")
        first = self.caller.read(self.mine.visit, "cap.fan.uf", "7.40").json()["entries"][-1]["id"]
        self.caller.read(self.mine.visit, "cap.fan.uf", "7.45", supersedes=first)
        self.caller.read(self.mine.visit, "look.wiring", "rubbed")
        self.caller.do(self.path, "wire", {"id": fresh(), "terminal": "Y", "colour": "yellow"})
        for event in ("forced", "valve-shift", "ended", "stopped"):
            self.caller.do(self.path, "stamp", {"id": fresh(), "event": event})
        for line in self.caller.send("GET", self.path).json()["round"]["lifted"]:
            self.caller.do(self.path, "end", {"line": str(line["id"]), "id": fresh(), "how": "left", "why": "dark"})
        self.assertEqual(self.caller.do(self.path, "finish", {"id": fresh(), "reason": ""}).status_code, 200)

    def put(self, caller: Caller, path: str, name: str, content: bytes, **fields: Any) -> Any:
        return caller.post(f"/api/v1/files{path}", {name: SimpleUploadedFile("file", content), **fields})


class VisitFiles(Files):
    def test_a_visit_goes_out_and_in_the_same(self) -> None:
        self.work()
        out = self.caller.send("GET", f"{self.path}/file").content
        other = Fixture("Other", {})
        visit = fresh()
        got = self.put(other.client(), f"/units/{other.unit.id}/visit-file", "file", out, id=visit)
        self.assertEqual(got.status_code, 200, got.content)
        again = other.client().send("GET", f"/visits/{visit}/file").content
        self.assertEqual(json.loads(again), json.loads(out))
        self.put(other.client(), f"/units/{other.unit.id}/visit-file", "file", out, id=visit)
        self.assertEqual(Visit.objects.of(other.company).filter(id=visit).count(), 1)

    def test_what_happened_before_it_was_due_keeps_its_time(self) -> None:
        due = datetime(2026, 1, 14, 11, tzinfo=UTC)
        early = due - timedelta(hours=2)
        visit = CoreVisit(readings=(Reading("cap.herm.uf", "39.9", at=early),), seen={"look.capacitor.case": Seen("flat", early)})
        row = write_whole(self.mine.member, self.mine.unit, uuid4(), visit, due)
        kept = load_visit(self.mine.company, row).visit
        self.assertEqual((row.scheduled_for, kept.readings[0].at, kept.saw_at("look.capacitor.case")), (due, early, early))

    def test_into_the_same_company_it_gets_ids_of_its_own(self) -> None:
        self.work()
        out = json.loads(self.caller.send("GET", f"{self.path}/file").content)
        visit = fresh()
        self.assertEqual(
            self.put(self.caller, f"/units/{self.mine.unit.id}/visit-file", "file", json.dumps(out).encode(), id=visit).status_code, 200
        )
        again = json.loads(self.caller.send("GET", f"/visits/{visit}/file").content)

        def bare(of: dict[str, Any]) -> list[tuple[str, str]]:
            return [(one["point"], one["value"]) for one in of["readings"]]

        self.assertEqual(bare(again), bare(out))
        self.assertNotEqual(again["readings"][0]["id"], out["readings"][0]["id"])
        replaced = [one for one in again["readings"] if "supersedes" in one]
        self.assertIn(replaced[0]["supersedes"], [one["id"] for one in again["readings"]])

    def test_no_visit_file_is_refused_in_one_line(self) -> None:
        for content in (b"", b"{", b"[]", b'{"format": "outer-test-visit"}', b'{"format":"x","version":1}', b"\xff\xfe", b"PK\x03\x04"):
            got = self.put(self.caller, f"/units/{self.mine.unit.id}/visit-file", "file", content, id=fresh())
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, "file"), content)
        self.assertEqual(self.put(self.caller, f"/units/{fresh()}/visit-file", "file", b"{}", id=fresh()).status_code, 422)


class Csv(Files):
    def rows(self, query: str = "") -> list[dict[str, str]]:
        got = self.caller.get(f"/api/v1/files/readings.csv{query}")
        self.assertEqual(got.status_code, 200)
        text = b"".join(got.streaming_content).decode()  # type: ignore[attr-defined]
        self.assertTrue(text.splitlines()[0].startswith("reading,visit,"))
        self.assertIn("\r\n", text)
        return list(csv.DictReader(io.StringIO(text, newline="")))

    def test_one_row_a_reading_as_pythons_csv_reads_it(self) -> None:
        self.mine.site.name = 'Mill "Race", 2'
        self.mine.site.save()
        self.work()
        rows = self.rows()
        self.assertEqual([row["value"] for row in rows], ["49.0", "7.40", "7.45", "rubbed"])
        self.assertEqual({row["site"] for row in rows}, {'Mill "Race", 2'})
        self.assertEqual(rows[0]["title"], "Compressor section, C to HERM")
        self.assertEqual(rows[2]["supersedes"], rows[1]["reading"])
        self.assertEqual(len(self.rows(f"?visit={self.mine.visit.id}")), 4)
        self.assertEqual(self.caller.get(f"/api/v1/files/readings.csv?unit={uuid4()}").status_code, 404)

    def test_cells_that_a_spreadsheet_would_run_are_made_harmless(self) -> None:
        for name in ("=cmd|'/c calc'!A1", "+1", "-1", "@SUM(A1)", "\t=1"):
            self.mine.site.name = name
            self.mine.site.save()
            self.caller.read(self.mine.visit, "cap.herm.uf", "55.0")
            self.assertTrue(self.rows()[-1]["site"].startswith("'"), name)


@override_settings(WORK_AT_ONCE=True)
class Zip(Files):
    def out(self) -> bytes:
        return zipped(self.lead)

    def test_a_whole_company_goes_out_and_into_an_empty_one(self) -> None:
        self.work()
        self.caller.send("POST", f"/units/{self.mine.unit.id}/parts", {"id": fresh(), "part": "contactor", "note": "burnt"})
        self.put(self.caller, f"/units/{self.mine.unit.id}/photos", "photo", picture(), id=fresh(), about="plate")
        whole = self.out()
        visit_file = json.loads(self.caller.send("GET", f"{self.path}/file").content)
        tag = Unit.objects.of(self.mine.company).get().tag
        self.assertIn("already has units", take_in_zip(self.lead, whole)["problem"])
        self.clear()
        same = fresh()
        for _ in range(2):
            got = take_in_zip(self.lead, whole, same)
            self.assertEqual((got["state"], got["taken"]), ("done", {"units": 1, "visits": 1, "photos": 1}), got)
        unit, visit = Unit.objects.of(self.mine.company).get().pk, Visit.objects.of(self.mine.company).get().pk
        self.assertEqual(json.loads(self.caller.send("GET", f"/visits/{visit}/file").content), visit_file)
        self.assertEqual(self.caller.send("GET", f"/units/by-tag/{tag}").json()["id"], str(unit))
        self.assertEqual(self.caller.send("GET", f"/units/{unit}").json()["parts"][0]["note"], "burnt")

    def clear(self) -> None:
        """Empty the company, as removing the demo does."""
        empty_company(self.mine.company)

    def test_leads_only(self) -> None:
        self.assertEqual(self.caller.send("POST", "/files/company-zip/out", {"id": fresh()}).status_code, 403)
        self.assertEqual(self.put(self.caller, "/company-zip", "file", b"x", id=fresh()).status_code, 403)

    def test_stopped_before_it_is_made_and_nobody_elses(self) -> None:
        with override_settings(WORK_AT_ONCE=False):
            job = self.lead.send("POST", "/files/company-zip/out", {"id": fresh()}).json()
        self.assertEqual(job["state"], "waiting")
        self.assertEqual(self.lead.send("POST", f"/files/made/{job['id']}/cancel").json()["state"], "cancelled")
        do_file(FileJob.objects.of(self.mine.company).get().pk)
        self.assertEqual(self.lead.send("GET", f"/files/made/{job['id']}").json()["state"], "cancelled")
        self.assertEqual(self.lead.get(f"/api/v1/files/made/{job['id']}/file").status_code, 404)
        other = Fixture("Nosy")
        self.assertEqual(other.client(other.lead).send("GET", f"/files/made/{job['id']}").status_code, 404)

    def test_stopped_in_the_middle_nothing_is_made(self) -> None:
        with override_settings(WORK_AT_ONCE=False):
            self.lead.send("POST", "/files/company-zip/out", {"id": fresh()})
        FileJob.objects.of(self.mine.company).update(cancel=True)
        with override_settings(WORK_AT_ONCE=True):
            do_file(FileJob.objects.of(self.mine.company).get().pk)
        self.assertEqual(FileJob.objects.of(self.mine.company).get().state, "cancelled")
        self.assertEqual(list(self.files.rglob("*.zip")), [])

    def test_what_was_made_is_let_go(self) -> None:
        self.out()
        self.assertEqual(len(list(self.files.rglob("*.zip"))), 1)
        FileJob.objects.of(self.mine.company).update(beat=timezone.now() - timedelta(days=2))
        forget_files(0)
        self.assertEqual(list(self.files.rglob("*.zip")), [])

    def hostile(self, files: dict[str, bytes], manifest: dict[str, Any] | None = None) -> bytes:
        into = io.BytesIO()
        with zipfile.ZipFile(into, "w", zipfile.ZIP_DEFLATED) as archive:
            for name, content in files.items():
                archive.writestr(name, content)
            if manifest is not None:
                archive.writestr("manifest.json", json.dumps(manifest))
        return into.getvalue()

    def test_hostile_zips_are_refused_and_leave_nothing(self) -> None:
        self.work()
        whole = self.out()
        self.clear()
        heading = {"format": "outer-test-company", "version": 1, "files": []}
        named = [{"name": "company.json", "sha256": "0" * 64}]
        cases = {
            "no zip": b"hello", "empty": b"", "no manifest": self.hostile({"a": b"b"}), "wrong format": self.hostile({}, {"format": "x"}),
            "a bomb": self.hostile({"company.json": b"0" * 15_000_000}, heading | {"files": named}),
            "out of the folder": self.hostile({"../../evil": b"x"}, heading), "a file more": self.hostile({"extra": b"x"}, heading),
            "wrong checksum": self.hostile({"company.json": b"{}"}, heading | {"files": named}), "cut off": whole[: len(whole) // 2],
            "a byte changed": whole[:200] + bytes([whole[200] ^ 255]) + whole[201:], "files is no list": self.hostile({}, heading | {"files": 7}),
        }  # fmt: skip
        for name, content in cases.items():
            self.assertEqual(take_in_zip(self.lead, content).get("state", "refused") in ("failed", "refused"), True, name)
            self.assertEqual(Unit.objects.of(self.mine.company).count(), 0, name)


class CalendarAndLabels(Files):
    def test_next_visits(self) -> None:
        second: Any = Unit.objects.of(self.mine.company).create(company=self.mine.company, site=self.mine.site, label="roof")
        done = timezone.now() - timedelta(days=100)
        Visit.objects.of(self.mine.company).create(
            company=self.mine.company, unit=second, technician=self.mine.member, scheduled_for=done, finished_at=done, told=[]
        )
        got = self.caller.get("/api/v1/files/next-visits.ics")
        events = list(Calendar.from_ical(got.content).walk("VEVENT"))
        self.assertEqual(
            sorted(str(event["summary"]) for event in events), ["Files Street 1, pad: maintenance", "Yearly visit: Files Street 1, roof"]
        )
        yearly = next(event for event in events if "Yearly" in str(event["summary"]))
        self.assertEqual(yearly.decoded("dtstart"), (done + timedelta(days=365)).date())

    def test_a_sticker_is_read_back(self) -> None:
        address = "https://visits.example/u/Zm9vYmFyYmF6cXV4"
        into = io.BytesIO()
        segno.make(address, error="q", micro=False).save(into, kind="png", scale=6)
        self.assertEqual(zxingcpp.read_barcodes(Image.open(into))[0].text, address)
        self.assertIn("<svg", qr_svg(address))
        self.mine.site.name = "<script>alert(1)</script>"
        self.mine.site.save()
        page = self.caller.get("/api/v1/files/labels").content.decode()
        self.assertEqual((page.count("<svg"), page.count("<script>")), (1, 0))
        self.assertEqual(self.caller.get(f"/api/v1/files/labels?unit={uuid4()}").content.decode().count("<svg"), 0)


class Photos(Files):
    def keep(self, content: bytes, **fields: Any) -> Any:
        return self.put(self.caller, f"/units/{self.mine.unit.id}/photos", "photo", content, **({"id": fresh()} | fields))

    def test_kept_without_its_place_upright_and_small(self) -> None:
        got = self.keep(picture((4000, 3000)), about="wire map", visit=str(self.mine.visit.id))
        self.assertEqual(got.status_code, 200, got.content)
        shown = got.json()
        self.assertEqual((shown["width"], shown["height"], shown["about"]), (2000, 1500, "wire map"))
        file = self.caller.get(f"/api/v1/files/photos/{shown['id']}")
        kept = Image.open(io.BytesIO(b"".join(file.streaming_content)))  # type: ignore[attr-defined]
        self.assertEqual((kept.format, len(kept.getexif())), ("JPEG", 0))
        for form in ("PNG", "WEBP"):
            self.assertEqual(self.keep(picture(form=form)).status_code, 200, form)

    def test_what_is_no_photo_is_refused(self) -> None:
        gif = io.BytesIO()
        Image.new("RGB", (9, 9)).save(gif, "GIF")
        cases = {
            "text": b"hello", "empty file": b"", "svg": b"<svg onload=alert(1)>", "html": b"<html><script>", "gif": gif.getvalue(),
            "cut off": picture()[:300], "too large": b"\xff\xd8\xff" + b"0" * 12_050_000, "too many pixels": picture((9000, 7000), "PNG"),
        }  # fmt: skip
        for name, content in cases.items():
            got = self.keep(content)
            self.assertEqual((got.status_code, got.json()["errors"][0]["field"]), (422, "photo"), f"{name}: {got.content!r}")
        self.assertEqual(Photo.objects.of(self.mine.company).count(), 0)
        self.assertEqual([one for one in self.files.rglob("*") if one.is_file()], [], "nothing left on disk")

    def test_what_unpacks_to_too_much_is_refused_by_its_heading(self) -> None:
        """A picture of a hundred kilobytes can say that it is gigabytes: only its heading is read."""
        heading = struct.pack(">II5B", 60_000, 60_000, 8, 6, 0, 0, 0)
        chunk = b"IHDR" + heading
        bomb = b"\x89PNG\r\n\x1a\n" + struct.pack(">I", 13) + chunk + struct.pack(">I", zlib.crc32(chunk)) + b"\0" * 1000
        for content in (bomb, picture((12_500, 10), "PNG")):
            self.assertEqual(self.keep(content).status_code, 422)

    def test_broken_exif_is_a_picture_without_it_or_refused(self) -> None:
        whole = picture((64, 48))
        for broken in (b"\xff", b"Exif\0\0MM\0*\xff\xff\xff\xff", b"Exif\0\0II*\0\x08\0\0\0\x01\0\x12\x01\x05\0\x01\0\0\0\xff\xff\xff\xff"):
            app1 = b"\xff\xe1" + struct.pack(">H", len(broken) + 2) + broken
            self.assertIn(self.keep(whole[:2] + app1 + whole[2:]).status_code, (200, 422))

    def test_one_photo_that_arrives_twice_at_once_is_one_file(self) -> None:
        member, of, photo = self.mine.member, PhotoOf(self.mine.unit), uuid4()
        keep_photo(member, of, photo, picture(), timezone.now())
        with patch.object(QuerySet, "first", return_value=None):  # as each of two saw it: not there yet
            keep_photo(member, of, photo, picture(), timezone.now())
        self.assertEqual(len([one for one in self.files.rglob("*") if one.is_file()]), 1)

    def test_taken_off_and_put_back_and_nobody_elses(self) -> None:
        photo = self.keep(picture()).json()["id"]
        self.assertEqual(self.caller.send("DELETE", f"/files/photos/{photo}").json()["removed"], True)
        self.assertEqual(self.caller.send("GET", f"/files/units/{self.mine.unit.id}/photos").json(), [])
        self.caller.send("POST", f"/files/photos/{photo}/back")
        self.assertEqual(len(self.caller.send("GET", f"/files/units/{self.mine.unit.id}/photos").json()), 1)
        self.assertEqual(Fixture("Nosy").client().get(f"/api/v1/files/photos/{photo}").status_code, 404)
