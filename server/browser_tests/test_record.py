"""The record in the browser: a unit's file, two visits side by side, the watch list, finding, a sticker's address."""

from io import BytesIO

from PIL import Image
from playwright.sync_api import expect

from browser_tests.base import BrowserTest, sign_by_hand
from fleet.models import Unit


class Record(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def test_from_a_misspelt_word_to_what_drifts(self) -> None:
        self.page.get_by_role("link", name="Units", exact=True).click()
        expect(self.page.get_by_role("searchbox")).to_be_focused()
        self.page.keyboard.type("quary lane")
        hit = self.page.get_by_role("region", name="Units").get_by_role("link").first
        expect(hit).to_contain_text("Quarry Lane 8")
        hit.click()
        years = self.page.get_by_label("Readings over the years")
        expect(years).to_contain_text("µF a year down")
        visits = self.page.get_by_label("Visits", exact=True)
        for box in visits.get_by_role("checkbox").all()[:2]:
            box.check()
        side = self.page.get_by_label("Two visits side by side")
        expect(side).to_contain_text("52.1 µF")
        expect(side).to_contain_text("50.4 µF")
        side.get_by_role("button", name="Back to all readings").click()
        self.page.get_by_label("Part put in").select_option("run capacitor, HERM")
        self.page.get_by_role("button", name="Record the part").click()
        expect(self.page.get_by_label("Parts put in")).to_contain_text("Run capacitor, HERM,")
        self.page.get_by_label("Notes on this unit").fill("Dog in the yard")
        self.page.reload()
        self.page.get_by_role("button", name="Save the notes").click()
        expect(self.page.get_by_role("button", name="Save the notes")).to_have_count(0)
        self.assertEqual(self.severe_axe_problems(), [])

    def test_the_watch_list_and_a_stickers_address(self) -> None:
        self.page.get_by_role("link", name="Watch list").click()
        expect(self.page.get_by_role("main")).to_contain_text("Fell Road 21")
        expect(self.page.get_by_role("main")).to_contain_text("close to the 51.7 µF floor.")
        expect(self.page.get_by_role("main")).to_contain_text("Its drift meets the limit around")
        expect(self.page.get_by_label("Stock for")).to_contain_text("dual 55 + 7.5")
        self.page.get_by_label("Only where this is watched").select_option("contactor.coil.ohm")
        expect(self.page.get_by_role("main")).to_contain_text("Nothing to watch here")
        self.assertEqual(self.severe_axe_problems(), [])
        tag = Unit._base_manager.get(serial="TH-0233").tag
        self.page.goto(f"{self.live_server_url}/u/{tag}")
        expect(self.page.get_by_role("heading", name="Fell Road 21, side yard")).to_be_visible()
        self.page.goto(f"{self.live_server_url}/u/nobody-has-this")
        expect(self.page.get_by_text("No unit of your company has this sticker")).to_be_visible()


class NewUnit(BrowserTest):
    def test_a_unit_that_is_not_here_yet(self) -> None:
        self.sign_in()
        self.page.get_by_role("button", name="Add a new unit").click()
        self.page.get_by_role("button", name="Add the unit").click()
        expect(self.page.get_by_role("alert").first).to_contain_text("1 to 120 characters")
        for label, text in (("Site", "Sluice House"), ("Address", "4 Sluice Lane"), ("Which unit there", "roof")):
            self.page.get_by_label(label).fill(text)
        self.page.get_by_role("button", name="Add the unit").click()
        expect(self.page.get_by_role("combobox", name="Unit")).to_contain_text("Sluice House, roof")
        self.page.get_by_role("button", name="Open", exact=True).click()
        expect(self.path).to_be_visible()


class Handed(BrowserTest):
    """What is handed over and taken in: signature, photo, a log, people."""

    def test_signed_and_handed_over(self) -> None:
        self.sign_in()
        self.page.goto(self.live_server_url)
        visit = str(self.page.locator('a:has-text("Tannery Yard")').first.get_attribute("href")).removesuffix("/sheet")
        self.page.goto(f"{self.live_server_url}{visit}/sheet")
        sign = self.page.get_by_label("Signature", exact=True)
        sign.get_by_role("button", name="Save the signature").click()
        expect(sign.get_by_role("alert")).to_contain_text("who signs")
        sign_by_hand(self.page, "P. Holder").get_by_role("button", name="Save the signature").click()
        expect(self.page.get_by_text("Signed by P. Holder")).to_be_visible()
        self.page.goto(f"{self.live_server_url}/api/v1{visit}/report")
        expect(self.page.get_by_role("main")).to_contain_text("P. Holder")
        self.assertEqual(self.severe_axe_problems(), [])

    def test_a_photo_kept_taken_off_and_put_back(self) -> None:
        self.sign_in()
        unit = Unit._base_manager.get(serial="TH-0233")
        self.page.goto(f"{self.live_server_url}/units/{unit.id}")
        photos = self.page.get_by_label("Photos", exact=True)
        picture = BytesIO()
        Image.new("RGB", (3000, 1000), "#2c6e49").save(picture, "PNG")
        photos.get_by_label("Of what").fill("plate")
        photos.get_by_label("Photo file").set_input_files({"name": "p.png", "mimeType": "image/png", "buffer": picture.getvalue()})
        expect(photos.get_by_role("img", name="plate")).to_be_visible()
        photos.get_by_role("button", name="Remove the photo: plate").click()
        photos.get_by_role("button", name="Put it back").click()
        expect(photos.get_by_role("img", name="plate")).to_be_visible()
        photos.get_by_label("Photo file").set_input_files({"name": "p.txt", "mimeType": "text/plain", "buffer": b"hello"})
        expect(photos.get_by_role("alert")).to_contain_text("not a JPEG, PNG or WebP")

    def test_a_log_with_names_of_its_own(self) -> None:
        self.sign_in()
        self.page.goto(f"{self.live_server_url}/files")
        log = self.page.get_by_label("Import a meter log")
        text = "Asset;When;Channel;Display;UOM\nTH-0233;2024-03-01 09:00;Probe A;35,1;uF\nTH-0233;2025-03-01 09:00;Probe A;34,9;uF\n"
        log.get_by_label("Log file").set_input_files({"name": "log.csv", "mimeType": "text/csv", "buffer": text.encode()})
        expect(log.get_by_label("Day and time")).to_have_value("When")
        log.get_by_role("button", name="Check the file").click()
        expect(log.get_by_role("alert")).to_contain_text("2 rows are wrong")
        log.get_by_label("“Probe A” is").select_option("cap.herm.uf")
        log.get_by_role("button", name="Check the file").click()
        log.get_by_role("button", name="Save all 2 readings of 2 visits").click()
        expect(log.get_by_role("status")).to_contain_text("Saved.")

    def test_somebody_comes_in_by_a_link(self) -> None:
        self.sign_in("marlow")
        self.page.goto(f"{self.live_server_url}/people")
        self.page.get_by_role("button", name="Invite a technician").click()
        link = self.page.get_by_label("Send this link to the person").input_value()
        other = self.new_page()
        other.goto(link)
        other.get_by_label("Name to sign in with").fill("sable")
        other.get_by_label("Password").fill("short")
        other.get_by_role("button", name="Create my sign-in").click()
        expect(other.get_by_role("alert").first).to_contain_text("too short")
        other.get_by_label("Password").fill("a very long passphrase")
        other.get_by_role("button", name="Create my sign-in").click()
        expect(other.get_by_role("heading", name="Today")).to_be_visible()
        self.page.reload()
        row = self.page.locator('div:has(> div > select[aria-label="Role of sable"])')
        row.get_by_role("button", name="Deactivate").click()
        self.page.get_by_role("button", name="Yes, deactivate").click()
        expect(self.page.get_by_role("main")).to_contain_text("deactivated")
        other.reload()
        expect(other.get_by_label("Password")).to_be_visible()
        other.context.close()
