"""A phone that judges by itself: one of the day's visits open on it, and all it needs without signal kept."""

from typing import Any

from playwright.sync_api import Page, expect

from browser_tests.base import BrowserTest

UNIT = "Fell Road 21, side yard"
READY = "Ready without signal"


class OnDevice(BrowserTest):
    """The core in the page, and `visit`, the address of an open visit on this server."""

    viewport = {"width": 390, "height": 844}
    has_touch = True
    judged_on_device = True

    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        link = self.page.get_by_role("link").filter(has_text=UNIT).first
        self.visit = str(link.get_attribute("href"))
        link.click()  # at once: the rest of the day is taken along on whatever screen one is
        self.wait_until_ready(self.page)

    def wait_until_ready(self, page: Page) -> None:
        """Wait until the core is up, and all is kept that a start without signal needs."""
        page.get_by_role("button", name="Menu").click()
        expect(page.get_by_role("group", name="Menu")).to_contain_text(READY)
        page.keyboard.press("Escape")
        page.wait_for_load_state("networkidle")

    def at(self, page: Page, point: str) -> None:
        """Open the visit at a point."""
        page.goto(f"{self.live_server_url}{self.visit}?point={point}")
        page.locator("[data-reading]").wait_for()

    def judged(self, page: Page, point: str, typed: str, words: str) -> None:
        """Type at a point, and see these words said of it."""
        self.at(page, point)
        page.locator("[data-reading]").fill(typed)
        page.keyboard.press("Enter")
        expect(page.get_by_role("main")).to_contain_text(words)

    def on_record(self) -> dict[str, Any]:
        """The visit as the server has it."""
        found: dict[str, Any] = self.page.context.request.get(f"{self.live_server_url}/api/v1{self.visit}").json()
        return found
