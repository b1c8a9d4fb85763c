"""What a finished visit came to, as it is kept: the same again by the same core, and what a repair proved."""

import unittest
from datetime import UTC, datetime, timedelta

from outer_test.judgement import Part
from outer_test.ledger import Conclusion, Event, Kind, Recorded, closing, kind_of, read_body, unfold
from outer_test.nameplate import Compressor, Fan, Plate, RunCapacitor
from outer_test.plain_data import plain
from outer_test.round import concluded, place_of
from outer_test.visit import Reading, Repair, Seen, Visit

NINE = datetime(2027, 1, 14, 9, tzinfo=UTC)
PLATE = Plate(
    volts=(208.0, 230.0), hz=60, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2),
    run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6),
)  # fmt: skip


def minutes(count: int) -> datetime:
    return NINE + timedelta(minutes=count)


WEAK = Visit(
    plate=PLATE, complaint="hums-no-start", readings=(Reading("cap.herm.uf", "15.0", at=minutes(1)), Reading("cap.fan.uf", "7.5", at=minutes(2))),
    seen={"start.result": Seen("hummed", at=NINE)},
)  # fmt: skip
MENDED = Visit(
    plate=PLATE, complaint="hums-no-start",
    readings=(*WEAK.readings, Reading("cap.new_herm.uf", "55.2", at=minutes(10)), Reading("amps.compressor.run_a", "13.9", at=minutes(20))),
    seen={"start.result": Seen("started", at=minutes(18))}, repairs=(Repair(Part.RUN_CAPACITOR, at=minutes(12), uf=55, fan_uf=7.5, vac=440),),
)  # fmt: skip


def recorded(visit: Visit) -> Recorded:
    """The visit as the ledger has it."""
    lines = unfold(visit, NINE)
    events = (Event(one.name, kind_of(one.body), one.body, one.at, "d", place, place) for place, one in enumerate(lines, 1))
    return Recorded(Visit(plate=visit.plate, complaint=visit.complaint), tuple(events))


class Concluded(unittest.TestCase):
    def test_as_found_and_not_mended(self) -> None:
        said = concluded(recorded(WEAK), "9")
        self.assertEqual((said.core, said.as_found, said.as_left), ("9", "bad", "bad"))
        self.assertEqual([(one.part, one.fault) for one in said.accused], [("run capacitor", "herm weak")])
        self.assertEqual((len(said.suspects), said.suspects[0].fault, said.proved), (5, "herm weak", ()))

    def test_a_part_put_in_that_mended_it_proves_its_fault(self) -> None:
        said = concluded(recorded(MENDED), "9")
        self.assertEqual((said.as_found, said.proved), ("bad", ("herm weak",)))
        self.assertIn(said.as_left, ("good", "watch", "unjudged"))

    def test_it_is_a_kind_of_the_ledger_and_reads_back_the_same(self) -> None:
        said = concluded(recorded(MENDED), "9")
        self.assertEqual(read_body(Kind.CONCLUSION, plain(said)), said)
        self.assertIsInstance(said, Conclusion)

    def test_it_takes_in_nothing_of_itself(self) -> None:
        last = place_of(recorded(WEAK))
        said = concluded(recorded(WEAK), "9")
        after = Event("c", Kind.CONCLUSION, said, minutes(60), "s", 1, last + 1)
        self.assertEqual(place_of(recorded(WEAK).with_events([after])), last)
        self.assertEqual(closing([]).waiting, ())
