"""Contactor rules. Cuts are common practice, no source, unless said; watts to BTU/h by pint."""

import unittest
from dataclasses import replace
from decimal import Decimal as D

import pint
from hypothesis import given
from hypothesis import strategies as st

from outer_test.assessment import assess
from outer_test.circuit import make_circuit, probes
from outer_test.entry import parse_line
from outer_test.judgement import WORST_FIRST, HouseRules, Verdict
from outer_test.measurement import Accuracy, measure
from outer_test.nameplate import Compressor, Contactor, Fan, Plate
from outer_test.procedure import stations
from outer_test.rules.contactor import (
    COIL_VOLTS,
    coil_ohm,
    compare_poles,
    contactor_fit,
    control_volts,
    pole_drop,
    pole_heat,
    pole_heat_seen,
    pole_through,
)
from outer_test.visit import Reading, Visit
from visit_samples.defrost_visits import plain

RANK = {verdict: place for place, verdict in enumerate(WORST_FIRST)}
ONE, TWO = "contactor.pole1.drop_v", "contactor.pole2.drop_v"


class Through(unittest.TestCase):
    def test_line_volts_across_a_pole_with_the_armature_in(self) -> None:
        """Handbook 6, `pole-through`: over 5 V, armature seen in. Common practice, no source."""
        self.assertIsNone(pole_through(measure("5.0"), "in"))
        for text, words in (("5.1", "5.1 V"), ("OL", "Above the range")):
            found = pole_through(measure(text, unit="v"), "in")
            assert found is not None
            self.assertEqual((found.verdict, words in found.why), ("bad", True), found.why)

    def test_a_drop_with_the_armature_out_is_set_aside_from_half_a_volt(self) -> None:
        """Handbook 1, `taken`: a drop with the armature out is evidence of nothing."""
        for volts, verdict in (("0.5", "unjudged"), ("118", "unjudged"), ("0.49", "bad")):
            visit = Visit(plate=Plate(contactor=Contactor(poles=2)), readings=(Reading(ONE, volts),), seen={"contactor.armature": "out"})
            self.assertEqual(next(one.verdict for one in assess(visit).findings if one.point == ONE), verdict, volts)


class Coil(unittest.TestCase):
    def test_ohms_of_a_24_volt_coil(self) -> None:
        cases = {
            "0.8": "bad",
            "2.9": "bad",
            "3.0": "watch",
            "4.9": "watch",
            "5.0": "good",
            "14.0": "good",
            "30.0": "good",
            "30.1": "watch",
            "OL": "bad",
            "closed": "unsure",
            "open": "unsure",
            "150.1": "bad",
            "200000": "bad",
        }
        for text, expected in cases.items():
            self.assertEqual(coil_ohm(measure(text)).verdict, expected, text)

    def test_ol_on_a_range_below_thirty_ohms_cannot_tell(self) -> None:
        self.assertEqual(coil_ohm(measure("OL", top=20)).verdict, "unsure")
        self.assertEqual(coil_ohm(measure("OL", top=600)).verdict, "bad")

    def test_coil_volts(self) -> None:
        # IEC 60947-4-1: closes at 85 % of rated volts, 20.4 of 24 V, from memory; the upper side is common practice.
        cases = {
            "20.3": "bad",
            "20.4": "watch",
            "21.9": "watch",
            "22.0": "good",
            "28.0": "good",
            "28.1": "watch",
            "30.0": "watch",
            "30.1": "bad",
        }
        for text, expected in cases.items():
            self.assertEqual(control_volts("contactor.coil.v", COIL_VOLTS, measure(text)).verdict, expected, text)

    def test_another_coil_is_judged_by_its_own_volts(self) -> None:
        # (240 ÷ 24)² is 100: 500 to 3000 Ω.
        for ohm, expected in (("1100", "good"), ("499", "watch"), ("11", "bad")):
            found = assess(Visit(plate=Plate(contactor=Contactor(coil_v=240)), readings=(Reading("contactor.coil.ohm", ohm),))).findings
            self.assertEqual(found[0].verdict, expected, ohm)

    def test_stuck_only_with_enough_volts_on_a_sound_coil(self) -> None:
        def armature(*readings: Reading) -> str | None:
            found = assess(Visit(readings=readings, seen={"contactor.armature": "out"})).findings
            return next((plain(one.verdict) for one in found if one.point == "contactor.armature"), None)

        volts, sound, shorted = Reading("contactor.coil.v", "25.0"), Reading("contactor.coil.ohm", "12"), Reading("contactor.coil.ohm", "1")
        self.assertEqual(armature(volts, sound), "bad")
        self.assertEqual(armature(volts), "unjudged")
        self.assertEqual(armature(volts, shorted), "unjudged")
        self.assertIsNone(armature(Reading("contactor.coil.v", "3.0"), sound))
        self.assertEqual(armature(Reading("contactor.coil.v", "20.6"), sound), "unsure", "barely what closes it")
        self.assertEqual(armature(Reading("contactor.coil.v", "22.0"), sound), "bad")


