"""Winding rules. Derived from the windings' common point unless said; copper by IEEE 112, unbalance by NEMA MG 1."""

import unittest
from dataclasses import replace
from decimal import Decimal as D
from itertools import permutations, product

from hypothesis import assume, given
from hypothesis import strategies as st

from outer_test.assessment import assess
from outer_test.measurement import Accuracy, largest_deviation, measure
from outer_test.nameplate import Compressor, Plate
from outer_test.rules.power_up import voltage_unbalance
from outer_test.rules.windings import (
    GroundTest,
    OpenTest,
    Shell,
    at_25c,
    equal_pairs,
    insulation,
    lead_through,
    winding_ground,
    winding_id,
    winding_open,
    winding_short,
    winding_sum,
)
from outer_test.visit import Baseline, Conditions, Reading, Visit

PAIRS = ("t1_t2", "t2_t3", "t1_t3")


def findings(visit: Visit) -> dict[str, str]:
    return {f"{finding.point} {finding.rule}": "" if finding.verdict is None else finding.verdict for finding in assess(visit).findings}


class Identify(unittest.TestCase):
    def test_every_order_of_three_terminals(self) -> None:
        """Put common, start and run on terminals 1 to 3 in every way, read the pairs, and get the same assignment back."""
        ohm = {frozenset("cr"): "0.60", frozenset("cs"): "1.90", frozenset("rs"): "2.50"}
        for roles in permutations("csr"):
            terminals = dict(zip(("t1", "t2", "t3"), roles, strict=True))
            pairs = {name: measure(ohm[frozenset(terminals[end] for end in name.split("_"))]) for name in PAIRS}
            found, known = winding_id(pairs)
            assert known is not None
            self.assertEqual((terminals[known.common], terminals[known.start], terminals[known.run]), ("c", "s", "r"))
            self.assertEqual(found.verdict, "good")

    def test_pairs_within_the_combined_band_are_not_told_apart(self) -> None:
        pairs = {"t1_t2": measure("2.5"), "t2_t3": measure("1.3"), "t1_t3": measure("1.3")}
        found, known = winding_id(pairs)
        self.assertEqual((found.verdict, known), ("unsure", None))
        near = {"t1_t2": measure("2.5"), "t2_t3": measure("1.4", Accuracy(5, 1)), "t1_t3": measure("1.3", Accuracy(5, 1))}
        self.assertIsNone(winding_id(near)[1])

    def test_with_an_open_pair_common_is_unknown(self) -> None:
        found, known = winding_id({"t1_t2": measure("OL"), "t2_t3": measure("1.9"), "t1_t3": measure("0.6")})
        self.assertEqual((found.verdict, known), ("unsure", None))
        self.assertIn("is not known", found.why)

    def test_unlabelled_pairs_are_summed_too(self) -> None:
        readings = tuple(Reading(f"winding.{name}.ohm", ohm) for name, ohm in zip(PAIRS, ("2.50", "1.90", "0.60"), strict=True))
        self.assertEqual(findings(Visit(readings=readings))["winding.r_s.ohm winding-sum"], "good")


class Sum(unittest.TestCase):
    def judge(self, c_r: str, c_s: str, r_s: str, leads: str | None = None) -> str | None:
        null = None if leads is None else measure(leads)
        return winding_sum(measure(c_r), measure(c_s), measure(r_s), null).verdict

    def test_a_sound_set(self) -> None:
        self.assertEqual(self.judge("0.6", "1.9", "2.5"), "good")
        self.assertEqual(self.judge("0.6", "1.9", "2.4"), "good")  # residue 0.1, bands 0.15

    def test_leads_that_are_not_nulled(self) -> None:
        # Each pair reads 0.3 Ω too much: the residue is 0.3.
        self.assertEqual(self.judge("0.9", "2.2", "2.8"), "unsure")
        self.assertEqual(self.judge("0.9", "2.2", "2.8", "0.3"), "good")

    def test_still_positive_with_the_leads_taken_off(self) -> None:
        self.assertEqual(self.judge("1.0", "2.2", "2.7", "0.1"), "watch")

    def test_far_beyond_and_negative_are_repeated(self) -> None:
        self.assertEqual(self.judge("2.0", "2.5", "2.8"), "unsure")
        self.assertEqual(self.judge("2.0", "2.5", "2.8", "0.1"), "unsure")
        self.assertEqual(self.judge("0.6", "1.9", "3.0"), "unsure")

    def test_one_and_a_half_last_digits_of_one_meter_and_five_hundredths_beyond(self) -> None:
        # 1½ × 0.01 Ω; three meters: the sum of their bands.
        self.assertEqual(self.judge("0.60", "1.90", "2.44"), "good")
        self.assertEqual(self.judge("0.60", "1.90", "2.43"), "unsure")
        c_r, c_s, r_s = (measure(text, Accuracy(2, 3)) for text in ("0.60", "1.90", "2.30"))
        self.assertEqual(winding_sum(c_r, c_s, r_s).verdict, "unsure")
        self.assertEqual(winding_sum(c_r, c_s, r_s, one_meter=False).verdict, "good")

    @given(st.decimals("0.20", "5", places=2), st.decimals("0.20", "9", places=2))
    def test_windings_in_series_add_up(self, run: D, start: D) -> None:
        self.assertEqual(self.judge(str(run), str(start), str(run + start)), "good")


