"""A heat pump has a defrost board, whether its kind is on record or not: not recorded is not absent (handbook section 9)."""

import unittest
from dataclasses import replace
from datetime import timedelta

from outer_test.assessment import judge
from outer_test.diagnosis import diagnose
from outer_test.diagnosis.next_test import open_points
from outer_test.diagnosis.tests.test_confirmed import NINE
from outer_test.judgement import Part
from outer_test.nameplate import Defrost, Plate
from outer_test.twin import FaultKey
from outer_test.visit import Reading, Seen, Visit

UNKNOWN = Plate(volts=(208.0, 230.0))
PLATES = (UNKNOWN, replace(UNKNOWN, defrost=Defrost(control="demand")))
INDOORS = [("control.r_c.v", "26.4"), ("control.stat_r_c.v", "26.4"), ("control.stat_y.v", "26.0")]


def called(plate: Plate, read: list[tuple[str, str]], **seen: str) -> Visit:
    looked = {"control.float": "closed", "control.pressure": "closed", "control.delay": "over", **seen}
    return Visit(
        plate=plate,
        complaint="nothing-at-all",
        readings=tuple(Reading(point, value, at=NINE + timedelta(minutes=place)) for place, (point, value) in enumerate(read)),
        seen={name: Seen(word, NINE) for name, word in looked.items()},
    )


class UnknownBoard(unittest.TestCase):
    """Common practice, no source."""

    def test_lost_on_the_way_to_the_coil_it_could_be_the_board(self) -> None:
        read = [*INDOORS, ("contactor.coil.v", "0.2"), ("contactor.coil.v", "0.3")]
        for plate in PLATES:
            found = diagnose(called(plate, read))
            self.assertEqual(found.accused, (), str(plate.defrost.control))
            self.assertIn(FaultKey.NO_Y_OUT, [one.fault for one in found.suspects])
            self.assertIn("control.y_in.v", found.path, "which tells the wire from the board")

    def test_what_was_read_at_it_counts(self) -> None:
        for plate in PLATES:
            found = diagnose(called(plate, [("control.r_c.v", "26.0"), ("control.y_in.v", "25.8"), ("control.y_out.v", "0.3")]))
            self.assertIs(found.suspects[0].part, Part.DEFROST_BOARD, str(plate.defrost.control))
            wire = diagnose(called(plate, [*INDOORS, ("control.y_in.v", "0.2"), ("control.y_in.v", "0.3")]))
            self.assertEqual(wire.suspects[0].fault, FaultKey.Y_WIRE_BROKEN, str(plate.defrost.control))

    def test_its_places_are_asked_for_and_nothing_of_a_kind_that_is_not_known(self) -> None:
        asked = open_points(judge(Visit(plate=UNKNOWN)))
        self.assertLessEqual({"control.y_in.v", "control.y_out.v", "fan.board.v"}, asked)
        self.assertTrue(asked.isdisjoint({"look.sensor.seat", "defrost.switch.ohm", "defrost.coil_sensor.ohm"}))
