"""Any visit there can be (Hypothesis): out to a file and in again the same, and judged the same from file, rows and screen."""

import json
from dataclasses import replace
from typing import Any
from uuid import uuid4

from django.core.files.uploadedfile import SimpleUploadedFile
from hypothesis import HealthCheck, given, settings
from hypothesis.extra.django import TestCase

from outer_test.assessment import assess
from outer_test.visit import Visit, read_visit, write_visit
from testing.fixtures import Fixture, fresh
from visit_samples.any_visits import visits


def told(findings: Any) -> list[tuple[str, str, str, str]]:
    """Findings as a screen or a file has them."""
    return sorted((finding["point"], finding["rule"], finding["verdict"] or "", finding["why"]) for finding in findings)


def core_told(visit: Visit) -> list[tuple[str, str, str, str]]:
    """The same, asked of the core."""
    found = assess(visit).findings
    return sorted((one.point, one.rule, "" if one.verdict is None else one.verdict, one.why) for one in found)


class Rows(TestCase):
    """Through the database and back; what a row cannot hold is not made up (a time for each line that had none)."""

    @settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.too_slow])
    @given(visits)
    def test_taken_in_it_goes_out_with_every_value_and_is_judged_the_same(self, visit: Visit) -> None:
        visit = read_visit(write_visit(visit))  # floats as a file has them
        mine = Fixture(f"Trip {uuid4().hex[:8]}")
        caller, visit_id = mine.client(), fresh()
        file = SimpleUploadedFile("visit.json", write_visit(visit))
        got = caller.post(f"/api/v1/files/units/{mine.unit.id}/visit-file", {"id": visit_id, "file": file})
        self.assertEqual(got.status_code, 200, got.content)
        out = json.loads(caller.send("GET", f"/visits/{visit_id}/file").content)
        again = read_visit(json.dumps(out))
        self.assertEqual(again.plate, visit.plate)
        self.assertEqual((again.rules, again.conditions, again.meters), (visit.rules, visit.conditions, visit.meters))
        self.assertEqual(
            [
                (reading.point, reading.value, reading.meter, reading.by, reading.fitted, reading.turns, reading.top)
                for reading in again.readings
            ],
            [
                (reading.point, reading.value, reading.meter, reading.by, reading.fitted, reading.turns, reading.top)
                for reading in visit.readings
            ],
        )
        self.assertEqual({name: again.saw(name) for name in again.seen}, {name: visit.saw(name) for name in visit.seen})
        self.assertEqual([one.what for one in again.lifted], [one.what for one in visit.lifted])
        self.assertEqual([one.state for one in again.power], [one.state for one in visit.power])
        self.assertEqual(again.defrost_seen, visit.defrost_seen)
        self.assertEqual([replace(repair, at=None) for repair in again.repairs], [replace(repair, at=None) for repair in visit.repairs])
        shown = caller.send("GET", f"/visits/{visit_id}").json()["round"]
        self.assertEqual(told(shown["assessment"]["findings"]), core_told(again))
        self.assertEqual(len(shown["entries"]), len(visit.readings) + len(visit.seen))
