"""Verdicts, findings, house rules, and what a rule is."""

from outer_test.judgement.cuts import Cuts, Place, place
from outer_test.judgement.finding import Finding, Limits, Replacement, does_not_apply, first_at_each_point, judged, unjudged
from outer_test.judgement.house import DEFAULT, SCHOOLS, HouseRules, IntervalSchool, ReplacementSchool, Upkeep
from outer_test.judgement.part import Part, plain_name
from outer_test.judgement.rule import Rule
from outer_test.judgement.tape import Tape, place_on, tape_of
from outer_test.judgement.verdict import WORST_FIRST, Verdict, worst

__all__ = [
    "DEFAULT",
    "SCHOOLS",
    "WORST_FIRST",
    "Cuts",
    "Finding",
    "HouseRules",
    "IntervalSchool",
    "Limits",
    "Part",
    "Place",
    "Replacement",
    "ReplacementSchool",
    "Rule",
    "Tape",
    "Upkeep",
    "Verdict",
    "does_not_apply",
    "first_at_each_point",
    "judged",
    "place",
    "place_on",
    "plain_name",
    "tape_of",
    "unjudged",
    "worst",
]
