"""How the house is kept: meaning is never read out of a sentence, and the API asks for rows only through services."""

import ast
import unittest
from collections.abc import Iterator
from pathlib import Path

ROOT = Path(__file__).parents[3]
# Attributes that hold words for people. Nothing is decided by what stands in them.
PROSE = frozenset(
    {"why", "title", "says", "words", "how_text", "caution", "causes", "short", "doc", "headline", "message", "shown", "note"}
)
# Where the text itself is the matter: what somebody typed, file names, a protocol's headers, Python's own names.
TEXT_IS_THE_MATTER = ("entry/", "plain_data/", "rules/explain.py", "config/", "files/", "setup/", "words_of_problems.py", "accounts/")


def sources(*places: str) -> Iterator[tuple[str, ast.Module]]:
    for place in places:
        for file in sorted((ROOT / place).rglob("*.py")):
            name = str(file.relative_to(ROOT))
            if "/tests/" not in name and "/migrations/" not in name:
                yield name, ast.parse(file.read_text())


def decided_by_words(tree: ast.Module) -> Iterator[ast.AST]:
    """Comparisons with an attribute that holds words, and beginnings or ends of anything compared with a written text."""
    for node in ast.walk(tree):
        if isinstance(node, ast.Compare):
            sides = (node.left, *node.comparators)
            words = any(isinstance(side, ast.Attribute) and side.attr in PROSE for side in sides)
            written = any(isinstance(side, ast.Constant) and isinstance(side.value, str) and side.value for side in sides)
            sentence = any(isinstance(side, ast.Constant) and isinstance(side.value, str) and " " in side.value.strip() for side in sides)
            if (words and written) or sentence:
                yield node
        elif isinstance(node, ast.Call) and _asks_how_it_begins(node):
            yield node


def _asks_how_it_begins(call: ast.Call) -> bool:
    name = call.func.attr if isinstance(call.func, ast.Attribute) else ""
    return name in ("startswith", "endswith") and bool(call.args) and isinstance(call.args[0], ast.Constant | ast.Tuple)


class House(unittest.TestCase):
    def test_nothing_is_decided_by_a_sentence(self) -> None:
        found = [
            f"{name}:{getattr(node, 'lineno', 0)}: {ast.unparse(node)[:80]}"
            for name, tree in sources("core/outer_test", "server")
            if "browser_tests" not in name and not any(place in name for place in TEXT_IS_THE_MATTER)
            for node in decided_by_words(tree)
        ]
        self.assertEqual(found, [])

    def test_the_check_sees_what_it_is_for(self) -> None:
        for line in ('x.why.startswith("Open")', '"locked" in found.why', 'one.title == "Pressures"', 'what == "FAN wire off"'):
            with self.subTest(line):
                self.assertEqual(len(list(decided_by_words(ast.parse(line)))), 1)
        for line in ("x.state == 'live'", "name.startswith(prefix)", "one.why == ''", "x in names"):
            with self.subTest(line):
                self.assertEqual(list(decided_by_words(ast.parse(line))), [])

    def test_the_api_asks_for_rows_through_services(self) -> None:
        found = [
            f"{name}:{node.lineno}"
            for name, tree in sources("server/api")
            for node in ast.walk(tree)
            if isinstance(node, ast.Attribute) and node.attr in ("objects", "_base_manager", "_default_manager")
        ]
        self.assertEqual(found, [])
