"""Capacitors as a visit has them: what fits from the van, the label that cannot be read, volts across, turns. Handbook 5; common practice."""

import unittest
from dataclasses import replace
from decimal import Decimal

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.measurement import Accuracy, measure
from outer_test.nameplate import Plate, RunCapacitor, StartCapacitor
from outer_test.rules.capacitors.under_load import load_turns, microfarads_per_ratio
from outer_test.visit import FittedCapacitor, Reading, StockPart, Visit

DUAL = RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6)
SINGLES = replace(DUAL, form="singles")


def visit(cap: RunCapacitor, *read: tuple[str, str], **more: object) -> Visit:
    readings = tuple(Reading(point, value) for point, value in read)
    return Visit(plate=Plate(hz=60, run_capacitor=cap), readings=readings, **more)  # type: ignore[arg-type]


def at(of: Visit, point: str, rule: str = "") -> Finding:
    return next(one for one in assess(of).findings if one.point == point and rule in ("", one.rule))


class Fits(unittest.TestCase):
    STOCK = (StockPart(7.5, vac=440), StockPart(55, vac=440), StockPart(55, vac=440, fan_uf=7.5))

    def names(self, cap: RunCapacitor, point: str, value: str, *stock: StockPart) -> list[tuple[str, ...]]:
        return [one.parts for one in at(visit(cap, (point, value), van_stock=stock or self.STOCK), point).fits]

    def test_a_single_asks_for_its_own_section_alone(self) -> None:
        fan, herm = self.names(SINGLES, "cap.fan.uf", "4.0"), self.names(SINGLES, "cap.herm.uf", "40.0")
        self.assertEqual((len(fan[0]), "7.5" in fan[0][0], "55" in fan[0][0]), (1, True, False))
        self.assertTrue(all(len(parts) == 1 and "55" in parts[0] for parts in herm[:2]), herm)

    def test_a_dual_asks_for_both(self) -> None:
        self.assertIn("55 + 7.5", self.names(DUAL, "cap.fan.uf", "4.0")[0][0])

    def test_an_add_on_fills_a_section_only_from_below(self) -> None:
        added = self.names(DUAL, "cap.fan.uf", "4.0", StockPart(50, vac=440, fan_uf=7.5), StockPart(5, vac=440))
        self.assertEqual([len(parts) for parts in added], [2])
        self.assertEqual(self.names(DUAL, "cap.fan.uf", "4.0", StockPart(60, vac=440, fan_uf=7.5), StockPart(5, vac=440)), [])

    def test_nothing_that_fits_is_said_only_where_a_van_is_known(self) -> None:
        for stock, said in (((), False), ((StockPart(30, vac=440),), True), (self.STOCK, False)):
            step = at(visit(DUAL, ("cap.herm.uf", "40.0"), van_stock=stock), "cap.herm.uf").next
            self.assertEqual("Nothing on the van fits" in step, said, str(stock))

    def test_volts_that_cannot_be_read_fit_nothing(self) -> None:
        step = at(visit(replace(DUAL, vac=None), ("cap.herm.uf", "40.0"), van_stock=self.STOCK), "cap.herm.uf").next
        self.assertIn("What fits is not known", step)


class Labels(unittest.TestCase):
    def test_a_tolerance_that_cannot_be_read_is_not_one_that_is_not_printed(self) -> None:
        bare = visit(replace(DUAL, tolerance_pct=None), ("cap.herm.uf", "50.0"))
        self.assertEqual(at(bare, "cap.herm.uf").verdict, "bad", "6 % where none is printed")
        unread = replace(bare, plate=replace(bare.plate, unreadable=("run_capacitor.tolerance_pct",)))
        self.assertEqual(at(unread, "cap.herm.uf").verdict, "unjudged")
        known = replace(unread, plate=replace(unread.plate, run_capacitor=DUAL))
        self.assertEqual(at(known, "cap.herm.uf").verdict, "bad")
        school = replace(unread, rules=replace(unread.rules, capacitor_limit="10"))
        self.assertEqual(at(school, "cap.herm.uf").verdict, "watch", "the school asks no label: 49.5 to 60.5 µF")

    def test_how_far_off_is_said_in_percent_of_rated(self) -> None:
        self.assertIn("10 % under 55 µF", at(visit(DUAL, ("cap.herm.uf", "49.5")), "cap.herm.uf").why)
        self.assertIn("10 % over 55 µF", at(visit(DUAL, ("cap.herm.uf", "60.5")), "cap.herm.uf").why)

    def test_parts_that_make_the_plates_value_are_told_apart_from_one_that_does(self) -> None:
        one, two = (FittedCapacitor("herm", uf=55),), (FittedCapacitor("herm", uf=50), FittedCapacitor("herm", uf=5, add_on=True))
        self.assertNotIn("parallel", at(visit(DUAL, ("cap.herm.uf", "55.0"), fitted=one), "cap.herm.uf").why)
        self.assertIn("parallel", at(visit(DUAL, ("cap.herm.uf", "55.0"), fitted=two), "cap.herm.uf").why)


class UnderLoad(unittest.TestCase):
    def test_volts_across_it_by_what_is_fitted_there_else_by_the_plate(self) -> None:
        fitted = (FittedCapacitor("fan", uf=7.5, vac=370), FittedCapacitor("herm", uf=55))
        for point, fits, verdict in (
            ("cap.fan.load_v", fitted, "watch"),
            ("cap.herm.load_v", fitted, "good"),
            ("cap.fan.load_v", (), "good"),
        ):
            self.assertEqual(at(visit(DUAL, (point, "400.0"), fitted=fits), point).verdict, verdict, point)
        self.assertEqual(at(visit(replace(DUAL, vac=None), ("cap.fan.load_v", "400.0")), "cap.fan.load_v").verdict, "unjudged")

    def test_it_needs_volts_above_nothing(self) -> None:
        for volts in ((), (("cap.herm.load_v", "0.0"),)):
            self.assertEqual(at(visit(DUAL, ("cap.herm.load_a", "7.6"), *volts), "cap.herm.load_a", "cap-load").verdict, "unjudged")

    def test_ten_turns_are_the_most(self) -> None:
        """2652.6 × 0.72 ÷ 255 is 7.49 µF; the turns are the least that make the window 0.8 of the band."""
        volts, factor = measure("255", Accuracy(pct=0, counts=1), unit="v"), microfarads_per_ratio(60)

        def turns(counts: int) -> int | None:
            return load_turns(measure("0.72", Accuracy(pct=0, counts=counts), unit="a"), volts, Decimal("0.45"), factor)

        found = {counts: turns(counts) for counts in range(2, 70)}
        self.assertEqual({one for one in found.values() if one is not None}, set(range(2, 11)))
        self.assertIsNone(found[69])
        rising = [one for one in found.values() if one is not None]
        self.assertEqual(rising, sorted(rising), "a coarser meter never takes fewer")


class Start(unittest.TestCase):
    def test_over_range_tells_only_where_the_range_ends_at_twice_the_band(self) -> None:
        plate = Plate(start_capacitor=StartCapacitor(low_uf=135, high_uf=162, vac=330), start_device="relay")
        for top, verdict in ((323.0, "unsure"), (324.0, "bad"), (None, "unsure")):
            of = Visit(plate=plate, readings=(Reading("cap.start.uf", "OL", top=top),))
            self.assertEqual(at(of, "cap.start.uf").verdict, verdict, str(top))
