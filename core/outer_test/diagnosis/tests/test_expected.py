"""What a sound unit would read, shown beside the limits: only what its plate tells, and where the tape has room for it."""

import unittest
from dataclasses import replace

from outer_test.assessment import assess
from outer_test.diagnosis import expected_here, table_of
from outer_test.nameplate import Compressor, Plate
from outer_test.visit import POINTS, Reading, Visit
from visit_samples.any_visits import UNITS

PLATE = UNITS[0]


class Expected(unittest.TestCase):
    def test_what_the_plate_tells_is_shown_and_lies_inside_the_limits(self) -> None:
        """A sound unit is expected where its rules call it good: the twin's own check, here at the marks on the tapes."""
        shown = expected_here(PLATE, table_of(PLATE), ())
        readings = tuple(Reading(point, f"{one.value:.3f}") for point, one in shown.items() if POINTS[point].unit in ("a", "v", "uf"))
        marks = expected_here(PLATE, table_of(PLATE), assess(Visit(plate=PLATE, readings=readings)).findings)
        drawn = [point for point, one in marks.items() if one.at is not None]
        self.assertIn("amps.compressor.run_a", drawn)
        self.assertIn("cap.herm.uf", drawn)
        self.assertEqual(marks["cap.herm.uf"].words, "about 55 µF")
        self.assertTrue(all(0 <= (one.at or 0) <= 1 for one in marks.values()))

    def test_what_the_plate_does_not_tell_is_not_made_up(self) -> None:
        bare = expected_here(Plate(), table_of(Plate()), ())
        for point in ("cap.herm.uf", "amps.compressor.run_a", "amps.fan.run_a", "winding.c_r.ohm", "line.l1_l2.v"):
            self.assertNotIn(point, bare, point)
        self.assertIn("contactor.coil.v", bare, "a 24 V coil has its volts on any unit")
        unread = replace(PLATE, compressor=Compressor(lra=96, kind="scroll"))
        self.assertNotIn("amps.compressor.run_a", expected_here(unread, table_of(unread), ()))

    def test_every_one_is_a_point_of_the_round_and_none_is_off_any_meter(self) -> None:
        for plate in UNITS:
            for point, one in expected_here(plate, table_of(plate), ()).items():
                self.assertIn(point, POINTS)
                self.assertLess(one.value, 1e6)
