"""The electrical round in a browser: a whole one by keyboard, the ladder, clocks, meters, house rules."""

import re

from playwright.sync_api import expect

from accounts.models import Company
from browser_tests.base import BrowserTest, wait_until_sent
from outer_test.judgement import HouseRules, Upkeep
from outer_test.plain_data import plain

# What a sound unit reads, by point; a thing seen is its first choice.
SOUND = {
    "safe.line.v": "0.2", "safe.c_herm.vdc": "0.4", "cap.herm.uf": "34.8", "cap.fan.uf": "4.9", "contactor.coil.ohm": "11.4",
    "winding.c_ground.ohm": "OL", "winding.r_ground.ohm": "OL", "winding.s_ground.ohm": "OL", "winding.c_r.ohm": "0.82",
    "winding.c_s.ohm": "2.05", "winding.r_s.ohm": "2.87", "winding.shell.f": "60", "line.l1_l2.v": "238", "line.l1_ground.v": "119",
    "line.l2_ground.v": "119", "control.r_c.v": "26.2", "control.stat_r_c.v": "26.0", "control.stat_y.v": "25.9", "control.y_in.v": "25.8",
    "control.y_out.v": "25.6", "contactor.coil.v": "25.5", "contactor.pole1.drop_v": "0.03", "contactor.pole1.a": "11.2",
    "contactor.pole2.drop_v": "0.03", "contactor.pole2.a": "11.2", "amps.compressor.peak_a": "62", "amps.compressor.run_a": "11.1",
    "amps.fan.run_a": "0.7", "amps.total.run_a": "11.8", "defrost.coil.f": "60", "defrost.switch.ohm": "OL", "defrost.valve_coil.ohm": "17.5",
    "record.air_in.f": "70", "record.air_out.f": "98",
}  # fmt: skip
DEAD_V = "0.1"
# Nothing is on its way to the server any more.


class Round(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def enter(self) -> None:
        """Type a number and Enter, or press a digit for a choice; and go on, where it does not lead on by itself."""
        point = str(self.step.get_attribute("data-point"))
        if self.page.locator('[data-choice="1"]').count():
            self.page.keyboard.press("1")
        else:
            self.page.locator("[data-reading]").click()
            self.type(SOUND.get(point, DEAD_V))
        wait_until_sent(self.page)
        if self.step.get_attribute("data-point") == point:
            self.page.locator("[data-reading]").or_(self.page.locator("body")).first.focus()
            self.page.keyboard.press("Enter")
            expect(self.step.and_(self.page.locator(f'[data-point="{point}"]'))).to_have_count(0)

    def walk(self, most: int = 80) -> None:
        """The whole round by keyboard, in its own order: a company whose maintenance calls record everything."""
        company = Company.objects.get()
        company.rules = plain(HouseRules(maintenance=tuple(Upkeep)))
        company.save()
        self.open_visit("Fell Road 21")
        self.page.get_by_role("button", name="Judge by today’s rules").click()
        expect(self.page.get_by_role("button", name="Judge by today’s rules")).to_have_count(0)
        self.path.get_by_role("link").nth(1).click()
        for _ in range(most):
            if self.page.url.endswith("/finish"):
                return
            for gate in ("All of it is back", "Powered up", "Disconnect is pulled"):
                if self.step.get_by_role("button", name=gate, exact=True).count():
                    self.step.get_by_role("button", name=gate, exact=True).click()
                    wait_until_sent(self.page)
            self.page.locator("body").click(position={"x": 2, "y": 2})
            self.enter()
        self.fail(f"the path did not end in {most} steps")

    def test_forty_five_readings_by_keyboard(self) -> None:
        self.walk()
        wait_until_sent(self.page)
        shown = self.page.request.get(self.visit_address().replace("/visits/", "/api/v1/visits/")).json()["round"]
        self.assertGreaterEqual(len(shown["entries"]), 45)
        bad = [one for one in shown["assessment"]["findings"] if one["verdict"] in ("bad", "stop")]
        self.assertEqual(bad, [])
        self.assertEqual([step["title"] for step in shown["path"] if not step["done"]], [])

    def test_the_ladder_shows_where_the_probes_go_and_what_is_suspect(self) -> None:
        self.open_visit("Quarry Lane 8", "Capacitors")
        line = self.page.get_by_role("figure").get_by_role("img", name="Line voltage")
        expect(line).to_have_attribute("aria-label", re.compile("Red probe on capacitor HERM, black on capacitor C"))
        expect(line).to_have_attribute("aria-label", re.compile("Suspect: 55 . 7.5 µF"))
        self.go_to("Start and run", "Fan running")
        expect(line).to_have_attribute("aria-label", re.compile("Clamp on the wire board F2–fan C"))

    def test_a_wire_tapped_on_the_ladder_goes_on_the_list(self) -> None:
        self.open_visit("Fell Road 21", "Capacitors")
        line = self.page.get_by_role("figure").get_by_role("img", name="Line voltage")
        line.locator("path", has_text="FAN wire off: put it on the list").first.click(force=True)
        asked = self.page.get_by_label("Lift this wire")
        expect(asked).to_contain_text("FAN wire off")
        asked.get_by_role("button", name="Put it on the list").click()
        expect(self.page.get_by_label("To put back")).to_contain_text("FAN wire off")
        expect(line.locator("path", has_text="FAN wire off: put it on the list")).to_have_count(0)

    def test_a_grounded_winding_stops_energising(self) -> None:
        self.open_visit("Lock Cottage 1")
        dialog = self.page.get_by_role("alertdialog")
        expect(dialog).to_contain_text("Do not energise this unit.")
        dialog.get_by_role("button").click()
        expect(dialog).to_have_count(0)
        expect(self.page.get_by_label("Where this stands", exact=True)).to_contain_text("A winding of the compressor is grounded.")

    def test_live_work_on_a_dead_unit_is_caught(self) -> None:
        self.open_visit("Quarry Lane 8", "Start and run")
        self.go_to("Start and run", "Start peak")
        expect(self.page.get_by_role("alert").first).to_contain_text("proved dead")
        expect(self.step).to_contain_text("Still off: Disconnect pulled")
        self.go_to("Windings")
        expect(self.page.get_by_role("alert")).to_have_count(0)

    def test_a_peak_with_its_tags(self) -> None:
        self.open_visit("Fell Road 21")
        self.go_to("Start and run", "Start peak")
        self.page.get_by_label("Caught by").select_option("max-hold")
        self.page.get_by_label("Start device").select_option("none")
        self.page.locator("[data-reading]").fill("70")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_label("Result")).to_contain_text("Max-hold shows a floor")

    def test_the_top_of_the_range_is_asked_for_ol(self) -> None:
        self.open_visit("Fell Road 21")
        self.page.locator("#entry-line").click()
        self.type("lead c .2")  # a lead that reads through shows that the meter's own leads do
        self.go_to("Windings", "C to ground")
        self.page.locator("[data-reading]").fill("OL")
        self.page.get_by_label("Top of the range").fill("40 M")
        self.page.locator("[data-reading]").press("Enter")
        self.go_to("Windings", "C to ground")
        expect(self.page.get_by_label("Result")).to_contain_text("No path to ground.")

    def test_clocks_survive_a_reload_and_count_in_the_title(self) -> None:
        self.open_visit("Quarry Lane 8")
        self.go_to("Power up", "Restart delay")
        self.page.get_by_role("button", name="Start the clock").click()
        clocks = self.page.get_by_label("Clocks")
        expect(clocks).to_contain_text("4:5")
        self.page.goto(self.live_server_url)
        expect(clocks).to_contain_text("Restart hold")
        self.assertRegex(self.page.title(), r"^4:\d\d Restart hold · ")
        clocks.get_by_role("button", name="Restart hold: take off").click()
        expect(clocks).to_have_count(0)

    def test_a_clock_that_runs_out_says_so(self) -> None:
        self.page.evaluate(
            "localStorage.setItem('outer-test.timers', JSON.stringify([{id: 'a', name: 'Bleeding', ends: Date.now() + 1500, rung: false}]))"
        )
        self.page.reload()
        expect(self.page.get_by_label("Clocks").get_by_role("alert")).to_contain_text("over")

    def test_temperatures_in_the_persons_scale(self) -> None:
        self.open_visit("Fell Road 21")
        self.go_to("Windings", "Compressor shell")
        self.choose("Temperatures in °F; change")
        self.page.keyboard.press("Escape")
        field = self.page.locator("[data-reading]")
        field.fill("21.5")
        field.press("Enter")
        expect(field).to_have_attribute("placeholder", "21.5")
        self.choose("Temperatures in °C; change")
        expect(field).to_have_attribute("placeholder", "70.7")


