"""The plate in the hand: folded groups, what cannot be read, checks as it is typed, filled from a unit like it; notes that two change."""

import re

from playwright.sync_api import expect

from browser_tests.base import BrowserTest, wait_until_sent, write_headers


class InTheHand(BrowserTest):
    viewport = {"width": 390, "height": 844}
    has_touch = True

    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.open_visit("Fell Road 21")
        self.page.goto(self.visit_address() + "/plate")

    def test_groups_fold_and_nothing_runs_off_the_glass(self) -> None:
        motors = self.page.get_by_role("button", name=re.compile("Motors and circuit"))
        expect(motors).to_have_attribute("aria-expanded", "true")
        capacitors = self.page.get_by_role("button", name=re.compile("Capacitors"))
        expect(capacitors).to_have_attribute("aria-expanded", "false")
        expect(self.page.get_by_label("Run, volts", exact=True)).to_have_count(0)
        capacitors.tap()
        expect(self.page.get_by_label("Run, volts", exact=True)).to_have_value("370")
        self.assertLessEqual(self.page.evaluate("document.documentElement.scrollWidth"), 390)

    def test_what_cannot_be_read_is_said_in_the_field(self) -> None:
        rla = self.page.get_by_label("Compressor RLA", exact=True)
        rla.fill("?")
        expect(rla).to_have_value("")
        expect(self.page.get_by_role("button", name="Compressor RLA: cannot read it")).to_have_attribute("aria-pressed", "true")
        expect(self.page.get_by_label("Motors and circuit", exact=True)).to_contain_text("13.")  # what MCA and FLA say it is
        self.page.get_by_role("button", name="Save the plate").tap()
        expect(self.page.get_by_role("button", name="Save the plate")).to_have_count(0)
        wait_until_sent(self.page)
        self.page.reload()
        expect(self.page.get_by_label("Compressor RLA", exact=True)).to_have_attribute("placeholder", "cannot read it")
        self.page.get_by_label("Compressor RLA", exact=True).fill("13.6")
        expect(self.page.get_by_role("button", name="Compressor RLA: cannot read it")).to_have_attribute("aria-pressed", "false")

    def test_checked_as_it_is_typed_and_saved_by_nobody(self) -> None:
        says = self.page.get_by_label("What the plate says")
        expect(says).to_contain_text("5 checks agree")
        self.page.get_by_label("MCA", exact=True).fill("27.8")
        expect(says).to_contain_text("a digit misread")
        expect(says).to_contain_text("as it is typed")
        self.page.get_by_role("button", name="Discard changes").tap()
        expect(says).to_contain_text("5 checks agree")
        expect(self.page.get_by_label("MCA", exact=True)).to_have_value("17.8")

    def test_only_what_this_kind_of_unit_has(self) -> None:
        expect(self.page.get_by_label("Branch-circuit selection", exact=True)).to_have_count(1)
        self.page.get_by_role("button", name=re.compile("Defrost board")).tap()
        self.page.get_by_label("Defrost control", exact=True).select_option("demand")
        expect(self.page.get_by_label("Sensor at 77 °F", exact=True)).to_have_count(1)
        self.page.get_by_label("Defrost control", exact=True).select_option("time-temperature")
        expect(self.page.get_by_label("Sensor at 77 °F", exact=True)).to_have_count(0)

    def test_filled_from_a_unit_like_it(self) -> None:
        self.page.get_by_role("button", name="Copy from a unit like it").tap()
        self.page.get_by_label("Find a unit like it").fill("quarry")
        self.page.get_by_role("button", name="Quarry Lane 8, north pad").tap()
        expect(self.page.get_by_role("status").filter(has_text="filled from Quarry Lane 8")).to_be_visible()
        expect(self.page.get_by_label("Compressor RLA", exact=True)).to_have_value("13.6")  # what stands is left


class Notes(BrowserTest):
    def test_two_who_change_them_never_write_over_each_other_unseen(self) -> None:
        self.sign_in()
        units = self.page.request.get(f"{self.live_server_url}/api/v1/fleet/find?q=quarry").json()["units"]
        self.page.goto(f"{self.live_server_url}/units/{units[0]['id']}")
        mine = self.page.get_by_label("Notes on this unit")
        mine.fill("Dog in the yard.")
        body = {"notes": "Gate code 12.", "version": 0}
        other = self.page.request.put(
            f"{self.live_server_url}/api/v1/units/{units[0]['id']}/notes",
            data=body,
            headers=write_headers(self.page, self.live_server_url),
        )
        self.assertEqual(other.status, 200, other.text())
        self.page.get_by_role("button", name="Save the notes").click()
        problem = self.page.get_by_role("alert")
        expect(problem).to_contain_text("It now says: Gate code 12.")
        expect(mine).to_have_value("Dog in the yard.")
        self.page.get_by_role("button", name="Save the notes").click()
        expect(self.page.get_by_role("button", name="Save the notes")).to_have_count(0)
        self.page.get_by_role("button", name="Earlier notes").click()
        expect(self.page.get_by_label("Notes", exact=True)).to_contain_text("Gate code 12.")
