"""Every example in the core's docstrings runs, and every public function of a rule has one."""

import doctest
import importlib
import inspect
import pkgutil
import sys
import unittest
from collections.abc import Callable

import outer_test
from outer_test.rules import RULES

MODULES = [
    importlib.import_module(found.name) for found in pkgutil.walk_packages(outer_test.__path__, "outer_test.") if ".tests" not in found.name
]


class Examples(unittest.TestCase):
    """A test for each docstring that has an example; named when the module is read, so that any process can run any of them."""


def _run(example: doctest.DocTest) -> Callable[[unittest.TestCase], None]:
    def test(case: unittest.TestCase) -> None:
        told: list[str] = []
        case.assertEqual(doctest.DocTestRunner().run(example, out=told.append, clear_globs=False).failed, 0, "".join(told))

    return test


for _module in MODULES:
    for _example in doctest.DocTestFinder().find(_module):
        if _example.examples:
            setattr(Examples, f"test_{_example.name.replace('.', '_')}", _run(_example))


class Documented(unittest.TestCase):
    def test_every_rule_is_named_by_a_source_and_a_mark(self) -> None:
        for rule in RULES.values():
            with self.subTest(rule.name):
                self.assertTrue(rule.source)
                self.assertLessEqual(set(rule.mark.split()), {"P", "T", "D"})

    def test_a_function_named_as_a_rule_carries_a_source_in_its_docstring(self) -> None:
        names = {name.replace("-", "_") for name in RULES} | {"cap_parallel", "cap_fit", "decide"}
        found = {name: member for module in MODULES for name, member in inspect.getmembers(module, inspect.isfunction) if name in names}
        self.assertGreaterEqual(set(found), {"cap_bench", "cap_start", "plate_mca", "absence", "stored_energy", "decide"})
        for name, function in found.items():
            with self.subTest(name):
                self.assertIn("Source", function.__doc__ or "")

    def test_the_core_imports_only_the_standard_library(self) -> None:
        for module in MODULES:
            for name, member in vars(module).items():
                origin = getattr(member, "__module__", None) if not inspect.ismodule(member) else member.__name__
                if isinstance(origin, str):
                    top = origin.split(".")[0]
                    with self.subTest(module=module.__name__, name=name):
                        self.assertTrue(top == "outer_test" or top in sys.stdlib_module_names, top)
