"""Each screen, light and dark, on a desk and on a phone: no serious accessibility problem, nothing wider than the glass."""

from playwright.sync_api import Response, expect

from browser_tests.base import BrowserTest

FIRST_LOAD_KB = 165


class Screens(BrowserTest):
    also: tuple[tuple[int, int], ...] = ()
    every = 1  # of how many steps of the path one is looked at

    def screens(self) -> list[str]:
        """Addresses of every screen, from the demo."""
        self.page.goto(self.live_server_url)
        self.page.get_by_role("heading", name="Today").wait_for()
        visit = str(self.page.locator('a:has-text("Quarry Lane 8")').first.get_attribute("href"))
        self.page.goto(self.live_server_url + visit)
        self.path.wait_for()
        steps = [str(link.get_attribute("href")) for link in self.path.get_by_role("link").all()][:: self.every]
        more = [f"{visit}?point={point}" for point in ("winding.c_ground.ohm", "amps.compressor.peak_a", "control.y_in.v")]
        return ["/", *dict.fromkeys([*steps, *more]), f"{visit}/all", f"{visit}/defrost", f"{visit}/sheet", *self.own_screens()]

    def own_screens(self) -> list[str]:
        return [
            "/rules",
            "/meters",
            "/boards",
            "/company",
            "/people",
            "/password",
            "/files",
            "/watch",
            "/van",
            "/practice",
            "/find?q=quarry",
        ]

    def test_no_serious_accessibility_problem_and_nothing_wider_than_the_glass(self) -> None:
        self.page.goto(self.live_server_url)
        expect(self.page.get_by_label("Password")).to_be_visible()
        self.assertEqual(self.severe_axe_problems(), [], "sign-in")
        self.sign_in()
        for address in self.screens():
            self.page.goto(self.live_server_url + address)
            self.page.get_by_role("main").wait_for()
            self.page.wait_for_load_state("networkidle")
            with self.subTest(address):
                self.assertEqual(self.severe_axe_problems(), [])
            for width, height in (*self.also, (self.viewport["width"], self.viewport["height"])):
                self.page.set_viewport_size({"width": width, "height": height})
                wide = self.page.evaluate("document.documentElement.scrollWidth - document.documentElement.clientWidth")
                with self.subTest(address, width=width):
                    self.assertLessEqual(wide, 0, "wider than the glass")


class DarkScreens(Screens):
    color_scheme = "dark"
    every = 4  # steps have the same colours


class PhoneScreens(Screens):
    viewport = {"width": 390, "height": 844}
    has_touch = True
    also = ((320, 640), (844, 390))  # a small one, and turned on its side

    def test_a_reading_is_entered_by_touch(self) -> None:
        self.sign_in()
        self.open_visit("Fell Road 21", "Capacitors")
        pad = self.page.get_by_role("group", name="Keypad")
        for key in ("3", "4", ".", "8", "Delete the last", "9", "Save"):
            pad.get_by_role("button", name=key, exact=True).tap()
        expect(self.step).to_contain_text("is good")
        self.assertEqual(self.page.locator("[data-reading]").get_attribute("inputmode"), "none")
        for button in self.page.locator("main button:visible").all():
            box = button.bounding_box()
            assert box is not None
            self.assertGreaterEqual(round(box["height"]), 44)


class Weight(BrowserTest):
    def test_first_load_is_light(self) -> None:
        """The scripts that the first page asks for, as they came."""
        scripts: dict[str, Response] = {}
        self.page.on("response", lambda got: scripts.update({got.url: got}) if got.url.endswith(".js") else None)
        self.page.goto(self.live_server_url)
        expect(self.page.get_by_label("Password")).to_be_visible()
        self.assertTrue(scripts)
        self.assertEqual({got.headers.get("content-encoding") for got in scripts.values()}, {"br"})
        self.assertLessEqual(sum(int(got.headers["content-length"]) for got in scripts.values()) / 1000, FIRST_LOAD_KB)

    def test_what_comes_next_is_there_before_the_signal_goes(self) -> None:
        with self.page.expect_response("**/RoundScreen-*.js"), self.page.expect_response("**/Find-*.js"):
            self.sign_in()
        self.page.wait_for_load_state("networkidle")
        self.page.context.set_offline(True)
        self.page.get_by_role("link", name="Units").first.click()
        expect(self.page.get_by_role("searchbox")).to_be_focused()

    def test_a_reading_is_answered_in_a_few_kilobytes(self) -> None:
        """Handed on over a weak signal: the answer is compressed."""
        self.sign_in()
        self.open_visit("Quarry Lane 8", "Capacitors")
        with self.page.expect_response("**/judge") as kept:
            self.page.locator("[data-reading]").fill("50.3")
            self.page.keyboard.press("Enter")
        self.assertEqual(kept.value.headers["content-encoding"], "gzip")
        self.assertLess(int(kept.value.headers["content-length"]) / 1000, 25)


class BoardProfiles(BrowserTest):
    def test_a_lead_adds_a_board(self) -> None:
        self.sign_in("marlow")
        self.page.goto(self.live_server_url + "/boards")
        self.page.get_by_role("button", name="Add a board").click()
        self.page.get_by_label("Name of the profile").fill("Hill board")
        self.page.get_by_role("button", name="Save board").click()
        expect(self.page.get_by_role("alert").first).to_contain_text("control")
        self.page.get_by_label("Defrost control").select_option("demand")
        self.page.get_by_label("Lights: colour, flashes, meaning").fill("purple 3 Nothing")
        self.page.get_by_role("button", name="Save board").click()
        expect(self.page.get_by_role("alert").last).to_contain_text("marked fields")
        self.page.get_by_label("Lights: colour, flashes, meaning").fill("amber 3 Out of range")
        self.page.get_by_role("button", name="Save board").click()
        expect(self.page.get_by_role("navigation", name="Board profiles")).to_contain_text("Hill board")
        self.page.get_by_role("button", name="Remove from the list").click()
        self.page.get_by_role("button", name="Yes, remove from the list").click()
        expect(self.page.get_by_role("navigation", name="Board profiles")).not_to_contain_text("Hill board")
