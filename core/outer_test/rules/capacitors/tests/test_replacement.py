"""`cap-fit` and `cap-installed`. Common practice, no source, unless said."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from outer_test.judgement import HouseRules
from outer_test.nameplate import Plate, RunCapacitor
from outer_test.rules.capacitors import CapacitorNeed, cap_fit, cap_installed, section_rating
from outer_test.visit import FittedCapacitor, StockPart


def single(uf: float, vac: float = 440, **more: object) -> StockPart:
    return StockPart(uf=uf, vac=vac, **more)  # type: ignore[arg-type]


PLATE = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440, tolerance_pct=6))


class Fit(unittest.TestCase):
    def test_440_for_370_yes_370_for_440_never(self) -> None:
        self.assertTrue(cap_fit(CapacitorNeed(35, None, 370), (single(35, 440),)))
        self.assertFalse(cap_fit(CapacitorNeed(35, None, 440), (single(35, 370),)))

    def test_a_start_capacitor_never_does_run_duty(self) -> None:
        self.assertFalse(cap_fit(CapacitorNeed(35, None, 370), (single(35, duty="start"),)))

    def test_handbook_ten_percent_of_25_fits_neither_20_nor_30(self) -> None:
        need = CapacitorNeed(25, None, 370)
        self.assertFalse(cap_fit(need, (single(20), single(30)), "within-10"))
        self.assertTrue(cap_fit(need, (single(22.5), single(27.5)), "within-10"))
        self.assertFalse(cap_fit(need, (single(22.4), single(27.6)), "within-10"))
        self.assertFalse(cap_fit(need, (single(22.5), single(27.5)), "same"))

    def test_a_stopgap_says_so_and_comes_after_the_right_value(self) -> None:
        offers = cap_fit(CapacitorNeed(40, None, 370), (single(38), single(35), single(5)), "within-10")
        self.assertEqual(offers[0].parts, ("35 µF 440 V", "5 µF 440 V"))
        self.assertFalse(offers[0].stopgap)
        self.assertTrue(offers[1].stopgap)
        self.assertIn("5 % off", offers[1].note)

    def test_one_part_before_two_singles_before_sums(self) -> None:
        van = (single(55), single(7.5), StockPart(uf=55, vac=440, fan_uf=7.5), single(50), single(5))
        offers = cap_fit(CapacitorNeed(55, 7.5, 440), van)
        self.assertEqual([len(offer.parts) for offer in offers], [1, 2, 3])

    def test_a_dual_serves_a_single_and_an_add_on_fills_a_dual(self) -> None:
        dual = StockPart(uf=45, vac=440, fan_uf=7.5)
        self.assertIn("unused", cap_fit(CapacitorNeed(45, None, 440), (dual,))[0].note)
        offer = cap_fit(CapacitorNeed(55, 7.5, 440), (dual, single(10)))[0]
        self.assertEqual(offer.parts, ("45 + 7.5 µF 440 V", "10 µF 440 V"))

    def test_no_more_pieces_than_the_van_has(self) -> None:
        self.assertFalse(cap_fit(CapacitorNeed(10, None, 370), (single(5, count=1),)))
        self.assertTrue(cap_fit(CapacitorNeed(10, None, 370), (single(5, count=2),)))
        self.assertFalse(cap_fit(CapacitorNeed(10, None, 370), (single(10, count=0),)))

    @given(
        st.lists(
            st.tuples(st.sampled_from([4, 5, 7.5, 10, 20, 35, 40]), st.sampled_from([250, 370, 440]), st.integers(0, 3)),
            max_size=8,
        ),
        st.sampled_from(["same", "within-10"]),
    )
    def test_every_offer_stands_the_volts_and_the_value(self, stock: list[tuple[float, float, int]], school: str) -> None:
        van = tuple(single(uf, vac, count=count) for uf, vac, count in stock)
        for offer in cap_fit(CapacitorNeed(40, 5, 370), van, school):  # type: ignore[arg-type]
            self.assertNotIn("250 V", " ".join(offer.parts))
            self.assertLessEqual(abs(offer.error_pct), 10 if school == "within-10" else 0)


class Installed(unittest.TestCase):
    def check(self, *parts: FittedCapacitor, section: str = "herm", school: str = "same", plate: Plate = PLATE) -> str | None:
        found = cap_installed(section, plate, parts, HouseRules(replacement=school))  # type: ignore[arg-type]
        assert found is not None
        return found.verdict

    def test_same_part_is_good(self) -> None:
        dual = FittedCapacitor("both", uf=55, fan_uf=7.5, vac=440)
        self.assertEqual(self.check(dual), "good")
        self.assertEqual(self.check(dual, section="fan"), "good")

    def test_lower_volts_or_start_duty_is_bad_higher_volts_is_fine(self) -> None:
        self.assertEqual(self.check(FittedCapacitor("herm", uf=55, vac=370)), "bad")
        self.assertEqual(self.check(FittedCapacitor("herm", uf=55, vac=500)), "good")
        self.assertEqual(self.check(FittedCapacitor("herm", uf=55, vac=440, duty="start")), "bad")

    def test_other_microfarads_by_the_house_rule(self) -> None:
        part = FittedCapacitor("herm", uf=50, vac=440)
        self.assertEqual(self.check(part), "bad")
        self.assertEqual(self.check(part, school="within-10"), "watch")
        self.assertEqual(self.check(FittedCapacitor("herm", uf=45, vac=440), school="within-10"), "bad")

    def test_a_dual_used_as_a_single_misses_nothing(self) -> None:
        plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, vac=440))
        part = FittedCapacitor("herm", uf=55, unused_uf=7.5, vac=440)
        self.assertEqual(self.check(part, plate=plate), "good")
        self.assertIsNone(cap_installed("fan", plate, (part,)))

    def test_an_add_on_is_judged_as_the_sum_and_reported(self) -> None:
        parts = (FittedCapacitor("herm", uf=50, vac=440), FittedCapacitor("herm", uf=5, vac=440, add_on=True))
        self.assertEqual(self.check(*parts), "watch")
        rating = section_rating("herm", PLATE, parts)
        assert rating is not None
        self.assertEqual(rating.uf, 55)

    def test_unknown_values_are_unjudged(self) -> None:
        self.assertEqual(self.check(FittedCapacitor("herm", vac=440)), "unjudged")
        self.assertEqual(self.check(FittedCapacitor("herm", uf=55), plate=Plate()), "unjudged")
        for plate, uf, needs in ((PLATE, None, ()), (Plate(), 55, ("run_capacitor.herm_uf",))):
            found = cap_installed("herm", plate, (FittedCapacitor("herm", uf=uf, vac=440),))
            assert found is not None
            self.assertEqual(found.needs, needs)

    def test_readings_are_held_against_the_fitted_part(self) -> None:
        rating = section_rating("herm", PLATE, (FittedCapacitor("herm", uf=50, tolerance_pct=5),))
        assert rating is not None
        self.assertEqual((rating.uf, rating.tolerance_pct), (50, 5))
        self.assertIn("plate asks 55", rating.against)
