"""A part put in starts a new line: what the old one read stays history, and the new one is what the unit is watched by.

Common practice, no source: a capacitor's drift is the drift of one part.
"""

import unittest
from datetime import UTC, datetime, timedelta

from outer_test.history import PartChanged, histories, names_of, standing, told_of
from outer_test.judgement import Part, Verdict
from outer_test.nameplate import Plate, RunCapacitor
from outer_test.visit import Reading, Repair, Visit

PLATE = Plate(hz=60, run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6))
DAY = datetime(2027, 1, 14, 8, tzinfo=UTC)


def at(minutes: float) -> datetime:
    return DAY + timedelta(minutes=minutes)


REPAIR = Repair(part=Part.RUN_CAPACITOR, at=at(30), uf=55, fan_uf=7.5, vac=440)
REPAIRED = Visit(
    plate=PLATE,
    readings=(
        Reading("cap.herm.uf", "44.1", at=at(10)), Reading("cap.fan.uf", "7.4", at=at(11)), Reading("winding.c_r.ohm", "0.60", at=at(12)),
        Reading("cap.new_herm.uf", "55.3", at=at(30)), Reading("cap.new_fan.uf", "7.5", at=at(30)),
    ),
    repairs=(REPAIR,),
)  # fmt: skip
CHANGED = [PartChanged(name, at(30)) for name in names_of(REPAIR)]


class Repaired(unittest.TestCase):
    def test_the_old_reading_is_told_as_found_and_the_new_one_by_its_section(self) -> None:
        told = [(one.point, one.value, one.verdict) for one in told_of(REPAIRED) if one.point.startswith("cap.herm")]
        self.assertEqual(told, [("cap.herm.uf", "44.1", Verdict.BAD), ("cap.herm.uf", "55.3", Verdict.GOOD)])
        self.assertEqual([one.value for one in told_of(REPAIRED) if one.point == "winding.c_r.ohm"], ["0.60"], "told once")

    def test_the_new_part_begins_a_line_of_its_own(self) -> None:
        year_before = Visit(plate=PLATE, readings=(Reading("cap.herm.uf", "48.0", at=at(-500_000)),))
        visits = [(at(-500_000), "1", told_of(year_before)), (DAY, "2", told_of(REPAIRED))]
        history = next(one for one in histories(visits, CHANGED) if one.point == "cap.herm.uf")
        self.assertEqual([(one.told.value, one.line) for one in history.readings], [("48.0", 0), ("44.1", 0), ("55.3", 1)])
        self.assertIsNone(history.trend.crosses, "one reading of the new part is no drift")

    def test_a_repaired_unit_leaves_the_watch_list(self) -> None:
        record = histories([(DAY, "1", told_of(REPAIRED))], CHANGED)
        self.assertEqual(standing(REPAIRED, record).overall, Verdict.GOOD)
        unrepaired = Visit(plate=PLATE, readings=REPAIRED.readings[:3])
        self.assertEqual(standing(unrepaired, histories([(DAY, "1", told_of(unrepaired))])).overall, Verdict.BAD)

    def test_a_new_part_read_outside_is_watched(self) -> None:
        weak = Reading("cap.new_herm.uf", "50.0", at=at(30))
        visit = Visit(plate=PLATE, readings=(*REPAIRED.readings[:3], weak), repairs=(REPAIR,))
        self.assertEqual(standing(visit, histories([(DAY, "1", told_of(visit))], CHANGED)).overall, Verdict.BAD)
