"""How much script the first page loads, as the server sends it to a browser. Run: ./test bench.first_load"""

import re
import unittest
from pathlib import Path

DIST = Path(__file__).parents[1] / "web" / "dist"
AIM_KB = 165


class FirstLoad(unittest.TestCase):
    """Prints the kilobytes of every script that the first page names."""

    def test_print(self) -> None:
        """Measure and print."""
        scripts = re.findall(r'"/(assets/[^"]+\.js)"', (DIST / "index.html").read_text())
        sizes = {name: [(DIST / f"{name}{form}").stat().st_size / 1000 for form in ("", ".gz", ".br")] for name in scripts}
        for name, (plain, gzip, brotli) in sizes.items():
            print(f"\n{name}: {plain:.0f} kB, gzip {gzip:.1f}, brotli {brotli:.1f}", end="")
        plain, gzip, brotli = (sum(size[form] for size in sizes.values()) for form in range(3))
        print(f"\nfirst load: {plain:.0f} kB, gzip {gzip:.1f}, brotli {brotli:.1f} (aim ≤ {AIM_KB} compressed)")
        self.assertTrue(scripts)
