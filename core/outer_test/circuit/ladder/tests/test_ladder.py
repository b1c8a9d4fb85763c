"""The ladder of every kind of unit: whole, on the paper, without a crossing wire, and true to what is on record."""

from collections.abc import Iterator
from datetime import UTC, datetime
from itertools import combinations
from unittest import TestCase

from outer_test.assessment import assess
from outer_test.circuit import ladder_of, make_circuit, probes
from outer_test.circuit.ladder import Ladder, Section, Shape, Stroke
from outer_test.circuit.ladder.drawn import WIDE, Place
from outer_test.circuit.tests.test_circuit import every_unit
from outer_test.nameplate import Compressor, Plate
from outer_test.visit import Lifted, Reading, Visit

UNITS = [*every_unit(), Visit(plate=Plate(phase=3, compressor=Compressor(stages=2)))]


def strokes(drawn: Ladder) -> Iterator[Stroke]:
    return (stroke for section in drawn.sections for stroke in section.strokes)


def pieces(section: Section) -> Iterator[tuple[str, Place, Place]]:
    """Every straight piece of every wire and rail, by what it belongs to."""
    for number, stroke in enumerate(section.strokes):
        for one, two in zip(stroke.places, stroke.places[1:], strict=False):
            yield stroke.wire or f"rail {number}", one, two


def cross(one: tuple[str, Place, Place], two: tuple[str, Place, Place]) -> bool:
    """Whether two pieces cross in the middle of both."""

    def side(a: Place, b: Place, c: Place) -> float:
        return (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)

    (_, a, b), (_, c, d) = one, two
    return side(a, b, c) * side(a, b, d) < 0 and side(c, d, a) * side(c, d, b) < 0


class Whole(TestCase):
    def test_every_wire_part_and_probe_of_every_unit_is_drawn(self) -> None:
        for visit in UNITS:
            circuit, drawn = make_circuit(visit), ladder_of(visit, (), "unknown")
            self.assertEqual({wire.name for wire in circuit.wires}, {stroke.wire for stroke in strokes(drawn)} - {""})
            self.assertEqual({part.name for part in circuit.parts}, {one.part for section in drawn.sections for one in section.symbols})
            shown = [probe.point for section in drawn.sections for probe in section.probes]
            self.assertEqual(sorted(shown), sorted({probe.point for probe in probes(visit, circuit)}))

    def test_it_lies_within_its_paper_and_every_probe_on_a_rung(self) -> None:
        for section in (section for visit in UNITS for section in ladder_of(visit, (), "live").sections):
            places = [place for stroke in section.strokes for place in stroke.places]
            self.assertTrue(all(0 <= place.x <= WIDE and 0 <= place.y <= section.height for place in places))
            for one in section.symbols:
                self.assertTrue(one.x - one.w / 2 >= 0 and one.x + one.w / 2 <= WIDE and one.y + one.h / 2 <= section.height, one)
            self.assertTrue(all(probe.rungs for probe in section.probes))
            tips = {(tip.x, tip.y) for probe in section.probes for tip in (probe.red, probe.black) if tip is not None}
            self.assertLessEqual(tips, {(spot.x, spot.y) for spot in section.spots})

    def test_no_two_wires_cross(self) -> None:
        for visit in UNITS:
            for section in ladder_of(visit, (), "unknown").sections:
                for one, two in combinations(pieces(section), 2):
                    self.assertFalse(one[0] != two[0] and cross(one, two), f"{one} crosses {two} ({visit.plate})")

    def test_no_two_parts_lie_over_each_other(self) -> None:
        for visit in UNITS:
            for section in ladder_of(visit, (), "unknown").sections:
                for one, two in combinations(section.symbols, 2):
                    apart = abs(one.x - two.x) >= (one.w + two.w) / 2 - 1 or abs(one.y - two.y) >= (one.h + two.h) / 2 - 1
                    self.assertTrue(apart, f"{one.part} over {two.part} ({visit.plate})")


class OnRecord(TestCase):
    AT = datetime(2027, 1, 14, 9, tzinfo=UTC)

    def drawn(self, visit: Visit, power: str = "unknown") -> dict[str, Stroke]:
        return {stroke.wire: stroke for stroke in strokes(ladder_of(visit, assess(visit).findings, power))}  # type: ignore[arg-type]

    def test_a_lifted_wire_is_off_and_says_what_lifting_it_is_called(self) -> None:
        before, after = self.drawn(Visit()), self.drawn(Visit(lifted=(Lifted("fan wire"),)))
        name = "capacitor.FAN–fan.S"
        self.assertEqual((before[name].off, before[name].lifts, after[name].off), (False, "FAN wire off", True))
        self.assertFalse(after["capacitor.HERM–compressor.S"].off)

    def test_nothing_is_live_unless_the_unit_is(self) -> None:
        for power in ("unknown", "dead-claimed", "dead-proved"):
            self.assertEqual({stroke.live for stroke in self.drawn(Visit(), power).values()}, {""})

    def test_live_ends_at_an_open_contactor_and_where_a_reading_says_so(self) -> None:
        open_, closed = Visit(), Visit(seen={"contactor.armature": "in"})
        self.assertEqual(self.drawn(open_, "live")["disconnect.1–contactor.L1"].live, "L1")
        self.assertEqual(self.drawn(open_, "live")["contactor.T1–compressor.C"].live, "")
        self.assertEqual(self.drawn(closed, "live")["contactor.T1–compressor.C"].live, "L1")
        lost = Visit(seen={"contactor.armature": "in"}, readings=(Reading("contactor.load.v", "3.1"),))
        self.assertEqual(self.drawn(lost, "live")["contactor.T1–compressor.C"].live, "")
        no_line = Visit(readings=(Reading("line.l1_l2.v", "0.4"),))
        self.assertEqual(self.drawn(no_line, "live")["disconnect.1–contactor.L1"].live, "")
        pulled = Visit(lifted=(Lifted("disconnect"),))
        self.assertEqual(self.drawn(pulled, "live")["disconnect.1–contactor.L1"].live, "")

    def test_a_call_that_does_not_come_out_of_the_board_ends_there(self) -> None:
        plate = next(visit.plate for visit in UNITS if visit.plate.defrost.control == "demand")
        wire = "board.YO–contactor.A"
        self.assertEqual(self.drawn(Visit(plate=plate), "live")[wire].live, "24V")
        lost = Visit(plate=plate, readings=(Reading("control.y_in.v", "26"), Reading("control.y_out.v", "0.2")))
        self.assertEqual(self.drawn(lost, "live")[wire].live, "")
        self.assertEqual(self.drawn(lost, "live")["indoor.Y–board.Y"].live, "24V")

    def test_a_section_stands_for_itself(self) -> None:
        visit = Visit(plate=UNITS[0].plate, readings=(Reading("cap.herm.uf", "31"), Reading("cap.fan.uf", "7.5")))
        shown = ladder_of(visit, assess(visit).findings, "unknown")
        states = [one.state for section in shown.sections for one in section.symbols if one.shape is Shape.CAPACITOR]
        self.assertEqual(states, ["suspect", "proven"])
        self.assertIn("Suspect:", shown.says)
