"""What waits on a device: whose it is, a browser that died, photos, and a signal that comes and goes."""

import random
import time
from io import BytesIO

from PIL import Image
from playwright.sync_api import Route, expect

from accounts.models import Member
from accounts.people import change
from browser_tests.base import BrowserTest, wait_until_sent
from browser_tests.on_device import UNIT
from testing.fixtures import fresh, own_files
from visits.models import Photo


def a_picture() -> dict[str, object]:
    """A photo as a browser's file field takes it."""
    picture = BytesIO()
    Image.new("RGB", (40, 30), "grey").save(picture, "PNG")
    return {"name": "label.png", "mimeType": "image/png", "buffer": picture.getvalue()}


class NotJudgedYet(BrowserTest):
    def test_what_was_typed_stays_in_sight_on_a_phone(self) -> None:
        self.sign_in()
        self.open_visit(UNIT.split(",", maxsplit=1)[0], "Capacitors")
        self.page.set_viewport_size({"width": 390, "height": 844})
        self.page.context.set_offline(True)
        self.page.locator("[data-reading]").fill("34.8")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("main")).to_contain_text("34.8 saved, being judged")
        self.page.context.set_offline(False)
        expect(self.page.get_by_role("main")).not_to_contain_text("being judged")


class WhoseItIs(BrowserTest):
    def test_what_waits_is_never_sent_in_anothers_name(self) -> None:
        self.sign_in()
        self.open_visit(UNIT.split(",", maxsplit=1)[0], "Capacitors")
        address = self.page.url
        self.page.context.clear_cookies()
        self.page.locator("[data-reading]").fill("34.8")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_text("waits on this device")).to_contain_text("1 entry by wren waits")
        self.sign_in("marlow")
        self.page.goto(address)
        expect(self.page.get_by_role("main")).to_be_visible()
        visit = address.split("/visits/")[1].split("?")[0]

        def by_whom() -> list[str]:
            shown = self.page.request.get(f"{self.live_server_url}/api/v1/visits/{visit}").json()
            return [one["by_whom"] for one in shown["round"]["entries"]]

        self.page.wait_for_load_state("networkidle")
        self.assertEqual(by_whom(), [])
        self.choose("Sign out")
        expect(self.page.get_by_text("waits on this device")).to_contain_text("1 entry by wren waits")
        self.sign_in()
        wait_until_sent(self.page)
        self.assertEqual(by_whom(), ["Wren Hartle"])

    def test_a_device_that_was_shut_out_hands_over_and_forgets(self) -> None:
        own_files(self)
        self.sign_in()
        self.open_visit(UNIT.split(",", maxsplit=1)[0], "Plate")
        visit = self.page.url.split("/visits/")[1][:36]
        self.page.context.set_offline(True)
        photos = self.page.get_by_role("region", name="Photos")
        photos.get_by_label("Of what").fill("the label")
        photos.get_by_label("Photo file").set_input_files(a_picture())  # type: ignore[arg-type]
        expect(photos.get_by_text("stored here, not sent yet")).to_be_visible()
        self.go_to("Capacitors")
        self.page.locator("[data-reading]").fill("34.8")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("button", name="No signal")).to_have_text("No signal · 2 waiting")
        wren = Member.objects.get(username="wren")
        change(Member.objects.get(username="marlow"), wren.pk, "technician", False)
        self.page.context.set_offline(False)
        expect(self.page.get_by_label("Password")).to_be_visible()
        expect(self.page.get_by_text("waits on this device")).to_have_count(0)
        kept = """() => new Promise((tell) => { indexedDB.open("outer-test").onsuccess = ({ target }) => {
            const all = target.result.transaction(["entries", "visits", "photos"]);
            Promise.all(["entries", "visits", "photos"].map((name) => new Promise((count) => {
              all.objectStore(name).count().onsuccess = (event) => count(event.target.result);
            }))).then(tell);
        }; })"""
        self.page.wait_for_function(f"() => ({kept})().then((left) => left.every((count) => count === 0))")
        self.sign_in("marlow")
        self.page.goto(f"{self.live_server_url}/people")
        held = self.page.get_by_role("region", name="Waiting for your yes")
        expect(held).to_contain_text("Wren Hartle: 1 entry (1 reading) and 1 photo")
        held.get_by_role("button", name="Take them in").click()
        held.get_by_role("button", name="Yes, take them in").click()
        expect(held).to_have_count(0)
        shown = self.page.request.get(f"{self.live_server_url}/api/v1/visits/{visit}").json()
        self.assertEqual([(one["value"], one["by_whom"]) for one in shown["round"]["entries"]], [("34.8", "Wren Hartle")])
        self.assertEqual([(photo.about, photo.member.username) for photo in Photo._base_manager.all()], [("the label", "wren")])

    def test_what_a_browser_that_died_or_an_earlier_version_left_is_sent_once(self) -> None:
        self.sign_in()
        visit = str(self.page.get_by_role("link").filter(has_text=UNIT).first.get_attribute("href")).split("/visits/")[1]
        made = {"at": "2026-01-05T09:00:00Z", "after": None}
        old = {"kind": "reading", "visit": visit, "body": made | {"id": fresh(), "seq": 1, "point": "cap.herm.uf", "typed": "34.1"}}
        died = made | {
            "id": fresh(), "seq": 2, "visit": visit, "member": "wren", "wrong": [], "act": {"kind": "reading", "point": "cap.fan.uf", "typed": "4.9"},
        }  # fmt: skip
        self.page.evaluate(
            """([outbox, died]) => {
              localStorage.setItem("outer-test.outbox", JSON.stringify({ waiting: [outbox], refused: [] }));
              localStorage.setItem("outer-test.entry." + died.id, JSON.stringify(died));
            }""",
            [old, died],
        )
        for _ in range(2):
            self.page.reload()
            expect(self.page.get_by_role("heading", name="Today")).to_be_visible()
            wait_until_sent(self.page)
        expect(self.page.get_by_role("link").filter(has_text=UNIT)).to_contain_text("2 read")
        entries = self.page.request.get(f"{self.live_server_url}/api/v1/visits/{visit}").json()["round"]["entries"]
        self.assertEqual({one["value"] for one in entries}, {"34.1", "4.9"})
        self.assertEqual(self.page.evaluate("Object.keys(localStorage).filter((key) => /outbox|entry/.test(key))"), [])


