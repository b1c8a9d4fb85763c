"""A person's own habits: light or dark, the scale, the keys, signing out; and the sheet in the app, before it is handed over."""

from playwright.sync_api import expect

from accounts.models import Company
from browser_tests.base import BrowserTest, wait_until_sent
from fleet.models import Unit


class Habits(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def test_dark_stays_dark(self) -> None:
        ground = "getComputedStyle(document.documentElement).backgroundColor"
        light = self.page.evaluate(ground)
        self.choose("Dark")
        dark = self.page.evaluate(ground)
        self.assertNotEqual(light, dark)
        self.page.reload()
        self.page.get_by_role("heading", name="Today").wait_for()
        self.assertEqual(self.page.evaluate(ground), dark)

    def test_all_keys_are_said_and_the_list_closes(self) -> None:
        self.open_visit("Fell Road 21", "Capacitors")
        self.page.locator("body").click(position={"x": 2, "y": 2})
        self.page.keyboard.press("?")
        keys = self.page.get_by_role("dialog")
        for key in ("Enter", "↑ ↓", "← →", "Alt P", "Alt J", "Alt F", "Esc"):
            expect(keys).to_contain_text(key)
        self.page.keyboard.press("Escape")
        expect(keys).to_have_count(0)

    def test_alt_keys_reach_what_they_say(self) -> None:
        self.open_visit("Fell Road 21", "Capacitors")
        for key, focused in (("Alt+j", "lifted-what"), ("Alt+f", "finish-button"), ("Alt+p", "power-button")):
            self.page.keyboard.press(key)
            self.assertEqual(self.page.evaluate("document.activeElement.id"), focused)

    def test_a_plate_read_on_another_device_brings_its_station_with_the_next_reading(self) -> None:
        unit = Unit.objects.of(Company.objects.get()).get(site__name="Fell Road 21")
        board = unit.plate.pop("defrost")
        unit.save()
        self.open_visit("Fell Road 21", "Capacitors")
        address = f"/api/v1{self.visit_address().removeprefix(self.live_server_url)}"
        asked = f"fetch('{address}').then((got) => got.json()).then((got) => got.round.defrost.way.way)"
        self.assertEqual(self.page.evaluate(asked), "unknown")
        unit.plate["defrost"] = board
        unit.save()
        self.page.locator("[data-reading]").click()
        self.type("34.8")
        expect(self.step).to_contain_text("so 32.9 to 37.1 µF is good")
        self.go_to("Defrost", "Coil switch")

    def test_signed_out_every_address_asks_who_it_is(self) -> None:
        self.choose("Sign out")
        expect(self.page.get_by_label("Password")).to_be_visible()
        for address in ("/", "/people", "/watch"):
            self.page.goto(self.live_server_url + address)
            expect(self.page.get_by_label("Password")).to_be_visible()
        self.page.go_back()
        expect(self.page.get_by_label("Password")).to_be_visible()


class Sheet(BrowserTest):
    """The technician's own sheet: all of it, also while the visit is open."""

    def test_a_superseded_reading_a_lifted_wire_and_a_caution_stand_on_it(self) -> None:
        self.sign_in()
        self.open_visit("Fell Road 21", "Capacitors")
        self.type("43.8")
        expect(self.step).to_contain_text("Bad")
        self.page.locator("[data-reading]").fill("34.8")
        self.page.keyboard.press("Enter")
        expect(self.step).to_contain_text("so 32.9 to 37.1 µF is good")
        self.page.get_by_role("link", name="Sheet so far").click()
        sheet = self.page.get_by_role("main")
        for words in ("34.8", "43.8", "HERM wires off", "not finished"):
            expect(sheet).to_contain_text(words, ignore_case=True)
        wait_until_sent(self.page)
        file = self.page.request.get(self.page.url.replace("/visits/", "/api/v1/visits/").replace("/sheet", "/file")).json()
        self.assertEqual([one["value"] for one in file["readings"]], ["43.8", "34.8"])

    def test_the_page_to_hand_over_and_its_pdf_are_offered_and_open(self) -> None:
        self.sign_in()
        self.page.goto(self.live_server_url)
        self.page.locator('a:has-text("Tannery Yard")').first.click()
        self.page.get_by_role("button", name="PDF").click()
        for name, begin in (("Download the PDF", b"%PDF"), ("Customer page", b"<!doctype html>")):
            href = self.page.get_by_role("link", name=name).get_attribute("href")
            got = self.page.request.get(f"{self.live_server_url}{href}")
            self.assertEqual((got.status, got.body()[: len(begin)].lower()), (200, begin.lower()))


class PhoneRound(BrowserTest):
    """The round held upright: a whole station by thumb."""

    viewport = {"width": 390, "height": 844}
    has_touch = True

    def test_dead_is_proved_by_thumb_and_stays_in_sight(self) -> None:
        self.sign_in()
        self.open_visit("Fell Road 21", "Make safe")
        self.step.get_by_role("button", name="Disconnect is pulled").tap()
        self.page.locator('[data-choice="1"]').tap()
        pad = self.page.get_by_role("group", name="Keypad")
        for place, volts in enumerate(("0.2", "0.1", "0.1", "0.0", "0.1", "0.1")):
            expect(self.step).to_contain_text(f"{place + 2} of 8")
            for key in volts:
                pad.get_by_role("button", name=key, exact=True).tap()
            pad.get_by_role("button", name="Save", exact=True).tap()
        expect(self.step).to_contain_text("8 of 8")
        self.page.wait_for_timeout(700)
        self.page.locator('[data-choice="1"]').tap()
        expect(self.page.get_by_text("Dead (proved)").last).to_be_in_viewport()
        self.page.get_by_role("button", name="1 to put back").tap()
        expect(self.page.get_by_role("button", name="Disconnect pulled: back")).to_be_in_viewport()

    def test_a_second_tap_answers_nothing(self) -> None:
        self.sign_in()
        self.open_visit("Fell Road 21")
        self.go_to("Look over", "Capacitor case")
        first = self.page.locator('[data-choice="1"]')
        box = first.bounding_box()
        assert box is not None
        for _ in range(2):
            self.page.touchscreen.tap(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
        expect(self.step.get_by_role("heading", level=1)).not_to_have_text("Capacitor case")
        self.page.wait_for_timeout(800)
        wait_until_sent(self.page)
        shown = self.page.request.get(self.visit_address().replace("/visits/", "/api/v1/visits/")).json()["round"]["entries"]
        self.assertEqual([one["point"] for one in shown], ["look.capacitor.case"])

    def test_a_step_fits_the_glass_and_its_probes_are_shown(self) -> None:
        self.sign_in()
        self.open_visit("Quarry Lane 8", "Capacitors")
        for high, wide in ((844, 390), (640, 360)):
            self.page.set_viewport_size({"width": wide, "height": high})
            with self.subTest(high):
                for shown in (
                    self.step.get_by_role("heading", level=1), self.step.get_by_role("img", name="Red probe on capacitor HERM"), self.page.locator("[data-reading]"),
                    self.step.get_by_text("8.4 % under 55 µF"), self.page.get_by_role("button", name="OL", exact=True),
                ):  # fmt: skip
                    expect(shown).to_be_in_viewport(ratio=1)
                self.assertLessEqual(self.page.evaluate("document.documentElement.scrollHeight"), high)
