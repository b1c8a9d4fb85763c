"""Dataclasses as plain data and back: what files, the API and the screens' worker hand to each other as JSON."""

from outer_test.plain_data.differences import differences
from outer_test.plain_data.reader import YEARS, ReadProblem, parse, read_as, read_text
from outer_test.plain_data.writer import plain, present, sparse

__all__ = ["YEARS", "ReadProblem", "differences", "parse", "plain", "present", "read_as", "read_text", "sparse"]