class Photographed(BrowserTest):
    def test_a_photo_waits_for_signal_and_is_there_once(self) -> None:
        own_files(self)
        self.sign_in()
        self.open_visit(UNIT.split(",", maxsplit=1)[0], "Plate")
        photos = self.page.get_by_role("region", name="Photos")
        photos.get_by_label("Of what").fill("the label")
        self.page.context.set_offline(True)
        photos.get_by_label("Photo file").set_input_files(a_picture())  # type: ignore[arg-type]
        expect(photos.get_by_text("the label, stored here, not sent yet")).to_be_visible()
        self.page.context.set_offline(False)
        expect(photos.get_by_text("stored here")).to_have_count(0)
        expect(photos.get_by_role("img", name="the label")).to_have_count(1)
        self.assertEqual([photo.about for photo in Photo._base_manager.all()], ["the label"])


class WeakSignal(BrowserTest):
    """Each request lost with thirty in a hundred, before it reaches the server or after it was written."""

    def test_every_reading_is_written_once(self) -> None:
        chance, lost = random.Random(20261127), 0

        def weak(route: Route) -> None:
            nonlocal lost
            fate = chance.random()
            if fate < 0.15:
                lost += 1
                route.abort()
            elif fate < 0.30:
                lost += 1
                route.fetch()
                route.abort()
            else:
                if chance.random() < 0.2:
                    time.sleep(4)  # a signal that is there, and slow
                route.continue_()

        self.sign_in()
        self.open_visit(UNIT.split(",", maxsplit=1)[0], "Capacitors")
        self.page.route("**/api/v1/sync", weak)
        typed = [f"{34 + place / 10:.1f}" for place in range(14)]
        for value in typed:
            self.page.locator("[data-reading]").fill(value)
            self.page.keyboard.press("Enter")
            expect(self.page.get_by_placeholder(value)).to_be_visible()
        wait_until_sent(self.page)
        self.assertGreater(lost, 2)
        visit = self.page.url.split("/visits/")[1].split("?")[0]
        entries = self.page.request.get(f"{self.live_server_url}/api/v1/visits/{visit}").json()["round"]["entries"]
        self.assertEqual([one["value"] for one in entries], typed)
