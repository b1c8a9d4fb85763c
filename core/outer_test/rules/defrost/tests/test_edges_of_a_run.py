"""The seconds and the words of a watched defrost, each tried on both sides. Handbook 9; common practice, no source."""

import unittest
from dataclasses import replace
from typing import Any

from outer_test.nameplate import ConfigLink, Defrost
from outer_test.rules.defrost import run_lanes
from outer_test.rules.defrost.run import Run, expected_events
from outer_test.rules.defrost.run_context import System
from outer_test.rules.defrost.tests.test_sequence_rows import DELAYED, DEMAND, SWITCHED, WHOLE, told, without
from outer_test.visit import DefrostEvent
from visit_samples.says import Says

PROVED: dict[str, Any] = {"heating_call": True, "right_pins": True, "switch_closed": True, "control_volts": True}
UNKNOWN = replace(DEMAND, shift_delay=None)
PLAIN = replace(DEMAND, shift_delay=False)


def run(*events: tuple[str, float], watched: float = 0.0) -> Run:
    return Run([DefrostEvent(seconds, name) for name, seconds in events], watched)  # type: ignore[arg-type]


class Windows(unittest.TestCase):
    """±5 s between events, ±30 s of a shift delay, the limit from the board's own."""

    def test_of_a_plain_board(self) -> None:
        found = {one.event: (one.after, one.least, one.most) for one in expected_events(replace(PLAIN, limit_min=14, fan_first_s=20), True)}
        self.assertEqual(found, {
            "valve-shift": ("forced", 0, 20.0), "fan-off": ("valve-shift", -5.0, 5.0), "aux-on": ("valve-shift", -5.0, 5.0), "ended": ("forced", 0, 845.0),
            "fan-on": ("ended", -5.0, 5.0), "valve-back": ("ended", -5.0, 25.0), "aux-off": ("ended", -5.0, 25.0),
        })  # fmt: skip

    def test_of_a_board_with_a_shift_delay(self) -> None:
        found = {one.event: (one.after, one.least, one.most) for one in expected_events(replace(DELAYED, limit_min=None), True)}
        self.assertEqual(found, {
            "contactor-open": ("forced", 0, 15.0), "contactor-close": ("contactor-open", 25.0, 35.0), "valve-shift": ("forced", 0, 50.0),
            "fan-off": ("valve-shift", -35.0, 5.0), "aux-on": ("valve-shift", -35.0, 5.0), "ended": ("forced", 0, 635.0), "fan-on": ("ended", -5.0, 5.0),
            "valve-back": ("ended", -5.0, 35.0), "aux-off": ("ended", -5.0, 35.0),
        })  # fmt: skip
        self.assertNotIn("aux-on", {one.event for one in expected_events(DELAYED, False)})

    def test_drawn_where_they_are_expected(self) -> None:
        lanes = {
            one.name: one
            for one in run_lanes(PLAIN, True, [DefrostEvent(0, "forced"), DefrostEvent(4, "valve-shift"), DefrostEvent(9, "aux-on")])
        }
        fan, aux, coil = lanes["outdoor fan"], lanes["aux call"], lanes["coil"]
        self.assertEqual([(one.event, one.s, one.least, one.most, one.up) for one in fan.expected], [("fan-off", 4.0, -1.0, 9.0, False)])
        self.assertEqual([(one.event, one.s, one.up) for one in aux.observed], [("aux-on", 9, True)])
        self.assertEqual((aux.starts_high, fan.starts_high, coil.starts_high, lanes["call"].starts_high), (False, True, False, True))
        self.assertEqual([(one.event, one.s) for one in coil.expected], [("ended", 605.0)], "where its window closes")
        self.assertNotIn("contactor", lanes)
        whole = [
            DefrostEvent(0, "forced"),
            DefrostEvent(1, "contactor-open"),
            DefrostEvent(16, "valve-shift"),
            DefrostEvent(31, "contactor-close"),
            DefrostEvent(90, "valve-back"),
        ]
        for name, starts_high in (("contactor", True), ("valve", False)):
            lane = next(one for one in run_lanes(DELAYED, False, whole) if one.name == name)
            self.assertEqual((lane.starts_high, [one.up for one in lane.observed]), (starts_high, [not starts_high, starts_high]))
        unseen = {one.name: one for one in run_lanes(PLAIN, False, [DefrostEvent(0, "forced")])}
        self.assertEqual(
            [(one.least, one.most) for one in unseen["outdoor fan"].expected], [(-5.0, 25.0)], "after a shift expected within 20 s"
        )
        self.assertNotIn("aux call", unseen)
        self.assertIn(
            "contactor", {one.name for one in run_lanes(PLAIN, False, [DefrostEvent(0, "forced"), DefrostEvent(1, "contactor-open")])}
        )


