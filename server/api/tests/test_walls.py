"""Every endpoint, walked as a stranger, as another company's member, and with random bodies."""

import json
import re
from functools import cache
from typing import Any
from uuid import uuid4

from django.test import Client, TestCase
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from hypothesis.extra.django import TestCase as HypothesisTestCase

from api.main import api
from ledger.models import EventRow
from outer_test.ledger import Kind
from testing.fixtures import Caller, Fixture, events, fresh

OPEN_TO_ALL = {("get", "/session"), ("post", "/session"), ("get", "/invitation"), ("post", "/invitation")}
OWN_SESSION = {("delete", "/session"), ("get", "/today")}


@cache  # making the document takes seconds
def endpoints() -> list[tuple[str, str]]:
    paths: dict[str, dict[str, Any]] = api.get_openapi_schema(path_prefix="")["paths"]
    return [(method, path) for path, methods in paths.items() for method in methods]


def bodies(path: str, theirs: Fixture, line: str) -> list[dict[str, Any]]:
    """Bodies that would be accepted, were the asker one of theirs."""
    return [
        {"id": fresh(), "point": "cap.herm.uf", "typed": "39.9"},
        {"id": fresh(), "text": "herm 39.9"},
        {"id": fresh(), "state": "dead-claimed"},
        {"id": fresh(), "what": "panel"},
        {"id": fresh(), "how": "back"},
        {"id": fresh(), "visit": str(theirs.visit.id), "plate": {}, "fitted": []},
        {"id": fresh(), "complaint": "maintenance"},
        {"id": fresh(), "reason": ""},
        {"id": fresh(), "event": "forced"},
        {"id": fresh(), "stamp": fresh()},
        {"id": fresh(), "fault": "none"},
        {"id": fresh(), "terminal": "Y"},
    ]


class Walls(TestCase):
    mine: Fixture
    theirs: Fixture
    line: EventRow

    @classmethod
    def setUpTestData(cls) -> None:
        cls.mine, cls.theirs = Fixture("First"), Fixture("Neighbour")
        cls.theirs.client().read(cls.theirs.visit, "cap.herm.uf", "39.9")
        cls.line = events(cls.theirs.company, Kind.LIFTED)[0]

    def fill(self, path: str) -> str:
        values = {
            "visit_id": self.theirs.visit.id, "unit_id": self.theirs.unit.id, "line_id": self.line.uuid, "part_id": fresh(), "member_id": self.theirs.member.pk,
            "name": "none of this name", "tag": self.theirs.unit.tag, "photo_id": uuid4(), "link_id": 1,
            "job_id": uuid4(), "sign_in_id": 1, "held_id": 1,
        }  # fmt: skip
        return re.sub(r"\{(\w+)\}", lambda match: str(values[match.group(1)]), path)

    def test_there_are_endpoints(self) -> None:
        self.assertGreater(len(endpoints()), 10)

    def test_a_stranger_gets_nothing(self) -> None:
        stranger = Caller()
        for method, path in endpoints():
            if (method, path) in OPEN_TO_ALL:
                continue
            for body in (None, bodies(path, self.theirs, str(self.line.uuid))[0]):  # turned away before a body is looked at
                with self.subTest(method=method, path=path):
                    got = stranger.send(method.upper(), self.fill(path), body)
                    self.assertEqual(got.status_code, 401)
                    self.assertEqual(set(got.json()), {"errors"})

    def test_another_companys_member_gets_nothing_and_changes_nothing(self) -> None:
        before = len(events(self.theirs.company, Kind.READING, Kind.SEEN))
        for asker in (self.mine.client(), self.mine.client(self.mine.lead)):
            for method, path in endpoints():
                if "{" not in path:
                    continue
                for body in (None,) if method == "get" else (None, *bodies(path, self.theirs, str(self.line.uuid))):
                    with self.subTest(method=method, path=path):
                        got = asker.send(method.upper(), self.fill(path), body)
                        self.assertIn(got.status_code, (403, 404, 405, 422))
                        self.assertNotIn(b"Neighbour", got.content)
        self.assertEqual(len(events(self.theirs.company, Kind.READING, Kind.SEEN)), before)
        self.theirs.visit.refresh_from_db()
        self.assertIsNone(self.theirs.visit.finished_at)

    def test_what_has_no_path_parameter_shows_ones_own_company_only(self) -> None:
        lead = self.mine.client(self.mine.lead)
        for method, path in endpoints():
            if "{" in path or method != "get":
                continue
            got = lead.send("GET", path)
            with self.subTest(path):
                self.assertIn(got.status_code, (200, 422), "422 where it is asked without its question")
                self.assertNotIn(b"Neighbour", b"".join(got.streaming_content) if got.streaming else got.content)

    def test_unknown_ids_are_not_found(self) -> None:
        caller = self.mine.client()
        for path in (f"/visits/{uuid4()}", f"/visits/{uuid4()}/file"):
            self.assertEqual(caller.send("GET", path).status_code, 404)
        self.assertEqual(caller.send("GET", "/visits/not-a-uuid").status_code, 404)

    def test_the_front_page_is_not_the_only_way_in(self) -> None:
        self.assertEqual(Client().get("/api/nothing").status_code, 404)


