"""The plate's checks against NEC figures (from memory) and common practice."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from outer_test.judgement import HouseRules, Verdict
from outer_test.measurement import FieldProblem
from outer_test.nameplate import STANDARD_SIZES, Compressor, Fan, Plate, StartCapacitor, plate_fields
from outer_test.rules import AMPACITY, computed_mca, computed_mop, conductor, plate_findings, plate_lra, plate_mca, plate_mop, protection


def plate(rla: float = 17.9, fla: float = 1.2, **more: object) -> Plate:
    return Plate(compressor=Compressor(rla=rla, lra=more.pop("lra", None)), fan=Fan(fla=fla), **more)  # type: ignore[arg-type]


class NecFigures(unittest.TestCase):
    def test_standard_sizes(self) -> None:
        # NEC 240.6(A), standard ampere ratings, from memory.
        self.assertEqual(STANDARD_SIZES[:15], (15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125))

    def test_copper_ampacity(self) -> None:
        # NEC Table 310.16, copper, 60 °C and 75 °C columns, from memory.
        self.assertEqual(AMPACITY, {14: (15, 20), 12: (20, 25), 10: (30, 35), 8: (40, 50), 6: (55, 65), 4: (70, 85)})

    def test_mca_of_nec_440_33(self) -> None:
        # NEC 440.33, from memory: 125 % of the largest plus the sum of the others.
        self.assertEqual(float(computed_mca(20, 2)), 27.0)
        self.assertEqual(float(computed_mca(20, 2, 24)), 32.0)

    def test_mop_of_nec_440_22(self) -> None:
        # NEC 440.22(A) and 240.6(A), from memory: 225 %, down to a standard size.
        for rla, others, expected in ((20, 2, 45), (17.9, 1.2, 40), (5, 0.5, 15), (60, 3, 125)):
            self.assertEqual(computed_mop(rla, others), expected)

    def test_mop_is_never_below_mca(self) -> None:
        self.assertEqual(computed_mop(10, 0, mca=26), 30)

    @given(st.floats(1, 120), st.floats(0, 10))
    def test_mop_is_a_standard_size_and_above_mca(self, rla: float, fla: float) -> None:
        mca = float(computed_mca(round(rla, 1), round(fla, 1)))
        mop = computed_mop(round(rla, 1), round(fla, 1), mca)
        self.assertIn(mop, STANDARD_SIZES)
        self.assertGreaterEqual(mop, min(mca, 400))


class Rules(unittest.TestCase):
    def test_mca_more_than_one_amp_off_is_watch(self) -> None:
        self.assertEqual(plate_mca(plate(mca=24.575)).verdict, "good")
        self.assertEqual(plate_mca(plate(mca=24.6)).verdict, "watch")
        self.assertEqual(plate_mca(plate(mca=22.5)).verdict, "watch")

    def test_a_misread_digit_is_offered_where_exactly_one_mends_it(self) -> None:
        """Handbook 3: a single-digit change is offered only where exactly one mends the plate."""
        whole = Plate(mca=23.6, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2))
        misread = replace(whole, compressor=replace(whole.compressor, rla=77.9))
        self.assertIn("One digit would mend it: RLA 17.9 A.", plate_mca(misread).next)
        either = replace(whole, mca=28.6)  # MCA 23.6 mends it, and FLA 6.2 does
        self.assertNotIn("One digit", plate_mca(either).next)
        self.assertEqual(plate_mca(whole).next, "")

    def test_mop_above_computed_is_watch_below_is_fine(self) -> None:
        self.assertEqual(plate_mop(plate(mop=45)).verdict, "watch")
        self.assertEqual(plate_mop(plate(mop=35)).verdict, "good")

    def test_lra_ratio(self) -> None:
        # Common practice, no source.
        for lra, expected in ((53.6, "watch"), (53.7, "good"), (179, "good"), (180, "watch")):
            self.assertEqual(plate_lra(plate(lra=lra)).verdict, expected, str(lra))

    def test_inverters_have_no_locked_rotor_ratio(self) -> None:
        found = plate_lra(Plate(compressor=Compressor(rla=12, lra=12, kind="inverter")))
        self.assertIsNone(found.verdict, "the rule does not apply")
        self.assertIn("nverter", found.why)

    def test_protection(self) -> None:
        for fuse, expected in ((40, "good"), (41, "bad"), (23, "bad"), (24, "good")):
            self.assertEqual(protection(Plate(mca=23.6, mop=40, protection_a=fuse)).verdict, expected, str(fuse))
        self.assertEqual(protection(Plate(mop=40, protection_a=50)).verdict, "bad")
        self.assertEqual(protection(Plate(mop=40, protection_a=30)).needs, ("mca",))
        self.assertEqual(protection(Plate(mca=31, mop=15, protection_a=20)).verdict, "unsure", "a plate that contradicts itself")

    def test_conductor_by_column(self) -> None:
        def judge(mca: float, column: str) -> str | None:
            return conductor(Plate(mca=mca, conductor_awg=12), HouseRules(conductor_column=column)).verdict  # type: ignore[arg-type]

        self.assertEqual([judge(mca, "60") for mca in (20, 20.1, 25, 25.1)], ["good", "watch", "watch", "bad"])
        self.assertEqual([judge(mca, "75") for mca in (20, 25, 25.1)], ["good", "good", "bad"])


class Missing(unittest.TestCase):
    def test_what_is_missing_is_named(self) -> None:
        found = plate_mca(Plate(mca=23.6, unreadable=("compressor.rla",)))
        self.assertIs(found.verdict, Verdict.UNJUDGED)
        self.assertEqual(set(found.needs), {"fan.fla", "compressor.rla"})
        self.assertIn("compressor RLA (unreadable)", found.why)

    def test_only_what_is_printed_or_unreadable_is_judged(self) -> None:
        self.assertEqual(list(plate_findings(Plate(), HouseRules())), [])
        rules = [finding.rule for finding in plate_findings(Plate(unreadable=("mca", "mop")), HouseRules())]
        self.assertEqual(rules, ["plate-mca", "plate-mop"])

    def test_bounds_are_held(self) -> None:
        for make in (
            lambda: Plate(mca=-1),
            lambda: Plate(mca=float("nan")),
            lambda: Compressor(rla=1e9),
            lambda: Plate(volts=(208, 1e6)),
            lambda: Plate(volts_min=253, volts_max=197),
            lambda: StartCapacitor(low_uf=227, high_uf=189),
            lambda: Plate(unreadable=("nose",)),
        ):
            with self.assertRaises(FieldProblem):
                make()

    def test_every_field_has_a_dotted_name(self) -> None:
        self.assertIn("run_capacitor.herm_uf", plate_fields())
        self.assertIn("defrost.closes_f", plate_fields())
        self.assertNotIn("unreadable", plate_fields())