class ARun(unittest.TestCase):
    def test_times_count_from_when_it_was_forced_last(self) -> None:
        one = run(("forced", 0), ("valve-shift", 5), ("forced", 60), ("valve-shift", 70), ("ended", 100), watched=200)
        self.assertEqual((one.at["valve-shift"], one.at["ended"], one.watched), (10, 40, 140))
        self.assertEqual(run(("forced", 60), ("ended", 100), watched=80).watched, 40, "as long as its last event at least")

    def test_w_that_was_on_before(self) -> None:
        self.assertEqual(run(("aux-on", 10), ("forced", 60)).at.get("aux-on"), -50)
        self.assertNotIn("aux-on", run(("aux-on", 10), ("aux-off", 30), ("forced", 60)).at)

    def test_what_was_missed_must_have_come(self) -> None:
        one = run(("forced", 0), ("valve-shift", 3), ("fan-on", 200), ("aux-off", 190), ("valve-back", 205))
        self.assertEqual(one.inferred, {"fan-off", "aux-on", "ended"})
        self.assertEqual((one.at["fan-off"], one.at["ended"]), (3, 190), "it ended as the first thing went back")
        self.assertEqual(run(("forced", 0), ("fan-off", 3), ("valve-back", 200)).at["valve-shift"], 0.0)

    def test_the_boards_own_first_act(self) -> None:
        for events, begin in (
            ((("fan-off", 12), ("valve-shift", 14)), 12), ((("valve-shift", 14), ("fan-off", 16)), 14), ((("contactor-open", 1), ("valve-shift", 16)), 1), ((("contactor-open", 1), ("valve-shift", 31)), 1),
            ((("contactor-open", 1), ("valve-shift", 32)), 32), ((("fan-on", 200),), 0.0), ((("ended", 200),), None), ((), None),
        ):  # fmt: skip
            self.assertEqual(run(("forced", 0), *events).begin, begin, events)

    def test_near_its_start_and_its_end(self) -> None:
        one = run(("forced", 0), ("valve-shift", 30), ("ended", 200))
        self.assertEqual([one.near_start(when) for when in (9.9, 10, 50, 50.1)], [False, True, True, False])
        self.assertEqual([one.near_end(when) for when in (179.9, 180, 220, 220.1)], [False, True, True, False])
        self.assertFalse(run(("forced", 0), ("valve-shift", 30)).near_end(30))

    def test_openings_and_their_closings(self) -> None:
        one = run(("forced", 0), ("contactor-open", 1), ("contactor-close", 31), ("contactor-open", 240), ("contactor-close", 0))
        self.assertEqual(one.openings, [(1, 31), (240, None)])


