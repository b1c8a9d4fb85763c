"""The record in the browser: a unit's file, two visits side by side, the watch list, finding, a sticker's address."""

from playwright.sync_api import expect

from browser_tests.base import BrowserTest
from fleet.models import Unit


class Record(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def test_from_a_misspelt_word_to_what_drifts(self) -> None:
        self.page.get_by_role("link", name="Find a unit or visit").click()
        self.page.keyboard.type("quary lane")
        self.page.get_by_role("region", name="Units").get_by_role("link").first.click()
        years = self.page.get_by_label("Readings over the years")
        expect(years).to_contain_text("a year down")
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
        self.page.get_by_role("button", name="Keep the notes").click()
        expect(self.page.get_by_role("button", name="Keep the notes")).to_have_count(0)
        self.assertEqual(self.severe_axe_problems(), [])

    def test_the_watch_list_and_a_stickers_address(self) -> None:
        self.page.get_by_role("link", name="Watch list").click()
        expect(self.page.get_by_role("main")).to_contain_text("Fell Road 21")
        expect(self.page.get_by_label("To carry")).to_contain_text("dual 55 + 7.5")
        self.page.get_by_label("Only where this is watched").select_option("contactor.coil.ohm")
        expect(self.page.get_by_role("main")).to_contain_text("Nothing to watch here")
        self.assertEqual(self.severe_axe_problems(), [])
        tag = Unit._base_manager.get(serial="TH-0233").tag
        self.page.goto(f"{self.live_server_url}/u/{tag}")
        expect(self.page.get_by_role("heading", name="Fell Road 21, side yard")).to_be_visible()
        self.page.goto(f"{self.live_server_url}/u/nobody-has-this")
        expect(self.page.get_by_text("No unit of your company has this sticker")).to_be_visible()