class Open(unittest.TestCase):
    def judge(self, c_r: bool, c_s: bool, r_s: bool, terminals: bool = True, shell: Shell | None = None) -> str | None:
        pair = {True: measure("OL"), False: measure("2.0")}
        found = winding_open([pair[c_r], pair[c_s], pair[r_s]], OpenTest(terminals), shell)
        return None if found is None else found.verdict

    def test_every_pattern_at_the_terminals(self) -> None:
        cold = Shell(62, 60, 3)
        expected = {
            (False, False, False): None, (True, True, False): "bad", (True, False, True): "bad", (False, True, True): "bad",
            (True, True, True): "bad", (True, False, False): "unsure", (False, True, False): "unsure", (False, False, True): "unsure",
        }  # fmt: skip
        for (c_r, c_s, r_s), verdict in expected.items():
            self.assertEqual(self.judge(c_r, c_s, r_s, shell=cold), verdict, (c_r, c_s, r_s))

    def test_at_the_plug_every_pattern_is_only_watch(self) -> None:
        for c_r, c_s, r_s in product((False, True), repeat=3):
            if c_r or c_s or r_s:
                self.assertEqual(self.judge(c_r, c_s, r_s, terminals=False), "watch")

    def test_the_overload_by_temperature_and_time(self) -> None:
        # 10 °F and 2 h: common practice, no source.
        for shell, expected in (
            (Shell(70, 60, 2), "bad"), (Shell(71, 60, 2), "watch"), (Shell(62, 60, 1.9), "watch"), (Shell(62, 60), "unsure"), (Shell(30, 60, 14), "bad"), (Shell(None, 60, 3), "unsure"), (None, "unsure"),
        ):  # fmt: skip
            self.assertEqual(self.judge(True, True, False, shell=shell), expected, str(shell))

    def test_a_range_that_ends_too_low_does_not_say_open(self) -> None:
        found = winding_open([measure("OL", top=2)] * 3, OpenTest(True))
        assert found is not None
        self.assertEqual(found.verdict, "unsure")

    def test_through_a_visit(self) -> None:
        readings = (Reading("winding.c_r.ohm", "OL"), Reading("winding.c_s.ohm", "OL"), Reading("winding.r_s.ohm", "2.5"))
        at = {"winding.at": "terminals"}
        soaked = (Reading("winding.shell.f", "140"), Reading("winding.off_h", "1"))
        hot = Visit(readings=(*readings, *soaked), seen=at, conditions=Conditions(outdoor_f=60))
        self.assertEqual(findings(hot)["winding.r_s.ohm winding-open"], "watch")
        self.assertEqual(findings(Visit(readings=readings, seen=at))["winding.r_s.ohm winding-open"], "unsure")
        self.assertEqual(findings(Visit(readings=readings))["winding.r_s.ohm winding-open"], "watch")


