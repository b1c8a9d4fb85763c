"""What a screen shows of a visit while it is worked: the path of this call, and everything else that changes with a reading."""

from outer_test.round.concluded import concluded, place_of
from outer_test.round.path import PathStep, path_of
from outer_test.round.round_of import entries_of, round_of, verdicts_of
from outer_test.round.shown import EntryShown, Round, Verdicts

__all__ = ["EntryShown", "PathStep", "Round", "Verdicts", "concluded", "entries_of", "path_of", "place_of", "round_of", "verdicts_of"]
