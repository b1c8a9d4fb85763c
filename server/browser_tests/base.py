"""A browser on the real front end, served by the real server. Every request that would leave the machine fails the test."""

import os
import time
from datetime import date
from pathlib import Path
from threading import Condition
from typing import Any
from urllib.parse import urlsplit

from django.apps import apps
from django.conf import settings
from django.contrib.staticfiles.handlers import StaticFilesHandler
from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from django.db import transaction
from django.db.models import Model
from django.test import override_settings
from django.utils import timezone
from playwright.sync_api import Browser, Locator, Page, Playwright, Request, expect, sync_playwright

from accounts.demo_people import DEMO_PASSWORD, DEMO_USERNAME
from accounts.models import Company, CompanyRow, Member
from ops.tests.running import PATIENCE_S
from setup.demo import load_demo

CHROMIUM = "/usr/bin/chromium"
# How long a screen may take to show what it must, on a machine with much else to do.
SCREEN_MS = 60_000
ARGUMENTS = [
    f"--{word}"
    for word in [
        "no-sandbox",
        "disable-gpu",
        "disable-background-networking",
        "no-first-run",
        "disable-component-update",
        "disable-sync",
        "disable-quic",
    ]
]
# Whether all that was done on this device has been answered: nothing on its way into the store, nothing in it that waits.
_ALL_SENT = """() => new Promise((settle) => {
  if (Object.keys(localStorage).some((key) => key.startsWith("outer-test.entry."))) return settle(false);
  const opened = indexedDB.open("outer-test");
  opened.onsuccess = () => {
    const asked = opened.result.transaction("entries").objectStore("entries").getAll();
    asked.onsuccess = () => {
      opened.result.close();
      settle(asked.result.every((entry) => entry.wrong.length > 0));
    };
  };
})"""
AXE: Path = settings.ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js"


def wait_until_sent(page: Page) -> None:
    """Wait until the server has all that was done in this browser. Raises AssertionError."""
    end = time.monotonic() + PATIENCE_S
    while not page.evaluate(_ALL_SENT):
        if time.monotonic() > end:
            raise AssertionError(f"something still waits after {PATIENCE_S:.0f} s")
        page.wait_for_timeout(50)


def write_headers(page: Page, address: str) -> dict[str, str]:
    """The headers with which this page's own session may write at an address, beside the page."""
    token = next(one["value"] for one in page.context.cookies() if one["name"] == "csrftoken")
    return {"X-CSRFToken": token, "Referer": address}


def sign_by_hand(page: Page, name: str) -> Locator:
    """Write who signs and draw a line with the pointer; gives back the signature's section, where it is saved."""
    section = page.get_by_label("Signature", exact=True)
    section.get_by_label("Signed by").fill(name)
    box = section.get_by_role("img").bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + 20, box["y"] + 30)
    page.mouse.down()
    page.mouse.move(box["x"] + 120, box["y"] + 60, steps=5)
    page.mouse.up()
    return section


_DEMO_ROWS: dict[date, dict[type[Model], list[Model]]] = {}


def put_demo() -> None:
    """The demo company as `load_demo` makes it: played through its doors once a day, its rows put back for every later test."""
    today = timezone.localdate()  # its visits are this day's
    if today not in _DEMO_ROWS:
        load_demo()
        rows: list[type[Model]] = [Company, Member, *(model for model in apps.get_models() if issubclass(model, CompanyRow))]
        _DEMO_ROWS[today] = {model: list(model._base_manager.all()) for model in rows}
        return
    with transaction.atomic():
        for model, kept in _DEMO_ROWS[today].items():
            model._base_manager.bulk_create(kept)


class InFlight(StaticFilesHandler):
    """The server's door, counting the requests that are within."""

    _within, _changed = 0, Condition()

    def __call__(self, *asked: Any) -> Any:
        """Let one in, and out again."""
        self._step(1)
        try:
            return super().__call__(*asked)
        finally:
            self._step(-1)

    @classmethod
    def _step(cls, by: int) -> None:
        with cls._changed:
            cls._within += by
            cls._changed.notify_all()

    @classmethod
    def wait_for_none(cls) -> None:
        """Wait until nobody is within. Raises AssertionError where one never ends."""
        with cls._changed:
            if not cls._changed.wait_for(lambda: cls._within == 0, timeout=PATIENCE_S):
                raise AssertionError("a request is still being answered long after its page was closed")


