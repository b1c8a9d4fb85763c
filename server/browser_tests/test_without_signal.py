"""A visit where there is no signal: the app opens from cold, judges by itself, loses nothing, and sends it all when it can."""

import re
import time
from datetime import UTC, datetime
from io import BytesIO
from itertools import pairwise
from typing import Any
from uuid import uuid4

from django.utils import timezone
from PIL import Image
from playwright.sync_api import Page, expect

from browser_tests.base import sign_by_hand, wait_until_sent
from browser_tests.on_device import UNIT, OnDevice
from files.photo_in import PhotoOf, keep_photo
from ops.tests.running import PATIENCE_S
from testing.fixtures import own_files
from visits.models import Photo, Visit


class WithoutSignal(OnDevice):
    def cold(self) -> Page:
        """The app opened anew, as after the browser was closed: without signal."""
        self.page.close()
        self.page.context.set_offline(True)
        page: Page = self.page.context.new_page()
        page.on("pageerror", lambda error: self.problems.append(f"page error: {error}"))
        return page

    def test_a_call_from_cold_to_the_signature_and_then_signal(self) -> None:
        page = self.cold()
        page.goto(self.live_server_url)
        expect(page.get_by_role("link").filter(has_text=UNIT)).to_be_visible()
        self.judged(page, "cap.fan.uf", "4.1", "so 4.7 µF is the floor")
        self.judged(page, "cap.herm.uf", "abc", "is not a number")
        page.locator("[data-reading]").fill("34.9")
        page.keyboard.press("Enter")
        expect(page.get_by_role("button", name="No signal")).to_have_text("No signal · 2 waiting")
        page.goto(f"{self.live_server_url}{self.visit}/finish")
        page.get_by_role("button", name="Finish the visit").click()
        page.get_by_role("button", name="Finish anyway").click()
        expect(page.get_by_role("alert")).to_contain_text("say why it stays off")
        page.get_by_label("To finish anyway, say why.").fill("no light")
        page.get_by_role("button", name="Finish anyway").click()
        expect(page).to_have_url(re.compile("/sheet$"))
        expect(page.get_by_role("main")).to_contain_text("no light")
        here = {line.strip() for line in page.get_by_role("main").inner_text().splitlines() if "µF" in line}
        self.assertEqual(self.on_record()["round"]["entries"], [], "nothing was sent")
        page.context.set_offline(False)
        wait_until_sent(page)
        record = self.on_record()["round"]
        self.assertEqual(
            [(one["point"], one["value"], one["by_whom"]) for one in record["entries"]],
            [("cap.fan.uf", "4.1", "Wren Hartle"), ("cap.herm.uf", "34.9", "Wren Hartle")],
        )
        self.assertEqual(record["finish_reason"], "no light")
        page.reload()
        expect(page.get_by_role("main")).to_contain_text("no light")
        self.assertEqual({line.strip() for line in page.get_by_role("main").inner_text().splitlines() if "µF" in line}, here)

    def test_a_visit_that_will_not_be_holds_nothing_back(self) -> None:
        row = Visit._base_manager.filter(pk=self.visit.rsplit("/", 1)[1])
        self.assertEqual(row.update(cancelled="nobody home"), 1)
        self.page.context.close()
        self.page = self.new_page()  # a phone that has nothing yet
        self.sign_in()
        expect(self.page.get_by_role("main")).to_contain_text("nobody home")
        self.wait_until_ready(self.page)

    def test_two_tabs_have_one_queue_and_write_everything_once(self) -> None:
        second = self.page.context.new_page()
        self.page.context.set_offline(True)
        for page, point, typed in ((self.page, "cap.herm.uf", "34.9"), (second, "cap.fan.uf", "5.0")):
            self.at(page, point)
            page.locator("[data-reading]").fill(typed)
            page.keyboard.press("Enter")
        for page in (self.page, second):
            expect(page.get_by_role("button", name="No signal")).to_contain_text("2 waiting")
        self.page.context.set_offline(False)
        wait_until_sent(self.page)
        self.assertEqual({one["value"] for one in self.on_record()["round"]["entries"]}, {"34.9", "5.0"})
        for page in (self.page, second):  # whichever sent it, neither lost what the other typed
            page.get_by_role("link", name="All readings").click()
            for value in ("34.9 µF", "5.0 µF"):
                expect(page.get_by_role("region", name="Capacitors")).to_contain_text(value)

    def at_a_new_unit(self, page: Page, site: str, address: str, label: str) -> None:
        """A no-start opened, without signal, at a unit that is added for it."""
        page.goto(self.live_server_url)
        page.get_by_role("button", name="Add a new unit").click()
        new = page.get_by_label("A new unit")
        for name, typed in (("Site, as you call it", site), ("Address", address), ("Which unit there", label)):
            new.get_by_label(name).fill(typed)
        new.get_by_role("button", name="Add the unit").click()
        unit = page.get_by_label("Unit", exact=True)
        expect(unit).to_contain_text(f"{site}, {label}")
        unit.select_option(label=f"{site}, {label}")
        page.get_by_label("Complaint").select_option("hums-no-start")
        page.get_by_role("button", name="Open", exact=True).click()
        expect(page).to_have_url(re.compile("/visits/"))
        self.visit = re.sub(r"^.*(/visits/[^/?]+).*$", r"\1", page.url)

    def test_a_unit_nobody_knew_and_a_visit_to_it(self) -> None:
        page = self.cold()
        self.at_a_new_unit(page, "Far Barn", "Track 2", "north")
        self.judged(page, "cap.herm.uf", "31.0", "Needs the compressor section")
        page.goto(self.live_server_url)
        expect(page.get_by_role("link").filter(has_text="Far Barn")).to_contain_text("1 read")
        page.context.set_offline(False)
        wait_until_sent(page)
        shown = self.on_record()
        self.assertEqual((shown["site"], shown["complaint"], shown["technician"]), ("Far Barn", "hums-no-start", "Wren Hartle"))
        self.assertEqual([one["value"] for one in shown["round"]["entries"]], ["31.0"])

    def test_a_whole_no_start_at_a_unit_nobody_knew(self) -> None:
        own_files(self)
        page = self.cold()
        self.at_a_new_unit(page, "Low Barn", "Track 9", "yard")
        page.goto(f"{self.live_server_url}{self.visit}/plate")
        page.get_by_role("button", name=re.compile("Capacitors")).click()
        for label, typed in (("Run, compressor section", "35"), ("Run, fan section", "5"), ("Run, volts", "370")):
            page.get_by_label(label, exact=True).fill(typed)
        page.get_by_role("button", name="Save the plate").click()
        expect(page.get_by_role("button", name="Save the plate")).to_have_count(0)
        drawn = BytesIO()
        Image.new("RGB", (60, 40), "grey").save(drawn, "JPEG")
        photo: Any = {"name": "l.jpg", "mimeType": "image/jpeg", "buffer": drawn.getvalue()}
        page.get_by_label("Photo file").first.set_input_files(photo)
        expect(page.get_by_text("stored here, not sent yet").first).to_be_visible()
        self.judged(page, "cap.herm.uf", "24.1", "31.1")
        page.goto(f"{self.live_server_url}{self.visit}/all")
        page.get_by_role("navigation", name="Beside the step").get_by_role("button").first.click()
        parts = page.get_by_label("Parts put in", exact=True)
        parts.get_by_role("button", name=re.compile("run capacitor is in|Add a part put in")).first.click()
        parts.get_by_label("Part", exact=True).select_option("run capacitor")
        for name, typed in (
            ("HERM, µF", "35"),
            ("FAN, µF", "5"),
            ("Volts", "440"),
            ("HERM in the hand", "35.2"),
            ("FAN in the hand", "5.0"),
        ):
            parts.get_by_label(name, exact=True).fill(typed)
        parts.get_by_role("button", name="Save", exact=True).click()
        expect(parts).to_contain_text("Run capacitor 35 + 5 µF")
        page.goto(f"{self.live_server_url}{self.visit}/finish")
        page.get_by_role("button", name="Finish the visit").click()
        page.get_by_role("button", name="Finish anyway").click()
        page.get_by_label("To finish anyway, say why.").fill("rain")
        page.get_by_role("button", name="Finish anyway").click()
        expect(page).to_have_url(re.compile("/sheet$"))
        sign_by_hand(page, "R. Alder").get_by_role("button", name="Save the signature").click()
        expect(page.get_by_role("img", name="Signature of R. Alder")).to_be_visible()
        here = page.get_by_role("main").inner_text()
        page.context.set_offline(False)
        wait_until_sent(page)
        shown = self.on_record()["round"]
        self.assertEqual({one["point"]: one["value"] for one in shown["entries"]}["cap.herm.uf"], "24.1")
        self.assertEqual([one["repair"]["part"] for one in shown["parts"]], ["run capacitor"])
        self.assertEqual((shown["finish_reason"], shown["signature"]["name"]), ("rain", "R. Alder"))
        self.assertEqual((shown["judged_otherwise"], shown["signed_otherwise"]), (False, False))
        self.assertEqual({one["by_whom"] for one in [*shown["entries"], *shown["parts"]]}, {"Wren Hartle"})
        expect(page.get_by_role("button", name="waiting")).to_have_count(0)
        until = time.monotonic() + PATIENCE_S
        while Photo._base_manager.count() == 0 and time.monotonic() < until:
            page.wait_for_timeout(300)  # it goes after the entries
        self.assertEqual(Photo._base_manager.count(), 1)
        page.reload()
        expect(page.get_by_role("img", name="Signature of R. Alder")).to_be_visible()
        expect(page.get_by_role("main")).to_have_text(here, use_inner_text=True)

    def test_eight_hours_of_a_devices_time(self) -> None:
        page = self.cold()
        page.clock.install(time=datetime.now(UTC))
        typed = {"cap.herm.uf": "34.9", "cap.fan.uf": "4.9", "contactor.coil.ohm": "14.2", "defrost.valve_coil.ohm": "21.0"}
        for point, text in typed.items():
            self.at(page, point)
            page.locator("[data-reading]").fill(text)
            page.keyboard.press("Enter")
            expect(page.get_by_role("main").locator("svg[role=img]").first).to_be_visible()
            page.clock.fast_forward("02:00:00")
        expect(page.get_by_role("button", name="No signal")).to_have_text(f"No signal · {len(typed)} waiting")
        page.reload()
        expect(page.get_by_role("button", name="No signal")).to_have_text(f"No signal · {len(typed)} waiting")
        page.context.set_offline(False)
        wait_until_sent(page)
        entries = [one for one in self.on_record()["round"]["entries"] if one["point"] in typed]
        self.assertEqual({one["point"]: one["value"] for one in entries}, typed)
        times = sorted(datetime.fromisoformat(one["at"]) for one in entries)
        for before, after in pairwise(times):
            self.assertAlmostEqual((after - before).total_seconds(), 7200, delta=120)
        self.assertEqual([one["point"] for one in sorted(entries, key=lambda one: str(one["at"]))], list(typed))
        self.assertLess(times[-1], datetime.now(UTC), "what a clock that ran ahead said is put right")

    def test_a_route_taken_along_has_the_units_file_and_its_photos(self) -> None:
        own_files(self)
        visit = Visit._base_manager.select_related("unit__company", "technician").get(pk=self.visit.split("/")[2])
        drawn = BytesIO()
        Image.new("RGB", (900, 600), "#2c6e49").save(drawn, "JPEG")
        keep_photo(visit.technician, PhotoOf(visit.unit, about="plate"), uuid4(), drawn.getvalue(), timezone.now())
        self.page.goto(self.live_server_url)
        self.page.get_by_role("button", name="Take this route with me").click()
        expect(self.page.get_by_text(re.compile(r"(\d) of \1 on this device\."))).to_be_visible()
        page = self.cold()
        page.goto(f"{self.live_server_url}/units/{visit.unit_id}")
        picture = page.get_by_role("img", name="plate")
        # The server's own picture is tried first; the small one stands in once that has failed.
        expect(picture).to_have_attribute("src", re.compile("^blob:"))
        self.assertEqual(picture.evaluate("one => one.decode().then(() => one.naturalWidth)"), 480)
        expect(page.get_by_role("region", name="Visits")).to_contain_text("maintenance")
