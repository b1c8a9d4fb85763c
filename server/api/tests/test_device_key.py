"""Staying signed in on one's own device: its key begins a new session, is changed at each use, and ends with its sign-in."""

from datetime import timedelta
from typing import Any
from unittest.mock import patch

from django.test import TestCase
from django.utils import timezone

from accounts.device_keys import LASTS, OVERLAP
from accounts.models import Member, SignIn
from config.device_key import COOKIE, ENDED
from testing.fixtures import PASSWORD, Caller, Fixture


class DeviceKeys(TestCase):
    def setUp(self) -> None:
        self.mine = Fixture("First")
        self.caller = Caller()
        self.sign_in(self.caller)

    def sign_in(self, caller: Caller, name: str = "first-tech") -> Any:
        return caller.send("POST", "/session", {"username": name, "password": PASSWORD})

    def key(self, caller: Caller | None = None) -> str:
        return (caller or self.caller).cookies[COOKIE].value

    def without_session(self, key: str) -> Caller:
        """The device after its session ran out."""
        caller = Caller()
        caller.cookies[COOKIE] = key
        return caller

    def device(self, caller: Caller) -> str:
        return str(caller.send("GET", f"/visits/{self.mine.visit.id}").json()["record"]["device"])

    def test_the_key_is_out_of_reach_of_scripts_and_goes_to_the_api_alone(self) -> None:
        cookie = self.caller.cookies[COOKIE]
        self.assertTrue(cookie["httponly"])
        self.assertEqual((cookie["samesite"], cookie["path"], cookie["max-age"]), ("Strict", "/api/", LASTS.total_seconds()))
        self.assertNotIn(self.key(), [SignIn.objects.of(self.mine.company).get().key_hash])

    def test_it_begins_a_session_as_the_same_device_and_is_another_from_then_on(self) -> None:
        before, device = self.key(), self.device(self.caller)
        again = self.without_session(before)
        self.assertEqual(self.device(again), device)
        self.assertNotEqual(self.key(again), before)
        self.assertEqual(again.send("GET", "/session").json()["member"]["username"], "first-tech")

    def test_the_key_before_is_good_for_a_moment_only(self) -> None:
        before = self.key()
        self.without_session(before).send("GET", "/today")
        self.assertEqual(self.without_session(before).send("GET", "/today").status_code, 200)
        later = timezone.now() + OVERLAP + timedelta(seconds=1)
        with patch("config.device_key.timezone.now", lambda: later):
            self.assertEqual(self.without_session(before).send("GET", "/today").status_code, 401)

    def test_it_ends_with_the_sign_in_and_the_device_is_told(self) -> None:
        key = self.key()
        sign_in = SignIn.objects.of(self.mine.company).get(member=self.mine.member)
        self.assertEqual(self.caller.send("DELETE", f"/people/sign-ins/{sign_in.pk}").status_code, 200)
        shut = self.without_session(key)
        got = shut.send("GET", "/today")
        self.assertEqual((got.status_code, got[ENDED], shut.cookies[COOKIE].value), (401, "ended", ""))

    def test_signing_out_takes_it_along(self) -> None:
        key = self.key()
        self.caller.send("DELETE", "/session")
        self.assertEqual(self.caller.cookies[COOKIE].value, "")
        self.assertEqual(self.without_session(key).send("GET", "/today").status_code, 401)

    def test_a_member_who_was_deactivated_does_not_come_back(self) -> None:
        Member.objects.filter(pk=self.mine.member.pk).update(is_active=False)
        self.assertEqual(self.without_session(self.key()).send("GET", "/today").status_code, 401)

    def test_too_old_or_made_up_it_opens_nothing(self) -> None:
        SignIn.objects.of(self.mine.company).update(key_until=timezone.now())
        self.assertEqual(self.without_session(self.key()).send("GET", "/today").status_code, 401)
        self.assertEqual(self.without_session("x" * 43).send("GET", "/today").status_code, 401)
        self.assertEqual(self.without_session("").send("GET", "/today").status_code, 401)
