"""What a technician reads beside each verdict on the plate, and which figures it was computed from.

NEC 440.22, 440.33, 240.6(A) and Table 310.16 are from memory; LRA ÷ RLA is common practice, no source.
"""

from dataclasses import replace

from outer_test.judgement import HouseRules
from outer_test.nameplate import Compressor, Fan, Plate
from outer_test.rules import conductor, plate_findings, plate_lra, plate_mca, plate_mop, protection
from outer_test.rules.nameplate import plate_infer
from visit_samples.says import Says

WHOLE = Plate(mca=23.6, mop=40, protection_a=40, conductor_awg=10, compressor=Compressor(rla=17.9, lra=96, kind="scroll"), fan=Fan(fla=1.2))
MOTOR = WHOLE.compressor


class WhatItSays(Says):
    def test_mca(self) -> None:
        """1.25 × 17.9 + 1.2 is 23.575 A."""
        self.judged_so(plate_mca(WHOLE), "good", "1.25 × RLA + fan FLA is 23.58 A", "-")
        off = plate_mca(replace(WHOLE, mca=28.6))
        self.judged_so(off, "watch", "5.025 A apart", "Is there a second fan?")
        self.assertEqual((round(off.watch_low or 0, 3), round(off.watch_high or 0, 3), off.nominal), (22.575, 24.575, 23.575))
        self.judged_so(plate_mca(replace(WHOLE, mca=24.8, fan=Fan(fla=1.2, count=2))), "good", "is 24.78 A")
        self.judged_so(plate_mca(replace(WHOLE, mca=31.2, branch_selection_a=24)), "good", "selection current + fan FLA is 31.2 A")
        chosen = replace(WHOLE, mca=31.2, branch_selection_a=24, compressor=Compressor())
        self.judged_so(plate_mca(chosen), "good", "selection current")
        self.judged_so(plate_mca(replace(WHOLE, compressor=Compressor())), "unjudged")
        self.assertEqual(
            plate_mca(replace(WHOLE, mca=None, compressor=Compressor(), fan=Fan())).needs, ("mca", "fan.fla", "compressor.rla")
        )

    def test_one_digit_that_mends_it(self) -> None:
        for plate, mend in (
            (replace(WHOLE, mca=83.6), "MCA 23.6 A"), (replace(WHOLE, compressor=replace(MOTOR, rla=77.9)), "RLA 17.9 A"),
            (replace(WHOLE, compressor=replace(MOTOR, rla=77.9), branch_selection_a=30), ""), (replace(WHOLE, mca=28.6), ""),
            (replace(WHOLE, mca=84.8, fan=Fan(fla=1.2, count=2)), "MCA 24.8 A"),
        ):  # fmt: skip
            step = plate_mca(plate).next
            self.assertEqual("One digit would mend it" in step, mend != "", step)
            self.assertIn(mend, step)

    def test_mop(self) -> None:
        """2.25 × 17.9 + 1.2 is 41.5 A, down to 40; a selection current of 24 makes 55.2, down to 50."""
        self.judged_so(plate_mop(WHOLE), "good", "rounds down to 40 A", "-")
        self.judged_so(plate_mop(replace(WHOLE, mop=45)), "watch", "rounds down to 40 A; the plate prints 45 A", "Read MOP, RLA and FLA")
        self.judged_so(plate_mop(replace(WHOLE, mop=50, branch_selection_a=24)), "good", "rounds down to 50 A")
        self.judged_so(plate_mop(replace(WHOLE, branch_selection_a=10)), "good", "rounds down to 40 A")
        self.judged_so(plate_mop(replace(WHOLE, mop=45, fan=Fan(fla=2.5, count=2))), "good", "rounds down to 45 A")
        self.judged_so(plate_mop(replace(WHOLE, mop=42)), "watch", "no standard size", "Read MOP on the plate again")
        bare = Plate(mop=42)
        self.judged_so(plate_mop(bare), "watch", "no standard size")
        self.assertEqual(plate_mop(Plate(mop=40)).needs, ("compressor.rla", "fan.fla"))
        # Rounded down it would fall below MCA: 2.25 × 10 + 1 is 23.5, an MCA of 26 asks 30.
        small = Plate(mop=30, mca=26, compressor=Compressor(rla=10), fan=Fan(fla=1))
        self.judged_so(plate_mop(small), "good", "to 30 A")
        self.judged_so(plate_mop(replace(small, mca=None)), "watch", "to 20 A")

    def test_lra(self) -> None:
        self.judged_so(plate_lra(WHOLE), "good", "LRA is 5.36 times RLA", "-")
        self.judged_so(plate_lra(replace(WHOLE, compressor=replace(MOTOR, lra=196))), "watch", "10.9 times", "Read RLA and LRA")
        for lra, verdict in ((53.7, "good"), (53.6, "watch"), (179, "good"), (179.1, "watch")):
            self.judged_so(plate_lra(replace(WHOLE, compressor=replace(MOTOR, lra=lra))), verdict)
        self.assertEqual((plate_lra(WHOLE).watch_low, plate_lra(WHOLE).watch_high), (3.0, 10.0))
        self.assertEqual(plate_lra(Plate(compressor=Compressor(rla=17.9))).needs, ("compressor.lra",))
        self.assertEqual(plate_lra(Plate(compressor=Compressor(lra=96))).needs, ("compressor.rla",))

    def test_what_is_given_back(self) -> None:
        lost = replace(WHOLE, compressor=replace(MOTOR, rla=None), unreadable=("compressor.rla",))
        (found,) = plate_infer(lost)
        self.judged_so(found, "watch", "RLA cannot be read; ")
        self.assertEqual(found.point, "plate.compressor.rla")
        (fan,) = plate_infer(replace(WHOLE, mop=None, fan=Fan(), unreadable=("fan.fla",)))
        self.judged_so(fan, "watch", "FLA cannot be read; ")
        (apart,) = plate_infer(replace(lost, mop=90))
        self.judged_so(apart, "unsure", "MCA, MOP and FLA disagree", "Read MCA, MOP and FLA")
        for nothing in (WHOLE, replace(lost, unreadable=()), replace(lost, compressor=MOTOR)):
            self.assertEqual(plate_infer(nothing), [])

    def test_fuse_or_breaker(self) -> None:
        for fuse, verdict, why, step in (
            (40, "good", "between MCA 23.6 and MOP 40 A", "-"), (45, "bad", "at most: the wire can burn", "MOP or less"), (20, "bad", "trip for nothing", "between MCA and MOP"),
        ):  # fmt: skip
            self.judged_so(protection(replace(WHOLE, protection_a=fuse)), verdict, why, step)
        self.judged_so(protection(replace(WHOLE, mop=20)), "unsure", "which no plate says", "Read MCA and MOP again")
        self.judged_so(protection(replace(WHOLE, mop=40, mca=40)), "good")
        self.judged_so(protection(replace(WHOLE, mca=None)), "unjudged")
        self.judged_so(protection(replace(WHOLE, mca=None, protection_a=45)), "bad", "can burn")
        self.judged_so(protection(replace(WHOLE, mop=None, protection_a=20)), "bad", "trip for nothing")
        self.assertEqual(protection(replace(WHOLE, mop=None)).needs, ("mop",))
        self.assertEqual((protection(WHOLE).low, protection(WHOLE).high), (23.6, 40))

    def test_wire(self) -> None:
        warm = HouseRules(conductor_column="75")
        for awg, mca, rules, verdict, step in (
            (10, 30.0, HouseRules(), "good", "-"), (10, 30.1, HouseRules(), "watch", "rated 75 °C"), (10, 35.0, HouseRules(), "watch", "rated 75 °C"),
            (10, 35.1, HouseRules(), "bad", "too thin"), (10, 35.0, warm, "good", "-"), (10, 35.1, warm, "bad", "too thin"),
        ):  # fmt: skip
            self.judged_so(conductor(replace(WHOLE, conductor_awg=awg, mca=mca), rules), verdict, "10 AWG copper carries 30 A", step)  # type: ignore[arg-type]
        self.assertEqual([conductor(WHOLE, rules).value for rules in (HouseRules(), warm)], [30.0, 35.0])
        self.judged_so(conductor(replace(WHOLE, conductor_metal="aluminium")), "unjudged", "aluminium carries less", "local code")
        self.assertEqual(conductor(Plate(mca=20)).needs, ("conductor_awg",))
        self.assertEqual(conductor(Plate(conductor_awg=10)).needs, ("mca",))

    def test_nothing_of_it_at_50_hertz(self) -> None:
        for rule in (plate_mca, plate_mop, protection, conductor):
            self.assertEqual([rule(replace(WHOLE, hz=hz)).verdict for hz in (50, 60, None)], [None, "good", "good"], rule)

    def test_each_where_its_own_figure_is_there_or_cannot_be_read(self) -> None:
        def rules(plate: Plate) -> list[str]:
            return [one.rule for one in plate_findings(plate, HouseRules())]

        self.assertEqual(rules(WHOLE), ["plate-mca", "plate-mop", "plate-lra", "protection", "conductor"])
        self.assertEqual(rules(Plate()), [])
        self.assertEqual(rules(Plate(unreadable=("mca", "mop", "compressor.lra"))), ["plate-mca", "plate-mop", "plate-lra"])
