"""A visit by keyboard: sign in, read the plate, prove dead, judge the capacitors, put back, finish, read the sheet."""

import json

from playwright.sync_api import expect

from browser_tests.base import BrowserTest, wait_until_sent

SITE = "Fell Road 21"


class Slice(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def prove_dead(self) -> None:
        self.open_visit(SITE, "Make safe")
        self.step.get_by_role("button", name="Disconnect is pulled").click()
        self.page.locator('[data-choice="1"]').wait_for()
        self.page.keyboard.press("1")
        for volts in ("0.2", "0.1", "0.1", "0.0", "0.1", "0.1"):
            self.page.locator("[data-reading]").wait_for()
            self.type(volts)
        self.page.locator('[data-choice="1"]').wait_for()
        self.page.keyboard.press("1")
        expect(self.page.get_by_label("Power").first).to_contain_text("Dead (proved)")
        expect(self.step).to_contain_text("8 of 8")

    def test_the_whole_visit_by_keyboard(self) -> None:
        self.prove_dead()
        self.go_to("Make safe", "Charge left, C to HERM")
        for volts in ("0.3", "0.1", "0.2"):
            self.type(volts)
        self.go_to("Capacitors", "Fan section")
        self.type("4.9")
        expect(self.step).to_contain_text("so 4.7 to 5.3 µF is good")
        self.go_to("Capacitors", "Compressor section")
        self.type("31.2")
        expect(self.step).to_contain_text("10.9 % under 35 µF")
        expect(self.page.get_by_role("img", name="31.2 µF, limits from 32.9 to 37.1: bad").first).to_be_visible()
        aside = self.page.get_by_label("What follows")
        expect(aside).to_contain_text("HERM wires off")
        self.page.get_by_role("button", name="Finish the visit").click()
        expect(aside).to_contain_text("3 lines are not put back")
        for what in ("HERM wires off", "FAN wire off", "Disconnect pulled"):
            self.page.get_by_role("button", name=f"{what}: back").click()
        expect(aside).to_contain_text("Everything is back.")
        self.page.get_by_role("button", name="Not yet", exact=True).click()
        self.page.get_by_role("button", name="Finish the visit").click()
        expect(aside).to_contain_text("What comes after it waits until the visit is opened again")
        self.page.get_by_role("button", name="Yes, finish it").click()
        sheet = self.page.get_by_role("main")
        expect(sheet).to_contain_text("10.9 % under 35 µF")
        expect(sheet).to_contain_text("finished")
        self.page.reload()
        expect(sheet).to_contain_text("10.9 % under 35 µF")

    def test_a_bad_section_says_what_fits_and_asks_for_the_new_part(self) -> None:
        self.open_visit("Quarry Lane 8", "Capacitors")
        says = self.step.get_by_label("Result")
        expect(says).to_contain_text("Fits: 55 + 7.5 µF at 440 V or more")
        expect(says).to_contain_text("On the van")
        self.go_to("Capacitors", "New part, C to HERM")

    def test_bad_typing_stays_and_is_told(self) -> None:
        self.open_visit(SITE, "Capacitors")
        for typed, told in (
            ("abc", "is not a number"),
            ("5.0.4", "two decimal points"),
            ("-3", "cannot be negative"),
            ("4500", "4.5 µF"),
        ):
            field = self.page.locator("[data-reading]")
            field.fill(typed)
            self.page.keyboard.press("Enter")
            expect(self.page.locator("#reading-problem")).to_contain_text(told)
            expect(field).to_have_value(typed)
        field.fill("33,6 uF")
        self.page.keyboard.press("Enter")
        expect(field).to_have_attribute("placeholder", "33.6")
        expect(self.step).to_contain_text("Good")

    def test_the_entry_line_keeps_what_it_did_not_understand(self) -> None:
        self.open_visit(SITE, "Capacitors")
        self.page.keyboard.press("/")
        self.type("herm 34.8 wobble 3 fan 5.0")
        line = self.page.locator("#entry-line")
        expect(line).to_have_value("wobble 3")
        expect(self.page.locator("#entry-line-problem")).to_contain_text("is not a reading this line knows")
        expect(self.page.get_by_role("main")).to_contain_text("so 32.9 to 37.1 µF is good")

    def test_what_is_typed_and_not_sent_survives_a_reload(self) -> None:
        self.open_visit(SITE, "Capacitors")
        self.page.locator("[data-reading]").fill("34.")
        self.page.reload()
        expect(self.page.locator("[data-reading]")).to_have_value("34.")

    def test_typed_ahead_in_a_dead_spot_nothing_is_lost_or_reordered(self) -> None:
        self.open_visit(SITE, "Capacitors")
        self.page.context.set_offline(True)
        self.type("34.8")
        self.page.keyboard.press("Enter")
        expect(self.step.get_by_role("heading", level=1)).to_contain_text("Capacitor case")
        self.page.keyboard.press("1")
        expect(self.page.get_by_role("status").filter(has_text="No signal")).to_contain_text("2 waiting")
        self.page.context.set_offline(False)
        expect(self.path.get_by_role("link").filter(has_text="34.8 µF")).to_be_visible()
        visit = self.page.url.split("/visits/")[1].split("?")[0]
        wait_until_sent(self.page)
        entries = json.loads(self.page.request.get(f"{self.live_server_url}/api/v1/visits/{visit}").text())["round"]["entries"]
        self.assertEqual(
            [(entry["point"], entry["value"]) for entry in entries], [("cap.herm.uf", "34.8"), ("look.capacitor.case", "flat")]
        )

    def test_thirty_volts_stops(self) -> None:
        self.open_visit(SITE)
        self.go_to("Make safe", "Contactor line side, L1 to L2")
        self.page.locator("[data-reading]").fill("236")
        self.page.keyboard.press("Enter")
        dialog = self.page.get_by_role("alertdialog")
        expect(dialog).to_contain_text("this is live")
        dialog.get_by_role("button").click()
        expect(dialog).to_have_count(0)
        expect(self.page.get_by_label("Power").first).to_contain_text("Live")

    def test_a_misread_plate_value_is_corrected_and_judged_anew(self) -> None:
        self.open_visit("Quarry Lane 8", "Plate")
        rla = self.page.get_by_label("Compressor RLA", exact=True)
        rla.fill("13.6")
        expect(self.page.get_by_role("button", name="Save the plate")).to_be_visible()
        self.page.reload()
        expect(rla).to_have_value("13.6")
        self.page.get_by_label("Why it was corrected").fill("read in the shade")
        self.page.get_by_role("button", name="Save the plate").click()
        plate = self.page.get_by_label("What the plate says")
        expect(plate).to_contain_text("a digit misread")
        expect(self.page.get_by_role("main")).to_contain_text("read in the shade")

    def test_nonsense_on_the_plate_is_told_beside_its_field(self) -> None:
        self.open_visit(SITE, "Plate")
        for label, typed in (("MCA", "lots"), ("Compressor RLA", "-4"), ("MCA", "90000")):
            field = self.page.get_by_label(label, exact=True)
            before = field.input_value()
            field.fill(typed)
            self.page.get_by_role("button", name="Save the plate").click()
            expect(field).to_have_attribute("aria-invalid", "true")
            expect(field).to_have_value(typed)
            field.fill(before)