JSON = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats(allow_nan=False) | st.text(max_size=20),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner, max_size=3),
    max_leaves=8,
)
FIELDS = [
    "id",
    "point",
    "typed",
    "text",
    "state",
    "what",
    "how",
    "why",
    "reason",
    "visit",
    "plate",
    "fitted",
    "complaint",
    "began",
    "at",
    "meter",
    "top",
    "turns",
    "by",
    "supersedes",
    "username",
    "password",
    "name",
    "kind",
    "seconds",
    "rules",
    "units",
    "due",
    "meters",
    "note",
    "choice",
    "hours",
    "schools",
    "event",
    "stamp",
    "fault",
    "conditions",
    "terminal",
    "gone",
    "defrost",
    "climate",
    "use",
    "set_minutes",
]
WORDS = ("cap.herm.uf", "39.9", "OL", "live", "dead-claimed", "back", "left", "\x00", "\ud800", "1e999", "amps.compressor.peak_a")
LIKELY = st.dictionaries(st.sampled_from(FIELDS), JSON | st.uuids().map(str) | st.sampled_from(WORDS) | st.datetimes().map(str), max_size=6)


class RandomBodies(HypothesisTestCase):
    def setup_example(self) -> None:
        super().setup_example()  # type: ignore[no-untyped-call]
        self.mine = Fixture("First")
        self.caller = self.mine.client(self.mine.lead)
        self.caller.read(self.mine.visit, "cap.herm.uf", "39.9")
        self.line = events(self.mine.company, Kind.LIFTED)[0]

    @settings(max_examples=12, deadline=None, suppress_health_check=list(HealthCheck))
    @given(st.data())
    def test_no_body_makes_any_endpoint_fall_over(self, data: Any) -> None:
        values = {
            "visit_id": self.mine.visit.id,
            "unit_id": self.mine.unit.id,
            "line_id": self.line.uuid,
            "part_id": fresh(),
            "member_id": self.mine.member.pk,
            "name": "none of this name",
            "tag": self.mine.unit.tag,
            "photo_id": uuid4(),
            "link_id": 1,
            "job_id": uuid4(),
            "sign_in_id": 1,
            "held_id": 1,
        }
        for method, path in endpoints():
            if (method, path) == ("delete", "/session"):
                continue
            body = data.draw(LIKELY | JSON)
            where = re.sub(r"\{(\w+)\}", lambda match: str(values[match.group(1)]), path)
            raw = data.draw(st.sampled_from([json.dumps(body).encode(), b"{", b"\xff\xfe", b""]))
            got = self.caller.generic(method.upper(), f"/api/v1{where}", raw, content_type="application/json")
            self.assertLess(got.status_code, 500, (method, path, raw, b"" if got.streaming else got.content[:300]))
            if got.status_code >= 400:
                self.assertTrue(got.json()["errors"][0]["message"])
