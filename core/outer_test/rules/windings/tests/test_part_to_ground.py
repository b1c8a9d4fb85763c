"""A capacitor to its case and a crankcase heater to ground: both sides of each cut, common practice, no source."""

import unittest
from itertools import product

from outer_test.measurement import measure
from outer_test.rules.windings.part_to_ground import part_to_ground

POINTS = ("cap.case_ground.ohm", "heater.ground.ohm")
MEG = 1_000_000


class PartToGround(unittest.TestCase):
    def test_the_cuts_are_a_windings_own(self) -> None:
        rows = {
            "499999": "bad",
            "500000": "watch",
            "19999999": "watch",
            "20000000": "good",
            "closed": "bad",
            "open": "unsure",
            "0.0": "bad",
        }
        for point, (value, verdict) in product(POINTS, rows.items()):
            self.assertEqual(part_to_ground(point, measure(value, unit="ohm")).verdict, verdict, f"{point} {value}")

    def test_ol_only_on_a_range_that_reaches_a_megohm(self) -> None:
        for top, verdict in ((MEG, "good"), (MEG - 1, "unsure"), (40 * MEG, "good")):
            self.assertEqual(part_to_ground(POINTS[0], measure("OL", unit="ohm", top=top)).verdict, verdict, str(top))

    def test_what_is_done_about_it_is_the_parts_own(self) -> None:
        for point, words in zip(POINTS, ("Replace the capacitor", "Leave its leads off"), strict=True):
            found = part_to_ground(point, measure("12000", unit="ohm"))
            self.assertIn("12 kΩ", found.why)
            self.assertIn(words, found.next)
            self.assertIn("cabinet live", found.next)
