"""The commands that a server is kept with: the first company, and what is prepared before serving."""

from io import StringIO
from unittest.mock import patch

from django.core.management import CommandError, call_command
from django.test import TestCase

from accounts.models import Company, Member
from fleet.models import UnitStanding
from setup.demo import demo_is_loaded, load_demo
from testing.fixtures import Caller, Fixture, fresh
from visits.models import Visit

GOOD = "a long enough one"


class AddCompany(TestCase):
    def add(self, *words: str, password: str = GOOD) -> str:
        out = StringIO()
        with patch("getpass.getpass", return_value=password):
            call_command("add_company", *words, stdout=out)
        return out.getvalue()

    def test_the_first_lead_signs_in(self) -> None:
        self.assertIn("marsh signs in for Hill Heating", self.add("Hill Heating", "marsh"))
        got = Caller().send("POST", "/session", {"username": "marsh", "password": GOOD})
        self.assertEqual((got.status_code, got.json()["member"]["role"]), (200, "lead"))

    def test_a_second_person_joins_the_same_company(self) -> None:
        self.add("Hill Heating", "marsh")
        self.add("Hill Heating", "fen", "--role", "technician")
        self.assertEqual(Company.objects.filter(name="Hill Heating").count(), 1)
        self.assertEqual(Member.objects.get(username="fen").role, "technician")

    def test_a_weak_password_or_a_taken_name_makes_nothing(self) -> None:
        for password in ("short", "password123456"[:8], "12345678901"):
            with self.assertRaises(CommandError):
                self.add("Hill Heating", "marsh", password=password)
        self.assertEqual((Company.objects.count(), Member.objects.count()), (0, 0))
        self.add("Hill Heating", "marsh")
        with self.assertRaisesMessage(CommandError, "already signs in here"):
            self.add("Another", "marsh")
        self.assertFalse(Company.objects.filter(name="Another").exists())


class Prepare(TestCase):
    def prepare(self, *words: str) -> None:
        with (
            patch("setup.management.commands.prepare.call_command"),  # migrating and gathering files are Django's own
            patch("setup.management.commands.prepare.load_demo", lambda **_: load_demo()),  # its fleet is a test of its own
        ):
            call_command("prepare", *words)

    def test_the_demo_is_loaded_once_and_put_back_on_request(self) -> None:
        self.prepare()
        self.assertFalse(demo_is_loaded())
        self.prepare("--demo")
        first = set(Visit._base_manager.values_list("id", flat=True))
        self.assertTrue(first)
        self.prepare("--demo")
        self.assertEqual(set(Visit._base_manager.values_list("id", flat=True)), first)
        Member.objects.filter(username="wren").update(first_name="Somebody")
        self.prepare("--demo", "--reset")
        self.assertFalse(Member.objects.filter(first_name="Somebody").exists())

    def test_visits_from_before_the_record_was_kept_are_filled_in(self) -> None:
        mine = Fixture("Old", {"run_capacitor": {"herm_uf": 55, "vac": 440}})
        caller = mine.client()
        caller.read(mine.visit, "cap.herm.uf", "49.0")
        caller.do(f"/visits/{mine.visit.id}", "finish", {"id": fresh(), "reason": "old"})
        Visit.objects.of(mine.company).update(told=None)
        UnitStanding.objects.of(mine.company).delete()
        self.prepare()
        self.assertEqual(Visit.objects.of(mine.company).get().told[0]["value"], "49.0")
        self.assertEqual(UnitStanding.objects.of(mine.company).get().rank, 1)

    def test_prepare_leaves_a_real_company_alone(self) -> None:
        mine = Fixture("Real")
        self.prepare("--demo", "--reset")
        self.assertEqual(Visit.objects.of(mine.company).count(), 1)
        self.assertEqual(mine.client().do(f"/visits/{mine.visit.id}", "power", {"id": fresh(), "state": "live"}).status_code, 200)
