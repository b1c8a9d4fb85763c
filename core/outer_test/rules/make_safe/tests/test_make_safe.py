"""`absence` and `stored-energy`: proving dead, and what a capacitor still holds."""

import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import numpy as np
import pint
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from outer_test.assessment import assess
from outer_test.measurement import Accuracy, measure
from outer_test.nameplate import Plate, RunCapacitor
from outer_test.rules.make_safe import absent, discharged, stored_energy
from outer_test.visit import PowerEvent, Reading, Seen, Visit, absence_points

SIX_POINTS = absence_points(Visit())
NOON = datetime(2027, 1, 14, 12, 0, tzinfo=UTC)


def at(minutes: float) -> datetime:
    return NOON + timedelta(minutes=minutes)


def proved(volts: str = "0.3", before: float = 1, after: float = 9, **more: object) -> Visit:
    readings = tuple(Reading(point, volts, at=at(2 + place)) for place, point in enumerate(SIX_POINTS))
    seen = {"safe.tester_before": Seen("yes", at(before)), "safe.tester_after": Seen("yes", at(after))}
    return Visit(readings=readings, seen=seen, **({"power": (PowerEvent("dead-claimed", at(0)),)} | more))  # type: ignore[arg-type]


def state(visit: Visit) -> str:
    return assess(visit).power.state


class Lines(unittest.TestCase):
    def test_two_and_thirty_volts(self) -> None:
        # Common practice, no source.
        cases = {"0.0": "good", "1.9": "good", "2.0": "watch", "29.9": "watch", "30.0": "stop", "121": "stop", "-41": "stop"}
        for text, expected in cases.items():
            self.assertEqual(discharged("safe.c_herm.vdc", measure(text)).verdict, expected, text)
            if not text.startswith("-"):
                self.assertEqual(absent("safe.line.v", measure(text)).verdict, expected, text)

    def test_live_and_stray_are_told_apart_in_words(self) -> None:
        for text, words in (("121", "this is live"), ("6", "stray or coupled"), ("0.4", "no voltage here")):
            self.assertIn(words, absent("safe.line.v", measure(text)).why)
        self.assertIn("comes from indoors", absent("safe.control.v", measure("27")).why)

    def test_ol_stops_on_a_range_that_reaches_thirty_volts_and_is_unsure_else(self) -> None:
        self.assertEqual(discharged("safe.c_herm.vdc", measure("OL", top=600)).verdict, "stop")
        self.assertEqual(discharged("safe.c_herm.vdc", measure("OL", top=2)).verdict, "unsure")
        self.assertEqual(absent("safe.line.v", measure("OL")).verdict, "unsure")

    @given(st.decimals(0, 400, places=1), st.decimals(0, 400, places=1))
    def test_more_volts_never_look_safer(self, one: object, other: object) -> None:
        order = ["good", "watch", "unsure", "stop"]
        low, high = sorted([one, other])  # type: ignore[type-var]
        ranks = [order.index(absent("safe.line.v", measure(str(volts))).verdict or "") for volts in (low, high)]
        self.assertLessEqual(ranks[0], ranks[1])

    def test_nothing_makes_a_stop_unsure(self) -> None:
        coarse = Accuracy(0, 40, resolution=1)
        self.assertEqual(absent("safe.line.v", measure("31", coarse)).verdict, "stop")
        self.assertEqual(absent("safe.line.v", measure("1", coarse)).verdict, "watch", "its band reaches over 30 V: measure finer")

    def test_both_to_c_near_nothing_and_the_pair_high_cannot_be(self) -> None:
        def pair(volts: str, to_c: str = "0.1") -> str:
            names = ("safe.c_herm.vdc", "safe.c_fan.vdc", "safe.herm_fan.vdc")
            readings = tuple(Reading(name, value) for name, value in zip(names, (to_c, to_c, volts), strict=True))
            return next(finding for finding in assess(Visit(readings=readings)).findings if finding.point == "safe.herm_fan.vdc").why

        self.assertIn("impossible", pair("45"))
        self.assertIn("impossible", pair("12"))
        self.assertNotIn("cannot be", pair("0.2"))
        self.assertNotIn("cannot be", pair("45", "40"))

    def test_a_bus_is_waited_for_and_never_bled(self) -> None:
        found = discharged("safe.bus.vdc", measure("210"))
        self.assertIn("Wait", found.next)
        self.assertNotIn("20 kΩ", found.next)


