"""A technician who types and presses wrong things: each has a clear answer, and nothing typed is lost."""

from uuid import uuid4

from playwright.sync_api import expect

from accounts.models import Member
from browser_tests.base import BrowserTest, wait_until_sent
from ledger.models import EventRow
from ledger.writer import Made, own_writer
from outer_test.acts import FinishVisit
from visits.act import act_on
from visits.models import Visit

SITE = "Fell Road 21"


class Addresses(BrowserTest):
    def test_an_address_that_leads_nowhere_says_so(self) -> None:
        self.sign_in()
        nobody = "00000000-0000-4000-8000-000000000000"
        for address in (f"/visits/{nobody}", f"/visits/{nobody}/sheet", f"/units/{nobody}", "/visits/none", "/units/none", "/nothing-here"):
            with self.subTest(address):
                self.page.goto(self.live_server_url + address)
                expect(self.page.get_by_role("main")).to_contain_text("no ", ignore_case=True)
                expect(self.page.get_by_role("link", name="Today’s visits")).to_be_visible()

    def test_a_wrong_password(self) -> None:
        self.page.goto(self.live_server_url)
        self.page.get_by_label("Name").fill("wren")
        self.page.get_by_label("Password").fill("a wrong one")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("alert")).to_be_visible()
        expect(self.page.get_by_label("Name")).to_have_value("wren")


class InTheRound(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.open_visit(SITE, "Capacitors")
        self.visit = Visit._base_manager.get(id=self.visit_address().split("/visits/")[1])
        self.aside = self.page.get_by_label("What follows")

    def kept(self, sent: bool = True) -> list[tuple[str, str]]:
        if sent:
            wait_until_sent(self.page)
        rows = EventRow._base_manager.filter(visit=self.visit.pk, kind__in=("reading", "seen")).order_by("place")
        return [(row.body["point"], row.body["value"]) for row in rows]

    def test_enter_pressed_twice_is_one_reading(self) -> None:
        self.page.locator("[data-reading]").fill("34.8")
        self.page.keyboard.press("Enter")
        self.page.keyboard.press("Enter")
        expect(self.path.get_by_role("link").filter(has_text="34.8 µF")).to_be_visible()
        self.assertEqual(self.kept(), [("cap.herm.uf", "34.8")])

    def test_a_slip_is_corrected_and_both_stay_on_record(self) -> None:
        self.type("43.8")
        expect(self.step).to_contain_text("Bad")
        self.page.locator("[data-reading]").fill("34.8")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("main")).to_contain_text("so 32.9 to 37.1 µF is good")
        self.assertEqual(self.kept(), [("cap.herm.uf", "43.8"), ("cap.herm.uf", "34.8")])

    def test_a_line_of_nonsense_stays_in_the_line(self) -> None:
        for text in ("hello", "herm", "herm herm 4", "<script>alert(1)</script>", "34.8 34.9 35", "x" * 1900):
            with self.subTest(text[:20]):
                self.page.locator("#entry-line").fill(text)
                self.page.locator("#entry-line").press("Enter")
                expect(self.page.locator("#entry-line-problem")).to_be_visible()
                expect(self.page.locator("#entry-line")).not_to_have_value("")
        self.assertEqual(self.problems, [])

    def test_words_that_a_page_would_run_are_only_words(self) -> None:
        self.page.get_by_label("Lifted, pulled or jumpered").fill("<img src=x onerror=alert(1)>")
        self.page.get_by_role("button", name="Add", exact=True).click()
        expect(self.aside).to_contain_text("<img src=x onerror=alert(1)>")
        expect(self.aside.locator("img")).to_have_count(0)

    def test_a_line_is_not_ended_without_its_reason(self) -> None:
        self.page.get_by_label("Lifted, pulled or jumpered").fill("low-pressure switch bypassed")
        self.page.get_by_role("button", name="Add", exact=True).click()
        self.aside.get_by_role("button", name="low-pressure switch bypassed: not back").click()
        self.aside.get_by_role("button", name="Left until the return visit").click()
        expect(self.aside.get_by_role("alert")).to_contain_text("Say why")
        self.page.get_by_role("button", name="Finish the visit").click()
        self.page.get_by_role("button", name="Finish anyway").click()
        expect(self.aside.get_by_label("Finish").get_by_role("alert")).to_contain_text("say why it stays off")
        expect(self.page.get_by_role("button", name="Finish anyway")).to_be_visible()
        self.page.get_by_label("To finish anyway, say why.").fill("part on order")
        self.page.get_by_role("button", name="Finish anyway").click()
        expect(self.page.get_by_role("main")).to_contain_text("part on order")
        expect(self.page.get_by_role("main")).to_contain_text("low-pressure switch bypassed")

    def test_on_a_visit_finished_elsewhere_what_was_typed_waits_until_it_is_opened_again(self) -> None:
        office = Member._base_manager.get(username="marlow")
        act_on(own_writer(office, "office"), self.visit.pk, Made(id=uuid4()), FinishVisit(reason="the customer has to leave"))
        self.page.locator("[data-reading]").fill("34.8")
        self.page.keyboard.press("Enter")
        end = self.page.get_by_label("Finish", exact=True)
        expect(end).to_contain_text("came after the end")
        expect(end).to_contain_text("34.8 µF")
        end.get_by_role("button", name="Open the visit again").click()
        end.get_by_role("button", name="Open it again").click()
        expect(end).to_contain_text("Use 1 to 300 characters.")
        end.get_by_label("Why is it opened again?").fill("one reading came late")
        end.get_by_role("button", name="Open it again").click()
        expect(self.page.get_by_role("main")).to_contain_text("so 32.9 to 37.1 µF is good")
        self.assertEqual(self.kept(), [("cap.herm.uf", "34.8")])
        self.assertEqual(self.severe_axe_problems(), [])

    def test_a_session_that_ended_keeps_the_reading_until_one_is_back(self) -> None:
        self.page.context.clear_cookies()
        self.page.locator("[data-reading]").fill("34.8")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_label("Password")).to_be_visible()
        self.assertEqual(self.kept(sent=False), [])
        self.sign_in()
        self.open_visit(SITE, "Capacitors")
        expect(self.page.get_by_role("main")).to_contain_text("so 32.9 to 37.1 µF is good")
        self.assertEqual(self.kept(), [("cap.herm.uf", "34.8")])

    def test_the_days_temperatures(self) -> None:
        self.go_to("Plate")
        day = self.page.get_by_label("The day")
        for label, typed in (("Outdoors, °F", "warm"), ("Outdoors, °F", "900"), ("Humidity outdoors, %", "250")):
            with self.subTest(typed):
                field = day.get_by_label(label, exact=label.startswith("Out"))
                before = field.input_value()
                field.fill(typed)
                day.get_by_role("button", name="Save conditions").click()
                expect(day.get_by_role("alert").first).to_be_visible()
                expect(field).to_have_value(typed)
                field.fill(before)

    def test_keys_meant_for_a_field_are_not_taken_for_commands(self) -> None:
        self.page.get_by_label("Lifted, pulled or jumpered").fill("")
        self.page.get_by_label("Lifted, pulled or jumpered").press_sequentially("a/b? 1")
        expect(self.page.get_by_label("Lifted, pulled or jumpered")).to_have_value("a/b? 1")
        expect(self.page.get_by_role("alertdialog")).to_have_count(0)
