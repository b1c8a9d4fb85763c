"""A whole defrost in the browser: by keyboard, by touch, and by the simulated board."""

from playwright.sync_api import expect

from browser_tests.base import BrowserTest


class Bench(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.open_visit("Fell Road 21", "Defrost")
        self.bench = self.page.get_by_label("Defrost bench")

    def test_a_run_stamped_by_keyboard(self) -> None:
        self.bench.get_by_role("button", name="Forced: start the clock").click()
        expect(self.bench.get_by_label("Time since it was forced")).to_be_visible()
        self.page.locator("body").click(position={"x": 2, "y": 2})
        for digit, lane in (
            ("1", "The valve shifted"),
            ("2", "The outdoor fan stopped"),
            ("7", "It ended after"),
            ("8", "Fan on"),
            ("9", "Valve back"),
        ):
            self.page.keyboard.press(digit)
            expect(self.bench.get_by_label("What this run says")).to_contain_text(lane)
        self.bench.get_by_role("button", name="Stop watching").click()
        self.page.reload()
        expect(self.bench.get_by_label("What this run says")).to_contain_text("right for a short forced run")
        expect(self.bench.get_by_role("button", name="Force another now")).to_be_visible()

    def test_undo_and_the_list(self) -> None:
        self.bench.get_by_role("button", name="put it on the list").first.click()
        expect(self.page.get_by_label("What follows")).to_contain_text("jumper on")
        self.bench.get_by_role("button", name="Forced: start the clock").click()
        self.bench.get_by_role("button", name="Valve shifts").click()
        expect(self.bench.get_by_label("What this run says")).to_contain_text("The valve shifted")
        self.bench.get_by_role("button", name="Undo the last stamp").click()
        expect(self.bench.get_by_label("What this run says")).not_to_contain_text("The valve shifted")

    def test_every_simulated_fault_is_told(self) -> None:
        for fault, told in (
            ("none", "by temperature"), ("fan-relay", "the board's fan relay"), ("switch-stuck-closed", "It ended by time"), ("late-end", "beyond its 10 min limit"),
        ):  # fmt: skip
            self.bench.get_by_label("Simulated board").select_option(fault)
            self.bench.get_by_role("button", name="Run it").click()
            expect(self.bench.get_by_label("What this run says")).to_contain_text(told)


class TouchBench(BrowserTest):
    viewport = {"width": 390, "height": 844}
    has_touch = True

    def test_a_run_stamped_with_a_thumb(self) -> None:
        self.sign_in()
        self.open_visit("Fell Road 21", "Defrost")
        bench = self.page.get_by_label("Defrost bench")
        bench.get_by_role("button", name="Forced: start the clock").tap()
        for name, told in (("Valve shifts", "The valve shifted"), ("Fan stops", "The outdoor fan stopped"), ("Ended", "It ended after")):
            button = bench.get_by_role("button", name=name)
            box = button.bounding_box()
            assert box is not None
            self.assertGreaterEqual(round(box["height"]), 60)
            button.tap()
            expect(bench.get_by_label("What this run says")).to_contain_text(told)


class Outlook(BrowserTest):
    def test_the_day_tells_whether_it_frosts(self) -> None:
        self.sign_in()
        self.open_visit("Fell Road 21", "Plate")
        day = self.page.get_by_label("The day")
        day.get_by_label("Outdoors, °F", exact=True).fill("cold")
        day.get_by_role("button", name="Keep the day").click()
        expect(day.get_by_role("alert")).to_be_visible()
        day.get_by_label("Outdoors, °F", exact=True).fill("36")
        day.get_by_label("Humidity outdoors, %").fill("85")
        day.get_by_role("button", name="Keep the day").click()
        expect(day.get_by_role("button")).to_have_count(0)
        self.go_to("Defrost")
        expect(self.page.get_by_label("Defrost bench")).to_contain_text("a natural defrost can be watched")
