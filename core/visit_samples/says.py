"""What a finding says, held to by tests: its verdict, words of its reason and of its next step; and the findings of a few readings."""

import unittest
from collections.abc import Mapping
from typing import Any

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.nameplate import Plate
from outer_test.rules.start_and_run.start import PEAK
from outer_test.visit import Reading, Visit


def found_on(plate: Plate, read: Mapping[str, str], by: Any = None, **seen: str) -> dict[str, Finding]:
    """The findings of these readings on a unit, by point; of several at one point the first.

    by: how a peak was caught. seen: a point's word, its name with `__` for each full stop.
    """
    readings = tuple(Reading(point, value, by=by if point == PEAK else None) for point, value in read.items())
    looked = {name.replace("__", "."): word for name, word in seen.items()}
    return {one.point: one for one in reversed(assess(Visit(plate=plate, readings=readings, seen=looked)).findings)}


class Says(unittest.TestCase):
    """Tests that read a finding as a technician does."""

    def says(self, found: Finding | None, why: str = "", step: str = "") -> None:
        """Words of the reason, and of the next step; a step of `-` is none at all."""
        assert found is not None
        self.assertIn(why, found.why)
        if step == "-":
            self.assertEqual(found.next, "")
        else:
            self.assertIn(step, found.next)

    def judged_so(self, found: Finding | None, verdict: str | None, why: str = "", step: str = "") -> None:
        """Likewise, and the verdict; None where the rule does not apply."""
        assert found is not None
        self.assertEqual(found.verdict, verdict, found.why)
        self.says(found, why, step)
