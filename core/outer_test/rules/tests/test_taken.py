"""`taken` (handbook 1): what the record contradicts is evidence of nothing, and what would be a stop stays one. Common practice, no source."""

import unittest

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.nameplate import Compressor, Fan, Plate, RunCapacitor
from outer_test.visit import PowerState, Reading, Visit

PLATE = Plate(
    volts=(208, 230), hz=60, phase=1, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2),
    run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440),
)  # fmt: skip


def taken(point: str, value: str, power: PowerState) -> tuple[Finding, bool]:
    """What a reading alone comes to, taken so, and whether anything stops the visit."""
    found = assess(Visit(plate=PLATE, readings=(Reading(point, value, power=power),)))
    return next(one for one in found.findings if one.point == point), bool(found.stops)


class WhileLive(unittest.TestCase):
    def test_ohms_and_microfarads_count_for_nothing_and_stop_nobody(self) -> None:
        for point, value in (("cap.herm.uf", "12.0"), ("winding.c_r.ohm", "0.6"), ("lead.c.ohm", "0.2"), ("contactor.coil.ohm", "OL")):
            finding, stopped = taken(point, value, "live")
            self.assertEqual((finding.verdict, stopped), ("unjudged", False), point)

    def test_a_path_to_ground_stays_a_stop(self) -> None:
        for point, value in (("winding.c_ground.ohm", "1200"), ("winding.c_ground.ohm", "closed"), ("winding.insulation.mohm", "0.3")):
            self.assertTrue(taken(point, value, "live")[1], (point, value))
        self.assertFalse(taken("winding.c_ground.ohm", "OL", "live")[1])
        self.assertFalse(taken("winding.insulation.mohm", "0.5", "live")[1])


class WhileDead(unittest.TestCase):
    def test_line_volts_say_that_the_record_is_wrong_and_what_reads_nothing_does_not(self) -> None:
        self.assertTrue(taken("line.l1_l2.v", "240", "dead-proved")[1])
        finding, stopped = taken("amps.compressor.run_a", "0.0", "dead-proved")
        self.assertEqual((finding.verdict, stopped), ("unjudged", False))


class ThreePhase(unittest.TestCase):
    def test_equal_pairs_without_labels_are_judged_as_pairs(self) -> None:
        """Handbook 7: equal unlabelled pairs are what three phases should read."""
        names = ("winding.t1_t2.ohm", "winding.t2_t3.ohm", "winding.t1_t3.ohm")
        for last, verdict in (("1.01", "good"), ("1.40", "bad")):
            readings = tuple(Reading(point, value) for point, value in zip(names, ("1.00", "1.02", last), strict=True))
            visit = Visit(plate=Plate(phase=3, compressor=Compressor(rla=17.9, lra=96, kind="scroll")), readings=readings)
            self.assertIn(verdict, {one.verdict for one in assess(visit).findings if one.point == "winding.r_s.ohm"}, last)
