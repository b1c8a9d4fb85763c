"""A unit's file in the browser: parts with their photos, a visit file in, a sticker, what a drift is laid on."""

import json
from io import BytesIO
from pathlib import Path

from django.conf import settings
from PIL import Image
from playwright.sync_api import expect

from browser_tests.base import BrowserTest
from fleet.models import Unit

EXAMPLE: Path = settings.ROOT / "docs" / "example-visit.json"


def picture() -> dict[str, object]:
    """A picture as a person would choose it."""
    content = BytesIO()
    Image.new("RGB", (640, 480), "#a4491b").save(content, "PNG")
    return {"name": "part.png", "mimeType": "image/png", "buffer": content.getvalue()}


class UnitFile(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.unit = Unit._base_manager.get(serial="TH-0233")
        self.page.goto(f"{self.live_server_url}/units/{self.unit.id}")
        self.parts = self.page.get_by_label("Parts put in")

    def test_a_part_with_its_own_photos(self) -> None:
        for part in ("contactor", "run capacitor, HERM"):
            self.page.get_by_label("Part put in").select_option(part)
            self.parts.get_by_role("button", name="Record the part").click()
            expect(self.parts.get_by_role("button", name=f"Photos of the {part} of")).to_be_visible()
        self.parts.get_by_role("button", name="Photos of the contactor of").click()
        own = self.page.get_by_label("Photos of this contactor")
        own.get_by_label("Photo file").set_input_files(picture())  # type: ignore[arg-type]
        expect(own.get_by_role("img", name="contactor")).to_be_visible()
        self.parts.get_by_role("button", name="Photos of the run capacitor, HERM of").click()
        expect(self.page.get_by_label("Photos of this run capacitor, HERM").get_by_role("img")).to_have_count(0)
        expect(self.page.get_by_label("Photos", exact=True).get_by_role("img", name="contactor")).to_be_visible()

    def test_a_part_half_described_survives_a_reload(self) -> None:
        self.page.get_by_label("Part put in").select_option("contactor")
        self.page.get_by_label("Note on the part").fill("two pole, 40 A")
        self.page.reload()
        expect(self.page.get_by_label("Note on the part")).to_have_value("two pole, 40 A")
        self.parts.get_by_role("button", name="Record the part").click()
        expect(self.parts).to_contain_text("two pole, 40 A")
        expect(self.page.get_by_label("Note on the part")).to_have_value("")

    def test_a_visit_file_in_and_one_that_is_none(self) -> None:
        files = self.page.get_by_label("Files of this unit")
        chooser = files.get_by_label("Visit file")
        for name, content, told in (
            ("text", b"hello", "JSON"),
            ("another format", json.dumps({"format": "something else"}).encode(), "outer-test-visit"),
        ):
            with self.subTest(name):
                chooser.set_input_files({"name": "visit.json", "mimeType": "application/json", "buffer": content})
                expect(files.get_by_role("alert")).to_contain_text(told)
        chooser.set_input_files(EXAMPLE)
        self.page.wait_for_url("**/sheet")
        expect(self.page.get_by_role("main")).to_contain_text("50.4")

    def test_its_readings_and_its_sticker(self) -> None:
        got = self.page.request.get(f"{self.live_server_url}/api/v1/files/readings.csv?unit={self.unit.id}")
        self.assertEqual(got.headers["content-type"], "text/csv; charset=utf-8")
        self.assertIn("TH-0233", got.text())
        with self.page.context.expect_page() as opened:
            self.page.get_by_label("Files of this unit").get_by_role("link", name="Sticker").click()
        sticker = opened.value
        expect(sticker.locator("svg")).to_have_count(1)
        expect(sticker.locator("body")).to_contain_text("TH-0233")
