"""A unit with a hidden fault, to practise on: nothing of it is on any visit's record."""

from outer_test.practice.board import NOTHING_WRONG, Marked, MarkedStamp, Rehearsal, drawn, faults_to_hide, mark, rehearse, unit_of

__all__ = ["NOTHING_WRONG", "Marked", "MarkedStamp", "Rehearsal", "drawn", "faults_to_hide", "mark", "rehearse", "unit_of"]
