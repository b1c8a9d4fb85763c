"""The app's screens by Lighthouse, phone profile, beside an empty page of the same build. Run: ./test bench.lighthouse

Lighthouse is fetched by npm when this is run: nothing else needs it, and it is larger than all that does.
"""

import json
import os
import subprocess
import tempfile
import unittest
from pathlib import Path
from statistics import median
from unittest import mock

from playwright.sync_api import sync_playwright

from accounts.demo_people import DEMO_PASSWORD, DEMO_USERNAME
from browser_tests.base import ARGUMENTS, CHROMIUM
from ops.environment import WEB, build_web
from ops.postgres import Cluster
from ops.tests.running import free_port, start, stopped, wait_for_address

LIGHTHOUSE, CLUSTER, RUNS = "lighthouse@13.5.0", "bench", 3
CATEGORIES = ("performance", "accessibility", "best-practices")
WHOLE, AIM = 100, 0.85


def scores(address: str, cookie: str = "") -> dict[str, float]:
    """Each category's score of a page, 0 to 100: the median of a few runs."""
    words = ["npm", "exec", "--yes", f"--package={LIGHTHOUSE}", "--", "lighthouse", address, "--quiet", "--output=json"]
    words += [f"--only-categories={','.join(CATEGORIES)}", f"--chrome-flags={' '.join(('--headless', *ARGUMENTS))}"]
    if cookie:
        words.append(f"--extra-headers={json.dumps({'Cookie': cookie})}")
    env = os.environ | {"CHROME_PATH": CHROMIUM}
    runs = [json.loads(subprocess.run(words, env=env, capture_output=True, text=True, check=True).stdout) for _ in range(RUNS)]
    for run in runs:
        for audit in run["audits"].values():
            if audit["score"] is not None and audit["score"] < 1 and audit["scoreDisplayMode"] == "binary":
                print(f"  {address}: {audit['title']}")
    return {name: 100 * median(run["categories"][name]["score"] for run in runs) for name in CATEGORIES}


class Lighthouse(unittest.TestCase):
    """Prints each screen's scores, and its performance as a ratio to the empty page's."""

    def served(self, cluster: str) -> str:
        """The address of a server that this test started."""
        self.addCleanup(Cluster(cluster).remove)
        server = start(cluster, "--port", str(free_port()))
        self.addCleanup(stopped, server)
        return wait_for_address(server)

    def test_print(self) -> None:
        """Measure and print."""
        empty = Path(self.enterContext(tempfile.TemporaryDirectory()))
        build_web(empty, "bench", "--config", str(WEB / "vite.config.ts"))
        with mock.patch.dict(os.environ, {"OUTER_TEST_WEB_DIST": str(empty)}):
            least = scores(self.served(f"{CLUSTER}-empty"))
        print(f"\nempty page: {least}")
        address = self.served(CLUSTER)
        for name, (screen, cookie) in {"sign-in": (address, ""), **signed_in(address)}.items():
            found = scores(screen, cookie)
            ratio = found["performance"] / least["performance"]
            print(f"{name}: {found}; performance ÷ the empty page's {ratio:.2f} (aim {AIM})", flush=True)
            self.assertEqual([found[each] for each in CATEGORIES[1:]], [WHOLE, WHOLE], name)


def signed_in(address: str) -> dict[str, tuple[str, str]]:
    """The screens that are used on a phone, each with the cookies of somebody who signed in."""
    with sync_playwright() as driver:
        page = driver.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS).new_page()
        page.goto(address)
        page.get_by_label("Name").fill(DEMO_USERNAME)
        page.get_by_label("Password").fill(DEMO_PASSWORD)
        page.keyboard.press("Enter")
        visit = page.locator('a:has-text("Fell Road 21")').first
        visit.wait_for()
        round_ = address.rstrip("/") + str(visit.get_attribute("href")).split("?")[0]
        cookie = "; ".join(f"{one.get('name')}={one.get('value')}" for one in page.context.cookies())
    screens = {"the day": address, "a step": f"{round_}?point=cap.herm.uf", "a sheet": f"{round_}/sheet"}
    return {name: (screen, cookie) for name, screen in screens.items()}
