"""A part put in from the round, and what was not stamped of a defrost."""

from playwright.sync_api import expect

from browser_tests.base import BrowserTest


class Repair(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def test_the_accused_capacitor_is_put_in_in_one_step(self) -> None:
        self.open_visit("Quarry Lane 8", "Capacitors")
        stands, parts = (self.page.get_by_label(name, exact=True) for name in ("Where this stands", "Parts put in"))
        expect(stands).to_contain_text("Run capacitor.")
        parts.get_by_role("button", name="New run capacitor is in").click()
        parts.get_by_label("HERM, µF").fill("fifty-five")
        parts.get_by_role("button", name="Save", exact=True).click()
        expect(parts.get_by_role("alert")).to_contain_text("is not a rating")
        parts.get_by_label("HERM, µF").fill("55")
        parts.get_by_label("HERM in the hand").fill("5.0.4")
        parts.get_by_label("FAN in the hand").fill("7.4")
        self.page.reload()
        expect(parts.get_by_label("FAN in the hand")).to_have_value("7.4")
        parts.get_by_role("button", name="Save", exact=True).click()
        expect(parts.get_by_role("alert")).to_contain_text("two decimal points")
        parts.get_by_role("button", name="Edit").click()
        parts.get_by_label("HERM in the hand").fill("55.3")
        parts.get_by_role("button", name="Save", exact=True).dblclick()
        expect(parts).to_contain_text("Found bad, left good.")
        expect(parts.get_by_text("Run capacitor 55 + 7.5 µF")).to_have_count(1)
        expect(stands).not_to_contain_text("Run capacitor.")

    def test_one_never_put_in_comes_off_the_record(self) -> None:
        self.open_visit("Quarry Lane 8", "Capacitors")
        parts = self.page.get_by_label("Parts put in", exact=True)
        parts.get_by_role("button", name="Add a part put in").click()
        parts.get_by_label("Part", exact=True).select_option("contactor")
        parts.get_by_role("button", name="Save", exact=True).click()
        expect(parts.get_by_text("Contactor", exact=True)).to_have_count(1)
        parts.get_by_role("button", name="Remove this entry").click()
        parts.get_by_role("button", name="Yes, remove this entry").click()
        expect(parts.get_by_text("Contactor", exact=True)).to_have_count(0)


class Answers(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def test_what_was_not_stamped_is_asked_and_only_a_no_is_evidence(self) -> None:
        self.open_visit("Fell Road 21", "Defrost")
        self.page.get_by_role("link", name="Run", exact=True).click()
        self.page.get_by_role("button", name="Forced: start the clock").click()
        self.page.get_by_role("button", name="Valve shifts").click()
        self.page.get_by_role("button", name="Stop watching").click()
        fan = self.page.get_by_role("group", name="Did the outdoor fan stop?")
        said = self.page.get_by_label("What this run says")
        expect(said).to_contain_text("Did the outdoor fan stop?")
        fan.get_by_role("button", name="No", exact=True).click()
        expect(fan.get_by_role("button", name="No", exact=True)).to_have_attribute("aria-pressed", "true")
        expect(said).to_contain_text("The outdoor fan ran on through the defrost.")
        fan.get_by_role("button", name="Yes").click()
        expect(said).to_contain_text("was not stamped, but it came")
