"""What a technician reads beside each capacitor verdict, and whose rating it was held against. Handbook 5; common practice, no source."""

import unittest
from dataclasses import replace

from outer_test.judgement import HouseRules
from outer_test.measurement import Accuracy, measure
from outer_test.nameplate import BlowerCapacitor, Compressor, Fan, Plate, RunCapacitor, StartCapacitor
from outer_test.rules.capacitors import cap_fit, cap_installed, cap_load
from outer_test.rules.capacitors.bench import capacitor_limits
from outer_test.rules.capacitors.fitted import section_rating
from outer_test.rules.capacitors.replacement import CapacitorNeed
from outer_test.rules.capacitors.tests.test_on_a_visit import DUAL, at, visit
from outer_test.visit import FittedCapacitor, Reading, StockPart, Visit

PLATE = Plate(hz=60, run_capacitor=DUAL)


class OnAVisit(unittest.TestCase):
    def test_it_does_not_end_a_no_start_and_only_a_no_start(self) -> None:
        for complaint, goes_on in (("hums-no-start", True), ("trips-breaker", True), ("high-bill", False), (None, False)):
            step = at(visit(DUAL, ("cap.herm.uf", "40.0"), complaint=complaint), "cap.herm.uf").next
            self.assertEqual("does not end a no-start" in step, goes_on, complaint)
        good = at(visit(DUAL, ("cap.herm.uf", "55.0"), complaint="hums-no-start"), "cap.herm.uf")
        self.assertNotIn("no-start", good.next)

    def test_what_is_to_be_fitted(self) -> None:
        for form, point, words in (
            ("dual", "cap.fan.uf", "55 + 7.5 µF"),
            ("singles", "cap.fan.uf", "Fits: 7.5 µF"),
            ("singles", "cap.herm.uf", "Fits: 55 µF at"),
        ):
            self.assertIn(words, at(visit(replace(DUAL, form=form), (point, "4.0")), point).next)  # type: ignore[arg-type]
        herm_only = at(visit(RunCapacitor(herm_uf=55, vac=440), ("cap.herm.uf", "4.0")), "cap.herm.uf").next
        fan_only = at(visit(RunCapacitor(fan_uf=5, vac=440), ("cap.fan.uf", "0.4")), "cap.fan.uf").next
        self.assertTrue("Fits: 55 µF at" in herm_only and "Fits: 5 µF at" in fan_only, (herm_only, fan_only))
        self.assertNotIn("Fits", at(visit(DUAL, ("cap.herm.uf", "55.0")), "cap.herm.uf").next)

    def test_a_new_part_is_held_to_the_plate_whatever_was_fitted(self) -> None:
        of = visit(DUAL, ("cap.new_herm.uf", "55.0"), ("cap.herm.uf", "55.0"), fitted=(FittedCapacitor("herm", uf=45),))
        self.assertEqual([at(of, point).verdict for point in ("cap.new_herm.uf", "cap.herm.uf")], ["good", "bad"])

    def test_the_worst_error_is_said_of_a_profile_alone_and_of_the_whole_band(self) -> None:
        """JCGM 106:2012 (from memory) on the meter's part in a verdict; 51.7 µF is the floor."""
        for uf, meter, worst in (
            ("50.4", {"m": {"uf": Accuracy(1, 2)}}, True),
            ("51.6", {"m": {"uf": Accuracy(1, 2)}}, False),
            ("40.0", {}, False),
        ):
            of = Visit(plate=PLATE, readings=(Reading("cap.herm.uf", uf, meter="m" if meter else None),), meters=meter)  # type: ignore[arg-type]
            self.assertEqual("worst error leaves it below" in at(of, "cap.herm.uf").why, worst, uf)

    def test_close_to_a_limit_is_said(self) -> None:
        for uf, close in (("51.6", True), ("55.0", False)):
            self.assertEqual("It is close" in at(visit(DUAL, ("cap.herm.uf", uf)), "cap.herm.uf").why, close, uf)

    def test_a_motor_without_a_capacitor(self) -> None:
        plate = Plate(compressor=Compressor(kind="inverter"), fan=Fan(kind="electronic"))
        for section, motor in (("herm", "inverter compressor"), ("fan", "electronic fan motor")):
            for point in (f"cap.{section}.uf", f"cap.{section}.load_a", f"cap.{section}.load_v"):
                found = at(Visit(plate=plate, readings=(Reading(point, "5.0"),)), point)
                self.assertEqual((found.verdict, motor in found.why), (None, True), point)

    def test_hertz_are_never_assumed(self) -> None:
        """[D] 10⁶ ÷ 2πf: 2652.6 at 60 Hz, 3183.1 at 50; 7.6 A at 370 V."""
        read = (("cap.herm.load_a", "7.60"), ("cap.herm.load_v", "370.0"))
        for hz, value in ((60, 54.49), (50, 65.38)):
            of = visit(DUAL, *read)
            found = at(replace(of, plate=replace(of.plate, hz=hz)), "cap.herm.load_a", "cap-load")  # type: ignore[arg-type]
            assert found.value is not None
            self.assertAlmostEqual(found.value, value, places=1)
        of = visit(DUAL, *read)
        unknown = at(replace(of, plate=replace(of.plate, hz=None)), "cap.herm.load_a", "cap-load")
        self.assertEqual((unknown.verdict, unknown.needs), ("unjudged", ("hz",)))

    def test_an_unknown_rating_leaves_a_hint(self) -> None:
        read = (("cap.herm.load_a", "7.60"), ("cap.herm.load_v", "370.0"))
        found = at(visit(replace(DUAL, herm_uf=None), *read), "cap.herm.load_a", "cap-load")
        self.assertIn("works as 54.5 µF, a hint only", found.why)
        self.assertAlmostEqual(found.value or 0, 54.49, places=1)
        self.assertEqual((found.verdict, found.needs), ("unjudged", ("run_capacitor.herm_uf",)))
        bench = at(visit(replace(DUAL, herm_uf=None), ("cap.herm.uf", "54.0")), "cap.herm.uf")
        self.assertEqual((bench.verdict, bench.needs, "model and serial" in bench.next), ("unjudged", ("run_capacitor.herm_uf",), True))

    def test_what_the_load_reading_still_needs(self) -> None:
        for read, needs, why in (
            ((), ("cap.herm.load_v",), "Needs the volts from C"),
            ((("cap.herm.load_v", "0.0"),), (), "above 0"),
            ((("cap.herm.load_v", "OL"),), (), "above 0"),
        ):
            found = at(visit(DUAL, ("cap.herm.load_a", "7.6"), *read), "cap.herm.load_a", "cap-load")
            self.assertEqual((found.verdict, found.needs), ("unjudged", needs))
            self.assertIn(why, found.why)
        self.assertEqual(at(visit(DUAL, ("cap.herm.load_v", "OL")), "cap.herm.load_v").verdict, "unjudged")

    def test_bench_and_load_of_one_part(self) -> None:
        """Apart by more than both bands and by more than 5 % of 55 µF, 2.75 µF: the bench wins; with none, the one in the hand."""
        exact = Accuracy(0, 1)
        load = measure("51.00", exact)
        for bench, wins in (("53.70", False), ("53.76", True), ("48.25", False), ("48.24", True)):
            found = cap_load(load, 55, 6, bench_reading=measure(bench, exact))
            self.assertEqual((found.verdict == "unsure", "isolated, wins" in found.why), (wins, wins), bench)
        wide = measure("55.0", Accuracy(8, 1))
        self.assertNotEqual(cap_load(load, 55, 6, bench_reading=wide).verdict, "unsure", "within both bands")
        read = (("cap.herm.load_a", "6.60"), ("cap.herm.load_v", "370.0"))
        self.assertIn("isolated, wins", at(visit(DUAL, ("cap.new_herm.uf", "55.0"), *read), "cap.herm.load_a", "cap-load").why)

    def test_the_indoor_blowers_capacitor(self) -> None:
        for uf, verdict in (("10.0", "good"), ("9.0", "bad")):
            plate = replace(PLATE, blower_capacitor=BlowerCapacitor(uf=10))
            found = at(Visit(plate=plate, readings=(Reading("cap.blower.uf", uf),)), "cap.blower.uf")
            self.assertEqual(found.verdict, verdict)
        bare = at(Visit(plate=PLATE, readings=(Reading("cap.blower.uf", "10.0"),)), "cap.blower.uf")
        self.assertEqual((bare.verdict, bare.needs), ("unjudged", ("blower_capacitor.uf",)))

    def test_the_start_capacitor(self) -> None:
        plate = Plate(start_capacitor=StartCapacitor(low_uf=189, high_uf=227), start_device="relay")
        for uf, verdict, step in (("189", "good", ""), ("188", "bad", "Replace it"), ("240", "watch", "bleed resistor still across")):
            found = at(
                Visit(plate=plate, readings=(Reading("cap.start.uf", uf, meter="m"),), meters={"m": {"uf": Accuracy(0, 1)}}), "cap.start.uf"
            )
            self.assertEqual(found.verdict, verdict, uf)
            self.assertIn(step, found.next)
            self.assertEqual(found.next == "", step == "")
        for top, step in ((454, "Replace it"), (453, "a range of 454 µF or more")):
            self.assertIn(step, at(Visit(plate=plate, readings=(Reading("cap.start.uf", "OL", top=top),)), "cap.start.uf").next)
        half = replace(plate, start_capacitor=StartCapacitor(low_uf=189))
        self.assertEqual(at(Visit(plate=half, readings=(Reading("cap.start.uf", "200"),)), "cap.start.uf").verdict, "unjudged")


