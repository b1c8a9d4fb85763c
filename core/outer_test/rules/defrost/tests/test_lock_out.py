"""Boards give up after so many defrosts ended by time, counted over runs and visits. Common practice, no source."""

import unittest
from dataclasses import replace

from outer_test.assessment import assess
from outer_test.judgement import Finding
from outer_test.nameplate import Defrost, Plate
from outer_test.rules.defrost import ended_by_time, timed_out_after, timed_out_in_a_row
from outer_test.visit import DefrostEvent, Visit

BOARD = Defrost(control="time-temperature", minutes=60, closes_f=30, opens_f=55, limit_min=10, lockout_after=3, shift_delay=False)
BY_TIME = (DefrostEvent(0, "forced"), DefrostEvent(2, "valve-shift"), DefrostEvent(2, "fan-off"), DefrostEvent(602, "ended"))
BY_SWITCH = (*BY_TIME[:3], DefrostEvent(240, "switch-open"), DefrostEvent(240, "ended"))
UNENDED = BY_TIME[:3]


def at_the_end(visit: Visit, lane: str = "end") -> Finding:
    return next(one for one in assess(visit).findings if one.point == f"defrost.run.{lane}")


class LockOut(unittest.TestCase):
    def test_what_ended_by_time(self) -> None:
        for events, expected in ((BY_TIME, True), (BY_SWITCH, False), (UNENDED, None)):
            self.assertIs(ended_by_time(events, BOARD), expected)
        for seconds, expected in ((586, False), (587, True)):  # 10 min from the first act at 2 s, less 15 s
            self.assertIs(ended_by_time((*BY_TIME[:3], DefrostEvent(seconds, "ended")), BOARD), expected)
        self.assertIsNone(ended_by_time(BY_TIME, replace(BOARD, limit_min=None)), "a limit not on record judges nothing")

    def test_a_row_is_broken_by_one_that_ended_by_temperature(self) -> None:
        for runs, before, expected in (
            ([BY_TIME, BY_TIME], 0, 2), ([BY_TIME, BY_SWITCH, BY_TIME], 5, 1), ([UNENDED], 4, 4), ([BY_TIME, UNENDED], 1, 2), ([BY_SWITCH], 9, 0),
        ):  # fmt: skip
            self.assertEqual(timed_out_in_a_row(runs, BOARD, before), expected)

    def test_it_is_told_with_the_run(self) -> None:
        visit = Visit(plate=Plate(defrost=BOARD), defrost_run=BY_TIME, defrost_watched_s=700)
        for before, words in ((0, "1 in a row; this board locks out after 3"), (1, "2 in a row;"), (2, "3 in a row: this board locks out")):
            self.assertIn(words, at_the_end(replace(visit, timed_out_before=before)).why)
            self.assertEqual(timed_out_after(replace(visit, timed_out_before=before)), before + 1)
        unknown = replace(visit, plate=Plate(defrost=replace(BOARD, lockout_after=None)))
        self.assertIn("It ended by time. ", at_the_end(unknown).why)
        self.assertIn("by time, 2 in a row", at_the_end(replace(unknown, timed_out_before=1)).why)

    def test_a_board_that_gave_up_is_not_blamed_for_not_starting(self) -> None:
        proved = {"defrost.call": "yes", "defrost.pins": "right"}
        visit = Visit(plate=Plate(defrost=BOARD), defrost_run=BY_TIME[:1], defrost_watched_s=300, seen=proved)
        self.assertIn("locked itself out", at_the_end(replace(visit, timed_out_before=3), "start").why)
        self.assertNotIn("locked itself out", at_the_end(replace(visit, timed_out_before=2), "start").why)
