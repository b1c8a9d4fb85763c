"""The demo company loads once and is put back whole; the production settings are clean."""

import os
import subprocess
import sys

from django.conf import settings
from django.core.management import call_command
from django.test import TestCase
from django.utils import timezone

from accounts.demo_people import DEMO_PASSWORD, DEMO_USERNAME
from accounts.models import Company, Member
from fleet.models import Unit, UnitStanding
from outer_test.ledger import Kind
from setup.demo import demo_is_loaded, load_demo, remove_demo
from testing.fixtures import Caller, Fixture, events, fresh
from visits.models import Visit
from visits.today import today


class Demo(TestCase):
    def test_is_loaded_once_and_signs_in(self) -> None:
        other = Fixture("Other")
        load_demo()
        self.assertTrue(demo_is_loaded())
        self.assertEqual(Caller().send("POST", "/session", {"username": DEMO_USERNAME, "password": DEMO_PASSWORD}).status_code, 200)
        visits = today(Member.objects.get(username=DEMO_USERNAME)).visits
        self.assertTrue({"bad", "good", "unjudged"} <= {visit.overall.value for visit in visits})
        remove_demo()
        self.assertFalse(demo_is_loaded())
        self.assertEqual(Visit.objects.of(other.company).count(), 1)

    def test_reset_puts_back_the_same_visits(self) -> None:
        load_demo()
        company = Company.objects.get(name__startswith="Tern Hollow")
        ids = set(Visit.objects.of(company).values_list("id", flat=True))
        entries = len(events(company, Kind.READING, Kind.SEEN))
        caller = Caller()
        caller.send("POST", "/session", {"username": "marlow", "password": DEMO_PASSWORD})
        visit = Visit.objects.of(company).get(complaint="hums-no-start")
        self.assertEqual(caller.do(f"/visits/{visit.id}", "stamp", {"event": "forced"}).status_code, 200)
        self.assertEqual(caller.send("POST", f"/visits/{visit.id}/rejudge", {"id": fresh()}).status_code, 200)
        self.assertEqual(caller.do(f"/visits/{visit.id}", "power", {"state": "live"}).status_code, 200)
        self.assertEqual(caller.send("PUT", "/company/rules", {"id": fresh(), "rules": {}, "version": 0}).status_code, 200)
        remove_demo()
        load_demo()
        again = Company.objects.get(name__startswith="Tern Hollow")
        self.assertEqual(set(Visit.objects.of(again).values_list("id", flat=True)), ids)
        self.assertEqual(len(events(again, Kind.READING, Kind.SEEN)), entries)

    def test_its_fleet_is_lived_in(self) -> None:
        load_demo(fleet=True)
        company = Company.objects.get(name__startswith="Tern Hollow")
        self.assertEqual(Unit.objects.of(company).count(), 40)
        visits = Visit.objects.of(company).filter(finished_at__isnull=False)
        self.assertGreater(visits.count(), 100)
        self.assertGreater((timezone.now() - visits.earliest("scheduled_for").scheduled_for).days, 3 * 365)
        self.assertLess(visits.filter(overall="unjudged").count(), 15)
        self.assertGreater(len(events(company, Kind.PART)), 3, "some were mended")
        standing = UnitStanding.objects.of(company)
        self.assertGreater(standing.exclude(crosses=None).count(), 1, "some wear towards their limit")
        self.assertGreater(standing.values("rank").distinct().count(), 2, "and they do not all stand alike")

    def test_documents_are_current(self) -> None:
        call_command("schemas", "--check")


class Production(TestCase):
    def test_check_deploy_is_clean(self) -> None:
        env = os.environ | {
            "OUTER_TEST_LOCAL": "0", "OUTER_TEST_DEMO": "0", "OUTER_TEST_SECRET_KEY": "k" * 10 + "0123456789abcdefghijklmnopqrstuvwxyzABCDEFGHIJ",
            "OUTER_TEST_HOSTS": "example.org",
        }  # fmt: skip
        done = subprocess.run(
            [sys.executable, str(settings.ROOT / "server" / "manage.py"), "check", "--deploy", "--fail-level", "WARNING"],
            env=env, text=True, capture_output=True, check=False,
        )  # fmt: skip
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
        self.assertIn("no issues", done.stdout)

    def test_headers_of_the_page(self) -> None:
        got = self.client.get("/")
        policy = got["Content-Security-Policy"]
        self.assertIn("default-src 'none'", policy)
        self.assertIn("script-src 'self'", policy)
        self.assertEqual(got["X-Frame-Options"], "DENY")
        self.assertEqual(got["X-Content-Type-Options"], "nosniff")
