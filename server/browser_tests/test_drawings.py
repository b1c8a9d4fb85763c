"""What is drawn, measured off the screen: the tape's marks stand where the numbers are, the wiring shows what is proven."""

import re
from typing import Any

from playwright.sync_api import expect

from browser_tests.base import BrowserTest, wait_until_sent

# The paths of one tape, as (x, y, length) of its upright strokes.
_UPRIGHTS = """(svg) => [...svg.querySelectorAll('path')].map((one) => /^M(-?[\\d.]+) ([\\d.]+)v([\\d.]+)$/.exec(one.getAttribute('d')))
  .filter(Boolean).map((found) => found.slice(1).map(Number))"""
LIMIT, POINTER = 52, 44  # how long a large tape draws them


class Drawn(BrowserTest):
    def setUp(self) -> None:
        super().setUp()
        self.sign_in()

    def round(self) -> dict[str, Any]:
        wait_until_sent(self.page)
        visit = self.visit_address().split("/visits/")[1]
        shown: dict[str, Any] = self.page.request.get(f"{self.live_server_url}/api/v1/visits/{visit}").json()["round"]
        return shown

    def test_a_reading_lies_between_its_limits_exactly_when_it_does(self) -> None:
        self.open_visit("Fell Road 21", "Capacitors")
        for typed in ("34.8", "32.95", "31.2", "37.05", "36.9"):
            self.page.locator("[data-reading]").fill(typed)
            self.page.keyboard.press("Enter")
            tape = self.page.locator(f'main svg[role="img"][aria-label^="{typed} "]').first
            expect(tape).to_be_visible()
            found = next(one for one in self.round()["assessment"]["findings"] if one["point"] == "cap.herm.uf")
            strokes = tape.evaluate(_UPRIGHTS)
            limits = sorted(x for x, _, length in strokes if length == LIMIT)
            at = next(x for x, _, length in strokes if length == POINTER)
            with self.subTest(typed):
                self.assertEqual(limits[0] < at < limits[1], found["low"] < found["value"] < found["high"])
                share = (at - limits[0]) / (limits[1] - limits[0])
                self.assertAlmostEqual(share, (found["value"] - found["low"]) / (found["high"] - found["low"]), delta=0.01)

    def test_its_words_say_what_its_marks_show(self) -> None:
        self.open_visit("Quarry Lane 8", "Capacitors")
        found = {one["point"]: one for one in self.round()["assessment"]["findings"]}
        self.page.get_by_role("link", name="Every station and reading").click()
        for point in ("cap.herm.uf", "cap.fan.uf"):
            label = f"{found[point]['shown']} µF, limits from {found[point]['low']:.4g} to {found[point]['high']:.4g}: {found[point]['verdict']}"
            expect(self.page.get_by_role("img", name=label).first).to_be_visible()

    def test_every_wire_is_drawn_dashed_until_it_is_proven(self) -> None:
        for site in ("Quarry Lane 8", "Fell Road 21"):
            self.open_visit(site, "Capacitors")
            drawing = self.page.get_by_role("figure")
            expect(drawing.get_by_role("img", name="24 V")).to_be_visible()
            strokes = [one for section in self.round()["ladder"]["sections"] for one in section["strokes"] if one["wire"]]
            for one in strokes:
                drawn = drawing.locator(f'path[data-wire="{one["wire"]}"]').first
                dashes = drawn.get_attribute("stroke-dasharray")
                self.assertEqual(dashes is not None, one["state"] == "not-yet" or one["off"], one["wire"])

    def test_the_same_tape_on_the_sheet(self) -> None:
        self.open_visit("Quarry Lane 8", "Capacitors")
        name = re.compile(r"^50\.4 µF, limits from 51\.7 to 58\.3: bad")
        expect(self.page.get_by_role("img", name=name).first).to_be_visible()
        self.page.get_by_role("link", name="Sheet so far").click()
        self.page.get_by_text("For the trade").click()
        expect(self.page.get_by_role("main").get_by_role("img", name=name).first).to_be_visible()
