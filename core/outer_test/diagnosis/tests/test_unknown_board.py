"""A heat pump has a defrost board, whether its kind is on record or not: not recorded is not absent (handbook section 9)."""

import unittest
from dataclasses import replace
from datetime import timedelta

from outer_test.assessment import judge
from outer_test.diagnosis import CONTROL, diagnose
from outer_test.diagnosis.next_test import open_points
from outer_test.diagnosis.tests.test_confirmed import NINE
from outer_test.judgement import Part
from outer_test.nameplate import AuxHeat, Defrost, Plate
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

    def test_its_kind_is_asked_for_where_what_is_complained_of_hangs_on_it(self) -> None:
        for complaint in ("never-defrosts", "iced-over", "defrosts-too-often"):
            unknown = Visit(plate=UNKNOWN, complaint=complaint)
            found = diagnose(unknown)
            parts = {one.part for one in found.suspects}
            self.assertEqual(found.path[0], CONTROL, complaint)
            self.assertLess(sum(one.probability for one in found.suspects if one.fault == FaultKey.LOW_CHARGE), 0.2)
            self.assertTrue(parts & {Part.DEFROST_BOARD, Part.COIL_SWITCH, Part.COIL_SENSOR}, complaint)
            for plate in PLATES[1:]:
                self.assertNotIn(CONTROL, diagnose(replace(unknown, plate=plate)).path)
        for complaint in ("hums-no-start", "nothing-at-all", "fan-stopped", "maintenance"):
            self.assertNotIn(CONTROL, diagnose(Visit(plate=UNKNOWN, complaint=complaint)).path)  # type: ignore[arg-type]

    def test_nothing_else_than_dead_work_is_asked_for_under_a_stop(self) -> None:
        grounded = Visit(plate=UNKNOWN, complaint="iced-over", readings=(Reading("winding.c_ground.ohm", "800", at=NINE, unit_said=True),))
        self.assertEqual(len(diagnose(grounded).path), 1)
        self.assertNotIn(CONTROL, diagnose(grounded).path)

    def test_a_unit_without_aux_heat_has_no_aux_call_to_suspect(self) -> None:
        for kind, suspected in (("none", False), ("electric", True)):
            plate = replace(UNKNOWN, aux_heat=AuxHeat(kind=kind))  # type: ignore[arg-type]
            found = diagnose(Visit(plate=plate, complaint="blows-cold"))
            self.assertEqual(FaultKey.NO_W in {one.fault for one in found.suspects}, suspected, kind)

    def test_its_valve_is_measured_whatever_its_control(self) -> None:
        blows_cold = called(UNKNOWN, [("defrost.valve_coil.ohm", "OL"), ("defrost.valve_coil.ohm", "OL")])
        found = diagnose(replace(blows_cold, complaint="blows-cold"))
        self.assertEqual([(one.part, one.fault) for one in found.accused], [(Part.VALVE_COIL, FaultKey.VALVE_COIL_OPEN)])