class WhatItSays(Says):
    def test_how_soon_it_starts(self) -> None:
        """15 s, a shift delay and the tolerance; a timed board's test pins take its interval ÷ their speed-up besides."""
        for board, seconds, verdict in ((DEMAND, 50.0, "good"), (DEMAND, 50.1, "watch"), (SWITCHED, 64.0, "good")):
            self.judged_so(told(f"forced 0, valve-shift {seconds}, fan-off {seconds}", board)["start"], verdict)
        by_clock = 60 * 60 / SWITCHED.speed_up
        for seconds, verdict in ((50 + by_clock - 0.1, "good"), (50 + by_clock + 0.1, "watch")):
            self.judged_so(told(f"forced 0, valve-shift {seconds}, fan-off {seconds}")["start"], verdict)
        unset = replace(SWITCHED, minutes=None)
        late = told(f"forced 0, valve-shift {50 + by_clock + 0.1}, fan-off {50 + by_clock + 0.1}", unset)["start"]
        self.judged_so(late, "good", "It started")
        for watched, verdict in ((45.0, "unjudged"), (45.1, "bad")):
            self.judged_so(told("forced 0", DEMAND, watched_s=watched, **PROVED)["start"], verdict)

    def test_why_it_may_not_have_started(self) -> None:
        for known, why in (
            ({"since_power_up_s": 299}, "restart hold may still run"), ({"locked_out": True}, "it locked itself out"), ({"gave_up": True}, "it may have locked itself out"),
            ({"call_at_board": False}, "no call reaches the board"), ({"sensors_read": False}, "a sensor is not read"),
        ):  # fmt: skip
            self.judged_so(told("forced 0", watched_s=200, **PROVED, **known)["start"], "unsure", why)
        for name, known_so in (("since_power_up_s", 300), ("call_at_board", True), ("sensors_read", True), ("since_power_up_s", None)):
            self.judged_so(
                told("forced 0", watched_s=200, **(PROVED | {name: known_so}))["start"], "bad", "Call, pins, switch and 24 V are proved"
            )
        self.judged_so(told("forced 0, contactor-open 3", watched_s=200, **PROVED)["start"], "unsure", "the compressor dropped out")
        self.judged_so(told("forced 0", watched_s=200, **(PROVED | {"right_pins": False}))["start"], "unsure", "without the right pins")
        lacking = told("forced 0", watched_s=200, heating_call=True)["start"]
        self.assertEqual(lacking.needs, ("defrost.pins", "defrost.switch.ohm", "defrost.control.v"))

    def test_the_valve(self) -> None:
        still = without("valve-shift", "valve-back")
        for known, verdict, why in (
            ({"compressor_runs": False}, "unsure", "without pressure no valve shifts"), ({"valve_coil_sound": False}, "bad", "coil is not sound"), ({"valve_fed": True, "valve_coil_sound": True}, "bad", "the valve sticks"),
            ({"valve_fed": False}, "bad", "the board or the wire"), ({}, "unsure", "valve, coil, wire or board"), ({"compressor_runs": True}, "unsure", "valve, coil"),
        ):  # fmt: skip
            self.judged_so(told(still, SWITCHED, **known)["valve"], verdict, why)
        self.assertEqual(told(still)["valve"].needs, ("defrost.valve_coil.v",))
        self.assertEqual(told(still, valve_fed=True)["valve"].needs, ("defrost.valve_coil.ohm",))
        self.judged_so(told("forced 0, fan-off 3", answers={"valve-shift": "yes"})["valve"], "good", "was not stamped")
        self.judged_so(told("forced 0, fan-off 3, valve-back 90")["valve"], "good", "was not stamped")

    def test_fan_and_aux_late(self) -> None:
        self.judged_so(told(WHOLE.replace("fan-off 2", "fan-off 7"))["fan"], "good")
        self.judged_so(told(WHOLE.replace("fan-off 2", "fan-off 7.1"))["fan"], "watch", "5.1 s after the valve")
        for board, shift, verdict in (
            (PLAIN, 8.0, "good"),
            (PLAIN, 8.1, "watch"),
            (UNKNOWN, 38.0, "good"),
            (UNKNOWN, 38.1, "watch"),
            (DELAYED, 38.0, "good"),
        ):
            self.judged_so(told(f"forced 0, aux-on 3, valve-shift {shift}, fan-off {shift}", board)["aux"], verdict)
        self.judged_so(told("forced 0, aux-on 5, fan-off 7", PLAIN)["aux"], "good")

    def test_fan_that_was_answered_for(self) -> None:
        self.judged_so(told("forced 0, valve-shift 2", answers={"fan-off": "yes"})["fan"], "good", "was not stamped")
        self.judged_so(told("forced 0, valve-shift 2, fan-off 20", answers={"fan-off": "yes"})["fan"], "watch", "18 s after the valve")
        self.judged_so(told("forced 0, valve-shift 2", answers={})["fan"], "unjudged")

    def test_aux_that_did_not_come(self) -> None:
        silent = without("aux-on", "aux-off")
        zone = System(w_through="a zone panel")
        self.judged_so(told(silent, aux_volts=True)["aux"], "unsure", "an outdoor thermostat may hold it off")
        self.judged_so(
            told(silent, aux_volts=True, system=zone)["aux"], "unsure", "a zone panel may hold it off", "Follow W indoors: a zone panel"
        )
        self.judged_so(told(silent, system=zone)["aux"], "unsure", "the wire, a zone panel, or the relay")
        self.judged_so(told(silent, system=System(dual_fuel=True))["aux"], "unsure", "No furnace in defrost")
        self.judged_so(told(silent, system=System(inverter=True))["aux"], "unjudged", "inverter units call no aux")
        self.judged_so(
            told(silent, system=System(inverter=True), aux_volts=False, answers={})["aux"], "unjudged", "inverter units call no aux"
        )
        self.judged_so(told(silent, aux_fitted=None)["aux"], "unjudged", "not on record")
        self.judged_so(told("forced 0, valve-shift 2, aux-off 90", aux_fitted=True)["aux"], "good", "was not stamped")

    def test_the_contactor(self) -> None:
        middle = "forced 0, valve-shift 2, fan-off 2, contactor-open 100, contactor-close 110, ended 240"
        self.judged_so(told(middle, DELAYED)["contactor"], "watch", "dropped out at 100 s")
        self.assertIn("freeze-stat", told(middle, replace(DELAYED, freeze_stat=True))["contactor"].causes)
        self.judged_so(told(middle, DELAYED, system=System(inverter=True))["contactor"], "unjudged", "stops its compressor first")
        self.judged_so(told(middle, DELAYED, system=System(dual_fuel=True))["contactor"], "unjudged", "while the furnace heats")
        start = "forced 0, contactor-open 1, valve-shift 16, fan-off 16"
        self.judged_so(told(start, PLAIN)["contactor"], "watch", "dropped out at 1 s")
        self.judged_so(told(start, DELAYED, watched_s=61)["contactor"], "unjudged", "The contactor is open")
        self.judged_so(told(start, DELAYED, watched_s=61.1)["contactor"], "unsure", "not seen to close again")
        self.assertNotIn("contactor", told("forced 0, valve-shift 2", UNKNOWN))
        for closes, verdict in ((21.0, "good"), (20.9, "watch"), (41.0, "good"), (41.1, "watch")):
            self.judged_so(told(f"{start}, contactor-close {closes}, ended 240", DELAYED)["contactor"], verdict, "about 30 s is right")
        linked = replace(DEMAND, shift_delay=None, links=(ConfigLink("J2", cut=True, when_cut="shift-delay"),))
        self.judged_so(told(f"{start}, contactor-close 31", linked)["contactor"], "good")

    def test_how_it_ended(self) -> None:
        begun = "forced 0, valve-shift 2, fan-off 2, aux-on 3"
        for board, ends, verdict, why in (
            (PLAIN, 617, "watch", "It ended by time"), (PLAIN, 617.1, "watch", "beyond its limit of 600 s"), (PLAIN, 587, "watch", "by time"), (PLAIN, 586.9, "good", "by temperature"),
            (UNKNOWN, 647, "watch", "by time"), (UNKNOWN, 647.1, "watch", "beyond its limit"),
        ):  # fmt: skip
            self.judged_so(told(f"{begun}, ended {ends}", board, by_time=("low charge",))["end"], verdict, why)
        self.judged_so(told(f"{begun}, switch-open 200, ended 220")["end"], "good", "by temperature")
        self.judged_so(told(f"{begun}, switch-open 200, ended 220.1", PLAIN)["end"], "bad", "ran on for 20 s after its switch opened")
        self.judged_so(told(f"{begun}, switch-open 200, ended 300", PLAIN, jumpered=True)["end"], "good")
        still = "forced 0, fan-off 2, ended 600"
        self.judged_so(told(still, PLAIN)["end"], "unjudged", "nothing shifted")
        self.judged_so(told(still, PLAIN, answers={"valve-shift": "yes"}, by_time=("low charge",))["end"], "watch", "one of: low charge")
        iced = {"iced": True}
        short = f"{begun}, ended 22"
        self.judged_so(told(short, PLAIN)["end"], "good", "short forced run")
        self.judged_so(told(short, PLAIN, **iced)["end"], "watch", "too soon to clear it")
        self.judged_so(told(short, PLAIN, **iced, test_jumper=True)["end"], "unsure", "the test jumper speeds its limit up")

    def test_how_often_it_ended_by_time(self) -> None:
        ended = "forced 0, valve-shift 2, fan-off 2, ended 600"
        for most, before, words in (
            (None, 0, "by time. Each"), (None, 1, "by time, 2 in a row. Each"), (3, 0, "1 in a row; this board locks out after 3"), (3, 1, "2 in a row; this board"), (3, 2, "3 in a row: this board locks out after 3"),
        ):  # fmt: skip
            self.judged_so(
                told(ended, replace(PLAIN, lockout_after=most), timed_out_before=before, by_time=("low charge",))["end"], "watch", words
            )

    def test_one_that_does_not_end(self) -> None:
        begun = "forced 0, valve-shift 2, fan-off 2, aux-on 3"
        for watched, answer, verdict in ((617, "no", "unjudged"), (617.1, "no", "bad"), (617.1, None, "unjudged")):
            answers = {} if answer is None else {"ended": answer}
            self.judged_so(told(begun, PLAIN, watched_s=watched, answers=answers)["end"], verdict)
        opened = f"{begun}, switch-open 200"
        self.judged_so(told(opened, PLAIN, watched_s=230, answers={"ended": "no"})["end"], "bad", "it did not end", "jumper left on")
        self.judged_so(told(opened, PLAIN, watched_s=230, answers={})["end"], "unjudged", "Not ended yet")

    def test_what_goes_back(self) -> None:
        begun = "forced 0, valve-shift 2, fan-off 2, aux-on 3, ended 240"
        for board, back, verdict, why in (
            (PLAIN, 235, "good", "went back."), (PLAIN, 234.9, "unsure", "in mid-defrost"), (PLAIN, 245, "good", ""), (PLAIN, 245.1, "watch", "a late stamp"), (PLAIN, 300.1, "watch", "let go late"),
            (DELAYED, 275, "good", ""), (DELAYED, 275.1, "watch", "a late stamp"), (DELAYED, 205, "good", ""), (DELAYED, 204.9, "unsure", "mid-defrost"), (UNKNOWN, 275, "good", ""),
        ):  # fmt: skip
            self.judged_so(told(f"{begun}, valve-back {back}", board)["valve-back"], verdict, why)
        self.judged_so(told(begun, PLAIN)["valve-back"], "bad", "The valve did not go back", "the valve sticks; on, the board")
        self.judged_so(told(begun, PLAIN)["fan-back"], "bad", "The fan did not go back", "the board's relay")
        self.assertNotIn("aux-back", told(begun, PLAIN, aux_fitted=False))
        self.assertNotIn("fan-back", told(begun, PLAIN, lifted_lanes=frozenset({"fan"})))


class Limits(unittest.TestCase):
    def test_unknown_boards(self) -> None:
        """What no profile says is asked for, not assumed."""
        self.assertEqual(
            told("forced 0, valve-shift 0, fan-off 0, ended 602", Defrost(control="demand"))["end"].needs, ("defrost.limit_min",)
        )