# A quick hash: the demo's people are made anew for every test, and how passwords are kept is tested elsewhere.
@override_settings(DEMO=True, WORK_AT_ONCE=True, PASSWORD_HASHERS=["django.contrib.auth.hashers.MD5PasswordHasher"])
class BrowserTest(StaticLiveServerTestCase):
    """The demo company, loaded anew for each test, and a page signed in as its technician."""

    static_handler = InFlight
    viewport = {"width": 1280, "height": 800}
    color_scheme = "light"
    has_touch = False
    # The core in the page takes seconds to start: where a test is not about it, the server judges.
    judged_on_device = False

    driver: Playwright
    browser: Browser

    @classmethod
    def setUpClass(cls) -> None:
        os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"  # the browser's driver keeps an event loop in this thread
        super().setUpClass()
        cls.driver = sync_playwright().start()
        cls.addClassCleanup(cls.driver.stop)
        cls.browser = cls.driver.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        cls.addClassCleanup(cls.browser.close)
        expect.set_options(timeout=SCREEN_MS)

    def setUp(self) -> None:
        put_demo()
        self.problems: list[str] = []
        self.page = self.new_page()

    def tearDown(self) -> None:
        self.page.context.close()
        InFlight.wait_for_none()  # what a page left half asked would meet the emptying of the tables
        self.assertEqual(self.problems, [])

    def new_page(self, **more: Any) -> Page:
        options: dict[str, Any] = {"viewport": self.viewport, "color_scheme": self.color_scheme, "has_touch": self.has_touch}
        if not self.judged_on_device:
            options["service_workers"] = "block"
        context = self.browser.new_context(**(options | more))
        context.set_default_timeout(SCREEN_MS)
        if not self.judged_on_device:
            context.add_init_script("localStorage.setItem('outer-test.judged-by', 'server')")
        page = context.new_page()
        page.on("pageerror", lambda error: self.problems.append(f"page error: {error}"))
        page.on("request", self.check_request)
        return page

    def check_request(self, request: Request) -> None:
        address = urlsplit(request.url)
        if address.scheme not in ("data", "blob") and address.hostname not in ("localhost", "127.0.0.1"):
            self.problems.append(f"left the machine: {request.url}")

    def sign_in(self, username: str = DEMO_USERNAME) -> None:
        self.page.goto(self.live_server_url)
        self.page.get_by_label("Name").fill(username)
        self.page.get_by_label("Password").fill(DEMO_PASSWORD)
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("heading", name="Today")).to_be_visible()

    def open_visit(self, site: str, station: str = "") -> None:
        """From today's list into a visit, to one of its stations where named."""
        self.page.goto(self.live_server_url)
        self.page.locator(f'a:has-text("{site}")').first.click()
        expect(self.path).to_be_visible()  # a stop may stand before it
        if station:
            self.go_to(station)

    @property
    def path(self) -> Locator:
        """The path of the call at hand."""
        return self.page.locator('nav[aria-label="This call, in order"]')

    @property
    def step(self) -> Locator:
        """The step at hand."""
        return self.page.get_by_label("The step at hand")

    def visit_address(self) -> str:
        """The address of the visit that is open."""
        return "/".join(self.page.url.split("?")[0].split("/")[:5])

    def go_to(self, station: str, reading: str = "") -> None:
        """By the list of every reading to the first of a station, or the one named; to its own screen where a station has one."""
        name = "Every station and reading" if self.page.viewport_size["width"] > 991 else "All readings"  # type: ignore[index]
        self.page.get_by_role("link", name=name).click()
        section = self.page.get_by_role("region", name=station, exact=True)
        link = section.get_by_role("link").filter(has_text=reading).first
        title = link.locator("p").first.inner_text().removesuffix(" optional") if station not in ("Plate", "Defrost") or reading else ""
        link.click()
        if title:
            expect(self.step.get_by_role("heading", level=1)).to_have_text(title)
        else:
            self.page.get_by_role("main").get_by_role("heading").first.wait_for()

    def type(self, text: str) -> None:
        """Type into whatever has the focus, and Enter."""
        self.page.keyboard.type(text)
        self.page.keyboard.press("Enter")

    def choose(self, line: str) -> None:
        """A line of the menu."""
        self.page.get_by_role("button", name="Menu", exact=True).click()
        self.page.get_by_role("group", name="Menu").get_by_text(line, exact=True).click()

    def severe_axe_problems(self) -> list[str]:
        self.page.evaluate(AXE.read_text())
        found = self.page.evaluate("() => axe.run(document)")
        return [
            f"{one['id']}: {one['help']} {[node['target'] for node in one['nodes']][:3]}"
            for one in found["violations"]
            if one["impact"] in ("serious", "critical")
        ]
