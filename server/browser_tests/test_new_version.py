"""A new version of the app: fetched whole before it is offered; and what is kept on the device is judged anew, whoever made it."""

from typing import Any, ClassVar

from django.conf import settings
from playwright.sync_api import expect

from browser_tests.base import InFlight, wait_until_sent
from browser_tests.on_device import UNIT, OnDevice

OFFERED = "A new version is ready"
_KEPT_BY_CORE = (
    "async () => (await (await caches.open('outer-test-core')).keys()).map(({ url }) => new URL(url).pathname + new URL(url).search)"
)
# Look for a new version, and wait until it is installed or given up.
_LOOK = """async () => {
  const registration = await navigator.serviceWorker.ready;
  const found = new Promise((settle) => registration.addEventListener('updatefound', () => settle(registration.installing), { once: true }));
  await registration.update();
  const next = await found;
  while (next.state === 'installing') await new Promise((go) => next.addEventListener('statechange', go, { once: true }));
  return next.state;
}"""
# Another round in a visit that is kept: of its own those parts that are named, and these.
_KEPT_AS = """([id, own, more]) => new Promise((settle) => {
  const opened = indexedDB.open('outer-test');
  opened.onsuccess = () => {
    const visits = opened.result.transaction('visits', 'readwrite').objectStore('visits');
    const asked = visits.get(id);
    asked.onsuccess = () => {
      const { round } = asked.result.shown;
      asked.result.shown.round = { ...Object.fromEntries(own.map((part) => [part, round[part]])), ...more };
      visits.put(asked.result).onsuccess = () => { opened.result.close(); settle(); };
    };
  };
})"""


class NewerServer(InFlight):
    """The server's door, behind which a newer version's core can stand under a name of its own."""

    core: ClassVar[str] = ""

    def __call__(self, *asked: Any) -> Any:
        environ, start = asked
        if not self.core or environ["PATH_INFO"] != "/keep-core.js":
            return super().__call__(*asked)
        start("200 OK", [("Content-Type", "text/javascript"), ("Cache-Control", "no-cache")])
        return [(settings.WEB_DIST / "keep-core.js").read_text().replace('.zip"', f'{self.core}"').encode()]


class NewVersion(OnDevice):
    static_handler = NewerServer

    def setUp(self) -> None:
        super().setUp()
        self.addCleanup(setattr, NewerServer, "core", "")

    def test_it_is_offered_once_its_core_is_here_and_taken_without_signal(self) -> None:
        NewerServer.core = "-that-the-signal-was-too-weak-for.zip"
        self.assertEqual(self.page.evaluate(_LOOK), "redundant")
        expect(self.page.get_by_role("button", name=OFFERED)).to_have_count(0)
        before = self.page.evaluate(_KEPT_BY_CORE)
        NewerServer.core = ".zip?newer"
        self.page.reload()
        expect(self.page.get_by_role("button", name=OFFERED)).to_be_visible()
        self.wait_until_ready(self.page)  # the old one goes on, and takes nothing from the new
        kept = self.page.evaluate(_KEPT_BY_CORE)
        self.assertEqual(set(kept) - set(before), {f"{file}?newer" for file in before if file.endswith(".zip")})
        self.page.context.set_offline(True)
        self.page.locator("[data-reading], [data-choice]").first.wait_for()
        self.page.get_by_role("button", name=OFFERED).click()
        expect(self.page.get_by_role("button", name=OFFERED)).to_have_count(0)
        self.judged(self.page, "cap.fan.uf", "4.1", "so 4.7 µF is the floor")

    def test_a_visit_kept_by_an_older_version_is_judged_anew(self) -> None:
        self.page.context.set_offline(True)
        self.page.evaluate(_KEPT_AS, [self.visit.rsplit("/", 1)[1], ["assessment", "unreadable"], {"core": "0.1.0"}])
        self.judged(self.page, "cap.fan.uf", "4.1", "so 4.7 µF is the floor")
        self.page.goto(f"{self.live_server_url}{self.visit}/defrost")
        expect(self.page.get_by_role("main")).to_contain_text("How to force a defrost today")

    def test_what_came_in_since_a_visit_was_drawn_is_there_without_signal(self) -> None:
        before = self.on_record()["round"]
        self.judged(self.page, "cap.fan.uf", "4.1", "so 4.7 µF is the floor")
        wait_until_sent(self.page)
        self.page.reload()
        expect(self.page.get_by_role("main")).to_contain_text("so 4.7 µF is the floor")
        self.wait_until_ready(self.page)
        self.page.goto(self.live_server_url)
        self.wait_until_ready(self.page)
        self.page.context.set_offline(True)
        self.page.evaluate(_KEPT_AS, [self.visit.rsplit("/", 1)[1], [], before])
        self.page.get_by_role("link").filter(has_text=UNIT).first.click()
        self.page.get_by_role("link", name="All readings").click()
        expect(self.page.get_by_role("main")).to_contain_text("4.1")
