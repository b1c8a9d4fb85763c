"""From the Enter key to the verdict on the screen, and how many keys a station takes. Run: ./test bench.screen"""

from statistics import quantiles

from browser_tests.base import BrowserTest
from browser_tests.test_electrical_round import WHOLE_ROUND, Round

READINGS, AIM_MS, AIM_KEYS, AIM_ROUND = 24, 100, 1.2, 1.15

# Notes the time of Enter, and the time of the frame in which the newly typed number stands in a judged tape's label.
_WATCH = """(typed) => new Promise((seen) => {
  const begun = performance.now();
  const look = () => {
    if ([...document.querySelectorAll('main svg[role=img]')].some((one) => one.ariaLabel?.startsWith(typed + ' ')))
      requestAnimationFrame(() => seen(performance.now() - begun));
    else requestAnimationFrame(look);
  };
  document.querySelector('[data-reading]').form.requestSubmit();
  look();
})"""


class VerdictOnScreen(BrowserTest):
    """Prints p50 and p95, and the keys for the capacitor station."""

    def test_print(self) -> None:
        """Measure and print."""
        self.sign_in()
        self.open_visit("Fell Road 21", "Capacitors")
        times = []
        for count in range(READINGS):
            self.page.get_by_text("Compressor section, C to HERM").first.click()
            typed = f"{34 + count / 100:.2f}"
            self.page.locator("[data-reading]").fill(typed)
            times.append(float(self.page.evaluate(_WATCH, typed)))
        cuts = quantiles(times, n=20)
        print(f"\nkey to verdict: p50 {cuts[9]:.0f} ms, p95 {cuts[18]:.0f} ms (aim ≤ {AIM_MS} ms)")

    def test_keys_of_the_capacitor_station(self) -> None:
        """Count the keys from the station before to the last reading kept."""
        self.sign_in()
        self.open_visit("Fell Road 21", "Look over")
        readings = ("34.8", "4.9")
        keys = 1
        self.page.keyboard.press("ArrowRight")
        self.page.locator("[data-reading]").wait_for()
        for reading in readings:
            self.type(reading)
            keys += len(reading) + 1
        self.page.get_by_text("is good").nth(1).wait_for()
        least = sum(len(reading) + 1 for reading in readings)
        print(f"\ncapacitor station: {keys} keys ÷ {least} = {keys / least:.2f} (aim ≤ {AIM_KEYS})")


class WholeRound(Round):
    """Prints the keys for a whole round of readings, from the plate to the last one."""

    def test_print(self) -> None:
        """Walk and count."""
        keys = self.walk()
        entries = [entry for _, station in WHOLE_ROUND for entry in station]
        least = sum(1 if entry.endswith("!") else len(entry) + 1 for entry in entries)
        print(f"\n{len(entries)} readings: {keys} keys ÷ {least} = {keys / least:.2f} (aim ≤ {AIM_ROUND})")


del Round  # only its walk is wanted here, not its tests
