"""Files in and out in the browser: what is offered, a log that is wrong and then right, one that is stopped, a zip that has no place."""

import csv
import io
import zipfile
from pathlib import Path

from icalendar import Calendar
from playwright.sync_api import Locator, expect

from accounts.models import Company
from browser_tests.base import BrowserTest
from ledger.models import EventRow
from outer_test.ledger import Kind
from testing.fixtures import events

HEADING = "serial,time,reading,value,unit\n"


class Out(BrowserTest):
    def test_every_link_gives_its_open_format(self) -> None:
        self.sign_in("marlow")
        self.page.goto(f"{self.live_server_url}/files")
        links = self.page.get_by_label("Out", exact=True).get_by_role("link")
        expect(links).to_have_count(3)
        bodies = {}
        for link in links.all():
            href = str(link.get_attribute("href"))
            got = self.page.request.get(self.live_server_url + href)
            self.assertEqual(got.status, 200, href)
            bodies[href.rsplit("/", 1)[1]] = got.body()
        rows = list(csv.DictReader(io.StringIO(bodies["readings.csv"].decode("utf-8-sig"))))
        company = Company.objects.get(name__startswith="Tern Hollow")
        self.assertEqual(len(rows), len(events(company, Kind.READING, Kind.SEEN)))
        self.assertTrue(Calendar.from_ical(bodies["next-visits.ics"]).walk("VEVENT"))
        self.assertIn(b"<svg", bodies["labels"])
        part = self.page.get_by_label("The whole company")
        part.get_by_role("button", name="Make the zip").click()
        with self.page.expect_download() as download:
            part.get_by_role("link", name="Download the zip").click()
        with zipfile.ZipFile(download.value.path()) as archive:
            self.assertIsNone(archive.testzip())
            self.assertIn("manifest.json", archive.namelist())


class In(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in("marlow")
        self.page.goto(f"{self.live_server_url}/files")
        self.log = self.page.get_by_label("Import a meter log")

    def choose(self, text: str, name: str = "log.csv") -> None:
        self.log.get_by_label("Log file").set_input_files({"name": name, "mimeType": "text/csv", "buffer": text.encode()})

    def read_it(self) -> Locator:
        self.log.get_by_role("button", name="Check the file").click()
        return self.log

    def test_wrong_rows_are_named_and_nothing_is_kept(self) -> None:
        before = EventRow._base_manager.count()
        self.choose(HEADING + "TH-0233,2024-03-01 09:00,herm,35.1,uF\nTH-9999,2024-03-01 09:00,herm,35.1,uF\nTH-0233,soon,herm,35.1,uF\n")
        expect(self.read_it().get_by_role("alert")).to_contain_text("2 rows are wrong")
        expect(self.log).to_contain_text("TH-9999")
        expect(self.log).to_contain_text("soon")
        expect(self.log.get_by_role("button", name="Save all")).to_have_count(0)
        self.assertEqual(EventRow._base_manager.count(), before)

    def test_a_look_before_it_is_kept_survives_a_reload(self) -> None:
        self.choose(HEADING + "TH-0233,2024-03-01 09:00,herm,20.1,uF\n")
        expect(self.read_it()).to_contain_text("Nothing is saved yet")
        expect(self.log.get_by_role("img", name="bad").first).to_be_visible()
        self.page.reload()
        expect(self.log).to_contain_text("Nothing is saved yet")
        self.log.get_by_role("button", name="Save all 1 reading").click()
        expect(self.log.get_by_role("status")).to_contain_text("Saved.")

    def test_stopped_nothing_is_kept(self) -> None:
        before = EventRow._base_manager.count()
        self.choose(HEADING + "TH-0233,2024-03-01 09:00,herm,35.1,uF\n")
        expect(self.read_it()).to_contain_text("Nothing is saved yet")
        self.log.get_by_role("button", name="Cancel").click()
        expect(self.log).to_contain_text("Stopped. Nothing was saved.")
        self.assertEqual(EventRow._base_manager.count(), before)

    def test_what_is_no_csv(self) -> None:
        for text in ("", "just one column\n1\n"):
            self.choose(text)
            expect(self.log.get_by_role("alert")).to_contain_text("not a CSV file")

    def test_a_zip_into_a_company_that_has_units(self) -> None:
        part = self.page.get_by_label("The whole company")
        part.get_by_role("button", name="Make the zip").click()
        with self.page.expect_download() as download:
            part.get_by_role("link", name="Download the zip").click()
        whole = Path(download.value.path()).read_bytes()
        part.get_by_label("Company zip").set_input_files({"name": "c.zip", "mimeType": "application/zip", "buffer": whole})
        expect(part.get_by_role("alert")).to_contain_text("already has units")


class Finding(BrowserTest):
    def test_words_serials_and_days_and_nothing_at_all(self) -> None:
        self.sign_in()
        self.page.goto(f"{self.live_server_url}/find")
        box = self.page.get_by_role("searchbox")
        units = self.page.get_by_role("region", name="Units")
        for typed in ("TH-0233", "th 0233", "fell rd 21", "Fel Raod", "side yard fell"):
            box.fill(typed)
            expect(units.get_by_role("link").first).to_contain_text("Fell Road 21")
        box.fill("zzzzqqqq")
        expect(self.page.get_by_text("Nothing fits these words.")).to_be_visible()
        box.fill("<script>alert(1)</script> % _ ' \\")
        expect(self.page.get_by_role("main")).to_be_visible()
        box.fill("quarry")
        units.get_by_role("link").first.click()
        expect(self.page.get_by_label("Readings over the years")).to_be_visible()
        self.page.go_back()
        expect(box).to_have_value("quarry")