class Ground(unittest.TestCase):
    def test_cuts(self) -> None:
        # Common practice, no source: OL on a range to 1 MΩ, 0.5 MΩ.
        cases = (
            ("OL", 1e6, "good"),
            ("OL", 999e3, "unsure"),
            ("OL", None, "unsure"),
            ("499999", None, "bad"),
            ("500000", None, "watch"),
            ("20000000", None, "good"),
            ("12", None, "bad"),
            ("closed", None, "bad"),
            ("open", None, "unsure"),
            ("2000000", None, "watch"),
        )
        for text, top, expected in cases:
            self.assertEqual(winding_ground(measure(text, top=top), GroundTest()).verdict, expected, f"{text} {top}")

    def test_a_ground_overrides_the_pairs_and_stops_energising(self) -> None:
        readings = (
            Reading("winding.c_ground.ohm", "closed"), Reading("winding.c_r.ohm", "OL"), Reading("winding.c_s.ohm", "OL"), Reading("winding.r_s.ohm", "OL"),
        )  # fmt: skip
        visit = Visit(readings=readings, seen={"winding.at": "terminals"})
        found = findings(visit)
        self.assertEqual(found["winding.c_ground.ohm winding-ground"], "bad")
        self.assertEqual(found["power.energise winding-ground"], "stop")
        twice = replace(visit, readings=(*readings, Reading("winding.r_ground.ohm", "1200")))
        self.assertEqual(findings(twice)["winding.r_s.ohm winding-sum"], "unjudged", "on two terminals it overrides the pairs")

    def test_what_lifts_the_stop(self) -> None:
        def stops(ohm: str, *later: Reading) -> bool:
            return "power.energise winding-ground" in findings(Visit(readings=(Reading("winding.c_ground.ohm", ohm), *later)))

        tested = Reading("winding.insulation.mohm", "20")
        self.assertTrue(stops("12000"))
        self.assertFalse(stops("12000", tested), "20 MΩ at 500 V, taken later, from 10 kΩ up")
        self.assertTrue(stops("9900", tested), "under 10 kΩ never by the insulation tester alone")
        self.assertTrue(stops("12000", Reading("winding.insulation.mohm", "19")))
        self.assertFalse(stops("12000", Reading("winding.leads.ohm", "0.1"), Reading("winding.c_ground.ohm", "OL")))

    def test_one_terminal_alone_with_the_pairs_through_cannot_be(self) -> None:
        pairs = tuple(Reading(f"winding.{pair}.ohm", ohm) for pair, ohm in (("c_r", "0.6"), ("c_s", "1.9"), ("r_s", "2.5")))
        alone = (Reading("winding.c_ground.ohm", "12000"), Reading("winding.r_ground.ohm", "OL"), Reading("winding.s_ground.ohm", "OL"))
        found = findings(Visit(readings=(*pairs, *alone)))
        self.assertEqual((found["winding.c_ground.ohm winding-ground"], found["power.energise winding-ground"]), ("unsure", "stop"))

    def test_a_broken_test_lead_reads_ol_everywhere(self) -> None:
        self.assertEqual(
            findings(Visit(readings=(Reading("winding.c_ground.ohm", "OL"),)))["winding.c_ground.ohm winding-ground"], "unsure"
        )

    def test_insulation(self) -> None:
        # Common practice; IEEE 43-2013's 5 MΩ is only shown beside.
        cases = {"0.4": "bad", "0.5": "watch", "19.9": "watch", "99.9": "watch", "100.0": "good"}
        for text, expected in cases.items():
            self.assertEqual(insulation(measure(text)).verdict, expected, text)
        self.assertIn("crankcase", insulation(measure("6.0")).next)
        self.assertIn("IEEE 43", insulation(measure("6.0")).why)
        self.assertEqual(findings(Visit(readings=(Reading("winding.insulation.mohm", "0.2"),)))["power.energise insulation"], "stop")

    @given(st.integers(1, 10**8), st.integers(1, 10**8))
    def test_less_resistance_to_ground_never_looks_better(self, one: int, other: int) -> None:
        rank = ["good", "watch", "unsure", "bad"].index
        low, high = sorted((one, other))
        self.assertGreaterEqual(
            rank(winding_ground(measure(str(low)), GroundTest()).verdict or ""),
            rank(winding_ground(measure(str(high)), GroundTest()).verdict or ""),
        )


