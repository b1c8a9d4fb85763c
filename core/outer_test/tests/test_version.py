"""The version that a finish names is the project's own."""

import tomllib
from pathlib import Path
from unittest import TestCase

from outer_test import VERSION


class Version(TestCase):
    def test_it_is_the_projects(self) -> None:
        project = tomllib.loads((Path(__file__).parents[3] / "pyproject.toml").read_text())
        self.assertEqual(project["project"]["version"], VERSION)
