"""Whole defrosts of the twin [M]: what is told of each fault, and what is never accused."""

import random
import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from functools import lru_cache
from math import inf

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.assessment import assess
from outer_test.diagnosis import diagnose
from outer_test.judgement import Verdict
from outer_test.nameplate import SHIPPED, AuxHeat, ConfigLink, Defrost, has_shift_delay
from outer_test.rules.defrost import run_lanes
from outer_test.twin import FaultKey, defrost_faults, defrost_parts, make_unit, watch_defrost, with_fault
from outer_test.visit import Conditions, DefrostEvent, Lifted, LiftedEnd, Reading, Visit
from visit_samples.defrost_visits import DEMAND, SWITCHED, answers, lanes, plain, plate, visit

K, NOON = FaultKey, datetime(2027, 1, 14, 12, tzinfo=UTC)
# Shipped profiles with the board's own figures confirmed: until then they are a hint, and judge nothing.
CONFIRMED = tuple(replace(one, confirmed=True) for one in SHIPPED.values())
BOARDS = (SWITCHED, DEMAND, replace(SWITCHED, fan_first_s=20), replace(DEMAND, shift_delay=True), *CONFIRMED)
# The true cause by the words it is named in, and whether stamps alone name it alone; after the next tests all are named alone
# but low charge, which wind looks like (docs/model.md).
CAUSE: dict[FaultKey, tuple[str, bool]] = {
    K.NEVER_STARTS: ("defrost board", True), K.FAN_RELAY_STUCK: ("board fan relay", True), K.NO_W: ("defrost board", False),
    K.VALVE_STUCK: ("reversing valve", False), K.VALVE_COIL_OPEN: ("valve coil", False),
    K.STUCK_CLOSED_SWITCH: ("coil switch stuck closed", False), K.DRIFTED: ("coil sensor drifted", False),
    K.SLIPPED: ("sensor out of its well", False), K.NEVER_ENDS: ("defrost board", True), K.BLOWER_DEAD: ("indoor fan stopped", False),
}  # fmt: skip
NEVER_ALONE = {K.BLOWER_DEAD: {"pressure switch", "compressor overload", "indoor fan stopped"}}


def shaken(
    events: tuple[DefrostEvent, ...], watched: float, seed: int, miss: bool, keep: tuple[str, ...] = ()
) -> tuple[tuple[DefrostEvent, ...], float]:
    """Stamps as a person sets them: each up to 2 s off, one of them missing where asked for, never one of `keep`."""
    chance = random.Random(seed)
    late = [event if event.event == "forced" else replace(event, s=max(0.0, event.s + chance.uniform(-2, 2))) for event in events]
    may_go = [place for place, one in enumerate(late) if place and one.event not in keep]
    if miss and may_go:
        late.pop(chance.choice(may_go))
    return tuple(late), watched


def causes(of: Visit) -> set[str]:
    """Everything named as a cause by the lanes of this run that are not good."""
    return {cause for finding in assess(of).findings if finding.point.startswith("defrost.run.") for cause in finding.causes}


def accused(of: Visit) -> set[str]:
    """The parts that the visit concludes are at fault."""
    return {one.part.value for one in diagnose(of).accused}


def with_next_tests(of: Visit, fault: FaultKey) -> Visit:
    """The same visit after the tests the findings ask for, as this unit answers them."""
    reads = defrost_parts(with_fault(make_unit(of.plate), fault), 24.0 if fault is K.NEVER_STARTS else 64.0)
    readings = tuple(Reading(point, "OL" if value == inf else f"{value:.1f}") for point, value in reads.items() if isinstance(value, float))
    seen = {point: value for point, value in reads.items() if isinstance(value, str)}
    kept = tuple(reading for reading in of.readings if reading.point != "defrost.switch.ohm")
    return replace(of, readings=(*kept, *readings), seen={**of.seen, **seen})


