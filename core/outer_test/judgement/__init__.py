"""Verdicts, findings, house rules, and what a rule is."""

from outer_test.judgement.cuts import Cuts, Place, place
from outer_test.judgement.finding import Finding, Replacement, judged, number, unjudged
from outer_test.judgement.house import DEFAULT, SCHOOLS, HouseRules, IntervalSchool, ReplacementSchool
from outer_test.judgement.rule import RULES
from outer_test.judgement.verdict import WORST_FIRST, Verdict, worst

__all__ = [
    "Cuts",
    "DEFAULT",
    "Finding",
    "HouseRules",
    "IntervalSchool",
    "Place",
    "RULES",
    "Replacement",
    "ReplacementSchool",
    "SCHOOLS",
    "Verdict",
    "WORST_FIRST",
    "judged",
    "number",
    "place",
    "unjudged",
    "worst",
]
