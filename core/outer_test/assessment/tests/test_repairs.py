"""A part put in makes the old part's readings history: as found, and as left (handbook section 14)."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta

from outer_test.assessment import as_left, assess
from outer_test.judgement import Part, Verdict
from outer_test.nameplate import Compressor, Plate, RunCapacitor
from outer_test.visit import Reading, Repair, Seen, Visit

T0 = datetime(2027, 1, 14, 9, 0, tzinfo=UTC)
PLATE = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6), compressor=Compressor(rla=17.9, lra=96))


def at(minutes: float) -> datetime:
    return T0 + timedelta(minutes=minutes)


FOUND = Visit(plate=PLATE, readings=(Reading("cap.herm.uf", "39.9", at=at(0)), Reading("cap.fan.uf", "7.5", at=at(1))))
DUAL = Repair(Part.RUN_CAPACITOR, at=at(20), uf=55, fan_uf=7.5, vac=440)


def points(visit: Visit) -> set[str]:
    return {finding.point for finding in assess(visit).findings}


class Repairs(unittest.TestCase):
    def test_without_one_found_and_left_are_the_same(self) -> None:
        judged = assess(FOUND)
        self.assertEqual((judged.as_found, judged.as_left, judged.found), (Verdict.BAD, Verdict.BAD, ()))

    def test_the_old_parts_readings_become_history(self) -> None:
        judged = assess(replace(FOUND, repairs=(DUAL,)))
        self.assertEqual(judged.as_found, Verdict.BAD)
        self.assertNotEqual(judged.as_left, Verdict.BAD)
        self.assertIn("cap.herm.uf", {one.point for one in judged.found})
        self.assertFalse({"cap.herm.uf", "cap.fan.uf"} & points(replace(FOUND, repairs=(DUAL,))))

    def test_one_section_leaves_the_other_as_it_was(self) -> None:
        only = replace(FOUND, repairs=(replace(DUAL, section="herm"),))
        self.assertEqual({"cap.herm.uf", "cap.fan.uf"} & points(only), {"cap.fan.uf"})

    def test_what_is_measured_after_it_is_the_new_parts(self) -> None:
        again = replace(FOUND, repairs=(DUAL,), readings=(*FOUND.readings, Reading("cap.herm.uf", "55.2", at=at(30))))
        found = next(finding for finding in assess(again).findings if finding.point == "cap.herm.uf")
        self.assertEqual((found.verdict, found.shown), (Verdict.GOOD, "55.2"))

    def test_what_was_read_running_before_it_says_nothing_of_after(self) -> None:
        ran = replace(FOUND, readings=(*FOUND.readings, Reading("amps.compressor.run_a", "70", at=at(5))), repairs=(DUAL,))
        self.assertNotIn("amps.compressor.run_a", points(ran))
        started = replace(FOUND, seen={"start.result": Seen("hummed", at(5))}, repairs=(DUAL,))
        self.assertIsNone(as_left(started).saw("start.result"))

    def test_a_part_put_back_keeps_what_is_fitted(self) -> None:
        back = replace(FOUND, repairs=(replace(DUAL, put_back=True),))
        self.assertEqual(as_left(back).fitted, FOUND.fitted)

    def test_in_the_hand_it_is_read(self) -> None:
        hand = (Reading("cap.new_herm.uf", "55.3", at=at(19)), Reading("cap.new_fan.uf", "7.4", at=at(19)))
        judged = assess(replace(FOUND, repairs=(DUAL,), readings=(*FOUND.readings, *hand)))
        self.assertFalse({"cap.herm.uf", "cap.fan.uf"} & {one.point for one in judged.missing})

    def test_a_file_without_the_event_tells_it_by_a_start_after_the_new_part_was_measured(self) -> None:
        new = (*FOUND.readings, Reading("cap.new_herm.uf", "55.3", at=at(10)))
        self.assertIn("cap.herm.uf", points(replace(FOUND, readings=new)), "measured in the hand is not put in")
        ran = replace(FOUND, readings=new, seen={"start.result": Seen("started", at(15))})
        self.assertNotIn("cap.herm.uf", points(ran))