def faulty(fault: FaultKey) -> list[Defrost]:
    """The shipped boards that show this fault. A board that opens the contactor itself hides a tripped pressure switch."""
    hides = fault is K.BLOWER_DEAD
    return [one for one in CONFIRMED if fault in shows(one) and not (hides and has_shift_delay(one) is not False)]


@lru_cache(maxsize=64)
def shows(defrost: Defrost) -> tuple[FaultKey, ...]:
    """The faults that a defrost of this board shows."""
    return defrost_faults(plate(defrost))


@lru_cache(maxsize=256)
def simulated(defrost: Defrost, fault: FaultKey | None = None) -> tuple[tuple[DefrostEvent, ...], float]:
    """A run of this board, made once."""
    unit = make_unit(plate(defrost))
    return watch_defrost(unit if fault is None else with_fault(unit, fault))


class Faults(unittest.TestCase):
    @given(st.sampled_from(list(CAUSE)), st.integers(0, 10**6), st.booleans())
    @settings(deadline=None, max_examples=150)
    def test_the_true_cause_is_among_those_named(self, fault: FaultKey, seed: int, miss: bool) -> None:
        for defrost in faulty(fault):
            run = simulated(defrost, fault)
            # A pressure switch shows in one stamp alone: where that one is missed, nothing is left to tell it by.
            events, watched = shaken(*run, seed, miss, keep=("contactor-open",) if fault is K.BLOWER_DEAD else ())
            named = causes(visit(defrost, events, watched, defrost_seen=answers(run[0])))
            self.assertIn(CAUSE[fault][0], named, f"{fault} on {defrost.profile}")

    def test_alone_where_stamps_or_the_next_tests_tell_it_apart(self) -> None:
        for fault, (cause, by_stamps) in CAUSE.items():
            for defrost in faulty(fault):
                run = visit(defrost, *simulated(defrost, fault))
                if by_stamps:
                    self.assertEqual(causes(run), {cause}, f"{fault} on {defrost.profile}")
                after = causes(with_next_tests(run, fault))
                self.assertEqual(after, NEVER_ALONE.get(fault, {cause}), f"{fault} on {defrost.profile}, after the next tests")

    def test_only_the_guilty_part_is_accused(self) -> None:
        parts = {
            K.NEVER_STARTS: {"defrost board"}, K.FAN_RELAY_STUCK: {"board fan relay"}, K.NO_W: {"defrost board"}, K.VALVE_STUCK: {"reversing valve"},
            K.VALVE_COIL_OPEN: {"valve coil"}, K.STUCK_CLOSED_SWITCH: {"coil switch"}, K.DRIFTED: {"coil sensor"}, K.SLIPPED: {"coil sensor"},
            K.BLOWER_DEAD: set(), K.LOW_CHARGE: set(),
        }  # fmt: skip
        for fault, expected in parts.items():
            for defrost in faulty(fault):
                run = visit(defrost, *simulated(defrost, fault))
                self.assertEqual(accused(with_next_tests(run, fault)), expected, f"{fault} on {defrost.profile}")

    def test_a_unit_without_the_part_does_not_show_its_fault(self) -> None:
        self.assertNotIn(K.STUCK_CLOSED_SWITCH, shows(DEMAND))
        self.assertNotIn(K.DRIFTED, shows(SWITCHED))
        self.assertEqual(defrost_faults(plate(Defrost())), ())