class Poles(unittest.TestCase):
    def test_open_contact_only_with_the_armature_seen_in(self) -> None:
        for text, armature, expected in (("118", "in", "bad"), ("118", "out", "unsure"), ("118", None, "unsure"), ("5.1", "in", "bad")):
            found = pole_through(measure(text), armature)
            assert found is not None
            self.assertEqual(found.verdict, expected)
        self.assertIsNone(pole_through(measure("5.0"), "in"))

    def test_heat_by_pint(self) -> None:
        ureg: pint.UnitRegistry[float] = pint.UnitRegistry()
        heat = pole_heat(measure("0.20"), measure("15.0"))
        watts = (0.20 * ureg.volt * 15.0 * ureg.ampere).to("watt")
        self.assertAlmostEqual(float(heat.watts.number or 0), watts.magnitude, places=9)
        self.assertAlmostEqual(float(heat.btu_h.number or 0), watts.to("BTU/hour").magnitude, places=2)
        self.assertAlmostEqual(
            float(heat.milliohm.number or 0), (0.20 * ureg.volt / (15.0 * ureg.ampere)).to("milliohm").magnitude, places=9
        )

    def test_three_schools(self) -> None:
        def judge(volts: str, amps: str, school: str) -> str | None:
            rules = HouseRules(contact_drop=school)  # type: ignore[arg-type]
            return pole_drop(measure(volts), measure(amps), None, rules).verdict

        self.assertEqual(
            [judge(v, "10.0", "volts") for v in ("0.05", "0.06", "0.19", "0.20", "0.31")], ["good", "watch", "watch", "bad", "bad"]
        )
        self.assertEqual([judge(v, "10.0", "strict-volts") for v in ("0.05", "0.09", "0.10")], ["good", "watch", "bad"])
        # 1 BTU/h at 10 A is 29.3 mV, 9 BTU/h 263.8 mV.
        self.assertEqual([judge(v, "10.0", "heat") for v in ("0.029", "0.031", "0.262", "0.265")], ["good", "watch", "watch", "bad"])

    def test_without_amps_heat_is_unjudged_and_volts_are_judged(self) -> None:
        self.assertEqual(pole_drop(measure("0.03")).verdict, "good")
        self.assertIn("not judged", pole_drop(measure("0.03")).why)
        self.assertEqual(pole_drop(measure("0.03"), None, None, HouseRules(contact_drop="heat")).verdict, "unjudged")

    def test_scaled_to_full_load(self) -> None:
        # 0.06 V at 5 A is 0.229 V at 19.1 A; 4 A is under a quarter of it, and nothing is scaled.
        self.assertEqual(pole_drop(measure("0.0500"), measure("4.800"), 18.0).verdict, "good")
        self.assertEqual(pole_drop(measure("0.0500"), measure("4.800"), 19.9).verdict, "unjudged")
        self.assertEqual(pole_drop(measure("0.0499"), measure("4.800"), 19.1).verdict, "good")
        self.assertEqual(pole_drop(measure("0.0510"), measure("4.700"), 18.8).verdict, "watch")
        self.assertEqual(pole_drop(measure("0.05"), measure("14.0"), 19.1).verdict, "good")

    def test_a_coarse_volt_range_cannot_tell(self) -> None:
        self.assertEqual(pole_drop(measure("0.1", Accuracy(1, 3, resolution=0.1)), measure("14")).verdict, "unsure")

    def test_two_poles_compared(self) -> None:
        def worse(one: str, two: str) -> list[str | None]:
            drops = {ONE: measure(one), TWO: measure(two)}
            found = compare_poles({point: pole_drop(drop, point=point) for point, drop in drops.items()}, drops)
            return [found[ONE].verdict, found[TWO].verdict]

        self.assertEqual(worse("0.02", "0.05"), ["good", "good"])
        self.assertEqual(worse("0.024", "0.051"), ["good", "watch"])
        self.assertIn(
            "twice",
            compare_poles(
                {ONE: pole_drop(measure("0.02"), point=ONE), TWO: pole_drop(measure("0.30"), point=TWO)},
                {ONE: measure("0.02"), TWO: measure("0.30")},
            )[TWO].why,
        )

    def test_infrared(self) -> None:
        self.assertEqual([found.verdict for found in pole_heat_seen(measure("100"), measure("120"))], ["good", "good"])
        self.assertEqual([found.verdict for found in pole_heat_seen(measure("121"), measure("100"))], ["watch", "good"])

    @given(st.integers(0, 500), st.integers(0, 500), st.sampled_from(["volts", "strict-volts", "heat"]))
    def test_more_drop_never_looks_better(self, one: int, other: int, school: str) -> None:
        rules = HouseRules(contact_drop=school)  # type: ignore[arg-type]
        low, high = sorted((one, other))
        ranks = [
            RANK[pole_drop(measure(f"{D(mv) / 1000:.3f}"), measure("14.20"), 19.1, rules).verdict or Verdict.GOOD] for mv in (low, high)
        ]
        self.assertGreaterEqual(ranks[0], ranks[1])

    def test_an_inverter_has_no_contactor_heat_rule(self) -> None:
        found = assess(Visit(plate=Plate(compressor=Compressor(kind="inverter")), readings=(Reading(ONE, "0.4"),))).findings
        self.assertEqual([one.verdict for one in found], [None])


