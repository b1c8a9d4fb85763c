"""Whole calls on a phone by thumb, every tap counted but a number's own digits: from arrival to the signed sheet."""

from typing import Any

from playwright.sync_api import expect

from browser_tests.base import BrowserTest, sign_by_hand, wait_until_sent

# A sound unit's answers where the twin gives none, and the first of the choices is not the sound one.
SOUND = {
    "start.result": "started", "fan.state": "runs", "winding.at": "terminals", "contactor.armature": "in", "line.breaker": "on",
    "control.delay": "over", "button.final_run": "good",
}  # fmt: skip
DEAD_V = "0.1"


class Taps(BrowserTest):
    viewport = {"width": 390, "height": 844}
    has_touch = True

    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.taps = 0
        self.spent: list[int] = []  # taps on each reading, beyond its digits, until the next is at hand
        self.trace: list[str] = []

    def tap(self, name: str, within: Any = None, exact: bool = True) -> None:
        """One tap of a gloved hand, which waits a moment before the next."""
        (within or self.page).get_by_role("button", name=name, exact=exact).first.tap()
        self.taps += 1
        self.trace.append(name)
        self.page.wait_for_timeout(650)

    def begin(self, complaint: str) -> None:
        """A call opened for a unit of the demo, and its first step at hand."""
        self.page.get_by_label("Unit", exact=True).select_option(label="Fell Road 21, side yard")
        self.page.get_by_label("Complaint").select_option(complaint)
        self.page.get_by_role("button", name="Open", exact=True).tap()
        self.step.wait_for()

    def shown(self) -> dict[str, Any]:
        """The visit's round as the server has it."""
        wait_until_sent(self.page)
        found: dict[str, Any] = self.page.request.get(self.visit_address().replace("/visits/", "/api/v1/visits/")).json()["round"]
        return found

    def answer(self, point: str, faulty: dict[str, str]) -> None:
        """What the meter shows, or what is seen."""
        step = next(one for station in self.round["stations"] for one in station["steps"] if one["point"] == point)
        if step["kind"] == "seen":
            words = faulty.get(point, SOUND.get(point, step["choices"][0]))
            place = step["choices"].index(words) + 1 if words in step["choices"] else 1
            self.page.locator(f'[data-choice="{place}"]').tap()
            self.taps += 1
            self.trace.append(f"{point} {words}")
            self.page.wait_for_timeout(650)
            return
        told = self.round["expected"].get(point)
        plain = "OL" if any(key["types"] == "OL" for key in step["keys"]) and step["unit"] == "Ω" else "40"
        value = faulty.get(point) or (DEAD_V if point.startswith("safe.") else f"{told['value']:.3g}" if told else plain)
        pad = self.page.get_by_role("group", name="Keypad")
        if value == "OL":
            self.tap("OL", pad)
        else:
            for key in value:
                pad.get_by_role("button", name=key, exact=True).tap()
        self.tap("Save", pad)

    def walk(self, faulty: dict[str, str], most: int = 60) -> None:
        """Follow the path to its end: answer each step, say how the power changed, put in what is accused."""
        for _ in range(most):
            if self.page.url.endswith("/finish"):
                return
            self.round = self.shown()
            repair = self.step.get_by_role("button", name="is in")
            if repair.count():
                self.put_in(faulty)
                continue
            point = str(self.step.get_attribute("data-point"))
            for gate in ("Disconnect is pulled", "All of it is back", "Powered up"):
                if self.step.get_by_role("button", name=gate, exact=True).count():
                    self.tap(gate, self.step)
            self.trace.append(f"[{point}]")
            before = self.taps
            self.answer(point, faulty)
            self.shown()
            if self.step.get_attribute("data-point") == point:
                self.tap("Next:", self.step, exact=False)
            self.spent.append(self.taps - before)
        self.fail(f"the path did not end in {most} steps: {self.trace}")

    def put_in(self, faulty: dict[str, str]) -> None:
        """The accused capacitor's new one, measured in the hand."""
        self.tap("is in", self.step, exact=False)
        self.page.get_by_label("HERM in the hand").fill("35.1")
        self.page.get_by_label("FAN in the hand").fill("5.0")
        self.tap("Save", self.step)
        faulty.clear()
        self.shown()
        self.tap("Next", self.step)

    def finish(self) -> None:
        """Put back what is off, finish, sign."""
        for name in [line.get_attribute("aria-label") for line in self.page.get_by_role("button", name=": back").all()]:
            self.tap(str(name))
        self.tap("Finish the visit")
        self.tap("Yes, finish it")
        sign = sign_by_hand(self.page, "R. Alder")
        self.taps += 1
        self.tap("Save the signature", sign)
        expect(self.page.get_by_text("Signed by R. Alder")).to_be_visible()

    def test_a_weak_capacitor_from_arrival_to_the_signature(self) -> None:
        self.begin("hums-no-start")
        hums = {"start.result": "hummed", "amps.compressor.run_a": "61", "amps.compressor.peak_a": "62", "amps.total.run_a": "62"}
        self.walk({"cap.herm.uf": "24.1", **hums})
        self.finish()
        self.assertLessEqual(self.taps, 45, self.trace)

    def test_a_maintenance_call(self) -> None:
        self.begin("maintenance")
        self.walk({})
        self.finish()
        self.assertLessEqual(self.taps, 40, self.trace)
        self.assertLessEqual(sum(self.spent) / len(self.spent), 2.2, self.trace)

    def test_a_forced_defrost_with_seven_stamps(self) -> None:
        self.open_visit("Fell Road 21", "Defrost")
        bench = self.page.get_by_label("Defrost bench", exact=True)
        self.tap("On to the run", bench)
        self.tap("Forced: start the clock", bench)
        for change in ("Valve shifts", "Fan stops", "Aux call, W on", "Switch opens", "Ended", "Fan on", "Valve back"):
            self.tap(change, bench, exact=False)
        self.tap("Stop watching", bench)
        expect(bench.get_by_label("What this run says")).to_contain_text("The outdoor fan stopped")
        self.assertLessEqual(self.taps, 12, self.trace)
