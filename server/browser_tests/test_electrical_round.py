"""The electrical round in a browser: a whole one by keyboard, the ladder, clocks, meters, house rules."""

import re

from playwright.sync_api import expect

from accounts.models import Company
from browser_tests.base import BrowserTest
from outer_test.judgement import HouseRules, Upkeep
from outer_test.plain_data import plain

# A whole round of a unit with a time-and-temperature board: station, then what is typed or chosen, reading by reading.
# POWER says that the power changed: what is live is read live, with everything put back, and ohms are read dead.
POWER = "power"
WHOLE_ROUND: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("Make safe", ("1!", "0.2", "0.1", "0.1", "0.0", "0.1", "0.1", "1!", "0.4", "0.1", "0.3")),
    ("Look over", ("1!", "1!", "1!", "1!", "1!")),
    ("Capacitors", ("34.8", "4.9")),
    ("Contactor", ("11.4",)),
    ("Windings", ("1!", "OL", "OL", "OL", "0.82", "2.05", "2.87")),
    ("Power up", (POWER, "238", "119", "119", "26.2", "25.9", "25.7", "25.5", "1!", "0.03", "11.2")),
    ("Start and run", ("62", "1!", "11.1", "0.7", "11.8")),
    ("Defrost", ("60", POWER, "OL", "17.5", POWER, "1!", "1!")),
    ("Button up", ("1!", "1!", "1!", "1!")),
)
# Nothing is on its way to the server any more.
ALL_SENT = "() => !(JSON.parse(localStorage.getItem('outer-test.outbox') ?? '{}').waiting ?? []).length"
READINGS = sum(entry != POWER for _, entries in WHOLE_ROUND for entry in entries)


class Round(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def enter(self, entry: str) -> None:
        """Type a number and Enter, or press a digit for a choice; and go on, where it does not lead on by itself."""
        point = self.step.get_attribute("data-point")
        if entry.endswith("!"):
            self.page.locator(f'[data-choice="{entry[0]}"]').wait_for()
            self.page.keyboard.press(entry[0])
        else:
            self.page.locator("[data-reading]").wait_for()
            self.type(entry)
        self.page.wait_for_function(ALL_SENT)
        if self.step.get_attribute("data-point") == point and not self.step.get_by_text(re.compile("^Once more")).count():
            self.page.keyboard.press("Enter")

    def walk(self) -> None:
        """The whole round by keyboard, in its own order: a company whose maintenance calls record everything."""
        company = Company.objects.get()
        company.rules = plain(HouseRules(maintenance=tuple(Upkeep)))
        company.save()
        self.open_visit("Fell Road 21")
        self.page.get_by_role("button", name="Judge by today’s rules").click()
        expect(self.page.get_by_role("button", name="Judge by today’s rules")).to_have_count(0)
        self.go_to("Make safe")
        for station, entries in WHOLE_ROUND:
            self.page.locator("body").click(position={"x": 2, "y": 2})
            for entry in entries:
                with self.subTest(station):
                    if entry == POWER:
                        self.change_power()
                    else:
                        self.enter(entry)

    def change_power(self) -> None:
        """Put back what is off, and say that the power changed."""
        self.page.wait_for_function(ALL_SENT)  # a reading may put a line on the list
        back = self.page.get_by_label("To put back").get_by_role("button", name=": back")
        for name in [line.get_attribute("aria-label") for line in back.all()]:
            self.page.get_by_role("button", name=name, exact=True).click()
            expect(self.page.get_by_role("button", name=name, exact=True)).to_have_count(0)
        self.page.wait_for_function(ALL_SENT)
        self.page.keyboard.press("Alt+p")
        self.page.keyboard.press("Enter")
        self.page.wait_for_function(ALL_SENT)
        self.page.locator("body").click(position={"x": 2, "y": 2})
        field = self.page.locator("[data-reading]")
        if field.count():
            field.click()

    def test_forty_five_readings_by_keyboard(self) -> None:
        self.assertGreaterEqual(READINGS, 45)
        self.walk()
        visit = self.page.url.split("/visits/")[1].split("?")[0].split("/")[0]
        shown = self.page.request.get(f"{self.live_server_url}/api/v1/visits/{visit}").json()["round"]
        self.assertEqual(len(shown["entries"]), READINGS)
        self.assertEqual([one["point"] for one in shown["assessment"]["missing"]], [])
        bad = [one for one in shown["assessment"]["findings"] if one["verdict"] in ("bad", "stop")]
        self.assertEqual(bad, [])

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
        self.page.get_by_label("Top of the range").fill("40000000")
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