class WhoseRating(unittest.TestCase):
    def test_the_fitted_parts_own_label(self) -> None:
        def rated(*parts: FittedCapacitor) -> tuple[float, float | None, str]:
            found = section_rating("herm", PLATE, parts)
            assert found is not None
            return found.uf, found.tolerance_pct, found.against

        self.assertEqual(rated(), (55, 6, ""))
        self.assertEqual(rated(FittedCapacitor("fan", uf=7.5)), (55, 6, ""), "another section's part says nothing")
        self.assertEqual(rated(FittedCapacitor("herm")), (55, 6, ""), "its value is not read")
        self.assertEqual(rated(FittedCapacitor("herm", uf=55)), (55, 6, ""))
        self.assertEqual(rated(FittedCapacitor("herm", uf=55, tolerance_pct=10)), (55, 10, ""))
        self.assertEqual(rated(FittedCapacitor("herm", uf=50))[:2], (50, None), "the plate's tolerance is not another part's")
        self.assertIn("part's own label, 50 µF; the plate asks 55 µF", rated(FittedCapacitor("herm", uf=50))[2])
        sums = FittedCapacitor("herm", uf=50, tolerance_pct=5), FittedCapacitor("herm", uf=5, tolerance_pct=10, add_on=True)
        self.assertEqual(rated(*sums)[:2], (55, 10), "the widest of the parts'")
        self.assertIn("parts' sum in parallel, 55 µF", rated(*sums)[2])
        alone = section_rating("herm", Plate(), (FittedCapacitor("herm", uf=40),))
        assert alone is not None
        self.assertNotIn("the plate asks", alone.against)

    def test_fitted_against_the_plate(self) -> None:
        stopgap = HouseRules(replacement="within-10")
        for parts, rules, verdict, why in (
            ((FittedCapacitor("herm", uf=49.5),), stopgap, "watch", "a stopgap"),
            ((FittedCapacitor("herm", uf=49.4),), stopgap, "bad", "55 µF is asked."),
            ((FittedCapacitor("herm", uf=60.5),), stopgap, "watch", "a stopgap"),
            ((FittedCapacitor("herm", uf=55, vac=439),), HouseRules(), "bad", "lower never"),
            ((FittedCapacitor("herm", uf=55, vac=440),), HouseRules(), "good", "is asked."),
            ((FittedCapacitor("herm", uf=55, duty="start"),), HouseRules(), "bad", "overheats and bursts"),
            ((FittedCapacitor("herm"),), HouseRules(), "unjudged", "the fitted part's µF"),
        ):
            found = cap_installed("herm", PLATE, parts, rules)
            assert found is not None
            self.assertEqual(found.verdict, verdict, parts)
            self.assertIn(why, found.why)
        bare = cap_installed("fan", Plate(run_capacitor=RunCapacitor(herm_uf=55)), (FittedCapacitor("fan", uf=5),))
        assert bare is not None
        self.assertEqual((bare.verdict, bare.needs), ("unjudged", ("run_capacitor.fan_uf",)))
        one = cap_installed("herm", PLATE, (FittedCapacitor("herm", uf=55),))
        assert one is not None
        self.assertEqual((one.low, one.high), (49.5, 60.5))

    def test_the_tiers_above_and_below(self) -> None:
        """5 % good and 10 % low; above it the label counts where it is wider."""
        for label, high in ((None, 106.0), (3, 105.0), (10, 110.0)):
            limits = capacitor_limits(100, label, "tiered")
            self.assertEqual([float(one) for one in (limits.low, limits.watch_low, limits.high)], [90.0, 95.0, high])
        self.assertIn("No tolerance is printed, so 6 %", capacitor_limits(100).allowed)
        self.assertIn("The label allows 5 %", capacitor_limits(100, 5).allowed)
        self.assertIn("The house rule allows 5 %", capacitor_limits(100, 6, "5").allowed)


