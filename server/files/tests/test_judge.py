"""The visit file and `./judge`: the design's own example, strict reading, one clear line for anything else."""

import json
import subprocess
from pathlib import Path
from typing import Any

import jsonschema
from django.conf import settings
from django.test import SimpleTestCase
from hypothesis import HealthCheck, given
from hypothesis import settings as hypothesis_settings
from hypothesis import strategies as st

from files.visit_schema import visit_schema
from outer_test.plain_data import ReadProblem
from outer_test.visit import read_visit, write_visit

ROOT: Path = settings.ROOT
EXAMPLE = ROOT / "docs" / "example-visit.json"


def judge(*words: str, text: str | None = None) -> "subprocess.CompletedProcess[str]":
    return subprocess.run([str(ROOT / "judge"), *words], input=text, text=True, capture_output=True, check=False, cwd="/")


class Judge(SimpleTestCase):
    def test_the_example(self) -> None:
        done = judge(str(EXAMPLE))
        self.assertEqual((done.returncode, done.stderr), (0, ""))
        answer = json.loads(done.stdout)
        found = next(one for one in answer["findings"] if one["point"] == "cap.herm.uf")
        # The visit file's own documentation: 50.4 by a meter of 1.9 % + 2 counts against 55 µF ±6 %.
        expected = {"verdict": "bad", "rule": "cap-bench", "value": 50.4, "low": 51.7, "high": 58.3, "nominal": 55, "band": [49.24, 51.56], "school": "label"}  # fmt: skip
        self.assertEqual({name: found[name] for name in expected}, expected)
        self.assertIn("missing", answer)

    def test_standard_input(self) -> None:
        self.assertEqual(judge("-", text=EXAMPLE.read_text()).stdout, judge(str(EXAMPLE)).stdout)

    def test_what_is_no_visit_file_gets_one_line_and_exit_2(self) -> None:
        number = EXAMPLE.read_text().replace('"50.4"', "50.4")
        for text, word in (
            ("", "JSON"), ("{", "JSON"), ("[]", "object"), ("{}", "format"), ('{"format": "x", "version": 1}', "format"), (number, "string"),
            ('{"format": "outer-test-visit", "version": 1, "nose": 1}', "nose"), ("\x00", "JSON"),
            ('{"format": "outer-test-visit", "version": 3}', "version"),
            ('{"format": "outer-test-visit", "version": 1, "plate": {"mca": "12"}}', "plate.mca"),
            ('{"format": "outer-test-visit", "version": 1, "readings": [{"point": "cap.herm.uf", "value": "fifty"}]}', "readings.0.value"),
        ):  # fmt: skip
            with self.subTest(text[:60]):
                done = judge("-", text=text)
                self.assertEqual((done.returncode, done.stdout), (2, ""))
                self.assertEqual(len(done.stderr.splitlines()), 1)
                self.assertIn(word, done.stderr)
                self.assertNotIn("Traceback", done.stderr)

    def test_no_file_and_no_words(self) -> None:
        self.assertEqual(judge("/no/such/file").returncode, 2)
        self.assertEqual(judge().returncode, 2)

    def test_bytes_that_are_no_text(self) -> None:
        with self.assertRaises(ReadProblem):
            read_visit(b"\xff\xfe\x00")


class Schema(SimpleTestCase):
    def setUp(self) -> None:
        self.validator = jsonschema.Draft202012Validator(visit_schema())

    def test_is_a_json_schema_and_holds_the_example(self) -> None:
        jsonschema.Draft202012Validator.check_schema(visit_schema())
        self.validator.validate(json.loads(EXAMPLE.read_text()))

    def test_round_trip(self) -> None:
        visit = read_visit(EXAMPLE.read_bytes())
        self.assertEqual(read_visit(write_visit(visit)), visit)
        self.validator.validate(json.loads(write_visit(visit)))

    @hypothesis_settings(max_examples=150, deadline=None, suppress_health_check=list(HealthCheck))
    @given(st.data())
    def test_schema_and_reader_agree_on_a_damaged_file(self, data: Any) -> None:
        """Change one place of the example: what the schema refuses the reader refuses too, and never with a traceback."""
        document = json.loads(EXAMPLE.read_text())
        junk = data.draw(st.sampled_from([None, -1, "x", [], {}, True, 1e12, "OL", 3.5]))
        part: Any = document
        for _ in range(data.draw(st.integers(1, 4))):
            keys = list(part) if isinstance(part, dict) else list(range(len(part))) if isinstance(part, list) else []
            if not keys:
                break
            key = data.draw(st.sampled_from(keys))
            if isinstance(part[key], (dict, list)) and part[key] and data.draw(st.booleans()):
                part = part[key]
                continue
            part[key] = junk
            break
        valid = self.validator.is_valid(document)
        try:
            read_visit(json.dumps(document))
        except ReadProblem as problem:
            self.assertEqual(len(str(problem).splitlines()), 1)
        else:
            self.assertTrue(valid, document)
