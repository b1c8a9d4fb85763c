"""What a technician reads beside each winding verdict: the right words for what was found, and a next step only where there is one.

Common practice, no source, but for what a line names.
"""

from outer_test.measurement import Accuracy, Measured, measure
from outer_test.rules.windings import (
    GroundTest,
    OpenTest,
    Shell,
    equal_pairs,
    insulation,
    is_overload,
    lead_through,
    winding_ground,
    winding_id,
    winding_open,
    winding_short,
    winding_sum,
)
from outer_test.rules.windings.baseline import start_above_run
from outer_test.rules.windings.pairs import winding_plausible
from visit_samples.says import Says


def pairs(*texts: str) -> list[Measured]:
    return [measure(text, unit="ohm") for text in texts]


class WhatItSays(Says):
    def test_ground(self) -> None:
        for text, top, why in (
            ("OL", 999e3, "ends too low"),
            ("OL", None, "top that is not known"),
            ("closed", None, "It beeps to ground"),
        ):
            self.says(winding_ground(measure(text, top=top), GroundTest()), why)
        self.says(winding_ground(measure("1200", unit="ohm"), GroundTest()), "1.2 kΩ to ground", "harness or the compressor")
        self.says(winding_ground(measure("1200", unit="ohm"), GroundTest(place="terminals")), "", "it is the compressor")
        # A fan motor has no harness to take off.
        self.says(winding_ground(measure("1200", unit="ohm"), GroundTest(), "fan_winding.c_ground.ohm"), "", "it is the fan motor")

    def test_ohms_in_their_own_prefix(self) -> None:
        for ohm, words in (("999", "999 Ω"), ("1000", "1 kΩ"), ("499000", "499 kΩ")):
            self.says(winding_ground(measure(ohm, unit="ohm"), GroundTest()), f"{words} to ground")
        self.says(winding_ground(measure("1000000", unit="ohm"), GroundTest()), "1 MΩ to ground")

    def test_insulation(self) -> None:
        for top, verdict, step in ((100, "good", "-"), (99, "unsure", "Enter the range's top"), (None, "unsure", "Enter the range's top")):
            found = insulation(measure("OL", top=top))
            self.assertEqual(found.verdict, verdict, top)
            self.says(found, "Above", step)
        for text, step in (("19.9", "Warm the crankcase"), ("20.0", "next visit"), ("100.0", "-")):
            self.says(insulation(measure(text)), text.rstrip("0").rstrip("."), step)

    def test_leads(self) -> None:
        for text, step in (("0.5", "-"), ("1.1", "mend or replace")):
            self.says(lead_through(measure(text)), "0.5 Ω or less", step)

    def test_open(self) -> None:
        cold = Shell(62, 60, 3)
        self.says(winding_open(pairs("OL", "OL", "2.5"), OpenTest(True), cold), "Both pairs from common")
        self.says(winding_open(pairs("OL", "OL", "OL"), OpenTest(True, three_phase=True), cold), "All three pairs are open")
        self.says(winding_open(pairs("OL", "2.5", "OL"), OpenTest(True, three_phase=True), cold), "the phase common to the two")
        self.assertEqual([is_overload([True, True, True], alike=alike) for alike in (True, False)], [True, False])
        self.assertFalse(is_overload([True, True, False], alike=True))

    def test_against_the_baseline(self) -> None:
        self.says(winding_short(measure("0.552"), measure("0.600"), "winding.c_r.ohm"), "8 % under", "Turns may be shorted")
        self.says(winding_short(measure("0.700"), measure("0.600"), "winding.c_r.ohm"), "17 % over", "A joint, or other terminals")

    def test_start_against_run(self) -> None:
        self.says(start_above_run(measure("1.9"), measure("1.9")), "does not read above run")
        for run, start in (("OL", "1.9"), ("1.9", "OL"), ("1.2", "1.3")):
            self.assertIsNone(start_above_run(measure(run), measure(start)), (run, start))

    def test_plausible(self) -> None:
        """[D] the band against 5 % of V_rated ÷ LRA, here 0.12 Ω, by a meter that is 0.1 Ω off at most."""
        least, exact = measure("0.12").number, Accuracy(0, 1)
        assert least is not None
        for text, leads, verdict in (("0.0", None, "bad"), ("0.2", None, "unsure"), ("0.3", None, None), ("0.3", "0.2", "unsure")):
            null = None if leads is None else measure(leads, exact)
            found = winding_plausible(measure(text, exact), least, null, "winding.c_r.ohm")
            self.assertEqual(None if found is None else found.verdict, verdict, (text, leads))
        self.says(winding_plausible(measure("0.2", exact), least, None, "winding.c_r.ohm"), "cannot tell it from a short", "Null the leads")

    def test_the_residue_is_held_to_the_band_both_ways(self) -> None:
        found = winding_sum(measure("0.60"), measure("1.90"), measure("2.50"))
        self.assertEqual((found.watch_low, found.watch_high), (-0.065, 0.065))

    def test_an_open_pair_leaves_common_unknown(self) -> None:
        for ohm in ("OL", "150000"):
            named = {"t1_t2": measure("2.5"), "t2_t3": measure(ohm, unit="ohm"), "t1_t3": measure("0.6")}
            self.assertIn("is not known", winding_id(named)[0].why, ohm)

    def test_three_like_windings_of_a_few_ohms(self) -> None:
        """The line scales with the windings: 5 % of 8 Ω is 0.4 Ω, half a last digit each is 0.015 Ω."""
        for last, verdict in (("8.40", "good"), ("8.63", "unsure"), ("8.64", "bad"), ("9.20", "bad")):
            self.assertEqual(equal_pairs(pairs("8.00", "8.00", last)).verdict, verdict, last)
        self.assertEqual(equal_pairs(pairs("0.50", "0.50", "0.56")).verdict, "unsure", "0.014 Ω beyond 5 % of 0.52")
