"""The simulated board in a hand: a defrost is forced, watched, stamped and called, then marked."""

from playwright.sync_api import expect

from browser_tests.base import BrowserTest


class Practice(BrowserTest):
    viewport = {"width": 390, "height": 844}
    has_touch = True

    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.page.goto(f"{self.live_server_url}/practice")
        self.page.get_by_label("Board").select_option("timed, plain")
        self.main = self.page.get_by_role("main")

    def begin(self, fault: str) -> None:
        self.page.get_by_label("Fault").select_option(fault)
        self.page.get_by_label("Time runs").select_option("10")
        self.page.get_by_role("button", name="Force a defrost").tap()
        expect(self.page.get_by_label("Time since it was forced")).to_be_visible()

    def test_a_fan_that_runs_on_is_seen_called_and_marked(self) -> None:
        self.begin("fan relay stuck")
        seen = self.page.get_by_label("What you see and hear")
        expect(seen).to_contain_text("it has shifted to cooling")
        self.page.get_by_role("button", name="Valve shifts").tap()
        expect(self.page.get_by_role("button", name="Valve shifts")).to_be_disabled()
        expect(seen).to_contain_text("Outdoor fan", use_inner_text=True)
        self.page.get_by_role("button", name="Seen enough").tap()
        self.page.get_by_label("The fault").select_option("fan relay stuck")
        self.page.get_by_role("button", name="Check it").tap()
        expect(self.main).to_contain_text("Right: fan relay stuck")
        expect(self.page.get_by_label("What your stamps say")).to_contain_text("The outdoor fan ran on through the defrost")
        expect(self.page.get_by_label("Your stamps").get_by_role("row", name="Valve shifts")).not_to_contain_text("not stamped")

    def test_a_hidden_fault_is_shown_once_it_was_called(self) -> None:
        self.begin("")
        self.page.get_by_role("button", name="Seen enough").tap()
        check = self.page.get_by_role("button", name="Check it")
        expect(check).to_be_disabled()
        self.page.get_by_label("The fault").select_option("nothing wrong")
        check.tap()
        expect(self.page.get_by_role("heading", level=2)).to_contain_text(":")
        self.page.get_by_role("button", name="Another one").tap()
        expect(self.page.get_by_label("Board")).to_have_value("timed, plain")