class FromTheVan(unittest.TestCase):
    def test_each_offer_says_how_it_serves(self) -> None:
        dual, single = CapacitorNeed(55, 7.5, 440), CapacitorNeed(40, None, 440)
        for need, stock, school, parts, note in (
            (dual, (StockPart(50, vac=440, fan_uf=7.5), StockPart(5, vac=440)), "same", 2, "5 µF in parallel on HERM"),
            (dual, (StockPart(55, vac=440, fan_uf=5), StockPart(2.5, vac=440)), "same", 2, "2.5 µF in parallel on FAN"),
            (dual, (StockPart(55, vac=440), StockPart(7.5, vac=440)), "same", 2, "separate parts in place of a dual"),
            (single, (StockPart(40, vac=440, fan_uf=5),), "same", 1, "its FAN terminal stays unused"),
            (single, (StockPart(20, vac=440, count=2),), "same", 2, ""),
            (CapacitorNeed(None, 5, 440), (StockPart(5, vac=440),), "same", 1, ""),
            (single, (StockPart(44, vac=440),), "within-10", 1, "stopgap, 10 % off"),
            (single, (StockPart(36, vac=440),), "within-10", 1, "stopgap, -10 % off"),
        ):
            found = cap_fit(need, stock, school)  # type: ignore[arg-type]
            self.assertEqual((len(found), len(found[0].parts)), (1, parts), stock)
            self.assertIn(note, found[0].note)
            self.assertEqual(found[0].note == "", note == "")
            self.assertEqual(found[0].stopgap, school == "within-10")

    def test_what_serves_nothing(self) -> None:
        single = CapacitorNeed(40, None, 440)
        for stock in (
            (StockPart(40, vac=370),),
            (StockPart(40, vac=440, duty="start"),),
            (StockPart(40, vac=440, count=0),),
            (StockPart(20, vac=440),),
        ):
            self.assertEqual(cap_fit(single, stock), (), stock)

    def test_the_best_five(self) -> None:
        stock = tuple(StockPart(uf, vac=440) for uf in (36, 37, 38, 39, 40, 41, 42, 43, 44))
        offers = cap_fit(CapacitorNeed(40, None, 440), stock, "within-10")
        self.assertEqual([one.error_pct for one in offers], [0.0, -2.5, 2.5, -5.0, 5.0])