class WholeRuns(unittest.TestCase):
    def test_a_healthy_board_of_every_profile_is_never_accused(self) -> None:
        for defrost in BOARDS:
            events, watched = simulated(defrost)
            of = visit(defrost, events, watched)
            self.assertLessEqual(set(lanes(of).values()), {"good", "unjudged"}, str(defrost))
            self.assertEqual(accused(of), set())

    @given(st.sampled_from(BOARDS), st.integers(0, 10**6), st.booleans(), st.integers(-10, 60))
    @settings(deadline=None)
    def test_nor_with_jittered_stamps_one_missing_and_any_weather(self, defrost: Defrost, seed: int, miss: bool, air: int) -> None:
        run = simulated(defrost)
        of = visit(defrost, *shaken(*run, seed, miss), defrost_seen=answers(run[0]))
        of = replace(of, conditions=Conditions(outdoor_f=air))
        self.assertEqual(accused(of), set())

    def test_the_valve_is_accused_only_where_a_jumper_proved_it(self) -> None:
        events, watched = simulated(SWITCHED, K.VALVE_STUCK)
        base = visit(SWITCHED, events, watched)
        fed = (*base.readings, Reading("defrost.valve_coil.v", "25"), Reading("defrost.valve_coil.ohm", "17"))
        self.assertEqual(accused(replace(base, readings=fed)), set(), "suspected, and not yet proved without the board")
        for proof, expected in (("no", {"reversing valve"}), ("shifts", set())):
            proved = replace(base, readings=fed, seen={**base.seen, "defrost.valve_proof": proof})
            self.assertEqual(accused(proved), expected, proof)
        dead = replace(base, readings=(*base.readings, Reading("defrost.valve_coil.v", "0.2")))
        self.assertEqual((lanes(dead)["valve"], accused(dead)), ("bad", set()))

    def test_the_board_is_not_blamed_before_all_is_proved(self) -> None:
        events, watched = simulated(SWITCHED, K.NEVER_STARTS)
        base = visit(SWITCHED, events, watched)
        for less in (
            replace(base, seen={"defrost.call": "yes"}), replace(base, seen={"defrost.call": "no", "defrost.pins": "right"}), replace(base, readings=()),
            replace(base, readings=(Reading("control.r_c.v", "0.2"), Reading("defrost.switch.ohm", "closed"))),
            replace(base, readings=(Reading("control.r_c.v", "26"), Reading("defrost.switch.ohm", "OL"))),
        ):  # fmt: skip
            self.assertEqual((lanes(less)["start"], accused(less)), ("unsure", set()))

    def test_a_lifted_fan_lead_silences_its_lane(self) -> None:
        events, watched = simulated(SWITCHED, K.FAN_RELAY_STUCK)
        lifted = visit(SWITCHED, events, watched, lifted=(Lifted("Fan wire lifted"),))
        self.assertEqual((lanes(lifted)["fan"], accused(lifted)), ("unjudged", set()))

    def test_a_low_ambient_kit_and_a_freeze_stat_explain_as_well(self) -> None:
        kit = replace(SWITCHED, low_ambient_kit=True, freeze_stat=True)
        of = visit(kit, *simulated(SWITCHED, K.FAN_RELAY_STUCK), plate=plate(kit))
        self.assertEqual((lanes(of)["fan"], accused(of)), ("unjudged", set()))
        tripped = visit(kit, *simulated(SWITCHED, K.BLOWER_DEAD), plate=plate(kit))
        self.assertIn("freeze-stat", causes(tripped))

    def test_no_aux_fitted_is_no_fault(self) -> None:
        bare = plate(SWITCHED, aux_heat=AuxHeat(kind="none"))
        events, watched = watch_defrost(make_unit(bare))
        self.assertEqual(lanes(visit(SWITCHED, events, watched, plate=bare))["aux"], "unjudged")

    def test_a_jumpered_switch_ending_by_time_is_expected(self) -> None:
        events, watched = simulated(SWITCHED, K.STUCK_CLOSED_SWITCH)
        for jumper in (Lifted("Switch jumper on"), Lifted("Switch jumper on", end=LiftedEnd("back"))):
            self.assertEqual(lanes(visit(SWITCHED, events, watched, lifted=(jumper,)))["end"], "good")

    def test_a_short_forced_run_on_a_clear_coil_is_right(self) -> None:
        run = tuple(
            DefrostEvent(s, name)  # type: ignore[arg-type]
            for s, name in (
                (0, "forced"),
                (2, "valve-shift"),
                (2, "fan-off"),
                (3, "aux-on"),
                (9, "ended"),
                (10, "fan-on"),
                (10, "valve-back"),
                (11, "aux-off"),
            )
        )
        self.assertEqual(set(lanes(visit(DEMAND, run, 60)).values()), {"good"})

    def test_nothing_is_missed_before_its_time(self) -> None:
        run = (DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"))
        found = lanes(visit(DEMAND, run, 4, defrost_seen={}))
        self.assertEqual((found["fan"], found["aux"], found["end"]), ("unjudged", "unjudged", "unjudged"))

    def test_a_sensor_out_of_its_well_is_not_accused_for_reading_air(self) -> None:
        own = replace(DEMAND, sensor_r25_ohm=10_000, sensor_b_k=3950)
        once = Reading("defrost.coil_sensor.ohm", "28900", at=NOON)
        again = replace(once, value="28700", at=NOON + timedelta(minutes=1))
        for seat, expected, drifted in (("seated", "bad", True), ("slipped", "unsure", False)):
            readings = (Reading("defrost.coil.f", "64", at=NOON), once, again)
            of = Visit(plate=plate(own), readings=readings, seen={"look.sensor.seat": seat})
            found = next(finding for finding in assess(of).findings if finding.point == "defrost.coil_sensor.ohm")
            self.assertEqual((plain(found.verdict), "drifted" in [one.fault for one in diagnose(of).accused]), (expected, drifted))

    def test_an_ambient_sensor_that_hangs_free_is_right(self) -> None:
        own = replace(DEMAND, sensor_r25_ohm=10_000, sensor_b_k=3950)
        readings = (Reading("defrost.ambient_sensor.ohm", "28900"), Reading("defrost.ambient.f", "37"))
        for seat in ("seated", "slipped"):
            of = Visit(plate=plate(own), readings=readings, seen={"look.sensor.seat": seat})
            found = next(finding for finding in assess(of).findings if finding.point == "defrost.ambient_sensor.ohm")
            self.assertIs(found.verdict, Verdict.GOOD, seat)
            self.assertNotIn("ambient sensor", accused(of))

    def test_the_thermostats_own_w_accuses_nothing(self) -> None:
        run = (
            DefrostEvent(-40, "aux-on"),
            DefrostEvent(0, "forced"),
            DefrostEvent(2, "valve-shift"),
            DefrostEvent(3, "fan-off"),
            DefrostEvent(80, "ended"),
        )
        of = visit(DEMAND, run, 200)
        self.assertEqual(accused(of), set())

    def test_a_link_nobody_looked_at_leaves_the_contactor_unjudged(self) -> None:
        linked = replace(DEMAND, links=(ConfigLink("shift delay", None, "shift-delay"),))
        events, watched = simulated(replace(DEMAND, shift_delay=True))
        self.assertEqual(lanes(visit(linked, events, watched))["contactor"], "unjudged")


class Lanes(unittest.TestCase):
    def test_a_healthy_run_lies_in_its_windows(self) -> None:
        for defrost in BOARDS:
            events, _ = simulated(defrost)
            for lane in run_lanes(defrost, True, events):
                windows = {edge.event: (edge.least, edge.most) for edge in lane.expected}
                for edge in lane.observed:
                    if edge.event in windows and not (lane.name == "contactor" and edge.event == "contactor-open"):
                        least, most = windows[edge.event]
                        assert least is not None
                        assert most is not None
                        self.assertTrue(least <= edge.s <= most, f"{defrost.profile}: {edge} in {least}..{most}")

    def test_lanes_of_what_the_unit_has(self) -> None:
        def names(defrost: Defrost, aux: bool) -> list[str]:
            return [lane.name for lane in run_lanes(defrost, aux, ())]

        self.assertEqual(names(SWITCHED, False), ["call", "valve", "outdoor fan", "coil"])
        self.assertEqual(
            names(replace(SWITCHED, shift_delay=True), True), ["call", "contactor", "valve", "outdoor fan", "aux call", "coil"]
        )
