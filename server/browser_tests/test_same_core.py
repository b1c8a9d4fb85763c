"""The core on the device and on the server: the same answer to the same question, to the ninth digit."""

import json
import math
import subprocess
import tempfile
from datetime import UTC, datetime
from pathlib import Path
from typing import Any
from uuid import UUID, uuid5

import hypothesis
from django.conf import settings
from django.test import TestCase

from accounts.models import Company
from ops.core_zip import write_core
from outer_test.ledger import Event, Kind, RecordData, event_data, kind_of, known_data, unfold
from outer_test.on_device import Visits
from outer_test.plain_data import plain
from outer_test.visit import Visit as CoreVisit
from setup.demo import load_demo
from visit_samples.any_visits import visits_to_few
from visits.load import load_visits
from visits.models import Visit
from visits.sync import record_of

WEB: Path = settings.ROOT / "web"
OWN = UUID("8c9d0d1e-5a6b-4b1e-9f0a-3c2b1a0f9e8d")
START = datetime(2027, 1, 4, 9, tzinfo=UTC)
ACTS = [
    {"kind": "reading", "point": "cap.herm.uf", "typed": "33.1"}, {"kind": "power", "state": "dead-claimed"},
    {"kind": "line", "text": "fan 4,9 uF wobble 3"}, {"kind": "lifted", "what": "fan wire"}, {"kind": "reading", "point": "nowhere", "typed": "1"},
    {"kind": "finish", "reason": "storm"},
]  # fmt: skip


def any_record(number: int, visit: CoreVisit) -> RecordData:
    """A random visit as a device would have it."""
    events = [
        Event(str(uuid5(OWN, f"{number} {one.name}")), kind_of(one.body), one.body, one.at, "phone", place * 1024, place, None, 1)
        for place, one in enumerate(unfold(visit, START), 1)
        if kind_of(one.body) in (Kind.READING, Kind.SEEN, Kind.POWER, Kind.CONDITIONS, Kind.NOTE, Kind.PART, Kind.RULES)
    ]
    known = CoreVisit(plate=visit.plate, fitted=visit.fitted, meters=visit.meters, complaint=visit.complaint, began=visit.began)
    return RecordData(len(events), known_data(known), tuple(event_data(event) for event in events), {"1": "Ann"}, 1, "phone")


def some_visits(count: int) -> list[CoreVisit]:
    """Random visits, the same every time."""
    found: list[CoreVisit] = []

    @hypothesis.seed(20261127)
    @hypothesis.settings(max_examples=count, deadline=None, database=None, phases=[hypothesis.Phase.generate])
    @hypothesis.given(visits_to_few)
    def collect(visit: CoreVisit) -> None:
        found.append(visit)

    collect()
    return found


class SameCore(TestCase):
    def test_demo_and_random_visits_are_judged_alike(self) -> None:
        load_demo()
        company = Company.objects.get(name__startswith="Tern Hollow")
        rows = list(Visit.objects.of(company).select_related("unit__site").filter(finished_at=None))
        records = {str(row.row.pk): record_of(row, 1, OWN) for row in load_visits(company, rows)}
        records |= {f"random {number}": any_record(number, visit) for number, visit in enumerate(some_visits(40))}
        asked = {
            name: {"record": plain(record), "acts": [] if number % 3 == 2 else self.acts(number)}
            for number, (name, record) in enumerate(records.items())
        }
        self.assertGreater(len(asked), 40)
        there = self.on_device(asked)
        here = Visits()
        for name, one in asked.items():
            with self.subTest(name):
                here.keep(name, json.dumps(one["record"]))
                self.same(there[name], json.loads(here.judge(name, json.dumps(one["acts"]))), name)

    def acts(self, number: int) -> list[dict[str, Any]]:
        return [
            {"id": str(uuid5(OWN, f"act {number} {place}")), "at": f"2027-01-05T10:{place:02}:00Z", "seq": place, "after": None, "act": act}
            for place, act in enumerate(ACTS, 1)
        ]

    def on_device(self, asked: dict[str, Any]) -> dict[str, Any]:
        """What the browser's Python says."""
        with tempfile.TemporaryDirectory() as folder:
            core = Path(folder) / "core.zip"
            write_core(core)
            done = subprocess.run(
                ["node", "judge.mjs", str(core)], cwd=WEB, input=json.dumps(asked), capture_output=True, text=True, check=False, timeout=300
            )
        self.assertEqual(done.returncode, 0, done.stderr[-2000:])
        said: dict[str, Any] = json.loads(done.stdout)
        return said

    def same(self, one: Any, other: Any, place: str) -> None:
        """Alike in every part; a number to its ninth digit."""
        if isinstance(one, dict):
            self.assertEqual(one.keys(), other.keys(), place)
            for key in one:
                self.same(one[key], other[key], f"{place}.{key}")
        elif isinstance(one, list):
            self.assertEqual(len(one), len(other), place)
            for number, (left, right) in enumerate(zip(one, other, strict=True)):
                self.same(left, right, f"{place}.{number}")
        elif isinstance(one, float) or isinstance(other, float):
            self.assertTrue(math.isclose(one, other, rel_tol=2e-9, abs_tol=1e-12), f"{place}: {one} and {other}")
        else:
            self.assertEqual(one, other, place)
