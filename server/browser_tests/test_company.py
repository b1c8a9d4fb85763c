"""What a lead looks after: letterhead, meters, boards, people; and what a technician may not change."""

from playwright.sync_api import expect

from accounts.demo_people import DEMO_PASSWORD
from accounts.models import AuditRecord
from browser_tests.base import BrowserTest


class Typed(BrowserTest):
    """Nothing typed on the company's screens is lost by a reload, and a change of mind forgets it."""

    def setUp(self) -> None:
        super().setUp()
        self.sign_in("marlow")

    def test_the_letterhead(self) -> None:
        self.page.goto(f"{self.live_server_url}/company")
        head = self.page.get_by_label("Under your name")
        head.fill("Tern Hollow 9\nLicence of the county 0042")
        self.page.reload()
        expect(head).to_have_value("Tern Hollow 9\nLicence of the county 0042")
        self.page.get_by_role("button", name="Save").click()
        expect(self.page.get_by_role("button", name="Save")).to_have_count(0)
        self.page.goto(self.live_server_url)
        visit = str(self.page.locator('a:has-text("Tannery Yard")').first.get_attribute("href")).removesuffix("/sheet")
        self.page.goto(f"{self.live_server_url}/api/v1{visit}/report")
        expect(self.page.get_by_text("Licence of the county 0042").first).to_be_visible()

    def test_a_meter(self) -> None:
        self.page.goto(f"{self.live_server_url}/meters")
        self.page.get_by_role("button", name="Add a meter").click()
        self.page.get_by_label("Name").last.fill("thin clamp")
        self.page.reload()
        expect(self.page.get_by_label("thin clamp", exact=True)).to_be_visible()
        self.page.get_by_role("button", name="Discard changes").click()
        expect(self.page.get_by_label("thin clamp", exact=True)).to_have_count(0)
        self.page.reload()
        expect(self.page.get_by_role("heading", name="Meters")).to_be_visible()
        expect(self.page.get_by_label("thin clamp", exact=True)).to_have_count(0)

    def test_a_board(self) -> None:
        self.page.goto(f"{self.live_server_url}/boards")
        self.page.get_by_role("button", name="Add a board").click()
        self.page.get_by_label("Name of the profile").fill("Hill board")
        self.page.get_by_label("Defrost control").select_option("time-temperature")
        self.page.reload()
        self.page.get_by_role("button", name="Add a board").click()
        expect(self.page.get_by_label("Name of the profile")).to_have_value("Hill board")
        self.page.get_by_role("button", name="Save board").click()
        boards = self.page.get_by_role("navigation", name="Board profiles")
        expect(boards).to_contain_text("Hill board")
        self.page.get_by_role("button", name="Add a board").click()
        expect(self.page.get_by_label("Name of the profile")).to_have_value("")
        boards.get_by_role("button", name="Hill board").click()
        limit = self.page.get_by_label("Defrost limit")
        limit.fill("15")
        self.page.get_by_role("button", name="Save board").click()
        expect(self.page.get_by_role("button", name="Discard changes")).to_have_count(0)
        self.page.reload()
        boards.get_by_role("button", name="Hill board").click()
        expect(limit).to_have_value("15")

    def test_a_unit_half_described(self) -> None:
        self.page.get_by_role("button", name="Add a new unit").click()
        self.page.get_by_label("Address").fill("4 Sluice Lane")
        self.page.reload()
        expect(self.page.get_by_label("Address")).to_have_value("4 Sluice Lane")


