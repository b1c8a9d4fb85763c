"""A rule opened by its name: what it says, where it comes from, and the house choices it can be judged by."""

import inspect
import re
from collections.abc import Sequence
from dataclasses import dataclass
from types import ModuleType

from outer_test.judgement import SCHOOLS, Rule
from outer_test.rules.catalogue import FILES, RULES


@dataclass(frozen=True, slots=True)
class RulePage:
    """A rule for reading. `origin` says where it comes from, `says` are paragraphs in the words of the file that owns it, `schools`
    the house choices, where it has any."""

    name: str
    title: str
    source: str
    mark: str
    origin: str
    says: tuple[str, ...]
    schools: tuple[str, ...]


def rule_page(name: str) -> RulePage:
    """The page of a rule. Raises KeyError for a name that is none.

    >>> rule_page("cap-bench").title
    'Capacitor section on the bench'
    """
    rule = RULES[name]
    schools = tuple(SCHOOLS.get(rule.choice, {}).values())
    return RulePage(rule.name, rule.title, rule.source, rule.mark, _origin(rule), tuple(_says(rule)), schools)


def _origin(rule: Rule) -> str:
    """Common practice says so itself; what is published or derived is said before its source."""
    kind = next((words for mark, words in (("P", "Published: "), ("D", "Derived: ")) if mark in rule.mark.split()), "")
    words = f"{kind}{rule.source}."
    return words[:1].upper() + words[1:]


def rule_pages() -> tuple[RulePage, ...]:
    """Every rule, in the order of the round.

    >>> rule_pages()[0].name
    'taken'
    """
    return tuple(rule_page(name) for name in RULES)


def _says(rule: Rule) -> list[str]:
    """The words of the function that is called as the rule is; else those of its whole file."""
    file = next(file for file in FILES if any(var is rule for var in vars(file).values()))
    own = getattr(file, rule.name.replace("-", "_"), None)
    functions = (
        [own] if inspect.isfunction(own) else [one for _, one in inspect.getmembers(file, inspect.isfunction) if _is_public(one, file)]
    )
    texts = [(inspect.getdoc(function) or "", tuple(inspect.signature(function).parameters)) for function in functions] or [
        (file.__doc__ or "", ())
    ]
    return [paragraph for text, names in texts for paragraph in _paragraphs(text, names)]


def _is_public(function: object, file: ModuleType) -> bool:
    name = getattr(function, "__name__", "_")
    return not name.startswith("_") and getattr(function, "__module__", "") == file.__name__


def _paragraphs(text: str, parameters: Sequence[str]) -> list[str]:
    """A docstring's paragraphs without its example, its source, which the rule has, and what it says of its parameters."""
    found = []
    for part in text.split(">>>")[0].split("\n\n"):
        words = " ".join(part.split()).split("Source:")[0]
        kept = [one for one in re.split(r"(?<=\.) (?=\S)", words) if one.split(":")[0].split(",")[0].strip() not in parameters]
        if any(one.strip() for one in kept):
            found.append(" ".join(kept).strip())
    return found
