"""The rules of the trade, each opened by its name."""

from ninja import Router

from api.problems import Problem, Refused
from api.signed_in import Asking
from outer_test.entry import StationWords, words_of_line
from outer_test.rules import RULES, RulePage, rule_page, rule_pages

router = Router(tags=["rules"])


@router.get("", response={200: list[RulePage], 401: Problem})
def every_rule(request: Asking) -> list[RulePage]:
    """Every rule, in the order of the round."""
    return list(rule_pages())


@router.get("/words", response={200: list[StationWords], 401: Problem})
def words(request: Asking) -> list[StationWords]:
    """What can be said on the entry line, station by station."""
    return list(words_of_line())


@router.get("/{name}", response={200: RulePage, 401: Problem, 404: Problem})
def one_rule(request: Asking, name: str) -> RulePage:
    """What a rule says, where it comes from, and the house choices it can be judged by."""
    if name not in RULES:
        raise Refused(404, "There is no rule of that name.")
    return rule_page(name)