class People(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in("marlow")
        self.page.goto(f"{self.live_server_url}/people")
        self.other = self.new_page()
        self.addCleanup(self.other.context.close)

    def other_signs_in(self, password: str = DEMO_PASSWORD) -> None:
        self.other.goto(self.live_server_url)
        self.other.get_by_label("Name").fill("wren")
        self.other.get_by_label("Password").fill(password)
        self.other.keyboard.press("Enter")

    def test_a_session_ended_from_elsewhere(self) -> None:
        self.other_signs_in()
        expect(self.other.get_by_role("heading", name="Today")).to_be_visible()
        self.page.reload()
        sign_ins = self.page.get_by_label("Sign-ins, 90 days")
        expect(sign_ins).to_contain_text("this session")
        sign_ins.get_by_role("button", name="End this session").click()
        sign_ins.get_by_role("button", name="Yes, end this session").click()
        expect(sign_ins.get_by_role("button", name="End this session")).to_have_count(0)
        self.other.reload()
        expect(self.other.get_by_label("Password")).to_be_visible()

    def test_a_new_password_by_a_link(self) -> None:
        row = self.page.locator('div:has(> div:has-text("signs in as wren"))').last
        row.get_by_role("button", name="New password").click()
        link = self.page.get_by_label("Send this link to the person").input_value()
        self.other.goto(link)
        self.other.get_by_label("Password").fill("quite another passphrase")
        self.other.get_by_role("button").last.click()
        expect(self.other.get_by_role("heading", name="Today")).to_be_visible()
        self.other.goto(link)
        expect(self.other.get_by_role("main")).to_contain_text("This link was used")
        self.other.context.clear_cookies()
        self.other_signs_in()
        expect(self.other.get_by_role("alert")).to_be_visible()
        self.other_signs_in("quite another passphrase")
        expect(self.other.get_by_role("heading", name="Today")).to_be_visible()

    def test_a_link_withdrawn_lets_nobody_in(self) -> None:
        self.page.get_by_role("button", name="Invite a lead").click()
        link = self.page.get_by_label("Send this link to the person").input_value()
        self.page.get_by_label("Open links").get_by_role("button", name="Withdraw it").click()
        self.page.get_by_label("Open links").get_by_role("button", name="Yes, withdraw it").click()
        expect(self.page.get_by_label("Open links")).to_have_count(0)
        self.other.goto(link)
        expect(self.other.get_by_role("main")).to_contain_text("withdrawn")

    def test_a_role_and_the_record_of_it(self) -> None:
        role = self.page.locator('div:has(> div:has-text("signs in as wren"))').last.get_by_role("combobox")
        role.select_option("lead")
        changes = self.page.get_by_label("Who changed what")
        expect(changes).to_contain_text("lead")
        self.assertTrue(AuditRecord._base_manager.filter(what__contains="lead").exists())
        self.other_signs_in()
        expect(self.other.get_by_role("heading", name="Today")).to_be_visible()
        self.other.goto(f"{self.live_server_url}/rules")
        expect(self.other.get_by_text("Only a lead can change these.")).to_have_count(0)

    def test_the_last_lead_stays(self) -> None:
        mine = self.page.locator('div:has(> div:has-text("signs in as marlow"))').last
        mine.get_by_role("combobox").select_option("technician")
        expect(self.page.get_by_role("alert")).to_contain_text("lead")
        self.page.reload()
        expect(mine.get_by_role("combobox")).to_have_value("lead")


class Technician(BrowserTest):
    """A technician reads all of it and changes none of it."""

    def test_nothing_here_is_theirs_to_change(self) -> None:
        self.sign_in()
        for address, told in (("/meters", "Only a lead"), ("/boards", "Only a lead"), ("/rules", "Only a lead")):
            self.page.goto(self.live_server_url + address)
            expect(self.page.get_by_role("main")).to_contain_text(told)
        self.page.goto(f"{self.live_server_url}/company")
        expect(self.page.get_by_label("Under your name")).to_be_disabled()
        self.page.goto(f"{self.live_server_url}/people")
        expect(self.page.get_by_role("main")).to_contain_text("signs in as wren")
        expect(self.page.get_by_role("button", name="Invite a technician")).to_have_count(0)
        expect(self.page.get_by_label("Who changed what")).to_have_count(0)
        self.page.goto(f"{self.live_server_url}/files")
        expect(self.page.get_by_label("Out", exact=True)).to_contain_text("All readings")
        expect(self.page.get_by_label("The whole company")).to_have_count(0)
