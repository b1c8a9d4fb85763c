"""The day's list: by date, with what is planned, moved, given to another, cancelled and corrected."""

from playwright.sync_api import Locator, expect

from browser_tests.base import BrowserTest

UNIT = "Fell Road 21, side yard"


class Day(BrowserTest):
    viewport = {"width": 390, "height": 844}
    has_touch = True

    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def row(self, text: str) -> Locator:
        return self.page.get_by_role("main").get_by_role("link").filter(has_text=text)

    def change(self) -> None:
        self.page.get_by_role("button", name=f"Change: {UNIT}").tap()
        self.page.get_by_role("dialog").wait_for()

    def test_moved_to_tomorrow_and_given_to_another(self) -> None:
        self.change()
        form = self.page.get_by_role("dialog")
        now = form.get_by_label("When").input_value()
        tomorrow = self.page.evaluate(
            "() => { const day = new Date(); day.setDate(day.getDate() + 1); return day.toLocaleDateString('sv'); }"
        )
        form.get_by_label("When").fill(f"{tomorrow}T{now.split('T')[1]}")
        form.get_by_label("Technician", exact=True).select_option(label="Odo Pennick")
        form.get_by_label("Notes for the technician").fill("gate code at the desk")
        form.get_by_role("button", name="Save").tap()
        expect(form).to_have_count(0)
        expect(self.row(UNIT)).to_have_count(0)
        self.page.get_by_role("button", name="The day after").tap()
        expect(self.page.get_by_role("heading", name="Tomorrow")).to_be_visible()
        expect(self.row(UNIT)).to_contain_text("Odo Pennick")
        self.assertEqual(self.severe_axe_problems(), [])

    def test_cancelled_only_with_a_reason(self) -> None:
        self.change()
        form = self.page.get_by_role("dialog")
        form.get_by_role("button", name="Cancel the visit …").tap()
        form.get_by_role("button", name="Cancel the visit", exact=True).tap()
        expect(form.get_by_role("alert")).to_contain_text("Use 1 to 300 characters")
        form.get_by_label("Why is it cancelled?").fill("the customer moved")
        form.get_by_role("button", name="Cancel the visit", exact=True).tap()
        expect(form).to_have_count(0)
        expect(self.row(UNIT)).to_contain_text("cancelled: the customer moved")

    def test_a_wrong_complaint_and_a_wrong_address_are_corrected(self) -> None:
        self.change()
        form = self.page.get_by_role("dialog")
        form.get_by_label("Complaint").select_option("hums-no-start")
        form.get_by_label("Address").fill("")
        form.get_by_role("button", name="Save").tap()
        expect(form.get_by_role("alert")).to_contain_text("Use 1 to 200 characters")
        form.get_by_label("Address").fill("21 Fell Road, back gate")
        form.get_by_role("button", name="Save").tap()
        expect(form).to_have_count(0)
        expect(self.row(UNIT)).to_contain_text("hums, does not start")
        expect(self.row(UNIT)).to_contain_text("back gate")

    def test_opened_for_another_day(self) -> None:
        self.page.get_by_role("button", name="The day after").tap()
        self.page.get_by_label("Unit", exact=True).select_option(label=UNIT)
        self.page.get_by_label("Technician", exact=True).select_option(label="Odo Pennick")
        self.page.get_by_role("button", name="Open", exact=True).tap()
        expect(self.row(UNIT)).to_contain_text("09:00")
        expect(self.row(UNIT)).to_contain_text("Odo Pennick")