class Fit(unittest.TestCase):
    def test_poles_amps_and_coil(self) -> None:
        # NEC 440.41, from memory: RLA 17.9 + FLA 1.2 A, LRA 96 A.
        plate = Plate(compressor=Compressor(rla=17.9, lra=96), contactor=Contactor(poles=2, amps=None, coil_v=24), fan=Fan(fla=1.2))
        cases = (
            (Contactor(2, 19.1, coil_v=24), "good"), (Contactor(2, 19, coil_v=24), "bad"), (Contactor(1, 30, coil_v=24), "bad"),
            (Contactor(2, 30, 96, 24), "good"), (Contactor(2, 30, 95, 24), "bad"), (Contactor(2, 30, coil_v=120), "bad"),
            (Contactor(3, 30, coil_v=24), "watch"), (Contactor(2, None, coil_v=24), "unjudged"),
        )  # fmt: skip
        for fitted, expected in cases:
            self.assertEqual(contactor_fit(fitted, plate).verdict, expected, str(fitted))
        asked = replace(plate, contactor=Contactor(poles=2, amps=30, coil_v=24))
        self.assertEqual(contactor_fit(Contactor(2, 25, coil_v=24), asked).verdict, "bad", "under the plate's own")


class SecondContactor(unittest.TestCase):
    """A two-stage unit has two contactors; each is judged on its own readings."""

    PLATE = Plate(compressor=Compressor(rla=17.9, stages=2), fan=Fan(fla=1.2))

    def findings(self, *readings: Reading, **seen: str) -> dict[str, str]:
        said = {name.replace("__", "."): word for name, word in seen.items()}
        found = assess(Visit(plate=self.PLATE, readings=readings, seen=said)).findings
        return {one.point: plain(one.verdict) for one in found}

    def test_each_is_judged_by_its_own_readings(self) -> None:
        found = self.findings(
            Reading("contactor.coil.ohm", "12.1"), Reading("contactor2.coil.ohm", "OL"), Reading("contactor2.coil.v", "25.9"),
            Reading("contactor2.pole1.drop_v", "0.31"), Reading("contactor2.pole1.a", "12.0"),
        )  # fmt: skip
        self.assertEqual(found["contactor.coil.ohm"], "good")
        self.assertEqual(found["contactor2.coil.ohm"], "bad")
        self.assertEqual(found["contactor2.coil.v"], "good")
        self.assertEqual(found["contactor2.pole1.drop_v"], "bad")

    def test_stuck_open_pole_and_welded_faces(self) -> None:
        readings = (Reading("contactor2.coil.ohm", "12.1"), Reading("contactor2.coil.v", "25.9"))
        stuck = self.findings(*readings, contactor2__armature="out")
        self.assertEqual(stuck["contactor2.armature"], "bad")
        open_pole = self.findings(Reading("contactor2.pole1.drop_v", "118"), contactor2__armature="in")
        self.assertEqual(open_pole["contactor2.pole1.drop_v"], "bad")
        self.assertEqual(self.findings(look__contactor2__faces="welded")["look.contactor2.faces"], "bad")

    def test_asked_for_only_in_two_stage_units(self) -> None:
        def asked(visit: Visit) -> set[str]:
            return {step.point for station in stations(visit, {}) for step in station.steps if "contactor2" in step.point}

        self.assertEqual(asked(Visit()), set())
        self.assertEqual(len(asked(Visit(plate=self.PLATE))), 10)
        unit = Visit(plate=self.PLATE)
        self.assertTrue(any(probe.point == "contactor2.pole2.drop_v" for probe in probes(unit, make_circuit(unit))))

    def test_on_the_entry_line(self) -> None:
        kept = {item.point: item.value for item in parse_line("2nd coil 11.8 2nd drop1 .02 at 12.4 faces2 pitted").items}
        self.assertEqual(
            kept,
            {
                "contactor2.coil.ohm": "11.8",
                "contactor2.pole1.drop_v": "0.02",
                "contactor2.pole1.a": "12.4",
                "look.contactor2.faces": "pitted",
            },
        )