class Proof(unittest.TestCase):
    """NFPA 70E 120.5, renumbered 120.6 in 2024, from memory: tester, circuit, tester."""

    def test_dead_is_proved_by_all_eight_steps(self) -> None:
        self.assertEqual(state(proved()), "dead-proved")

    def test_three_phase_asks_every_phase(self) -> None:
        whole = replace(proved(), plate=Plate(phase=3))
        found = next(finding for finding in assess(whole).findings if finding.point == "safe.dead")
        self.assertEqual((found.verdict, len(found.needs)), ("unjudged", 6))

    def test_a_claim_alone_is_shown_as_claimed(self) -> None:
        self.assertEqual(state(Visit(power=(PowerEvent("dead-claimed", at(0)),))), "dead-claimed")
        self.assertEqual(state(Visit()), "unknown")

    def test_each_missing_step_leaves_it_unproved_and_is_named(self) -> None:
        whole = proved()
        for gone in SIX_POINTS:
            kept = tuple(reading for reading in whole.readings if reading.point != gone)
            visit = Visit(readings=kept, seen=whole.seen, power=whole.power)
            found = next(finding for finding in assess(visit).findings if finding.point == "safe.dead")
            self.assertEqual((found.verdict, found.needs), ("unjudged", (gone,)))
            self.assertEqual(state(visit), "dead-claimed")
        for gone in ("safe.tester_before", "safe.tester_after"):
            seen = {name: word for name, word in whole.seen.items() if name != gone}
            self.assertEqual(state(Visit(readings=whole.readings, seen=seen, power=whole.power)), "dead-claimed")

    def test_a_tester_that_shows_nothing_proves_nothing(self) -> None:
        whole = proved()
        seen = {**whole.seen, "safe.tester_after": Seen("no", at(9))}
        self.assertEqual(state(Visit(readings=whole.readings, seen=seen, power=whole.power)), "dead-claimed")

    def test_the_tester_is_proved_before_and_after_not_between(self) -> None:
        self.assertEqual(state(proved(before=4)), "dead-claimed")
        self.assertEqual(state(proved(after=5)), "dead-claimed")

    def test_any_power_up_clears_dead(self) -> None:
        visit = proved(power=(PowerEvent("dead-claimed", at(0)), PowerEvent("live", at(20))))
        self.assertEqual(state(visit), "live")
        self.assertNotIn("safe.dead", {finding.point for finding in assess(visit).findings})
        again = proved(power=(PowerEvent("dead-claimed", at(0)), PowerEvent("live", at(-5))))
        self.assertEqual(state(again), "dead-proved")

    def test_thirty_volts_anywhere_is_live_and_stops(self) -> None:
        visit = proved("118")
        self.assertEqual(state(visit), "live")
        self.assertEqual(assess(visit).overall.value, "stop")

    def test_stray_voltage_is_not_proof(self) -> None:
        self.assertEqual(state(proved("6.0")), "dead-claimed")

    def test_dead_work_while_not_dead_warns_and_is_recorded(self) -> None:
        plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, vac=440))
        dead = Visit(plate=plate, readings=(Reading("cap.herm.uf", "54.1", power="dead-proved"),))
        claimed = Visit(plate=plate, readings=(Reading("cap.herm.uf", "54.1", power="dead-claimed"),))
        caution = [
            next(finding for finding in assess(visit).findings if finding.point == "cap.herm.uf").caution for visit in (dead, claimed)
        ]
        self.assertEqual(caution[0], "")
        self.assertIn("claimed", caution[1])


class Energy(unittest.TestCase):
    def test_joules_by_units(self) -> None:
        # E = ½CV², done by pint with the units along.
        ureg: pint.UnitRegistry[float] = pint.UnitRegistry()
        for uf, vac in ((55, 440), (7.5, 370), (227, 330)):
            held = stored_energy(uf, vac)
            peak = vac * np.sqrt(2) * ureg.volt
            self.assertAlmostEqual(held.joules, (0.5 * uf * ureg.microfarad * peak**2).to("joule").magnitude, places=9)
            self.assertAlmostEqual(held.peak_v, peak.magnitude, places=9)

    def test_bleed_time_by_solving_the_circuit(self) -> None:
        # dV/dt = −V/RC integrated by scipy until 30 V.
        for uf, vac, ohm in ((55, 440, 20_000), (189, 330, 20_000), (80, 370, 15_000)):
            crossing = lambda _, v: v[0] - 30  # noqa: E731
            crossing.terminal = True  # type: ignore[attr-defined]
            solved = solve_ivp(
                lambda _, v, rc=ohm * uf * 1e-6: -v / rc, (0, 100), [vac * np.sqrt(2)], events=crossing, rtol=1e-10, atol=1e-10
            )
            self.assertAlmostEqual(stored_energy(uf, vac, ohm).bleed_s, solved.t_events[0][0], places=5)

    def test_nothing_to_bleed_below_thirty_volts(self) -> None:
        self.assertEqual(stored_energy(55, 20).bleed_s, 0)

    def test_every_pair_must_be_proved_on_dc_volts(self) -> None:
        plate = Plate(run_capacitor=RunCapacitor(herm_uf=55, fan_uf=7.5, vac=440))
        some = Visit(plate=plate, readings=(Reading("safe.c_herm.vdc", "0.4"), Reading("safe.c_fan.vdc", "0.1")))
        found = {finding.point: finding for finding in assess(some).findings}["safe.discharged"]
        self.assertEqual((found.verdict, found.needs), ("unjudged", ("safe.herm_fan.vdc",)))
        self.assertIn("10.6 J", found.why)
        every = Visit(plate=plate, readings=(*some.readings, Reading("safe.herm_fan.vdc", "0.2")))
        self.assertEqual({finding.point: finding.verdict for finding in assess(every).findings}["safe.discharged"], "good")
