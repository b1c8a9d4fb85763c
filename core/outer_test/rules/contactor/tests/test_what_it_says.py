"""What a technician reads beside each contactor verdict, and which of the plate's figures it was held against.

Common practice, no source, but for NEC 440.41 (from memory) behind what a contactor must carry.
"""

from dataclasses import replace

from outer_test.judgement import Finding
from outer_test.measurement import measure
from outer_test.nameplate import Compressor, Contactor, Fan, Plate
from outer_test.rules.contactor import coil_ohm, contactor_fit, pole_drop, pole_heat_seen, pole_through
from visit_samples.says import Says, found_on

ONE, TWO = "contactor.pole1.drop_v", "contactor.pole2.drop_v"
PLATE = Plate(
    compressor=Compressor(rla=15, lra=80, kind="scroll"), fan=Fan(fla=2, count=2), contactor=Contactor(poles=2, amps=30, coil_v=24)
)
FITTED = Contactor(poles=2, amps=30, coil_v=24, lra=90)


def on_visit(read: dict[str, str], plate: Plate = PLATE, armature: str | None = None, **seen: str) -> dict[str, Finding]:
    """The findings of these readings by point."""
    return found_on(plate, read, **seen | ({"contactor__armature": armature} if armature else {}))


class WhatItSays(Says):
    def test_volts_across_a_pole_that_may_be_open(self) -> None:
        for armature, why, needs in (("out", "the contactor is open", ()), (None, "nobody noted", ("contactor.armature",))):
            found = pole_through(measure("118"), armature, ONE)
            assert found is not None
            self.says(found, why, "see the armature in")
            self.assertEqual(found.needs, needs)
        self.says(on_visit({ONE: "118"}, armature="in")[ONE], "pitted or burnt", "look at the faces")
        self.says(on_visit({ONE: "118"}, armature="in", look__contactor__insects="none")[ONE], "pitted or burnt")
        self.says(
            on_visit({ONE: "118"}, armature="in", look__contactor__insects="found")[ONE], "insects found in it", "clean the insects out"
        )

    def test_a_drop_by_its_verdict(self) -> None:
        for volts, why, step in (
            ("0.020", "Heat 0.3 W, 1.024 BTU/h; 1.333 mΩ; at full load 0.0253 V", ""),
            ("0.120", "120", "Record it"),
            ("0.210", "0.2 V is the line", "Power off and prove it dead"),
        ):
            found = pole_drop(measure(volts), measure("15.0"), 19)
            self.says(found, why if why != "120" else "0.12 V.", step)
            self.assertEqual(found.next == "", step == "", volts)
        self.says(pole_drop(measure("0.120")), "No amps, so heat and full load are not judged")

    def test_one_decimal_is_too_coarse_below_a_volt(self) -> None:
        for volts, why in (("0.9", "too coarse"), ("1.0", "is the line"), ("0.90", "is the line")):
            self.says(pole_drop(measure(volts)), why)

    def test_at_full_load_and_under_a_quarter_of_it(self) -> None:
        """What two fans draw counts: RLA 15 + 2 × FLA 2 is 19 A, a quarter of it 4.75 A."""
        amps = {"contactor.pole1.a": "4.8", "amps.compressor.run_a": "4.8"}
        for volts, verdict in (("0.049", "good"), ("0.060", "watch")):
            found = on_visit({ONE: volts, **amps}, armature="in")[ONE]
            self.assertEqual(found.verdict, verdict, found.why)
        self.assertEqual(on_visit({ONE: "0.040", "contactor.pole1.a": "4.7"}, armature="in")[ONE].verdict, "unjudged")
        # 0.05 V at 4.75 A is 0.2 V at full load: only where the whole band of it is past the cut.
        for volts, amp, verdict in (("0.0500", "4.75", "good"), ("0.0500", "4.20", "unjudged"), ("0.0500", "0.50", "unjudged")):
            self.assertEqual(pole_drop(measure(volts), measure(amp), 19).verdict, verdict, (volts, amp))
        self.says(pole_drop(measure("0.120"), measure("0.5")), "Heat 0.06 W")
        self.says(pole_drop(measure("0.049"), measure("0.0")), "proves nothing", "compressor running")

    def test_the_worse_of_two_poles(self) -> None:
        found = on_visit({ONE: "0.020", TWO: "0.060"}, armature="in")
        self.says(found[TWO], "Over twice the other pole's 0.02 V", "Record it")
        self.assertEqual(found[ONE].verdict, "good")
        for one, two, verdict in (("0.030", "0.060", "watch"), ("0.024", "0.049", "good"), ("0.024", "0.051", "watch")):
            self.assertEqual(on_visit({ONE: one, TWO: two}, armature="in")[TWO].verdict, verdict, (one, two))
        self.assertNotIn("Over twice", on_visit({ONE: "0.030", TWO: "0.060"}, armature="in")[TWO].why)

    def test_infrared(self) -> None:
        for one, two, why, step in (("100", "121", "21 °F (12 °C) hotter", "faces and screws"), ("100", "120", "20 °F (11 °C) hotter", "")):
            hot = pole_heat_seen(measure(one), measure(two))[1]
            self.says(hot, why, step)
            self.assertEqual(hot.next == "", step == "")
        self.says(pole_heat_seen(measure("100"), measure("121"))[0], "cooler")
        self.assertNotIn("contactor.pole1.f", on_visit({"contactor.pole1.f": "96"}))
        self.assertEqual(on_visit({"contactor.pole1.f": "96", "contactor.pole2.f": "131"})["contactor.pole2.f"].verdict, "watch")

    def test_coil_on_a_range_that_just_reaches(self) -> None:
        for top, verdict in ((149, "unsure"), (150, "bad"), (None, "bad")):
            self.assertEqual(coil_ohm(measure("OL", top=top)).verdict, verdict, top)

    def test_fitted_against_the_plate(self) -> None:
        """RLA 15 + two fans of 2 A is 19 A."""
        self.assertEqual(contactor_fit(FITTED, PLATE).why, "Poles, amps and coil volts match the plate.")
        self.says(contactor_fit(replace(FITTED, lra=None), PLATE), "Its locked-rotor rating is not entered")
        bare = replace(PLATE, contactor=Contactor(poles=2, coil_v=24))
        for amps, verdict in ((18.9, "bad"), (19.0, "good")):
            self.assertEqual(contactor_fit(replace(FITTED, amps=amps), bare).verdict, verdict, amps)
        alone = replace(bare, fan=Fan())
        self.assertEqual(contactor_fit(replace(FITTED, amps=15.0), alone).verdict, "good", "a fan that is not known adds nothing")
        self.says(contactor_fit(replace(FITTED, poles=1), PLATE), "1 pole where 2 are asked", "Fit one that matches")
        self.says(contactor_fit(replace(FITTED, poles=3), PLATE), "3 poles where 2 are asked", "every leg is wired")
        self.says(contactor_fit(replace(FITTED, lra=79), PLATE), "locked-rotor rating of 79 A where 80 A is drawn")
        self.says(contactor_fit(replace(FITTED, amps=25), PLATE), "25 A where the plate asks 30 A")

    def test_a_second_contactor_in_low_stage_stays_out(self) -> None:
        two = replace(PLATE, compressor=replace(PLATE.compressor, stages=2))
        read = {"contactor2.coil.v": "26", "contactor2.coil.ohm": "11"}
        for stage, verdict in (("high", "bad"), ("low", None)):
            found = on_visit(read, two, contactor2__armature="out", amps__stage=stage).get("contactor2.armature")
            self.assertEqual(None if found is None else found.verdict, verdict, stage)
        self.assertNotIn("contactor.armature", on_visit(read, two))
