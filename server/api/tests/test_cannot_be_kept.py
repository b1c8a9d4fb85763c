"""What no database can hold, wherever it is sent; sites that two people add; what is private is not stored on the way."""

import io
import json
from concurrent.futures import ThreadPoolExecutor
from typing import Any
from unittest.mock import patch
from uuid import uuid4

from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import OperationalError, connections
from django.test import Client, TestCase, TransactionTestCase
from PIL import Image
from psycopg import errors

from fleet.models import Site
from fleet.write_unit import add_unit
from ledger.writer import New
from outer_test.ledger import UnitAdded
from testing.fixtures import Fixture, device, fresh, own_files


class Nul(TestCase):
    def setUp(self) -> None:
        own_files(self)
        self.mine = Fixture("Nul")
        self.caller = self.mine.client()

    def test_it_is_the_askers_mistake_everywhere(self) -> None:
        photo = io.BytesIO()
        Image.new("RGB", (9, 9)).save(photo, "JPEG")
        unit = f"/api/v1/files/units/{self.mine.unit.id}"
        visit = json.dumps({"version": 2, "complaint": "\0"}).encode()
        answers = {
            "tag": self.caller.get("/api/v1/units/by-tag/a%00b"),
            "query": self.caller.get("/api/v1/fleet/find?q=a%00b"),
            "about": self.caller.post(
                f"{unit}/photos", {"id": fresh(), "about": "a\0b", "photo": SimpleUploadedFile("p.jpg", photo.getvalue())}
            ),
            "visit file": self.caller.post(f"{unit}/visit-file", {"id": fresh(), "file": SimpleUploadedFile("v.json", visit)}),
            "json": self.caller.send("PUT", f"/units/{self.mine.unit.id}/notes", {"notes": "a\0b", "version": 0}),
            "half a character": self.caller.generic(
                "PUT", f"/api/v1/units/{self.mine.unit.id}/notes", b'{"notes": "\\ud800", "version": 0}', content_type="application/json"
            ),
        }
        for what, got in answers.items():
            self.assertIn(got.status_code, (400, 404, 422), f"{what}: {got.content!r}")
        kept = self.caller.send("PUT", f"/units/{self.mine.unit.id}/notes", {"notes": "a \\u0000 spelt out, \U0001f525", "version": 0})
        self.assertEqual(kept.json()["notes"], "a \\u0000 spelt out, \U0001f525")


class Sites(TransactionTestCase):
    def test_added_at_once_a_place_is_one_site(self) -> None:
        mine = Fixture("Sites")

        def add(place: int) -> None:
            try:
                add_unit(device(mine, name=f"phone {place}"), New(uuid4(), UnitAdded("Mill", "Mill Lane 1", f"pad {place}", "")))
            finally:
                connections.close_all()

        with ThreadPoolExecutor(6) as pool:
            list(pool.map(add, range(6)))
        self.assertEqual(Site.objects.of(mine.company).filter(name="Mill").count(), 1)


class WhatIsTold(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("Told")
        self.caller = self.mine.client()

    def test_no_answer_of_the_api_is_stored_on_the_way(self) -> None:
        for path in ("/api/v1/today", "/api/v1/session", "/api/v1/people", "/api/v1/files/readings.csv", "/api/v1/nothing"):
            self.assertEqual(self.caller.get(path).headers["Cache-Control"], "no-store", path)

    def test_the_built_page_is_as_the_served_one(self) -> None:
        served, built = Client().get("/"), Client().get("/index.html")
        if built.status_code == 404:
            self.skipTest("the front end is not built")
        for name in ("Content-Security-Policy", "X-Frame-Options", "X-Content-Type-Options", "Referrer-Policy"):
            self.assertEqual(served.headers[name], built.headers[name], name)

    def before_the_view(self) -> Any:
        self.caller.raise_request_exception = False
        try:
            return self.caller.get("/api/v1/today")
        finally:
            self.caller.raise_request_exception = True

    def test_why_the_database_fails_is_told_apart(self) -> None:
        for cause, status, words in (
            (errors.DiskFull("no space left"), 507, "disk is full"),
            (errors.LockNotAvailable("canceling statement due to lock timeout"), 503, "Others are writing"),
            (errors.QueryCanceled("canceling statement due to statement timeout"), 503, "Others are writing"),
            (errors.AdminShutdown("terminating connection"), 503, "does not answer"),
        ):
            problem = OperationalError("failed")
            problem.__cause__ = cause
            with patch("api.visits.today", side_effect=problem):
                got = self.caller.get("/api/v1/today")
            self.assertEqual((got.status_code, words in got.json()["errors"][0]["message"]), (status, True), cause)
            with patch("config.company_time.CompanyTime.__call__", side_effect=problem):  # before any view
                got = self.before_the_view()
            self.assertEqual((got.status_code, words in got.json()["errors"][0]["message"]), (status, True), cause)
        with patch("config.company_time.CompanyTime.__call__", side_effect=ValueError("a secret")):
            got = self.before_the_view()
        self.assertEqual((got.status_code, b"secret" in got.content, len(got.json()["errors"])), (500, False, 1))
        with patch("api.visits.today", side_effect=OSError(28, "No space left on device")):
            self.assertEqual(self.caller.get("/api/v1/today").status_code, 507)
