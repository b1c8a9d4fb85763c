"""A whole defrost in the browser: by keyboard and by touch."""

import re
from typing import Any

from playwright.sync_api import expect

from accounts.models import Company
from browser_tests.base import BrowserTest, wait_until_sent
from fleet.models import Unit
from visits.models import Visit


class BenchTest(BrowserTest):
    def turn_to(self, page: str) -> None:
        """One of the bench's pages."""
        self.page.get_by_role("navigation", name="Defrost, page by page").get_by_role("link", name=page, exact=True).click()


class Bench(BenchTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.open_visit("Fell Road 21", "Defrost")
        self.bench = self.page.get_by_label("Defrost bench", exact=True)

    def test_a_run_stamped_by_keyboard(self) -> None:
        self.turn_to("Run")
        self.bench.get_by_role("button", name="Forced: start the clock").click()
        expect(self.bench.get_by_label("Time since it was forced")).to_be_visible()
        self.page.locator("body").click(position={"x": 2, "y": 2})
        for digit, lane in (
            ("1", "The valve shifted"),
            ("2", "The outdoor fan stopped"),
            ("7", "It ended after"),
            ("8", "The fan went back"),
            ("9", "The valve went back"),
        ):
            self.page.keyboard.press(digit)
            expect(self.bench.get_by_label("What this run says")).to_contain_text(lane)
        self.bench.get_by_role("button", name="Stop watching").click()
        self.page.reload()
        expect(self.bench.get_by_label("What this run says")).to_contain_text("right for a short forced run")
        self.turn_to("Run")
        expect(self.bench.get_by_role("button", name="Force another")).to_be_visible()

    def test_undo_and_the_list(self) -> None:
        expect(self.bench).to_contain_text("The coil switch was not measured")
        self.page.keyboard.press("/")
        self.page.keyboard.type("switch closed")
        self.page.keyboard.press("Enter")
        expect(self.bench).to_contain_text("The switch is closed")
        self.bench.get_by_role("button", name="put it on the list").first.click()
        expect(self.page.get_by_label("What follows")).to_contain_text("jumper on")
        self.turn_to("Run")
        self.bench.get_by_role("button", name="Forced: start the clock").click()
        self.bench.get_by_role("button", name="Valve shifts").click()
        expect(self.bench.get_by_label("What this run says")).to_contain_text("The valve shifted")
        self.bench.get_by_role("button", name="Undo the last stamp").click()
        expect(self.bench.get_by_label("What this run says")).not_to_contain_text("The valve shifted")

    def test_stamps_are_mended_after_it_was_stopped(self) -> None:
        self.turn_to("Run")
        self.bench.get_by_role("button", name="Forced: start the clock").click()
        self.bench.get_by_role("button", name="Valve shifts").click()
        self.bench.get_by_role("button", name="Stop watching").click()
        stamped = self.bench.get_by_label("Stamped", exact=True)
        stamped.get_by_label("Valve shifts: seconds after it was forced").fill("4")
        stamped.get_by_role("button", name="Save").click()
        expect(self.bench.get_by_label("What this run says")).to_contain_text("The valve shifted after 4 s")
        stamped.get_by_label("Add one that was missed").select_option("fan-off")
        stamped.get_by_label("Seconds after it was forced", exact=True).fill("5")
        stamped.get_by_role("button", name="Add", exact=True).click()
        expect(self.bench.get_by_label("What this run says")).to_contain_text("The outdoor fan stopped")
        stamped.get_by_role("button", name="Remove the stamp: Fan stops").click()
        expect(stamped.get_by_role("button", name="Remove the stamp: Fan stops")).to_have_count(0)
        expect(self.bench.get_by_label("What this run says")).to_contain_text("The valve shifted after 4 s")


class TouchBench(BenchTest):
    viewport = {"width": 390, "height": 844}
    has_touch = True

    def test_a_run_stamped_with_a_thumb(self) -> None:
        self.sign_in()
        self.open_visit("Fell Road 21", "Defrost")
        bench = self.page.get_by_label("Defrost bench", exact=True)
        self.turn_to("Run")
        force = bench.get_by_role("button", name="Forced: start the clock")
        expect(force).to_be_in_viewport()
        force.tap()
        for name, told in (("Valve shifts", "The valve shifted"), ("Fan stops", "The outdoor fan stopped"), ("Ended", "It ended after")):
            self.page.wait_for_timeout(650)
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
        day.get_by_role("button", name="Save conditions").click()
        expect(day.get_by_role("alert")).to_be_visible()
        day.get_by_label("Outdoors, °F", exact=True).fill("36")
        day.get_by_label("Humidity outdoors, %").fill("85")
        day.get_by_role("button", name="Save conditions").click()
        expect(day.get_by_role("button")).to_have_count(0)
        self.go_to("Defrost")
        expect(self.page.get_by_label("Defrost bench", exact=True)).to_contain_text("a natural defrost can be watched")


class SwapAndAdvice(BenchTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.open_visit("Fell Road 21", "Defrost")

    def test_a_board_swapped_wire_by_wire_and_proved(self) -> None:
        self.turn_to("Swap the board")
        self.page.get_by_role("button", name="Swap the board, wire by wire").click()
        swap = self.page.get_by_label("Swap the board", exact=True)
        for terminal, colour in (("Y", "yellow"), ("D1", "black")):
            swap.get_by_label("Terminal", exact=True).fill(terminal)
            swap.get_by_label("Colour").fill(colour)
            swap.get_by_role("button", name="Map this wire").click()
            expect(swap).to_contain_text(f"{colour} on the old board")
        swap.get_by_role("button", name="Map this wire").click()
        expect(swap.get_by_role("alert")).to_contain_text("which terminal")
        swap.get_by_role("button", name="Take it off").first.click()
        expect(swap).to_contain_text("off, in your hand")
        expect(swap.get_by_role("button", name="Take it off")).to_be_disabled()
        expect(self.page.get_by_label("What follows")).to_contain_text("Board wire Y (yellow)")
        self.page.reload()
        swap.get_by_label("New terminal").fill("Y1")
        swap.get_by_role("button", name="On the new board").click()
        expect(swap).to_contain_text("on the new board, at Y1")
        swap.get_by_role("button", name="Take it off").click()
        swap.get_by_label("or retired, because").fill("the new board has sensors")
        swap.get_by_role("button", name="Retire it").click()
        expect(swap).to_contain_text("retired: the new board has sensors")
        expect(swap).to_contain_text("not proved yet")
        self.turn_to("Run")
        bench = self.page.get_by_label("Defrost bench", exact=True)
        bench.get_by_role("button", name="Forced: start the clock").click()
        for event in ("Valve shifts", "Ended"):
            self.page.wait_for_timeout(650)  # a second tap right after the first counts as none
            bench.get_by_role("button", name=event).click()
        self.turn_to("Swap the board")
        expect(swap).to_contain_text("a whole defrost was run on the new board")

    def test_interval_and_what_it_costs(self) -> None:
        self.turn_to("How often, what it costs")
        cost = self.page.get_by_label("How often, and what it costs")
        cost.get_by_label("Aux heat, kW").fill("lots")
        cost.get_by_label("The season").fill("42 600\n32 400")
        cost.get_by_role("button", name="Calculate").click()
        expect(cost.get_by_role("alert")).to_be_visible()
        cost.get_by_label("Aux heat, kW").fill("10")
        cost.get_by_label("Electricity, a kWh").fill("0,2")
        cost.get_by_role("button", name="Calculate").click()
        expect(cost).to_contain_text("Set 60 min: all electric")
        expect(cost.get_by_label("Cost of each pin")).to_contain_text("1000 defrosts")
        self.page.reload()
        expect(self.page.get_by_label("Aux heat, kW")).to_have_value("10")

    def test_a_profile_and_a_switch_mark_fill_the_plate(self) -> None:
        self.go_to("Plate")
        self.page.get_by_label("Mark on the coil switch").fill("nonsense")
        self.page.get_by_role("button", name="What it means").click()
        expect(self.page.get_by_role("alert")).to_contain_text("no switch mark")
        self.page.get_by_label("Mark on the coil switch").fill("L60-30")
        self.page.get_by_role("button", name="What it means").click()
        self.page.get_by_role("button", name="more likely").click()
        expect(self.page.get_by_label("Coil switch closes", exact=True)).to_have_value("30")
        expect(self.page.get_by_label("Coil switch opens", exact=True)).to_have_value("60")
        self.page.get_by_label("Board profile").select_option("demand, plain")
        expect(self.page.get_by_label("Defrost control", exact=True)).to_have_value("demand")
        self.page.get_by_role("textbox", name="Sensor table").fill("77 10000\n32 warm")
        self.page.get_by_role("button", name="Save the plate").click()
        expect(self.page.get_by_role("alert").first).to_be_visible()
        self.page.get_by_role("textbox", name="Sensor table").fill("77 10000\n32 32600")
        self.page.get_by_role("button", name="Save the plate").click()
        expect(self.page.get_by_role("button", name="On with the call")).to_be_visible()
        self.go_to("Look over", "Board light, flashes")
        for _ in range(3):
            self.page.get_by_role("button", name="Tap at each flash").click()
        self.page.keyboard.press("Tab")
        self.page.get_by_role("button", name="Save", exact=True).click()
        expect(self.page.get_by_role("main")).to_contain_text("Ambient sensor out of range")


class ControlNotOnThePlate(BrowserTest):
    """Handbook 9: a control that is not on record is asked for, and nothing of a kind is asked before."""

    viewport = {"width": 390, "height": 844}
    has_touch = True

    def setUp(self) -> None:
        super().setUp()
        unit = Unit.objects.of(Company.objects.get()).get(site__name="Fell Road 21")
        del unit.plate["defrost"]
        unit.save()
        Visit._base_manager.filter(unit=unit).update(complaint="iced-over")
        self.sign_in()
        self.open_visit("Fell Road 21")
        self.here = self.page.get_by_label("The step at hand", exact=True)

    def on_record(self) -> dict[str, Any]:
        wait_until_sent(self.page)
        address = self.visit_address().replace("/visits/", "/api/v1/visits/")
        found: dict[str, Any] = self.page.context.request.get(address).json()["round"]["plate"]["defrost"]
        return found

    def test_a_look_and_a_tap_put_it_there_and_another_tap_corrects_it(self) -> None:
        expect(self.here).to_contain_text("Which defrost control it has")
        self.here.get_by_role("button", name=re.compile("Two sensors")).tap()
        expect(self.here.get_by_role("button", name=re.compile("Two sensors"))).to_have_attribute("aria-pressed", "true")
        expect(self.here).to_contain_text("It is on the plate.")
        self.page.wait_for_timeout(700)  # a second tap within it is the same tap
        self.here.get_by_role("button", name=re.compile("A coil switch")).tap()
        expect(self.here.get_by_role("button", name=re.compile("A coil switch"))).to_have_attribute("aria-pressed", "true")
        self.here.get_by_role("button", name="Next").tap()
        expect(self.here).not_to_contain_text("Which defrost control it has")
        self.assertEqual(self.on_record()["control"], "time-temperature")
        self.page.goto(f"{self.visit_address()}?point=defrost.switch.ohm")
        expect(self.here).to_contain_text("One lead off the board.")

    def test_how_to_force_it_leads_there_and_skipping_goes_on(self) -> None:
        self.page.goto(f"{self.visit_address()}/defrost")
        self.page.get_by_label("Defrost bench", exact=True).get_by_role("link", name="Which defrost control it has").tap()
        self.here.get_by_role("button", name="Skip").tap()
        expect(self.here).not_to_contain_text("Which defrost control it has")
        self.assertIsNone(self.on_record()["control"])