class CompanyScreens(BrowserTest):
    def test_a_lead_changes_a_school_and_a_visit_is_judged_anew(self) -> None:
        self.sign_in("marlow")
        self.page.goto(self.live_server_url + "/rules")
        self.page.get_by_label("Capacitor limits: 10 % either way").check()
        self.page.get_by_label("Why the rules change").fill("a season's trial")
        self.page.get_by_role("button", name="Save these rules").click()
        expect(self.page.get_by_label("Versions")).to_contain_text("a season's trial")
        self.open_visit("Quarry Lane 8", "Capacitors")
        expect(self.step).to_contain_text("The label allows 6 %")
        self.page.get_by_role("button", name="Judge by today’s rules").click()
        expect(self.step).to_contain_text("The house rule allows 10 %")

    def test_a_technician_sees_the_rules_and_cannot_change_them(self) -> None:
        self.sign_in()
        self.page.goto(self.live_server_url + "/rules")
        expect(self.page.get_by_text("Only a lead can change these.")).to_be_visible()
        expect(self.page.get_by_label("Capacitor limits: 10 % either way")).to_be_disabled()

    def test_a_lead_keeps_a_meter_and_nonsense_is_told(self) -> None:
        self.sign_in("marlow")
        self.page.goto(self.live_server_url + "/meters")
        expect(self.page.get_by_text("Calibration overdue")).to_have_count(1)
        self.page.get_by_role("button", name="Add a meter").click()
        name = self.page.get_by_label("Name").last
        self.page.get_by_role("button", name="Save meters").click()
        expect(self.page.get_by_role("alert").first).to_contain_text("Give it a name")
        name.fill("new clamp")
        fresh = self.page.get_by_label("new clamp", exact=True)
        fresh.get_by_role("button", name="Add a range").click()
        fresh.get_by_label("± % of reading").fill("lots")
        self.page.get_by_role("button", name="Save meters").click()
        expect(self.page.get_by_role("alert").last).to_be_visible()
        fresh.get_by_label("± % of reading").fill("1,5")
        self.page.get_by_role("button", name="Save meters").click()
        expect(self.page.get_by_role("alert")).to_have_count(0)
        self.page.reload()
        expect(self.page.get_by_label("new clamp", exact=True).get_by_label("± % of reading")).to_have_value("1.5")