class Short(unittest.TestCase):
    def test_ieee_112_constants(self) -> None:
        # IEEE 112, from memory: R25 = R (K + 25) / (K + T), K 234.5 for copper, 225 for aluminium.
        for kind, constant in (("copper", 234.5), ("aluminium", 225.0)):
            for shell_f in (14.0, 77.0, 140.0):
                celsius = (shell_f - 32) / 1.8
                expected = 2.0 * (constant + 25) / (constant + celsius)
                self.assertAlmostEqual(float(at_25c(measure("2.000"), shell_f, kind).number or 0), expected, places=9)  # type: ignore[arg-type]

    def test_at_25_degrees_nothing_changes(self) -> None:
        self.assertEqual(at_25c(measure("0.60"), 77).number, D("0.60"))

    def test_more_than_five_percent_under_its_baseline(self) -> None:
        baseline = measure("0.600")
        for text, expected in (("0.570", "good"), ("0.569", "watch"), ("0.690", "good"), ("0.691", "watch")):
            self.assertEqual(winding_short(measure(text), baseline, "winding.c_r.ohm").verdict, expected, text)

    def test_within_both_bands_it_cannot_tell(self) -> None:
        coarse = Accuracy(1, 3)
        found = winding_short(measure("0.55", coarse), measure("0.60", coarse), "winding.c_r.ohm")
        self.assertEqual(found.verdict, "unsure")

    def test_against_the_units_earlier_visit(self) -> None:
        readings = (Reading("winding.c_r.ohm", "0.550"), Reading("winding.c_s.ohm", "1.900"), Reading("winding.r_s.ohm", "2.450"))
        baseline = (Baseline("winding.c_r.ohm", "0.600", 77),)
        cold = Visit(readings=(*readings, Reading("winding.shell.f", "77")), baseline=baseline)
        self.assertEqual(findings(cold)["winding.c_r.ohm winding-short"], "watch")
        # At 30 °F copper reads about 10 % lower: the same ohms are sound then.
        frosty = Visit(readings=(*readings, Reading("winding.shell.f", "30")), baseline=baseline)
        self.assertEqual(findings(frosty)["winding.c_r.ohm winding-short"], "good")
        self.assertEqual(findings(Visit(readings=readings, baseline=baseline))["winding.c_r.ohm winding-short"], "unjudged")

    def test_start_not_above_run(self) -> None:
        readings = (Reading("winding.c_r.ohm", "1.9"), Reading("winding.c_s.ohm", "1.2"), Reading("winding.r_s.ohm", "3.1"))
        self.assertEqual(findings(Visit(readings=readings))["winding.c_s.ohm winding-short"], "watch")


class Others(unittest.TestCase):
    def test_leads(self) -> None:
        for text, expected in {
            "0.2": "good",
            "0.5": "good",
            "0.6": "unsure",
            "1.1": "bad",
            "OL": "bad",
            "open": "bad",
            "closed": "unsure",
        }.items():
            self.assertEqual(lead_through(measure(text)).verdict, expected, text)
        # Between 0.5 and 1 Ω the meter's own leads decide.
        self.assertEqual(lead_through(measure("0.7"), measure("0.2")).verdict, "good")
        self.assertEqual(lead_through(measure("0.8"), measure("0.2")).verdict, "bad")

    def test_nema_unbalance_example(self) -> None:
        # NEMA MG 1, 14.36, its example, from memory: 460, 467, 450 V give 1.96 %.
        self.assertEqual(round(largest_deviation([D(460), D(467), D(450)]) * 100, 2), D("1.96"))
        verdicts = [
            voltage_unbalance([measure(v) for v in volts]).verdict
            for volts in (("460", "467", "450"), ("460", "470", "445"), ("460", "480", "420"))
        ]
        self.assertEqual(verdicts, ["watch", "watch", "bad"])  # over 1 % it is derated

    def test_three_equal_pairs(self) -> None:
        self.assertEqual(equal_pairs([measure("1.00"), measure("1.05"), measure("1.00")]).verdict, "good")
        self.assertEqual(equal_pairs([measure("0.95"), measure("1.00"), measure("1.05")]).verdict, "good", "5 % to the last digit")
        self.assertEqual(equal_pairs([measure("1.00"), measure("1.20"), measure("1.00")]).verdict, "bad")
        self.assertEqual(equal_pairs([measure("0.3"), measure("0.3"), measure("0.4")]).verdict, "good", "one last digit")
        self.assertEqual(equal_pairs([measure("1.0"), measure("1.0"), measure("1.2")]).verdict, "unsure")

    def test_an_inverter_has_three_like_windings(self) -> None:
        readings = tuple(Reading(f"winding.{pair}.ohm", "0.9") for pair in ("c_r", "c_s", "r_s"))
        found = findings(Visit(plate=Plate(compressor=Compressor(kind="inverter")), readings=readings))
        self.assertEqual(found, {"winding.r_s.ohm three-phase": "good"})

    @given(st.sampled_from(["winding", "fan_winding"]), st.decimals("1", "20", places=1), st.decimals("1", "20", places=1))
    def test_the_fan_motor_is_judged_by_the_same_rules(self, motor: str, run: D, start: D) -> None:
        assume(start > run)
        readings = tuple(Reading(f"{motor}.{pair}.ohm", str(ohm)) for pair, ohm in (("c_r", run), ("c_s", start), ("r_s", run + start)))
        self.assertEqual(set(findings(Visit(readings=readings)).values()), {"good"})
