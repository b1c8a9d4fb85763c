"""How many faults put into the rules the tests find. Run: ./test bench.mutants rules [measurement ...]

mutmut's operators make the faults: another number, another comparison, another choice. Words are left alone, and so are
faults that only crash. A thousand are drawn by a seed (MUTANTS and SEED draw others); each is put into a copy of the core, and its
own tests, its package's and those of the whole visit run on it until one fails, in a process that starts with what tests use
already loaded. Survivors are printed: each is a test that is missing, or no fault at all.
"""

import compileall
import doctest
import importlib
import multiprocessing
import os
import random
import shutil
import sys
import tempfile
import unittest
from collections import Counter
from collections.abc import Callable, Iterable, Iterator
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Any, cast

import libcst
from libcst.metadata import MetadataWrapper, PositionProvider
from mutmut.mutation import mutators

CORE = Path(__file__).parents[1] / "core"
DRAWN, SEED, AIM_PCT, SLOWEST_S, EXAMPLES = 1000, 20260115, 85, 240, 25
OPERATORS: tuple[Callable[[Any], Iterable[libcst.CSTNode]], ...] = (
    mutators.operator_number, mutators.operator_name, mutators.operator_augmented_assignment, mutators.operator_remove_unary_ops,
    mutators.operator_keywords, mutators.operator_swap_op, mutators.operator_if_exp,
)  # fmt: skip
KINDS = {operator: kind for kind, operator in mutators.mutation_operators if operator in OPERATORS}
NOT_ENTERED = (libcst.Annotation, libcst.Decorator, libcst.Import, libcst.ImportFrom, libcst.BaseString)
TESTED_BY = ("rules", "assessment", "diagnosis", "report")
USED_BY_TESTS = [
    "libcst.metadata",
    "mutmut.mutation.mutators",
    "hypothesis.strategies",
    "numpy",
    "scipy.interpolate",
    "scipy.stats",
    "psychrolib",
    "CoolProp.CoolProp",
    "pint",
]
FRESH = multiprocessing.get_context("forkserver")
FRESH.set_forkserver_preload(USED_BY_TESTS)
LEFT_OUT = frozenset({"slow", "long"})  # minutes of simulated visits: a survivor would have to sit through them


@dataclass(frozen=True, slots=True)
class Mutant:
    """A fault: the file it is in, its line, the node it stands for and what takes its place."""

    file: Path
    line: int
    module: libcst.Module
    node: libcst.CSTNode
    fault: libcst.CSTNode

    def code(self) -> str:
        """The whole file with the fault in."""
        return cast(libcst.Module, self.module.deep_replace(self.node, self.fault)).code

    def __str__(self) -> str:
        before, after = (code.splitlines()[self.line - 1].strip() for code in (self.module.code, self.code()))
        return f"{self.file}:{self.line}\n    - {before}\n    + {after}"


class _Faults(libcst.CSTVisitor):
    METADATA_DEPENDENCIES = (PositionProvider,)

    def __init__(self) -> None:
        super().__init__()
        self.found: list[tuple[int, libcst.CSTNode, libcst.CSTNode]] = []

    def on_visit(self, node: libcst.CSTNode) -> bool:
        if isinstance(node, NOT_ENTERED):
            return False
        for operator in OPERATORS:
            if isinstance(node, KINDS[operator]):
                line = self.get_metadata(PositionProvider, node).start.line
                self.found.extend((line, node, fault) for fault in operator(node))
        return True


def mutants(package: str) -> Iterator[Mutant]:
    """Every fault that can be put into a package of the core."""
    for file in sorted((CORE / "outer_test" / package).rglob("*.py")):
        if "tests" in file.parts:
            continue
        wrapper = MetadataWrapper(libcst.parse_module(file.read_text()))
        faults = _Faults()
        wrapper.visit(faults)
        for line, node, fault in faults.found:
            yield Mutant(file.relative_to(CORE), line, wrapper.module, node, fault)


def survives(mutant: Mutant, copies: list[Path]) -> bool:
    """Whether every test passes with the fault in; a run that hangs has found it."""
    copy = copies.pop()
    try:
        (copy / mutant.file).write_text(mutant.code())
        run = FRESH.Process(target=run_tests, args=(copy, mutant.file))
        run.start()
        run.join(SLOWEST_S)
        run.kill()
        run.join()
        return run.exitcode == 0
    finally:
        shutil.copy(CORE / mutant.file, copy / mutant.file)
        copies.append(copy)


def run_tests(top: Path, file: Path) -> None:
    """The tests that hold this file, nearest first, in the copy of the core at top; exits with 0 where all pass."""
    import hypothesis  # noqa: PLC0415 - only where tests run

    sys.path.insert(0, str(top))
    hypothesis.settings.register_profile("mutants", deadline=None, derandomize=True, database=None, max_examples=EXAMPLES)
    hypothesis.settings.load_profile("mutants")
    suite = unittest.TestSuite([doctest.DocTestSuite(importlib.import_module(".".join(file.with_suffix("").parts)))])
    packages = dict.fromkeys((file.parts[1], *TESTED_BY))
    folders = [
        file.parent,
        *(tests.parent.relative_to(top) for name in packages for tests in sorted((top / "outer_test" / name).rglob("tests"))),
    ]
    for folder in dict.fromkeys(folders):
        if (top / folder / "tests").is_dir():
            found = unittest.defaultTestLoader.discover(str(top / folder / "tests"), top_level_dir=str(top))
            suite.addTests(test for test in _each(found) if not LEFT_OUT & getattr(test, "tags", frozenset()))
    with open(os.devnull, "w") as nowhere:
        passed = unittest.TextTestRunner(nowhere, failfast=True, verbosity=0).run(suite).wasSuccessful()
    sys.exit(0 if passed else 1)


def _each(suite: unittest.TestSuite) -> Iterator[unittest.TestCase]:
    for test in suite:
        if isinstance(test, unittest.TestSuite):
            yield from _each(test)
        else:
            yield test


def main(packages: list[str]) -> int:
    """Print the share found and every survivor; 1 where it is under the aim."""
    drawn = [mutant for package in packages for mutant in mutants(package)]
    random.Random(int(os.environ.get("SEED", SEED))).shuffle(drawn)
    every, drawn = len(drawn), drawn[: int(os.environ.get("MUTANTS", DRAWN))]
    with tempfile.TemporaryDirectory() as place:
        copies = [Path(place) / str(number) for number in range(os.cpu_count() or 2)]
        for copy in copies:
            shutil.copytree(CORE, copy, ignore=shutil.ignore_patterns("__pycache__"))
            compileall.compile_dir(copy, quiet=2)
        if drawn and not survives(replace(drawn[0], fault=drawn[0].node), copies):
            print("The tests fail with no fault in: mend them first.", file=sys.stderr)
            return 1
        with ThreadPoolExecutor(len(copies)) as pool:
            left = []
            for mutant, survived in zip(drawn, pool.map(lambda mutant: survives(mutant, copies), drawn), strict=True):
                if survived:
                    left.append(mutant)
                    print(mutant, flush=True)
    print("\n".join(f"{count:4} {file}" for file, count in Counter(str(mutant.file) for mutant in left).most_common()))
    found = 100 * (1 - len(left) / max(len(drawn), 1))
    print(f"{len(drawn)} of {every} faults drawn, {found:.1f} % found (aim {AIM_PCT} %)")
    return 0 if found >= AIM_PCT else 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:] or ["rules", "measurement"]))
