"""What a technician reads beside each verdict on absence and discharge, and which readings the proof holds against itself.

NFPA 70E 120.5 (renumbered 120.6 in 2024) for the order of a proof, from memory; the 2 V and 30 V lines are common practice, no source.
"""

import unittest
from dataclasses import replace
from datetime import datetime

from outer_test.measurement import Accuracy, measure
from outer_test.nameplate import Plate, RunCapacitor, StartCapacitor
from outer_test.rules.make_safe import absent, discharged, stored_energy
from outer_test.rules.make_safe.absence import absence, counts_now, live_readings
from outer_test.rules.make_safe.stored_energy import impossible_triple, most_stored
from outer_test.rules.make_safe.tests.test_make_safe import at, proved, state
from outer_test.visit import PowerEvent, Reading, Visit, absence_points, inputs_of
from visit_samples.says import Says

NAMES = ("safe.c_herm.vdc", "safe.c_fan.vdc", "safe.herm_fan.vdc")


class WhatItSays(Says):
    def test_absence(self) -> None:
        for text, top, why, step in (
            ("1.9", None, "1.9 V: no voltage here", ""), ("6", None, "6 V: stray or coupled", "low impedance"), ("121", None, "121 V: this is live", "next disconnect up"),
            ("OL", 600, "Above the range: this is live", "next disconnect up"), ("OL", None, "whose top is not known", "Treat it as live"),
        ):  # fmt: skip
            self.says(absent("safe.line.v", measure(text, top=top)), why, step)
        self.says(absent("safe.control.v", measure("27")), "comes from indoors", "indoor breaker off")
        self.says(absent("safe.control.v", measure("121")), "this is live")
        self.assertEqual(absent("safe.line.v", measure("1.0", Accuracy(0, 29))).verdict, "good")
        self.assertEqual(absent("safe.line.v", measure("1", Accuracy(0, 29))).verdict, "watch", "the band ends at 30 V")

    def test_discharge(self) -> None:
        for point, text, why, step in (
            (NAMES[0], "0.4", "0.4 V d.c.: discharged", ""), (NAMES[0], "12", "12 V d.c. is left", "Hold the bleed resistor on longer"), (NAMES[0], "41", "still charged", "Bleed through 20 kΩ 5 W"),
            ("safe.bus.vdc", "12", "is left", "Wait"), ("safe.bus.vdc", "210", "still charged", "Do not touch it. Wait"),
        ):  # fmt: skip
            self.says(discharged(point, measure(text)), why, step)
        self.says(discharged(NAMES[0], measure("OL", top=2)), "OL: above a range", "Treat it as charged")
        self.says(discharged(NAMES[0], measure("OL", top=600)), "Above the range: still charged", "Do not touch it")

    def test_a_triple_that_cannot_be(self) -> None:
        """[D] Kirchhoff: the pair is at most the sum of both to C, and each is within its meter's band."""
        for to_herm, to_fan, across, impossible in (
            ("0.0", "0.0", "2.0", True), ("0.0", "0.0", "1.9", False), ("1.9", "0.0", "2.0", False), ("1.0", "1.0", "2.3", False),
            ("1.0", "1.0", "2.4", True), ("2.0", "0.0", "45", False), ("0.0", "2.0", "45", False), ("-1.0", "0.1", "45", True),
        ):  # fmt: skip
            volts = {name: measure(text, Accuracy(0, 1)) for name, text in zip(NAMES, (to_herm, to_fan, across), strict=True)}
            found = impossible_triple({name: discharged(name, one) for name, one in volts.items()}, volts)
            self.assertEqual(found is not None, impossible, (to_herm, to_fan, across))
        two = {name: measure("45") for name in NAMES[:2]}
        self.assertIsNone(impossible_triple({name: discharged(name, one) for name, one in two.items()}, two))

    def test_the_most_one_of_them_holds(self) -> None:
        """[D] ½ C V² at √2 × the rated volts."""
        run, start = RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440), StartCapacitor(low_uf=189, high_uf=227, vac=330)
        for plate, of in (
            (Plate(run_capacitor=run), (55, 440)), (Plate(run_capacitor=run, start_capacitor=start), (227, 330)), (Plate(run_capacitor=RunCapacitor(fan_uf=5, vac=370)), (5, 370)),
            (Plate(run_capacitor=run, start_capacitor=StartCapacitor(low_uf=189, vac=330)), (55, 440)),
        ):  # fmt: skip
            self.assertEqual(most_stored(Visit(plate=plate)), stored_energy(*of))
        self.assertIsNone(most_stored(Visit(plate=Plate(run_capacitor=RunCapacitor(herm_uf=55)))))


class TheProof(unittest.TestCase):
    """Proved from minute 1 to 9, its six readings from 2 to 7."""

    def read(self, minute: float, volts: str, point: str = "line.l1_l2.v", **more: object) -> Visit:
        whole = proved()
        return replace(whole, readings=(*whole.readings, Reading(point, volts, at=at(minute), id="more", **more)))  # type: ignore[arg-type]

    def why(self, visit: Visit) -> str:
        inputs = inputs_of(visit)
        found = {name: absent(name, inputs.latest[name]) for name in absence_points(visit)}
        return absence(visit, found, inputs.readings).why

    def test_line_volts_within_it_spend_it(self) -> None:
        for minute, spent in ((0.5, False), (1, False), (1.5, True), (9, True), (9.5, False)):
            self.assertEqual("since the tester was first proved" in self.why(self.read(minute, "240")), spent, minute)
        self.assertNotIn("since the tester", self.why(self.read(5, "29.9")))
        self.assertNotIn("since the tester", self.why(self.read(5, "240", "cap.herm.uf")))

    def test_which_readings_found_it_live(self) -> None:
        def found(since: datetime | None, *readings: Reading) -> list[str | None]:
            return [one.id for one in live_readings(Visit(readings=readings), since)]

        one = Reading("line.l1_l2.v", "240", at=at(5), id="a")
        self.assertEqual(found(at(4), one), ["a"])
        self.assertEqual(found(at(5), one), [])
        self.assertEqual(found(None, one), [])
        self.assertEqual(found(at(4), replace(one, at=None)), [])
        self.assertEqual(found(at(4), one, Reading("line.l1_l2.v", "0.3", at=at(6), id="b")), ["a"], "read again since: it counts")
        self.assertEqual(found(at(4), one, Reading("line.l1_l2.v", "24.0", at=at(6), id="b", supersedes="a")), [], "corrected")

    def test_what_is_newer_than_the_last_power_up(self) -> None:
        up = Visit(power=(PowerEvent("live", at(3)),))
        self.assertEqual([counts_now(up, when) for when in (at(2), at(3), at(4), None)], [False, False, True, False])
        self.assertTrue(counts_now(Visit(power=(PowerEvent("dead-claimed", at(3)),)), None))
        self.assertFalse(counts_now(Visit(power=(PowerEvent("live", None),)), at(4)))

    def test_the_tester_at_the_first_reading_and_at_the_last(self) -> None:
        for before, after, dead in ((2, 9, True), (2.1, 9, False), (1, 7, True), (1, 6.9, False)):
            self.assertEqual(state(proved(before=before, after=after)) == "dead-proved", dead, (before, after))
